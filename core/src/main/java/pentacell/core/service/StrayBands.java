package pentacell.core.service;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.IntPredicate;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import org.hipparchus.stat.regression.SimpleRegression;
import pentacell.core.measure.Column;

/// How far groups stray from their median over the time of a history, near full, at rest and near
/// empty apart: what is the matter with a group shows in where it strays.
///
/// @param nearFull with a fifth of the charge in use drawn at most
/// @param atRest with hardly any current
/// @param nearEmpty with a fifth of the charge in use left at most
/// @param warmth of each probe of its board, in °C; none where none was read
public record StrayBands(
        List<Span> nearFull, List<Span> atRest, List<Span> nearEmpty, List<Span> warmth) {
    private static final double YEAR_HOURS = 365.25 * 24;
    private static final double LEAST_YEARS = 0.25;

    /// So many spans over the whole history.
    private static final int SPANS = 240;

    public StrayBands {
        nearFull = List.copyOf(nearFull);
        atRest = List.copyOf(atRest);
        nearEmpty = List.copyOf(nearEmpty);
        warmth = List.copyOf(warmth);
    }

    /// What groups or probes did over a span of time.
    ///
    /// @param at its middle
    /// @param figures on average: of each group what it strays from the median of all, in mV; of
    ///   each probe its temperature, in °C, NaN where it was not read
    /// @param isAfterGap whether nothing was read for long before it
    public record Span(Instant at, List<Double> figures, boolean isAfterGap) {
        public Span {
            figures = List.copyOf(figures);
        }

        private DoubleStream known() {
            return figures.stream().mapToDouble(each -> each).filter(each -> !Double.isNaN(each));
        }

        /// The lowest figure.
        public double lowest() {
            return known().min().orElse(0);
        }

        /// The highest figure.
        public double highest() {
            return known().max().orElse(0);
        }
    }

    /// The bands of a history.
    static StrayBands of(Timeline history) {
        PackHistory known = new PackHistory(history.log());
        HistoryMoments moments = known.moments();
        double used = known.usedAmpHours();
        double still = PackHistory.REST_SHARE * known.mostAmps();
        return new StrayBands(
                spans(history, moments, at -> moments.drawnAmpHours(at) <= PackHistory.NEAR * used),
                spans(history, moments, at -> Math.abs(moments.amps(at)) <= still),
                spans(
                        history,
                        moments,
                        at -> moments.drawnAmpHours(at) >= (1 - PackHistory.NEAR) * used),
                warmth(history));
    }

    private static List<Span> spans(
            Timeline history, HistoryMoments moments, IntPredicate isWanted) {
        Spans spans = new Spans(history);
        int series = history.log().series();
        moments.where(isWanted)
                .forEach(at ->
                        spans.add(
                                moments.days(at),
                                IntStream.range(0, series)
                                        .mapToDouble(group -> 1000 * moments.stray(at, group))
                                        .toArray()));
        return spans.all();
    }

    /// The temperatures of each probe.
    private static List<Span> warmth(Timeline history) {
        List<Column> probes = history.log().celsius();
        Column seconds = history.log().seconds();
        Spans spans = new Spans(history);
        for (int i = 0; i < seconds.size() && !probes.isEmpty(); i++) {
            int moment = i;
            double[] now = probes.stream().mapToDouble(each -> each.get(moment)).toArray();
            if (!Arrays.stream(now).allMatch(Double::isNaN))
                spans.add((seconds.get(i) - seconds.get(0)) / 86_400, now);
        }
        return spans.all();
    }

    /// Gathers figures into spans, their means.
    private static final class Spans {
        private final Timeline history;
        private final double wide;
        private final List<Span> closed = new ArrayList<>();
        private double[] sums = {};
        private double days;
        private int count;
        private long number;
        private double last = Double.NaN;

        Spans(Timeline history) {
            this.history = history;
            wide = Math.max(1.0 / 24, history.days() / SPANS);
        }

        void add(double atDays, double[] figures) {
            long own = (long) Math.floor(atDays / wide);
            if (own != number) close();
            if (count == 0) sums = new double[figures.length];
            number = own;
            days += atDays;
            count++;
            for (int i = 0; i < sums.length; i++) sums[i] += figures[i];
        }

        private void close() {
            if (count == 0) return;
            double middle = days / count;
            closed.add(
                    new Span(
                            history.from().plusMillis(Math.round(middle * 86_400_000)),
                            Arrays.stream(sums).mapToObj(sum -> sum / count).toList(),
                            middle - last > Math.max(3, 2 * wide)));
            last = middle;
            days = 0;
            count = 0;
        }

        List<Span> all() {
            close();
            return closed;
        }
    }

    /// How the spread of the groups near empty changes, in mV a year, by a line through all spans;
    /// empty over less than a quarter of a year, where days and nights hide it.
    public OptionalDouble spreadAYear() {
        if (nearEmpty.size() < 3) return OptionalDouble.empty();
        Instant first = nearEmpty.get(0).at();
        double years =
                Duration.between(first, nearEmpty.get(nearEmpty.size() - 1).at()).toHours()
                        / YEAR_HOURS;
        if (years < LEAST_YEARS) return OptionalDouble.empty();
        SimpleRegression line = new SimpleRegression();
        for (Span each : nearEmpty)
            line.addData(
                    Duration.between(first, each.at()).toHours() / YEAR_HOURS,
                    each.highest() - each.lowest());
        return OptionalDouble.of(line.getSlope());
    }

    /// The probe that is the warmest on average, from 0.
    public int warmestProbe() {
        int probes = warmth.isEmpty() ? 0 : warmth.get(0).figures().size();
        return IntStream.range(0, probes)
                .boxed()
                .max(Comparator.comparingDouble(probe -> usual(warmth, probe).orElse(0)))
                .orElse(0);
    }

    /// What a group strays by on average, in mV, or how warm a probe is, in °C; empty without any
    /// span.
    public static OptionalDouble usual(List<Span> spans, int group) {
        return spans.stream()
                .mapToDouble(each -> each.figures().get(group))
                .filter(each -> !Double.isNaN(each))
                .average();
    }
}
