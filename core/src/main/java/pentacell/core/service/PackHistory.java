package pentacell.core.service;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;
import org.hipparchus.stat.regression.SimpleRegression;
import pentacell.core.prove.GroupLog;
import pentacell.core.unit.Middle;

/// What a log of a pack in use says of the pack as a whole: how its groups' voltage runs over the
/// charge drawn, and how far each group strays from their median.
///
/// The run of the voltage is taken from the log itself, from stretches of a steady current: in bins
/// of voltage the median slope, and by its integral the charge drawn since the highest state. So no
/// rest curve needs to be true of these cells.
final class PackHistory {
    private static final int BINS = 32;
    private static final int MOST_MOMENTS = 5000;

    /// A stretch is steady while its current changes by less than this part of the highest.
    private static final double STEADY = 0.2;

    private static final double LOADED = 0.1;
    private static final double STEP = 0.2;
    private static final double LONGEST_STEP_SECONDS = 120;

    /// Over an interval of so many usual ones the clock may have leapt: nothing says that the
    /// current flowed all the while.
    private static final double GAP_INTERVALS = 6;

    /// A slope is read over this part of the longest stretch.
    private static final double PIECE = 0.03;

    /// Beyond this a group does not lie on the same slope as the usual one any more, in V.
    private static final double FAR_VOLTS = 0.015;

    /// Noise of readings at the ends of what is known, in V.
    private static final double OUTSIDE_VOLTS = 0.003;

    private static final double DAY_SECONDS = 86_400;

    /// Near full and near empty are these parts of the charge that is used.
    static final double NEAR = 0.2;

    /// A pack rests under this part of its highest current.
    static final double REST_SHARE = 0.03;

    private final GroupLog log;
    private final double[] seconds;
    private final double[] amps;
    private final double most;
    private final double ohms;
    private final double longestInterval;
    private final double[] inside;
    private double low;
    private double high;
    private final double[] slopes = new double[BINS];
    private final double[] drawn = new double[BINS + 1];

    /// A moment of the history.
    ///
    /// @param slopes of voltage over charge between the usual group and each, in V/Ah; NaN where a
    ///   group is outside of what is known
    /// @param drawnAmpHours since the highest state of the log
    /// @param strays of each group from the median, in V
    record Moment(
            double days,
            double amps,
            List<Double> slopes,
            double drawnAmpHours,
            List<Double> strays) {
        Moment {
            slopes = List.copyOf(slopes);
            strays = List.copyOf(strays);
        }
    }

    PackHistory(GroupLog log) {
        this.log = log;
        seconds = log.seconds().toArray();
        amps = log.amps().toArray();
        most = log.mostAmps();
        inside = log.ofGroups(Middle::ofSorting);
        ohms = resistance(inside);
        longestInterval = GAP_INTERVALS * usualInterval();
        for (int i = 0; i < inside.length; i++) inside[i] += amps[i] * ohms;
        run();
    }

    /// Resistance of the usual group, from steps of the current; 0 without any.
    private double resistance(double[] medians) {
        List<Double> steps = new ArrayList<>();
        for (int i = 1; i < medians.length; i++) {
            double step = amps[i] - amps[i - 1];
            if (most > 0
                    && Math.abs(step) > STEP * most
                    && seconds[i] - seconds[i - 1] <= LONGEST_STEP_SECONDS)
                steps.add(-(medians[i] - medians[i - 1]) / step);
        }
        return steps.isEmpty() ? 0 : Math.max(0, middle(steps));
    }

    private static double middle(List<Double> values) {
        return Middle.of(values.stream().mapToDouble(each -> each).toArray());
    }

    /// Resistance of the usual group, in Ω; 0 when no step tells it.
    double ohms() {
        return ohms;
    }

    /// How long the log is, in days.
    double days() {
        return seconds.length == 0 ? 0 : (seconds[seconds.length - 1] - seconds[0]) / DAY_SECONDS;
    }

    /// The highest current, in A.
    double mostAmps() {
        return most;
    }

    /// Charge between the highest and the lowest state of the log, in Ah.
    double usedAmpHours() {
        return drawn[0];
    }

    private boolean isSteady(int moment) {
        double now = amps[moment];
        double before = amps[moment - 1];
        return Math.abs(now) > LOADED * most
                && seconds[moment] - seconds[moment - 1] <= longestInterval
                && Math.abs(now - before) < STEADY * most
                && now * before > 0;
    }

    /// The median of the intervals under load, of some thousand of them.
    private double usualInterval() {
        int count = Math.clamp(seconds.length - 1, 0, MOST_MOMENTS);
        return Middle.of(
                IntStream.range(0, count)
                        .map(k -> 1 + (int) ((long) k * (seconds.length - 1) / count))
                        .filter(i -> Math.abs(amps[i]) > LOADED * most)
                        .mapToDouble(i -> seconds[i] - seconds[i - 1])
                        .toArray());
    }

    private double drawnTo(int moment) {
        return GroupLog.ampHours(
                seconds[moment - 1], amps[moment - 1], seconds[moment], amps[moment]);
    }

    private void run() {
        double longest = 0;
        double stretch = 0;
        for (int i = 1; i < inside.length; i++) {
            stretch = isSteady(i) ? stretch + drawnTo(i) : 0;
            longest = Math.max(longest, Math.abs(stretch));
        }
        low = Arrays.stream(inside).min().orElse(0);
        high = Arrays.stream(inside).max().orElse(0);
        List<List<Double>> bins = new ArrayList<>();
        for (int b = 0; b < BINS; b++) bins.add(new ArrayList<>());
        double piece = PIECE * longest;
        int from = 0;
        double given = 0;
        for (int i = 1; i < inside.length && piece > 0; i++) {
            if (!isSteady(i)) {
                from = i;
                given = 0;
                continue;
            }
            given += drawnTo(i);
            if (Math.abs(given) < piece) continue;
            double slope = -(inside[i] - inside[from]) / given;
            bins.get(bin((inside[i] + inside[from]) / 2)).add(slope);
            from = i;
            given = 0;
        }
        fill(bins);
        double width = (high - low) / BINS;
        for (int b = BINS - 1; b >= 0; b--) drawn[b] = drawn[b + 1] + width / slopes[b];
    }

    /// Bins that nothing was read in take the slope of their neighbours.
    private void fill(List<List<Double>> bins) {
        double usual = 0;
        int known = 0;
        for (int b = 0; b < BINS; b++) {
            slopes[b] = bins.get(b).isEmpty() ? Double.NaN : Math.max(1e-6, middle(bins.get(b)));
            if (!Double.isNaN(slopes[b])) {
                usual += slopes[b];
                known++;
            }
        }
        double otherwise = known == 0 ? 1 : usual / known;
        for (int b = 0; b < BINS; b++) {
            if (!bins.get(b).isEmpty()) continue;
            double nearest = otherwise;
            for (int away = 1; away < BINS; away++) {
                boolean isBelow = b - away >= 0 && !bins.get(b - away).isEmpty();
                boolean isAbove = b + away < BINS && !bins.get(b + away).isEmpty();
                if (!isBelow && !isAbove) continue;
                nearest = isBelow ? slopes[b - away] : slopes[b + away];
                break;
            }
            slopes[b] = nearest;
        }
    }

    private int bin(double volts) {
        return high > low
                ? Math.clamp((int) ((volts - low) / (high - low) * BINS), 0, BINS - 1)
                : 0;
    }

    private double drawnAt(double volts) {
        int bin = bin(volts);
        double width = (high - low) / BINS;
        double above = low + (bin + 1) * width - volts;
        return drawn[bin + 1] + Math.max(0, above) / slopes[bin];
    }

    /// The slope from the usual group's voltage to one that strays: a group far below the others
    /// has come to where the voltage falls faster. NaN where it has come out of all that the usual
    /// group ever showed: how the voltage runs there is not known.
    private double slopeBetween(double volts, double stray) {
        if (volts + stray < low - OUTSIDE_VOLTS || volts + stray > high + OUTSIDE_VOLTS)
            return Double.NaN;
        if (Math.abs(stray) < FAR_VOLTS) return slopes[bin(volts)];
        double apart = drawnAt(volts) - drawnAt(volts + stray);
        return apart * stray > 0 ? stray / apart : slopes[bin(volts)];
    }

    /// Moments spread evenly over the log, no more than a few thousand.
    List<Moment> moments() {
        List<Moment> moments = new ArrayList<>();
        double[] volts = new double[log.series()];
        int count = Math.min(MOST_MOMENTS, log.size());
        for (int k = 0; k < count; k++) {
            int i = (int) ((long) k * log.size() / count);
            for (int g = 0; g < volts.length; g++) volts[g] = log.volts().get(g).get(i);
            double middle = Middle.of(volts);
            List<Double> strays = new ArrayList<>();
            List<Double> between = new ArrayList<>();
            for (double each : volts) {
                strays.add(each - middle);
                between.add(slopeBetween(inside[i], each - middle));
            }
            moments.add(
                    new Moment(
                            (seconds[i] - seconds[0]) / DAY_SECONDS,
                            amps[i],
                            between,
                            drawnAt(inside[i]),
                            strays));
        }
        return moments;
    }

    private static double spread(Moment moment) {
        return 1000 * (Collections.max(moment.strays()) - Collections.min(moment.strays()));
    }

    /// Usual spread of the groups near the lowest state, in mV.
    double spreadLow(List<Moment> moments) {
        return usualSpread(
                moments.stream()
                        .filter(each -> each.drawnAmpHours() >= (1 - NEAR) * usedAmpHours())
                        .toList());
    }

    /// Usual spread of the groups near the highest state, in mV.
    double spreadHigh(List<Moment> moments) {
        return usualSpread(
                moments.stream()
                        .filter(each -> each.drawnAmpHours() <= NEAR * usedAmpHours())
                        .toList());
    }

    private static double usualSpread(List<Moment> moments) {
        return moments.isEmpty()
                ? Double.NaN
                : middle(moments.stream().map(PackHistory::spread).toList());
    }

    /// How the spread changes, in mV a month of 30 days; NaN in a log of less than two days.
    double trend(List<Moment> moments) {
        if (days() < 2) return Double.NaN;
        SimpleRegression line = new SimpleRegression();
        for (Moment each : moments) line.addData(each.days(), spread(each));
        return 30 * line.getSlope();
    }
}
