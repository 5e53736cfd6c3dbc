package pentacell.workshop.exchange;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// Reading ahead changes nothing but the time it takes.
final class ReadAheadTest {
    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2047, 2048, 2049, 20_000})
    void allRowsAreWorkedOnInTheirOrder(int count) {
        List<Integer> rows = IntStream.range(0, count).boxed().toList();
        List<Integer> worked = new ArrayList<>();

        ReadAhead.forEach(rows.iterator(), worked::add);

        assertEquals(rows, worked);
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2048, 5000})
    void whatWasReadBeforeAFailureIsWorkedOnFirst(int good) {
        Iterator<Integer> rows =
                IntStream.range(0, good + 10)
                        .mapToObj(row -> {
                            if (row == good) throw new IllegalStateException("torn off");
                            return row;
                        })
                        .iterator();
        List<Integer> worked = new ArrayList<>();

        assertThrows(IllegalStateException.class, () -> ReadAhead.forEach(rows, worked::add));
        assertEquals(good, worked.size());
    }
}
