package pentacell.field;

import java.util.Random;
import java.util.function.DoubleUnaryOperator;

/// How a whole pack is loaded in a test.
public enum PackLoad {
    /// Ten minutes of load and as much rest, until the pack is low.
    PULSES,
    /// A new current every 10 to 40 s for fifty minutes.
    RIDE,
    /// A load that runs on until the first group is at its end voltage, then half an hour of rest.
    STEADY;

    private static final double PULSED_SECONDS = 9000;
    private static final double RIDDEN_SECONDS = 3000;
    private static final double RESTED_SECONDS = 1800;

    /// What is drawn from a pack, called with times that rise; NaN when it is over.
    ///
    /// @param endVolts of the lowest group
    public DoubleUnaryOperator of(FieldPack pack, double endVolts, Random random) {
        return switch (this) {
            case PULSES -> pulses(pack);
            case RIDE -> ride(pack, random);
            case STEADY -> steady(pack, endVolts);
        };
    }

    private static DoubleUnaryOperator pulses(FieldPack pack) {
        double amps = 0.5 * pack.ampHours();
        return at ->
                at > PULSED_SECONDS ? Double.NaN : at % 1217 > 313 && at % 1217 < 907 ? amps : 0;
    }

    private static DoubleUnaryOperator ride(FieldPack pack, Random random) {
        double[] now = {0, 0};
        return at -> {
            if (at > RIDDEN_SECONDS) return Double.NaN;
            if (at >= now[1]) {
                now[0] = random.nextInt(4) == 0 ? 0 : random.nextDouble() * pack.ampHours();
                now[1] = at + 10 + 30 * random.nextDouble();
            }
            return now[0];
        };
    }

    private static DoubleUnaryOperator steady(FieldPack pack, double endVolts) {
        double amps = 0.4 * pack.ampHours();
        double[] ended = {Double.NaN};
        return at -> {
            if (at < 600) return 0;
            if (Double.isNaN(ended[0]) && pack.lowest() < endVolts) ended[0] = at;
            if (Double.isNaN(ended[0])) return amps;
            return at - ended[0] < RESTED_SECONDS ? 0 : Double.NaN;
        };
    }
}
