package pentacell.desktop.kit;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.SplittableRandom;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

final class ScaleTest {

    @RepeatedTest(10)
    void valueAndPixelAreEachOthersInverse(RepetitionInfo repetition) {
        SplittableRandom random = new SplittableRandom(repetition.getCurrentRepetition());
        Scale scale =
                new Scale(
                        random.nextDouble(-5, 5),
                        random.nextDouble(6, 99),
                        random.nextDouble(400, 900),
                        random.nextDouble(0, 300));
        for (int i = 0; i < 50; i++) {
            double value = random.nextDouble(-10, 120);
            assertEquals(value, scale.value(scale.pixel(value)), 1e-9);
        }
    }

    @ParameterizedTest(name = "{0} to {1} in at most {2}: from {3} by {4}")
    @CsvSource({
        "0, 100, 5, 0, 20",
        "0, 23000, 5, 0, 5000",
        "1843, 2411, 8, 1900, 100",
        "39.2, 69.1, 3, 40, 10",
        "-0.3, 0.3, 6, -0.3, 0.1"
    })
    void ticksAreRoundAndInside(double from, double to, int most, double first, double step) {
        double[] ticks = new Scale(from, to, 0, 100).ticks(most);
        assertEquals(first, ticks[0], 1e-9);
        assertTrue(ticks.length <= most + 1 && ticks.length >= 2);
        for (int i = 1; i < ticks.length; i++) assertEquals(step, ticks[i] - ticks[i - 1], 1e-9);
        assertTrue(ticks[ticks.length - 1] <= to + 1e-9);
    }

    @ParameterizedTest
    @CsvSource({"0.7, 1", "1, 1", "1.1, 2", "2.1, 5", "5.1, 10", "0.03, 0.05", "0, 1", "NaN, 1"})
    void stepsAreOneTwoOrFive(double least, double step) {
        assertEquals(step, Scale.roundStep(least), 1e-12);
    }

    @Test
    void aScaleAroundASingleValueStillHasRoom() {
        Scale scale = Scale.around(50, 50, 0.1, 0, 100);
        assertEquals(50, scale.pixel(50), 1e-9);
        assertTrue(scale.to() > scale.from());
    }

    @Test
    void inkIsDarkerForHigherResistance() {
        assertArrayEquals(
                new double[] {0, 1},
                new double[] {CellMark.darkness(12), CellMark.darkness(120)},
                1e-9);
        for (double milliohms = 13; milliohms < 200; milliohms++)
            assertTrue(CellMark.darkness(milliohms) > CellMark.darkness(milliohms - 1));
    }
}
