package pentacell.workshop.exchange;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// How tables are taken apart: separators and headers.
final class SeparatorTest {
    @ParameterizedTest(name = "“{0}”: {1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "cell_id,voltage_v | ,",
                "cell_id;voltage_v | ;",
                "0,1;3,71;1,02 | ;",
                "0,3.71,1.02 | ,",
                "'\"a, b, c\";3,7' | ;",
                "cell_id | ,",
                "'' | ,",
                "a;b,c,d | ,"
            })
    void theSeparatorIsWhatThereIsMostOf(String line, char separator) {
        assertEquals(separator, Separator.of(List.of(line)));
    }

    @Test
    void allLinesCount() {
        assertEquals(
                '\t',
                Separator.of(List.of("Log of bay 3; 24 °C", "time\tvolts\tamps", "0\t3,7\t1")));
        assertEquals(',', Separator.of(List.of()));
    }

    @ParameterizedTest(name = "“{0}”: {1}")
    @CsvSource({
        "Voltage / V, voltage_v",
        "voltage_v, voltage_v",
        " Voltage (V) , voltage_v",
        "IR (mΩ), ir_mω",
        "Temperature [°C], temperature_c",
        "--, ''"
    })
    void aHeaderIsItsWords(String header, String plain) {
        assertEquals(plain, Headers.plain(header));
    }
}
