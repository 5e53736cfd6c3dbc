package pentacell.core.field;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.OptionalDouble;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import pentacell.core.field.FieldPack.Family;
import pentacell.core.field.FieldPack.Logger;
import pentacell.core.measure.Analyse;
import pentacell.core.measure.Analysis;
import pentacell.core.measure.AnalysisSettings;
import pentacell.core.measure.SampleLog;
import pentacell.core.prove.GroupLog;

/// What is told of single cells under every kind of load, in either sign.
final class CellTruthTest {
    /// How it is discharged, from full to its end voltage.
    enum Load {
        STEADY,
        /// Two currents in turn, without a rest.
        TWO_LEVELS,
        /// A current of 40 s, then 20 s of rest.
        BURSTS,
        /// A current of five minutes, then one of rest.
        PAUSES,
        RIDE,
        RIDE_WITH_REGENERATION,
        /// Discharged, charged to half and left.
        THEN_CHARGED
    }

    @ParameterizedTest
    @EnumSource(Load.class)
    @DisplayName("capacity and resistance, whatever the load, the sampling and the sign")
    void aCellIsMeasured(Load load) {
        StringBuilder wrong = new StringBuilder();
        int seed = 0;
        for (Family family : Family.values())
            for (double seconds : new double[] {1, 10})
                for (int sign : new int[] {1, -1}) {
                    Random random = new Random(100L * load.ordinal() + seed++);
                    FieldPack pack = new FieldPack(family, 1, 1, 0.1, random);
                    double end = family == Family.NMC ? 3.0 : 2.5;
                    double[] drawn = {0, 0};
                    GroupLog read =
                            pack.log(
                                    course(load, pack, end, drawn, random),
                                    new Logger(seconds, 0.001, 0.001, sign, 0));
                    SampleLog log =
                            SampleLog.of(
                                    read.seconds(),
                                    read.volts().get(0),
                                    read.amps().map((i, amps) -> -amps),
                                    read.amps().map((i, amps) -> Double.NaN));
                    Analysis told =
                            Analyse.log(
                                    log,
                                    new AnalysisSettings(
                                            OptionalDouble.of(end),
                                            OptionalDouble.empty(),
                                            OptionalDouble.empty(),
                                            AnalysisSettings.HOT_KELVIN));
                    double capacity =
                            told.discharge().map(each -> each.milliampHours()).orElse(0.0);
                    double ohms = told.resistance().map(each -> each.milliohms()).orElse(-1.0);
                    // a part of what follows a step is there before the next reading
                    double atOnce = 1000 * pack.ohms(0);
                    boolean isOhms = ohms < 0 || ohms > 0.9 * atOnce && ohms < 1.5 * atOnce;
                    // of a ride read every 10 s the currents in between are not known
                    double most = seconds > 1 && load.name().startsWith("RIDE") ? 0.03 : 0.01;
                    if (Math.abs(capacity - 1000 * drawn[0]) > most * 1000 * drawn[0] || !isOhms)
                        wrong.append(
                                "%s %.0f s sign %d: %.0f of %.0f mAh, %.1f of %.1f mΩ%n"
                                        .formatted(
                                                family,
                                                seconds,
                                                sign,
                                                capacity,
                                                1000 * drawn[0],
                                                ohms,
                                                atOnce));
                }
        assertEquals("", wrong.toString());
    }

    /// Half a minute of rest, then the load until the end voltage, then ten minutes of rest.
    private static DoubleUnaryOperator course(
            Load load, FieldPack cell, double end, double[] drawn, Random random) {
        double[] ended = {Double.NaN};
        double[] burst = {0, 0};
        return at -> {
            if (at < 30) return 0;
            if (Double.isNaN(ended[0]) && cell.lowest() < end) ended[0] = at;
            if (!Double.isNaN(ended[0])) {
                double since = at - ended[0];
                if (load == Load.THEN_CHARGED)
                    return since < 600 ? 0 : since < 3000 ? -1 : since < 3600 ? 0 : Double.NaN;
                return since < 600 ? 0 : Double.NaN;
            }
            double now =
                    switch (load) {
                        case STEADY, THEN_CHARGED -> 1;
                        case TWO_LEVELS -> (at - 30) % 120 < 80 ? 0.4 : 2;
                        case BURSTS -> (at - 30) % 60 < 40 ? 1.5 : 0;
                        case PAUSES -> (at - 30) % 360 < 300 ? 1 : 0;
                        case RIDE, RIDE_WITH_REGENERATION -> {
                            if (at >= burst[1]) {
                                burst[1] = at + 10 + 40 * random.nextDouble();
                                boolean stops = random.nextInt(4) == 0;
                                burst[0] =
                                        !stops
                                                ? 0.3 + 1.7 * random.nextDouble()
                                                : load == Load.RIDE ? 0 : -0.5;
                            }
                            yield burst[0];
                        }
                    };
            drawn[0] += now * (at - drawn[1] > 5 ? 1 : Math.max(0, at - drawn[1])) / 3600;
            drawn[1] = at;
            return now;
        };
    }
}
