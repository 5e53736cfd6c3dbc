package pentacell.core.measure;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
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
                CurrentSign.settled(column(volts), column(amps), conventionOf(volts, amps));
        return IntStream.range(0, settled.size()).mapToDouble(settled::get).toArray();
    }

    private static Convention conventionOf(double[] volts, double[] amps) {
        return CurrentSign.of(column(volts), column(amps));
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

    @Test
    void aShortPulseWithoutASignIsToldByItsJump() {
        double[] volts = {3.95, 3.95, 3.85, 3.85, 3.95, 3.95};
        double[] amps = {0, 0, 1.5, 1.5, 0, 0};
        assertArrayEquals(new double[] {0, 0, -1.5, -1.5, 0, 0}, settled(volts, amps));
    }
}
