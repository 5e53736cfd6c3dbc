package pentacell.desktop.test;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyDouble;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.mock;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.measure.SampleLog;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Scale;

/// Curves of very many samples, drawn with few strokes that lose nothing one could see.
final class CurveLinesTest {
    private static final double WIDTH = 200;

    /// A stroke of the pen.
    private record Stroke(double x1, double y1, double x2, double y2) {}

    private static List<Stroke> drawn(SampleLog log) {
        List<Stroke> strokes = new ArrayList<>();
        Pen pen = mock(Pen.class);
        doAnswer(
                        call -> {
                            strokes.add(
                                    new Stroke(
                                            call.getArgument(2),
                                            call.getArgument(3),
                                            call.getArgument(4),
                                            call.getArgument(5)));
                            return null;
                        })
                .when(pen)
                .stroke(any(), anyDouble(), anyDouble(), anyDouble(), anyDouble(), anyDouble());
        double end = log.size() == 0 ? 1 : log.seconds(log.size() - 1);
        CurveLines.volts(
                log,
                new Scale(0, Math.max(1, end), 0, WIDTH),
                new Scale(2, 5, 300, 0),
                pen,
                Hue.MEASURED,
                1);
        return strokes;
    }

    private static SampleLog noisy(int samples) {
        Random random = new Random(samples);
        SampleLog.Builder log = new SampleLog.Builder();
        for (int i = 0; i < samples; i++)
            log.add(i, 3.7 + 0.05 * random.nextGaussian(), -1, Double.NaN);
        return log.build();
    }

    @ParameterizedTest
    @ValueSource(ints = {2, 50, 1000, 100_000})
    void noMoreThanTwoStrokesAPixelAndEveryPeakIsThere(int samples) {
        SampleLog log = noisy(samples);
        List<Stroke> strokes = drawn(log);
        assertTrue(strokes.size() <= 2 * (WIDTH + 1), strokes.size() + " strokes");
        Scale volts = new Scale(2, 5, 300, 0);
        double least = Double.POSITIVE_INFINITY;
        double most = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < log.size(); i++) {
            least = Math.min(least, volts.pixel(log.volts(i)));
            most = Math.max(most, volts.pixel(log.volts(i)));
        }
        double drawnLeast =
                strokes.stream()
                        .mapToDouble(each -> Math.min(each.y1(), each.y2()))
                        .min()
                        .orElseThrow();
        double drawnMost =
                strokes.stream()
                        .mapToDouble(each -> Math.max(each.y1(), each.y2()))
                        .max()
                        .orElseThrow();
        // what spans less than a pixel within one column is not worth a stroke of its own
        assertEquals(least, drawnLeast, 1);
        assertEquals(most, drawnMost, 1);
    }

    @Test
    void aBlipOfOneSampleAmongManyIsSeen() {
        SampleLog.Builder log = new SampleLog.Builder();
        for (int i = 0; i < 50_000; i++) log.add(i, i == 31_234 ? 2.2 : 3.7, -1, Double.NaN);
        assertTrue(
                drawn(log.build()).stream().anyMatch(each -> Math.max(each.y1(), each.y2()) > 270));
    }

    @Test
    void nothingAndOneSampleAreNoCurve() {
        assertEquals(List.of(), drawn(new SampleLog.Builder().build()));
        assertEquals(List.of(), drawn(noisy(1)));
    }

    @Test
    void strokesFollowOneAnotherWithoutAGap() {
        List<Stroke> strokes = drawn(noisy(30));
        for (int i = 1; i < strokes.size(); i++)
            assertEquals(strokes.get(i - 1).x2(), strokes.get(i).x1());
    }
}
