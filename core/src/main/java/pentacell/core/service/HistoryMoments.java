package pentacell.core.service;

import java.util.function.IntPredicate;
import java.util.stream.IntStream;

/// Moments spread over a history, as columns: every group is looked at through all of them.
final class HistoryMoments {
    private final double[] days;
    private final double[] amps;
    private final double[] drawn;
    private final double[] rested;
    private final double[] usual;
    private final double[][] strays;
    private final double[][] slopes;
    private final boolean[][] over;
    private final double[][] below;

    /// Room for moments that are not known yet.
    HistoryMoments(int size, int groups) {
        days = new double[size];
        amps = new double[size];
        drawn = new double[size];
        rested = new double[size];
        usual = new double[size];
        strays = new double[groups][size];
        slopes = new double[groups][size];
        over = new boolean[groups][size];
        below = new double[groups][size];
    }

    /// Says what holds for the pack at a moment.
    ///
    /// @param restedSeconds for how long hardly any current has flowed
    /// @param usualVolts of the median group
    void pack(
            int moment,
            double daysSinceBegin,
            double current,
            double drawnAmpHours,
            double restedSeconds,
            double usualVolts) {
        usual[moment] = usualVolts;
        rested[moment] = restedSeconds;
        days[moment] = daysSinceBegin;
        amps[moment] = current;
        drawn[moment] = drawnAmpHours;
    }

    /// Says what holds for a group at a moment.
    ///
    /// @param belowVolts how far it is below all that the usual group ever showed; above that under
    ///   0
    void group(
            int moment, int group, double stray, double slope, boolean isOver, double belowVolts) {
        below[group][moment] = belowVolts;
        strays[group][moment] = stray;
        slopes[group][moment] = slope;
        over[group][moment] = isOver;
    }

    int size() {
        return days.length;
    }

    int groups() {
        return strays.length;
    }

    /// Time since the begin, in days.
    double days(int moment) {
        return days[moment];
    }

    /// Current, drawn positive, in A.
    double amps(int moment) {
        return amps[moment];
    }

    /// Charge drawn since the highest state of the log, in Ah.
    double drawnAmpHours(int moment) {
        return drawn[moment];
    }

    /// For how long hardly any current has flowed, in s.
    double restedSeconds(int moment) {
        return rested[moment];
    }

    /// The voltage of the median group, in V.
    double usualVolts(int moment) {
        return usual[moment];
    }

    /// How far a group is from the median, in V.
    double stray(int moment, int group) {
        return strays[group][moment];
    }

    /// Slope of voltage over charge between the usual group and this one, in V/Ah; NaN where the
    /// group is under all that is known.
    double slope(int moment, int group) {
        return slopes[group][moment];
    }

    /// Whether a group is over all that is known: its slope is a guess then.
    boolean isOver(int moment, int group) {
        return over[group][moment];
    }

    /// How far a group is below all that the usual group ever showed, in V; above that under 0.
    double below(int moment, int group) {
        return below[group][moment];
    }

    /// From the lowest group to the highest, in V.
    double spread(int moment) {
        double least = Double.POSITIVE_INFINITY;
        double most = Double.NEGATIVE_INFINITY;
        for (double[] each : strays) {
            least = Math.min(least, each[moment]);
            most = Math.max(most, each[moment]);
        }
        return most - least;
    }

    /// The moments of which something holds.
    IntStream where(IntPredicate holds) {
        return IntStream.range(0, size()).filter(holds);
    }
}
