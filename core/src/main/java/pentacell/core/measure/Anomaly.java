package pentacell.core.measure;

import pentacell.core.cell.Oddity;
import pentacell.core.judgement.Reason;

/// Something odd in a curve.
///
/// @param kind what it is
/// @param atSeconds where in the log it begins, in s
/// @param reason rule, figure and limit
public record Anomaly(Oddity kind, double atSeconds, Reason reason) {
    /// The sentence that screen, paper and command line all show.
    public String sentence() {
        return reason.sentence();
    }
}
