package pentacell.core.service;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.distribution.continuous.TDistribution;
import org.hipparchus.stat.regression.SimpleRegression;
import pentacell.core.service.facts.PackInUse.Retest;

/// What the retests of a group say: how much it lost, how fast, and when it will be under what is
/// wanted of it.
///
/// A straight line is laid through the tests. How surely it is known comes from how far the tests
/// lie off it, and is never taken for better than the repeatability of a test: of n tests about
/// their middle t̄ the line errs at t by q·σ·√(1/n + (t − t̄)²/Σ(t − t̄)²), 19 times in 20 by less.
/// Worn cells often fail faster than a line says, so the forecast is no promise.
///
/// @param tests oldest first, one or more
/// @param ampHoursAYear slope of the line, below 0 for a loss, in Ah; 0 with one test
/// @param errorAmpHours q·σ of one test, in Ah
/// @param yearSquares Σ(t − t̄)² in years²; 0 when all are of one day
/// @param ampHoursAtMiddle of the line at the middle of the tests
/// @param middle of the tests
public record GroupTrend(
        List<Retest> tests,
        double ampHoursAYear,
        double errorAmpHours,
        double yearSquares,
        double ampHoursAtMiddle,
        LocalDate middle) {
    /// A test is repeated to this part (common practice: 1 % between runs).
    private static final double REPEATABILITY = 0.01;

    private static final double YEAR_DAYS = 365.25;

    /// A band of 19 of 20 leaves this out at each side.
    private static final double ONE_SIDE = 0.975;

    /// Nothing is forecast farther than that.
    private static final double MOST_YEARS = 30;

    public GroupTrend {
        tests = List.copyOf(tests);
    }

    /// When a group comes under what is wanted.
    ///
    /// @param at by the line
    /// @param earliest by its steeper limit
    /// @param latest by its flatter limit; empty when that does not fall, or not within thirty
    ///   years
    public record Forecast(LocalDate at, LocalDate earliest, Optional<LocalDate> latest) {}

    /// The trend of a group.
    ///
    /// @param tests of one group, one or more
    /// @throws IllegalArgumentException without any
    public static GroupTrend of(List<Retest> tests) {
        if (tests.isEmpty()) throw new IllegalArgumentException("a trend needs a test");
        List<Retest> sorted = new ArrayList<>(tests);
        sorted.sort(Comparator.comparing(Retest::on));
        LocalDate first = sorted.get(0).on();
        SimpleRegression line = new SimpleRegression();
        double mean = 0;
        double days = 0;
        for (Retest each : sorted) {
            double since = ChronoUnit.DAYS.between(first, each.on());
            line.addData(since / YEAR_DAYS, each.ampHours());
            mean += each.ampHours() / sorted.size();
            days += since / sorted.size();
        }
        LocalDate middle = first.plusDays(Math.round(days));
        double spread = line.getXSumSquares();
        double repeated =
                new NormalDistribution().inverseCumulativeProbability(ONE_SIDE)
                        * REPEATABILITY
                        * mean;
        if (sorted.size() < 2 || !(spread > 0))
            return new GroupTrend(sorted, 0, repeated, 0, mean, middle);
        int free = sorted.size() - 2;
        double byTests =
                free < 1
                        ? 0
                        : new TDistribution(free).inverseCumulativeProbability(ONE_SIDE)
                                * Math.sqrt(line.getSumSquaredErrors() / free);
        return new GroupTrend(
                sorted, line.getSlope(), Math.max(repeated, byTests), spread, mean, middle);
    }

    /// The first test.
    public Retest first() {
        return tests.get(0);
    }

    /// The last test.
    public Retest last() {
        return tests.get(tests.size() - 1);
    }

    /// What it gave more in the last test than in the first, in percent; below 0 for a loss.
    public double changePercent() {
        return 100 * (last().ampHours() / first().ampHours() - 1);
    }

    /// Years between the first and the last test.
    public double years() {
        return ChronoUnit.DAYS.between(first().on(), last().on()) / YEAR_DAYS;
    }

    /// What the slope errs by at most, 19 times in 20, in Ah a year; infinite with tests of one
    /// day.
    public double errorAYear() {
        return yearSquares > 0 ? errorAmpHours / Math.sqrt(yearSquares) : Double.POSITIVE_INFINITY;
    }

    /// What the line says for a day, in Ah.
    public double ampHours(LocalDate day) {
        return ampHoursAtMiddle + ampHoursAYear * yearsFromMiddle(day);
    }

    /// The lower limit of the line for a day, in Ah.
    public double lowAmpHours(LocalDate day) {
        return ampHours(day) - error(day);
    }

    /// The upper limit of the line for a day, in Ah.
    public double highAmpHours(LocalDate day) {
        return ampHours(day) + error(day);
    }

    private double error(LocalDate day) {
        double away = yearsFromMiddle(day);
        double apart = yearSquares > 0 ? away * away / yearSquares : 0;
        return errorAmpHours * Math.sqrt(1.0 / tests.size() + apart);
    }

    private double yearsFromMiddle(LocalDate day) {
        return ChronoUnit.DAYS.between(middle, day) / YEAR_DAYS;
    }

    /// When the group comes under a charge; empty when the line does not fall, or not within thirty
    /// years, and with fewer than two tests.
    ///
    /// @param wantedAmpHours in Ah
    public Optional<Forecast> under(double wantedAmpHours) {
        double years = (wantedAmpHours - ampHoursAtMiddle) / ampHoursAYear;
        // a line that falls is under what it was never over from its begin on
        if (!(ampHoursAYear < 0) || !(years <= MOST_YEARS)) return Optional.empty();
        LocalDate at = day(Math.max(-MOST_YEARS, years));
        LocalDate first = day(-MOST_YEARS);
        LocalDate last = day(MOST_YEARS);
        return Optional.of(
                new Forecast(
                        at,
                        // the first day of those before it on which the lower limit is under
                        between(first, at, day -> lowAmpHours(day) < wantedAmpHours),
                        highAmpHours(last) < wantedAmpHours
                                ? Optional.of(
                                        between(
                                                at,
                                                last,
                                                day -> highAmpHours(day) < wantedAmpHours))
                                : Optional.empty()));
    }

    private LocalDate day(double yearsFromMiddle) {
        return middle.plusDays(Math.round(yearsFromMiddle * YEAR_DAYS));
    }

    /// The day from which something holds, found by halving.
    private static LocalDate between(LocalDate from, LocalDate to, Predicate<LocalDate> holds) {
        long low = 0;
        long high = ChronoUnit.DAYS.between(from, to);
        while (high - low > 1) {
            long mid = (low + high) / 2;
            if (holds.test(from.plusDays(mid))) high = mid;
            else low = mid;
        }
        return from.plusDays(high);
    }
}
