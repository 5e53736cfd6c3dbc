package pentacell.core.measure;

import java.util.Optional;

/// How warm a can became in a run.
///
/// @param riseKelvin highest temperature over that of its start, in K
/// @param startCelsius temperature at its start, in °C; taken for the ambient
/// @param meanCelsius mean temperature while it was discharged, in °C
/// @param atSeconds when it was warmest, in s
/// @param amps largest current of the run, in A
public record Heat(
        double riseKelvin, double startCelsius, double meanCelsius, double atSeconds, double amps) {

    /// The heat of a log; empty when no temperature was measured.
    static Optional<Heat> of(SampleLog log) {
        double start = Double.NaN;
        double warmest = Double.NEGATIVE_INFINITY;
        double at = 0;
        double amps = 0;
        double weighted = 0;
        double weight = 0;
        for (int i = 0; i < log.size(); i++) {
            double celsius = log.celsius(i);
            if (!Double.isFinite(celsius)) continue;
            if (Double.isNaN(start)) start = celsius;
            amps = Math.max(amps, Math.abs(log.amps(i)));
            if (celsius > warmest) {
                warmest = celsius;
                at = log.seconds(i);
            }
            if (i > 0 && log.amps(i) < 0) {
                double interval = log.seconds(i) - log.seconds(i - 1);
                weighted += interval * celsius;
                weight += interval;
            }
        }
        if (Double.isNaN(start)) return Optional.empty();
        return Optional.of(
                new Heat(warmest - start, start, weight > 0 ? weighted / weight : start, at, amps));
    }
}
