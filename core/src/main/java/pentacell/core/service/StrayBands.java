package pentacell.core.service;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import org.hipparchus.stat.regression.SimpleRegression;
import pentacell.core.service.PackHistory.Moment;

/// How far groups stray from their median over the time of a history, near full, at rest and near
/// empty apart: what is the matter with a group shows in where it strays.
///
/// @param nearFull with a fifth of the charge in use drawn at most
/// @param atRest with hardly any current
/// @param nearEmpty with a fifth of the charge in use left at most
public record StrayBands(List<Span> nearFull, List<Span> atRest, List<Span> nearEmpty) {

    private static final double YEAR_HOURS = 365.25 * 24;
    private static final double LEAST_YEARS = 0.25;

    /// So many spans over the whole history.
    private static final int SPANS = 240;

    public StrayBands {
        nearFull = List.copyOf(nearFull);
        atRest = List.copyOf(atRest);
        nearEmpty = List.copyOf(nearEmpty);
    }

    /// What groups did over a span of time.
    ///
    /// @param at its middle
    /// @param strays of each group from the median of all, on average, in mV
    /// @param isAfterGap whether nothing was read for long before it
    public record Span(Instant at, List<Double> strays, boolean isAfterGap) {
        public Span {
            strays = List.copyOf(strays);
        }

        /// The lowest group, in mV.
        public double lowest() {
            return strays.stream().mapToDouble(each -> each).min().orElse(0);
        }

        /// The highest group, in mV.
        public double highest() {
            return strays.stream().mapToDouble(each -> each).max().orElse(0);
        }
    }

    /// The bands of a history.
    static StrayBands of(Timeline history) {
        PackHistory known = new PackHistory(history.log());
        List<Moment> moments = known.moments();
        double used = known.usedAmpHours();
        double still = PackHistory.REST_SHARE * known.mostAmps();
        return new StrayBands(
                spans(history, moments, each -> each.drawnAmpHours() <= PackHistory.NEAR * used),
                spans(history, moments, each -> Math.abs(each.amps()) <= still),
                spans(
                        history,
                        moments,
                        each -> each.drawnAmpHours() >= (1 - PackHistory.NEAR) * used));
    }

    private static List<Span> spans(
            Timeline history, List<Moment> moments, Predicate<Moment> isWanted) {
        double wide = Math.max(1.0 / 24, history.days() / SPANS);
        List<Span> spans = new ArrayList<>();
        List<Moment> now = new ArrayList<>();
        long number = Long.MIN_VALUE;
        double last = Double.NaN;
        for (Moment each : moments) {
            if (!isWanted.test(each)) continue;
            long own = (long) Math.floor(each.days() / wide);
            if (own != number && !now.isEmpty()) {
                last = close(history, now, spans, last, wide);
                now.clear();
            }
            number = own;
            now.add(each);
        }
        if (!now.isEmpty()) close(history, now, spans, last, wide);
        return spans;
    }

    private static double close(
            Timeline history, List<Moment> moments, List<Span> spans, double last, double wide) {
        int series = moments.get(0).strays().size();
        double[] sums = new double[series];
        double days = 0;
        for (Moment each : moments) {
            days += each.days();
            for (int g = 0; g < series; g++) sums[g] += each.strays().get(g);
        }
        double middle = days / moments.size();
        List<Double> strays = new ArrayList<>();
        for (double sum : sums) strays.add(1000 * sum / moments.size());
        spans.add(
                new Span(
                        history.from().plusMillis(Math.round(middle * 86_400_000)),
                        strays,
                        middle - last > Math.max(3, 2 * wide)));
        return middle;
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

    /// What a group strays by on average, in mV; empty without any span.
    public static OptionalDouble usual(List<Span> spans, int group) {
        return spans.stream().mapToDouble(each -> each.strays().get(group)).average();
    }
}
