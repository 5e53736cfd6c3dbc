package pentacell.core.measure;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.Arrays;
import java.util.DoubleSummaryStatistics;
import java.util.List;
import java.util.Random;
import java.util.function.IntFunction;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/// Readings held in few bytes come back as they were.
final class ColumnTest {

    static Stream<Arguments> rows() {
        Random random = new Random(11);
        double most = Double.MAX_VALUE;
        return Stream.of(
                row("none", 0, i -> 0.0),
                row("one", 1, i -> 3.684),
                row("a block to the last", 1024, i -> i / 1000.0),
                row("one over a block", 1025, i -> i / 1000.0),
                row("steady", 5000, i -> 3.3),
                row("volts", 5000, i -> Double.parseDouble("%.4f".formatted(3 + i / 5000.0))),
                row("every place", 5000, i -> random.nextInt(100_000) / Math.pow(10, i % 9)),
                row("no decimals", 5000, i -> random.nextGaussian()),
                row("no decimals now and then", 5000, i -> i % 700 == 0 ? Math.PI : 4.2),
                row("thirds of a second", 5000, i -> i / 3.0),
                row("dates", 5000, i -> 1_795_000_000.25 + i),
                row("either sign", 5000, i -> (i % 2 == 0 ? 1 : -1) * 0.001 * i),
                row("mostly none", 5000, i -> i % 10 == 0 ? 21.5 : Double.NaN),
                row("none at all", 5000, i -> Double.NaN),
                row("no numbers", 5000, i -> i % 3 == 0 ? Double.NEGATIVE_INFINITY : i),
                row("huge", 5000, i -> i % 3 == 0 ? -most : most),
                row("tiny", 5000, i -> i * Double.MIN_VALUE),
                row("over 32 bits", 5000, i -> i % 2 * 4_294_967_296.0),
                row("just 32 bits", 5000, i -> i % 2 * 4_294_967_295.0),
                row("over 53 bits", 5000, i -> 1e17 + 32 * i));
    }

    private static Arguments row(String name, int size, IntFunction<Double> reading) {
        return Arguments.of(name, IntStream.range(0, size).mapToObj(reading).toList());
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("rows")
    void givesBackWhatWasPutIn(String name, List<Double> readings) {
        Column.Builder builder = new Column.Builder();
        readings.forEach(builder::add);
        Column column = builder.build();
        builder.add(7);
        assertEquals(readings.size(), column.size(), "the builder went on, the column did not");
        for (int i = 0; i < readings.size(); i++)
            assertEquals(readings.get(i), column.get(i), 0.0, name + " " + i);
        Column doubled = column.map((i, each) -> each + i);
        for (int i = 0; i < readings.size(); i++)
            assertEquals(readings.get(i) + i, doubled.get(i), 0.0, name + " " + i);
        assertThrows(IndexOutOfBoundsException.class, () -> column.get(readings.size()));
        assertThrows(IndexOutOfBoundsException.class, () -> column.get(-1));
        assertArrayEquals(
                readings.stream().mapToDouble(each -> each).toArray(), column.toArray(), name);
        DoubleSummaryStatistics numbers =
                readings.stream()
                        .mapToDouble(each -> each)
                        .filter(each -> !Double.isNaN(each))
                        .summaryStatistics();
        assertEquals(numbers.getMin(), column.least(), name);
        assertEquals(numbers.getMax(), column.most(), name);
        // what is read at once begins and ends in the middle of a block
        double[] some = new double[Math.min(2500, readings.size() / 2)];
        int from = (readings.size() - some.length) / 2;
        column.read(from, some);
        for (int i = 0; i < some.length; i++)
            assertEquals(readings.get(from + i), some[i], 0.0, name + " " + i);
        assertThrows(
                IndexOutOfBoundsException.class, () -> column.read(1, new double[column.size()]));
    }

    @Test
    void writesNoMinusBeforeZero() {
        Column.Builder builder = new Column.Builder();
        DoubleStream.of(-0.0, 1, -0.0).forEach(builder::add);
        assertEquals(0, Double.compare(0.0, builder.build().get(0)));
    }

    /// An hour's log at a sample a second, as a bench instrument writes it.
    @Test
    void aLogKeepsEveryReadingOfItsText() {
        Random random = new Random(3);
        double[] seconds = new double[3600];
        double[] volts = new double[3600];
        double[] amps = new double[3600];
        for (int i = 0; i < 3600; i++) {
            seconds[i] = Double.parseDouble("%.2f".formatted(1.01 * i));
            volts[i] = Double.parseDouble("%.5f".formatted(4.1 - i / 4000.0));
            amps[i] = Double.parseDouble("%.4f".formatted(-1 + 0.001 * random.nextGaussian()));
        }
        SampleLog log = SampleLog.of(seconds, volts, amps);
        assertEquals(
                Arrays.toString(volts),
                Arrays.toString(IntStream.range(0, 3600).mapToDouble(log::volts).toArray()));
        assertEquals(
                Arrays.toString(amps),
                Arrays.toString(IntStream.range(0, 3600).mapToDouble(log::amps).toArray()));
    }
}
