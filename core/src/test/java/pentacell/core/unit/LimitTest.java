package pentacell.core.unit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/// What a reading can be, at its edges.
final class LimitTest {
    @ParameterizedTest(name = "{0} {1}: {2}")
    @CsvSource({
        "VOLTAGE, -10, true",
        "VOLTAGE, -10.001, false",
        "VOLTAGE, 10, true",
        "VOLTAGE, 10.001, false",
        "RESISTANCE, 0, false",
        "RESISTANCE, 0.1, true",
        "RESISTANCE, 10000, true",
        "RESISTANCE, 10000.1, false",
        "CAPACITY, 0, false",
        "CAPACITY, 100000, true",
        "CAPACITY, 100001, false",
        "CURRENT, 0, false",
        "CURRENT, 999.9, true",
        "CURRENT, 1000, false",
        "TEMPERATURE, -40, false",
        "TEMPERATURE, -39.9, true",
        "TEMPERATURE, 79.9, true",
        "TEMPERATURE, 80, false"
    })
    void itHoldsWhatAReadingCanBe(Limit limit, double value, boolean holds) {
        assertEquals(holds, limit.holds(value));
    }

    @ParameterizedTest
    @EnumSource
    void whatIsNoNumberCannotBeAndIsNamedInTheSentence(Limit limit) {
        for (double odd :
                new double[] {Double.NaN, Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY}) {
            Exception refused =
                    assertThrows(IllegalArgumentException.class, () -> limit.checked(odd));
            assertTrue(
                    String.valueOf(refused.getMessage()).startsWith(limit.sentence()),
                    refused::getMessage);
        }
    }

    @Test
    void whatCanBeIsPassedOn() {
        assertEquals(3.7, Limit.VOLTAGE.checked(3.7));
    }
}
