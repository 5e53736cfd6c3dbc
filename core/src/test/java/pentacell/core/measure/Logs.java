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

    /// A cell of 100 mΩ whose open circuit voltage falls 1 V an Ah from the voltage it was charged
    /// to, so that every correction has a closed form: charged, rested, pulsed, discharged.
    static SampleLog falling(double amps, double endVolts, double chargeVolts) {
        Logs logs =
                new Logs()
                        .stretch(600, 10, 0.05, t -> chargeVolts)
                        .stretch(900, 10, 0, t -> chargeVolts)
                        .stretch(10, 1, -1, t -> chargeVolts - 0.1)
                        .stretch(60, 10, 0, t -> chargeVolts);
        double start = logs.now;
        double volts = Double.POSITIVE_INFINITY;
        for (int seconds = 0; volts > endVolts; seconds += 5) {
            volts = chargeVolts - amps * seconds / 3600.0 - 0.1 * amps;
            logs.sample(start + seconds, volts, -amps);
        }
        return logs.log();
    }

    /// A line from one voltage to another.
    static DoubleUnaryOperator line(double from, double to, double seconds) {
        return t -> from + (to - from) * t / seconds;
    }
}
