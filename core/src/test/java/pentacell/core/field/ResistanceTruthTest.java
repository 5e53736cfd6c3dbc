package pentacell.core.field;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.TestReporter;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.cell.Chemistry;
import pentacell.core.field.FieldPack.Family;
import pentacell.core.field.FieldPack.Logger;
import pentacell.core.prove.LoadTest;
import pentacell.core.prove.ProveLoad;

/// Resistances from load tests of packs in the field.
final class ResistanceTruthTest {
    @ParameterizedTest(name = "{0} every {1} s, {2}")
    @DisplayName(
            "resistance at once, from steps, at 1 mV of noise; what comes in 30 s is in it too")
    @CsvSource({
        "NMC, 0.2, PULSES, 1",
        "NMC, 1, PULSES, 1",
        "NMC, 1, RIDE, 1",
        "NMC, 10, RIDE, 8",
        // nothing tells here what was there at once and what came within 30 s
        "NMC, 10, PULSES, 8",
        "NMC, 30, PULSES, 25",
        "NMC, 10, SLOW, 1",
        "NMC, 30, SLOW, 2",
        "LFP, 0.2, PULSES, 1",
        "LFP, 1, PULSES, 1",
        "LFP, 1, RIDE, 1",
        "LFP, 10, PULSES, 8",
        "LFP, 30, PULSES, 25",
        "LFP, 10, SLOW, 1",
        "LFP, 30, SLOW, 2"
    })
    void packResistance(
            Family family, double seconds, String load, double percent, TestReporter reporter) {
        double worst = 0;
        double sum = 0;
        int count = 12;
        for (int seed = 0; seed < count; seed++) {
            Random random = new Random(seed);
            FieldPack pack = new FieldPack(family, 10, 4, 0.03, random);
            if (load.equals("SLOW")) pack.withoutFast();
            Logger logger = new Logger(seconds, 0, 0.001, seed % 2 == 0 ? 1 : -1, 0);
            LoadTest test =
                    ProveLoad.judge(
                            pack.log(
                                    load.equals("RIDE") ? ride(pack, random) : pulses(pack),
                                    logger),
                            family == Family.NMC ? 3.0 : 2.5,
                            Chemistry.valueOf(family.name()));
            double truth = 0;
            for (int g = 0; g < 10; g++) truth += 1000 * pack.ohms(g);
            double off = 100 * (test.packMilliohms().orElseThrow() / truth - 1);
            sum += off;
            worst = Math.max(worst, Math.abs(off));
        }
        String said =
                "%s every %.1f s, %s: mean %.2f %%, worst %.2f %%"
                        .formatted(family, seconds, load, sum / count, worst);
        reporter.publishEntry("resistance", said);
        assertTrue(worst < percent, said);
    }

    /// Ten minutes of load and as much of rest, until the pack is low.
    private static DoubleUnaryOperator pulses(FieldPack pack) {
        double amps = 0.5 * pack.ampHours();
        return at -> at > 9000 ? Double.NaN : at % 1217 > 313 && at % 1217 < 907 ? amps : 0;
    }

    /// A new current every 10 to 40 s.
    private static DoubleUnaryOperator ride(FieldPack pack, Random random) {
        double[] now = {0, 0};
        return at -> {
            if (at > 3000) return Double.NaN;
            if (at >= now[1]) {
                now[0] = random.nextInt(4) == 0 ? 0 : random.nextDouble() * pack.ampHours();
                now[1] = at + 10 + 30 * random.nextDouble();
            }
            return now[0];
        };
    }
}
