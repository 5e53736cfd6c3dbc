package pentacell.core.measure;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.measure.CurrentSign.Convention;

/// What the sign of a current means, told by the voltage.
final class CurrentSignTest {

    /// A charge, a rest and a discharge with our own signs; lengths and slopes at random.
    private static double[][] run(int seed) {
        Random random = new Random(seed);
        int charge = 20 + random.nextInt(60);
        int rest = 3 + random.nextInt(10);
        int discharge = 20 + random.nextInt(60);
        double[] volts = new double[charge + rest + discharge];
        double[] amps = new double[volts.length];
        for (int i = 0; i < volts.length; i++) {
            if (i < charge) {
                volts[i] = 3.5 + 0.7 * i / charge;
                amps[i] = 0.5 + random.nextDouble() * 0.1;
            } else if (i < charge + rest) volts[i] = 4.17;
            else {
                volts[i] = 4.1 - 1.1 * (i - charge - rest) / discharge;
                amps[i] = -(0.9 + random.nextDouble() * 0.1);
            }
        }
        return new double[][] {volts, amps};
    }

    private static double[] settled(double[] volts, double[] amps) {
        Column settled =
                CurrentSign.settled(i -> volts[i], column(amps), conventionOf(volts, amps));
        return IntStream.range(0, settled.size()).mapToDouble(settled::get).toArray();
    }

    private static Convention conventionOf(double[] volts, double[] amps) {
        return CurrentSign.of(
                column(IntStream.range(0, amps.length).mapToDouble(i -> 10.0 * i).toArray()),
                i -> volts[i],
                column(amps));
    }

    private static Column column(double[] values) {
        Column.Builder builder = new Column.Builder();
        for (double value : values) builder.add(value);
        return builder.build();
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8})
    void everyConventionComesToTheSameCurrents(int seed) {
        double[][] run = run(seed);
        double[] volts = run[0];
        double[] ours = run[1];
        double[] turned = new double[ours.length];
        double[] bare = new double[ours.length];
        for (int i = 0; i < ours.length; i++) {
            turned[i] = -ours[i];
            bare[i] = Math.abs(ours[i]);
        }
        assertEquals(Convention.DISCHARGE_NEGATIVE, conventionOf(volts, ours));
        assertEquals(Convention.DISCHARGE_POSITIVE, conventionOf(volts, turned));
        assertEquals(Convention.NONE, conventionOf(volts, bare));
        assertArrayEquals(ours, settled(volts, ours), "seed " + seed);
        assertArrayEquals(ours, settled(volts, turned), 0.0, "seed " + seed);
        assertArrayEquals(ours, settled(volts, bare), 0.0, "seed " + seed);
    }

    @Test
    void aLogOfChargeOrRestAloneKeepsItsSigns() {
        double[] rising = {3.5, 3.6, 3.7, 3.8, 3.9, 4.0, 4.1};
        double[] amps = {1, 1, 1, 1, 1, 1, 1};
        assertArrayEquals(amps, settled(rising, amps));
        double[] none = new double[7];
        assertArrayEquals(none, settled(rising, none));
        assertEquals(0, settled(new double[0], new double[0]).length);
    }

    @ParameterizedTest(name = "written with {0}")
    @ValueSource(ints = {1, -1, 0})
    @DisplayName("two levels without a rest: the lower one lets the voltage rise, and is drawn too")
    void aLoadThatNeverStopsIsDrawn(int sign) {
        double[] volts = new double[400];
        double[] amps = new double[volts.length];
        double[] drawn = new double[volts.length];
        double slow = 0;
        for (int i = 0; i < volts.length; i++) {
            drawn[i] = -(i / 20 % 2 == 0 ? 0.5 : 2);
            slow += (0.04 * drawn[i] - slow) / 15;
            volts[i] = 4.1 - 0.0012 * i + 0.05 * drawn[i] + slow;
            amps[i] = sign == 0 ? -drawn[i] : sign * drawn[i];
        }
        assertArrayEquals(drawn, settled(volts, amps));
    }

    @ParameterizedTest(name = "written with {0}")
    @ValueSource(ints = {1, -1})
    void aLostContactIsNoStep(int sign) {
        double[] volts = new double[200];
        double[] amps = new double[volts.length];
        double[] drawn = new double[volts.length];
        for (int i = 0; i < volts.length; i++) {
            boolean isLost = i % 50 == 30;
            drawn[i] = isLost ? 0 : -1;
            volts[i] = isLost ? 0.1 : 4.1 - 0.005 * i;
            amps[i] = sign * drawn[i];
        }
        assertArrayEquals(drawn, settled(volts, amps));
    }

    @Test
    void aShortPulseWithoutASignIsToldByItsJump() {
        double[] volts = {3.95, 3.95, 3.85, 3.85, 3.95, 3.95};
        double[] amps = {0, 0, 1.5, 1.5, 0, 0};
        assertArrayEquals(new double[] {0, 0, -1.5, -1.5, 0, 0}, settled(volts, amps));
    }

    /// Stretches of ten samples: voltage from, to, and current as the instrument wrote it.
    private static double[][] stretches(double... fromToAmps) {
        double[] volts = new double[10 * fromToAmps.length / 3];
        double[] amps = new double[volts.length];
        for (int i = 0; i < volts.length; i++) {
            int at = 3 * (i / 10);
            volts[i] = fromToAmps[at] + (fromToAmps[at + 1] - fromToAmps[at]) * (i % 10) / 9;
            amps[i] = fromToAmps[at + 2];
        }
        return new double[][] {volts, amps};
    }

    private static void assertConvention(Convention expected, double... fromToAmps) {
        double[][] run = stretches(fromToAmps);
        assertEquals(expected, conventionOf(run[0], run[1]));
    }

    @Test
    void theVoltageTellsWhatASignMeans() {
        // one sign alone: rising is charge, falling is discharge without a sign
        assertConvention(Convention.DISCHARGE_NEGATIVE, 3.6, 4.1, 1);
        assertConvention(Convention.NONE, 4.1, 3.6, 1);
        assertConvention(Convention.DISCHARGE_NEGATIVE, 4.1, 3.6, -1);
        assertConvention(Convention.DISCHARGE_POSITIVE, 3.6, 4.1, -1);
        // both signs: what the voltage does most of
        assertConvention(Convention.DISCHARGE_NEGATIVE, 3.6, 4.1, 1, 4.0, 3.5, -1);
        assertConvention(Convention.DISCHARGE_POSITIVE, 3.6, 4.1, -1, 4.0, 3.5, 1);
        assertConvention(Convention.DISCHARGE_POSITIVE, 3.6, 3.7, 1, 4.0, 3.2, 1, 3.4, 3.9, -1);
        // what is as good as no current has no say
        assertConvention(Convention.DISCHARGE_NEGATIVE, 4.1, 3.6, 0.009);
        assertConvention(Convention.NONE, 4.1, 3.6, 0.011);
        assertConvention(Convention.DISCHARGE_NEGATIVE, 4.1, 3.6, -0.009, 3.6, 4.0, 1);
    }

    @Test
    void aStretchEndsWithItsCurrent() {
        // a log without signs: charge, at once the discharge of twice the current, then rest
        double[][] run = stretches(3.6, 4.1, 0.5, 4.0, 3.5, 1, 3.6, 3.6, 0);
        double[] settled = settled(run[0], run[1]);
        assertEquals(0.5, settled[9]);
        assertEquals(-1, settled[10]);
        assertEquals(-1, settled[19]);
        assertEquals(0, settled[20]);
        // a current that grows by a third is the same stretch, one that halves too
        double[][] swings = stretches(4.1, 3.9, 1, 3.87, 3.88, 1.3, 3.95, 3.6, 0.6);
        assertEquals(-1.3, settled(swings[0], swings[1])[15]);
        assertEquals(-0.6, settled(swings[0], swings[1])[25]);
    }

    /// Where the voltage hardly moves, the jump from the rest before it tells.
    @ParameterizedTest(name = "{0} V at rest, then {1} to {2} V")
    @CsvSource({
        "3.90, 3.85, 3.851, -1",
        "3.90, 3.95, 3.949, 1",
        "3.90, 3.85, 3.865, -1",
        "3.90, 3.95, 3.935, 1",
        "3.90, 3.85, 3.858, -1"
    })
    void aFlatStretchIsToldByItsJump(double rest, double from, double to, int sign) {
        // behind it a clear discharge, so that the log has no signs at all
        double[][] run = stretches(rest, rest, 0, from, to, 1, rest, rest, 0, 4.0, 3.0, 1);
        double[] settled = settled(run[0], run[1]);
        assertEquals(sign, settled[12]);
        assertEquals(-1, settled[32]);
    }
}
