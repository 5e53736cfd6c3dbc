package pentacell.core.measure;

import java.util.List;
import java.util.Optional;

/// What a log says.
///
/// @param steps its steps, in order
/// @param discharge the discharge that counts
/// @param chargeEnd how the charge before it ended
/// @param resistance direct current resistance, when the log has pulses
/// @param heat how warm the can became, when that was measured
/// @param anomalies what is odd, in the order of time
public record Analysis(
        List<RunStep> steps,
        Optional<Discharge> discharge,
        Optional<ChargeEnd> chargeEnd,
        Optional<DcResistance> resistance,
        Optional<Heat> heat,
        List<Anomaly> anomalies) {
    public Analysis {
        steps = List.copyOf(steps);
        anomalies = List.copyOf(anomalies);
    }
}
