package pentacell.core.measure;

import java.util.function.DoubleUnaryOperator;

/// Hand-made logs for tests.
final class Logs {
    private final SampleLog.Builder builder = new SampleLog.Builder();
    private double now;

    /// A stretch of steady current; the voltage is a function of the seconds since its start.
    Logs stretch(double seconds, double every, double amps, DoubleUnaryOperator volts) {
        int count = (int) Math.round(seconds / every);
        for (int i = 0; i < count; i++) {
            builder.add(now, volts.applyAsDouble(i * every), amps, Double.NaN);
            now += every;
        }
        return this;
    }

    Logs sample(double seconds, double volts, double amps) {
        now = seconds;
        builder.add(seconds, volts, amps, Double.NaN);
        return this;
    }

    SampleLog log() {
        return builder.build();
    }

    /// A line from one voltage to another.
    static DoubleUnaryOperator line(double from, double to, double seconds) {
        return t -> from + (to - from) * t / seconds;
    }
}
