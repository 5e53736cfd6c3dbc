package pentacell.desktop.kit;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.Arrays;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.unit.Quantity;

/// Labels of ticks tell one from the next.
final class AxisTest {
    @ParameterizedTest(name = "{0} to {1}, at most {2}")
    @CsvSource({
        "0, 2200, 5, 0",
        "45.2, 47.1, 3, 0",
        "45.2, 46.1, 3, 1",
        "0.5, 0.55, 4, 2",
        "2.2, 4.4, 6, 1",
        "-3, 3, 4, 0"
    })
    void asManyDigitsAsTheStepNeeds(double from, double to, int most, int digits) {
        double[] ticks = new Scale(from, to, 0, 100).ticks(most);
        assertEquals(digits, Axis.digits(ticks), () -> Arrays.toString(ticks));
        long different =
                Arrays.stream(ticks)
                        .mapToObj(tick -> Quantity.COUNT.number(tick, digits))
                        .distinct()
                        .count();
        assertEquals(ticks.length, different);
    }

    @ParameterizedTest(name = "“{0}”: {1}")
    @CsvSource({"'', 0", "5, 0", "2.5, 2"})
    void fewTicksHaveTheDigitsTheyNeed(String tick, int digits) {
        double[] ticks = tick.isEmpty() ? new double[0] : new double[] {Double.parseDouble(tick)};
        assertEquals(digits, Axis.digits(ticks));
    }
}
