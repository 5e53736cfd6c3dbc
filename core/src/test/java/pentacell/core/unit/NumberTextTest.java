package pentacell.core.unit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

final class NumberTextTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "3.68|3.68",
                "3,68|3.68",
                "−1.2|-1.2",
                ".5|0.5",
                "7.|7",
                "1e3|1000",
                " 42 |42"
            })
    void pointAndCommaAreBothDecimalMarks(String text, double value) {
        assertEquals(value, NumberText.parse(text).orElseThrow());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", "NaN", "Infinity", "1,234.5", "5O", "0x10", "1e999", "--1", "1 000"})
    void whatIsNoNumberIsNotGuessed(String text) {
        assertTrue(NumberText.parse(text).isEmpty());
    }

    @ParameterizedTest
    @CsvSource({
        "VOLTAGE, 3.6841, 3.684",
        "CAPACITY, 2143.4, 2143",
        "RESISTANCE, 56.25, 56.3",
        "CAPACITY, -0.2, 0",
        "PERCENT, NaN, –"
    })
    void numbersCarryTheDigitsOfTheInstrument(Quantity quantity, double value, String text) {
        assertEquals(text, quantity.number(value));
    }
}
