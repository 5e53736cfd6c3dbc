package pentacell.core.measure;

import java.util.Optional;

/// How warm a can became in a run.
///
/// @param riseKelvin highest temperature over that of its start, in K
/// @param startCelsius temperature at its start, in °C; taken for the ambient
/// @param meanCelsius mean temperature while it was discharged, in °C
/// @param atSeconds when it was warmest, in s
/// @param amps mean current while it was discharged, in A; while it was charged when it never was
public record Heat(
        double riseKelvin, double startCelsius, double meanCelsius, double atSeconds, double amps) {

    /// The heat of a log; empty when no temperature was measured.
    static Optional<Heat> of(SampleLog log) {
        double start = Double.NaN;
        double warmest = Double.NEGATIVE_INFINITY;
        double at = 0;
        double coulombs = 0;
        double chargedCoulombs = 0;
        double chargedSeconds = 0;
        double weighted = 0;
        double weight = 0;
        for (int i = 0; i < log.size(); i++) {
            double celsius = log.celsius(i);
            if (!Double.isFinite(celsius)) continue;
            if (Double.isNaN(start)) start = celsius;
            if (celsius > warmest) {
                warmest = celsius;
                at = log.seconds(i);
            }
            if (i == 0) continue;
            double interval = log.seconds(i) - log.seconds(i - 1);
            if (log.amps(i) < 0) {
                weighted += interval * celsius;
                weight += interval;
                coulombs -= interval * log.amps(i);
            } else if (log.amps(i) > 0) {
                chargedCoulombs += interval * log.amps(i);
                chargedSeconds += interval;
            }
        }
        double amps =
                weight > 0
                        ? coulombs / weight
                        : chargedSeconds > 0 ? chargedCoulombs / chargedSeconds : 0;
        if (Double.isNaN(start)) return Optional.empty();
        return Optional.of(
                new Heat(warmest - start, start, weight > 0 ? weighted / weight : start, at, amps));
    }
}
