package pentacell.workshop.exchange;

import java.util.function.Consumer;
import pentacell.core.measure.SampleLog;
import pentacell.core.unit.Count;

/// The temperatures of a log: a probe that is off tells −100 or 850, and what no can comes to was
/// not read.
final class LogCelsius {
    private int odd;

    /// The temperature in °C; NaN where none was read.
    double of(double read) {
        boolean canBe = SampleLog.canBeCelsius(read);
        if (!canBe && !Double.isNaN(read)) odd++;
        return canBe ? read : Double.NaN;
    }

    /// Says how many were left out, if any.
    void say(Consumer<String> notes) {
        if (odd > 0)
            notes.accept(
                    "%s left out: no can gets that cold or that hot"
                            .formatted(Count.of(odd, "temperature was", "temperatures were")));
    }
}
