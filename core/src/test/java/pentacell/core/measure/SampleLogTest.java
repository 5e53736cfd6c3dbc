package pentacell.core.measure;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.stream.IntStream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@DisplayName("samples of a log")
final class SampleLogTest {
    private static Column column(double... values) {
        Column.Builder builder = new Column.Builder();
        for (double value : values) builder.add(value);
        return builder.build();
    }

    @ParameterizedTest(name = "{0} V, {1} A: {2}")
    @CsvSource({
        "4.2, 3, true",
        "-20, -1000, true",
        "20, 1000, true",
        "20.1, 0, false",
        "-20.1, 0, false",
        "3.7, 1001, false",
        "NaN, 0, false",
        "3.7, NaN, false"
    })
    void whatASingleCellCanGive(double volts, double amps, boolean canBe) {
        assertEquals(canBe, SampleLog.canBe(volts, amps));
    }

    @ParameterizedTest(name = "{0} °C: {1}")
    @CsvSource({"-60, true", "-60.1, false", "25, true", "300, true", "300.1, false", "NaN, false"})
    void howWarmACanCanBe(double celsius, boolean canBe) {
        assertEquals(canBe, SampleLog.canBeCelsius(celsius));
    }

    @Test
    void columnsAreOfOneLengthAndTimeRises() {
        Column two = column(1, 2);
        Column three = column(1, 2, 3);
        assertEquals(2, SampleLog.of(two, two, two, two).size());
        for (int odd = 0; odd < 4; odd++) {
            Column[] columns = {two, two, two, two};
            columns[odd] = three;
            assertThrows(
                    IllegalArgumentException.class,
                    () -> SampleLog.of(columns[0], columns[1], columns[2], columns[3]));
        }
        assertThrows(
                IllegalArgumentException.class, () -> SampleLog.of(column(1, 1), two, two, two));
        assertThrows(
                IllegalArgumentException.class,
                () -> SampleLog.of(two, column(1, Double.NaN), two, two));
        double[] numbers = {1, 2};
        double[] more = {1, 2, 3};
        assertThrows(IllegalArgumentException.class, () -> SampleLog.of(numbers, more, numbers));
        assertThrows(IllegalArgumentException.class, () -> SampleLog.of(numbers, numbers, more));
        assertTrue(Double.isNaN(SampleLog.of(numbers, numbers, numbers).celsius(1)));
    }

    /// The interval after the tenth of twenty samples, every 5 s else: a gap from a minute on,
    /// known while it is short and the current at both ends the same.
    @ParameterizedTest(name = "{0} s from {1} to {2} A: gap {3}, counts {4}")
    @CsvSource({
        "60, -1, -1, false, true",
        "61, -1, -1, true, true",
        "300, -1, -1, true, true",
        "301, -1, -1, true, false",
        "61, -1, -1.1, true, true",
        "61, -1, -1.12, true, false",
        "61, -1.12, -1, true, false",
        "61, -1, 0, true, false",
        "59, -1, 0, false, true"
    })
    void aGapIsBridgedOnlyWhenWhatWentOnIsKnown(
            double seconds, double before, double after, boolean isGap, boolean counts) {
        SampleLog.Builder log = new SampleLog.Builder();
        for (int i = 0; i < 20; i++)
            log.add(5 * i + (i < 10 ? 0 : seconds - 5), 3.7, i < 10 ? before : after, Double.NaN);
        Intervals intervals = new Intervals(log.build());
        assertEquals(isGap, intervals.isGap(9));
        assertEquals(counts, intervals.counts(9));
        assertTrue(IntStream.range(0, 19).filter(i -> i != 9).noneMatch(intervals::isGap));
    }

    /// Of a slow log ten intervals are no gap, whatever the gaps in it.
    @ParameterizedTest(name = "{0} samples every {1} s, {2} s once: gap {3}")
    @CsvSource({
        "20, 30, 299, false",
        "20, 30, 301, true",
        "5000, 30, 299, false",
        "5000, 30, 301, true",
        "2, 0, 61, true",
        "1, 0, 0, false"
    })
    void theUsualIntervalSays(int samples, double every, double once, boolean isGap) {
        SampleLog.Builder log = new SampleLog.Builder();
        for (int i = 0; i < samples; i++)
            log.add(every * i + (i < samples / 2 ? 0 : once - every), 3.7, -1, Double.NaN);
        Intervals intervals = new Intervals(log.build());
        boolean found = IntStream.range(0, samples - 1).anyMatch(intervals::isGap);
        // of two samples the one interval is the usual one
        assertEquals(isGap && samples > 2, found);
    }
}
