package pentacell.core.measure;

import java.util.List;
import java.util.Optional;

/// How the charge before a discharge ended; a cell that was not filled gives less.
///
/// @param volts highest voltage it was charged to, in V
/// @param amps current it ended at, in A
/// @param restSeconds rest after it, in s
public record ChargeEnd(double volts, double amps, double restSeconds) {

    /// The last charge that ended before a discharge began.
    static Optional<ChargeEnd> before(double startSeconds, SampleLog log, List<RunStep> steps) {
        Optional<ChargeEnd> end = Optional.empty();
        for (RunStep step : steps) {
            if (step.kind() != StepKind.CHARGE || step.endSeconds() > startSeconds) continue;
            // the last samples may already be without current
            double volts = Double.NEGATIVE_INFINITY;
            for (int i = Math.max(step.first(), step.last() - 5); i <= step.last(); i++)
                volts = Math.max(volts, log.volts(i));
            end =
                    Optional.of(
                            new ChargeEnd(
                                    volts,
                                    log.amps(step.last()),
                                    Math.max(0, startSeconds - step.endSeconds())));
        }
        return end;
    }
}
