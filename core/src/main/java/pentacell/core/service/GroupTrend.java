package pentacell.core.service;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.hipparchus.stat.regression.SimpleRegression;
import pentacell.core.use.PackInUse.Retest;

/// What the retests of a group say: how much it lost, how fast, and when it will be under what is
/// wanted of it.
///
/// A straight line is laid through the tests. How surely it is known comes from how far the tests
/// lie off it, and is never taken for better than the repeatability of a test. Worn cells often
/// fail faster than a line says, so the forecast is no promise.
///
/// @param tests oldest first, one or more
/// @param ampHoursAYear slope of the line, below 0 for a loss, in Ah; 0 with one test
/// @param deviationAYear of that slope, in Ah
/// @param ampHoursAtMiddle of the line at the middle of the tests
/// @param middle of the tests
public record GroupTrend(
        List<Retest> tests,
        double ampHoursAYear,
        double deviationAYear,
        double ampHoursAtMiddle,
        LocalDate middle) {
    /// A test is repeated to this part (common practice: 1 % between runs).
    private static final double REPEATABILITY = 0.01;

    private static final double YEAR_DAYS = 365.25;

    /// The line is laid between two deviations of its slope: about 19 of 20.
    private static final double DEVIATIONS = 2;

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
        if (sorted.size() < 2 || !(spread > 0)) return new GroupTrend(sorted, 0, 0, mean, middle);
        double byRepeating = REPEATABILITY * mean / Math.sqrt(spread);
        double byTests = sorted.size() < 3 ? 0 : line.getSlopeStdErr();
        return new GroupTrend(
                sorted, line.getSlope(), Math.max(byRepeating, byTests), mean, middle);
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

    /// What the line says for a day, in Ah.
    public double ampHours(LocalDate day) {
        return ampHours(day, ampHoursAYear);
    }

    /// The lower limit of the line for a day, in Ah.
    public double lowAmpHours(LocalDate day) {
        return Math.min(
                ampHours(day, ampHoursAYear - DEVIATIONS * deviationAYear),
                ampHours(day, ampHoursAYear + DEVIATIONS * deviationAYear));
    }

    /// The upper limit of the line for a day, in Ah.
    public double highAmpHours(LocalDate day) {
        return Math.max(
                ampHours(day, ampHoursAYear - DEVIATIONS * deviationAYear),
                ampHours(day, ampHoursAYear + DEVIATIONS * deviationAYear));
    }

    private double ampHours(LocalDate day, double aYear) {
        return ampHoursAtMiddle + aYear * ChronoUnit.DAYS.between(middle, day) / YEAR_DAYS;
    }

    /// When the group comes under a charge; empty when the line does not fall, or not within thirty
    /// years, and with fewer than two tests.
    ///
    /// @param wantedAmpHours in Ah
    public Optional<Forecast> under(double wantedAmpHours) {
        Optional<LocalDate> at = crossing(wantedAmpHours, ampHoursAYear);
        if (at.isEmpty()) return Optional.empty();
        return Optional.of(
                new Forecast(
                        at.get(),
                        crossing(wantedAmpHours, ampHoursAYear - DEVIATIONS * deviationAYear)
                                .orElse(at.get()),
                        crossing(wantedAmpHours, ampHoursAYear + DEVIATIONS * deviationAYear)));
    }

    private Optional<LocalDate> crossing(double wanted, double aYear) {
        double years = (wanted - ampHoursAtMiddle) / aYear;
        // a line that falls is under what it was never over from its begin on
        if (!(aYear < 0) || !(years <= MOST_YEARS)) return Optional.empty();
        return Optional.of(middle.plusDays(Math.round(Math.max(-MOST_YEARS, years) * YEAR_DAYS)));
    }
}
