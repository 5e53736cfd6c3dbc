package pentacell.core.service;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.unit.Middle;

/// Whether a group is the first to be full and the first to be empty: it holds less than the
/// others, however flat the voltage runs in between (common practice).
///
/// Only rested readings count, and each day only the furthest that each group was above and below
/// the median. A group that merely holds more or less charge than the others is first at one end
/// only, one with more resistance at neither after a rest, and one that drifts from the one end to
/// the other is not first at both in both halves of the history.
final class BothEnds {
    /// Above the median when it is full, in V.
    private static final double FULL_VOLTS = 0.12;

    /// Below the median when it is low, in V.
    private static final double LOW_VOLTS = 0.015;

    /// No other group is as far above, or below, as this part of it.
    private static final double NEXT_FULL = 1.0 / 3;

    private static final double NEXT_LOW = 0.5;

    /// It must be first on this many days at each end, at least once in each half of the history.
    private static final int LEAST_DAYS = 3;

    /// State of charge of LFP groups that rest after a charge, before the voltage turns up.
    private static final double NEARLY_FULL = 0.95;

    private final HistoryMoments moments;
    private final List<Day> days = new ArrayList<>();

    /// A day: for each group the moment when it was furthest above, and furthest below.
    private static final class Day {
        private final int number;
        private final int[] above;
        private final int[] below;

        /// A day whose first rested moment is this one.
        Day(int number, int moment, int groups) {
            this.number = number;
            above = new int[groups];
            below = new int[groups];
            Arrays.fill(above, moment);
            Arrays.fill(below, moment);
        }
    }

    BothEnds(HistoryMoments moments, double settledSeconds) {
        this.moments = moments;
        for (int at = 0; at < moments.size(); at++) {
            if (!(moments.restedSeconds(at) >= settledSeconds)) continue;
            int number = (int) moments.days(at);
            if (days.isEmpty() || days.getLast().number != number)
                days.add(new Day(number, at, moments.groups()));
            Day day = days.getLast();
            for (int g = 0; g < moments.groups(); g++) {
                if (moments.stray(at, g) > moments.stray(day.above[g], g)) day.above[g] = at;
                if (moments.stray(at, g) < moments.stray(day.below[g], g)) day.below[g] = at;
            }
        }
    }

    /// What share of its charge a group lacks that is first at both ends: what the others use
    /// between the two, over what it uses. Both are read from the rest curve of LFP, after it was
    /// moved to where the others rest when the group is full: boards balance there, so they are
    /// taken to be nearly full too. 0 of any other group.
    double lostShare(int group) {
        List<Day> full = days.stream().filter(day -> isFirstFull(day, group)).toList();
        List<Day> low = days.stream().filter(day -> isFirstLow(day, group)).toList();
        if (!isOften(full) || !isOften(low)) return 0;
        RestCurve curve = RestCurve.of(Chemistry.LFP);
        double moved =
                curve.volts(NEARLY_FULL)
                        - middle(full, day -> moments.usualVolts(day.above[group]));
        double usual = NEARLY_FULL - middle(low, day -> curve.share(usualLow(day, group) + moved));
        double own =
                NEARLY_FULL
                        - middle(
                                low,
                                day ->
                                        curve.share(
                                                usualLow(day, group)
                                                        + moved
                                                        + moments.stray(day.below[group], group)));
        return own > 0 ? Math.clamp(1 - usual / own, 0, 1) : 0;
    }

    private double usualLow(Day day, int group) {
        return moments.usualVolts(day.below[group]);
    }

    private static double middle(List<Day> some, ToDoubleFunction<Day> figure) {
        return Middle.of(some.stream().mapToDouble(figure).toArray());
    }

    private boolean isFirstFull(Day day, int group) {
        double own = moments.stray(day.above[group], group);
        return own > FULL_VOLTS
                && others(group).allMatch(g -> moments.stray(day.above[g], g) <= NEXT_FULL * own);
    }

    private boolean isFirstLow(Day day, int group) {
        double own = moments.stray(day.below[group], group);
        return own < -LOW_VOLTS
                && others(group).allMatch(g -> moments.stray(day.below[g], g) >= NEXT_LOW * own);
    }

    private IntStream others(int group) {
        return IntStream.range(0, moments.groups()).filter(g -> g != group);
    }

    private boolean isOften(List<Day> some) {
        double middle = moments.days(moments.size() - 1) / 2;
        return some.size() >= LEAST_DAYS
                && some.getFirst().number < middle
                && some.getLast().number >= middle;
    }
}
