package pentacell.core.service;

import java.util.Arrays;
import java.util.List;
import java.util.function.IntPredicate;
import java.util.function.ToDoubleFunction;
import pentacell.core.unit.Middle;

/// How a group strays from the others, taken apart by what can cause it.
///
/// With D the charge drawn since full, S the slope of voltage over charge there, I the current and
/// t the time, a group strays by b − ΔR·I + S·(a − k·D − l·t): b is misread, ΔR its resistance, a
/// its balance at the begin, k = 1/c − 1 of the share c of its capacity that is left, l what it
/// loses by itself. They are found together by least squares, so that causes at the same time are
/// told apart as far as the history moves them apart; a cause that hardly explains anything more
/// than the others do is left out. A group that stands elsewhere than the others did at the begin
/// looks much like one that is misread: what explains more of the two is taken.
///
/// @param offsetVolts b, in V
/// @param ohms ΔR, in Ω
/// @param lostShare 1 − c
/// @param ampHoursADay l, in Ah
/// @param aheadAmpHours a, in Ah: what it held more than the others at the begin
/// @param isEither whether b may as well be a: where the slope hardly changes they look alike
record GroupDeviation(
        double offsetVolts,
        double ohms,
        double lostShare,
        double ampHoursADay,
        double aheadAmpHours,
        boolean isEither) {
    private static final GroupDeviation UNKNOWN = new GroupDeviation(0, 0, 0, 0, 0, false);

    private static final int OFFSET = 0;
    private static final int CURRENT = 1;
    private static final int BALANCE = 2;
    private static final int DEPTH = 3;
    private static final int TIME = 4;

    /// In which order causes are tried to be done without: what is nothing to worry about first,
    /// what needs nothing to be true of the slope last.
    private static final List<Integer> DISPENSABLE = List.of(BALANCE, TIME, CURRENT, DEPTH, OFFSET);

    /// A group stands out when it is this many standard deviations of the others from their middle.
    private static final double OUTSTANDING = 4;

    /// From fewer moments inside of what is known, and than half of all, nothing is told.
    private static final int LEAST_KNOWN = 40;

    /// Where so much of all lies inside of what is known, what lies over it is left out.
    private static final double INSIDE = 0.25;

    /// What a group strays by, as far as it is seen away from full too: near full a balancer
    /// bleeds, and where the curve is steep there, groups that are sound stray far.
    ///
    /// @param isNearFull whether a moment is near full
    static GroupDeviation confirmed(
            HistoryMoments all, int group, IntPredicate isNearFull, PackHistory.Tells tells) {
        double middle = all.size() == 0 ? 0 : all.days(all.size() - 1) / 2;
        GroupDeviation whole = of(all, group, at -> true);
        if (tells.isFlat() && !tells.showsCharges())
            return new GroupDeviation(0, tells.hasSteps() ? whole.ohms : 0, 0, 0, 0, false);
        return whole.confirmedBy(of(all, group, isNearFull.negate()), tells)
                .lastingIn(
                        of(all, group, at -> all.days(at) < middle),
                        of(all, group, at -> all.days(at) >= middle));
    }

    /// What is lost by itself is not gained in one half of a history.
    private GroupDeviation lastingIn(GroupDeviation first, GroupDeviation second) {
        boolean lasts =
                ampHoursADay * first.ampHoursADay >= 0 && ampHoursADay * second.ampHoursADay >= 0;
        return new GroupDeviation(
                offsetVolts, ohms, lostShare, lasts ? ampHoursADay : 0, aheadAmpHours, isEither);
    }

    /// Of each cause what both say: none where they differ in sign, else the smaller figure.
    private GroupDeviation confirmedBy(GroupDeviation other, PackHistory.Tells tells) {
        double drift = tells.isOftenFull() ? ampHoursADay : 0;
        return new GroupDeviation(
                smaller(offsetVolts, other.offsetVolts),
                smaller(ohms, other.ohms),
                lostShare,
                tells.isFlat() ? drift : smaller(ampHoursADay, other.ampHoursADay),
                aheadAmpHours,
                // where it hardly moves, an offset and a charge that is ahead look alike
                isEither || tells.isFloating());
    }

    /// Of each cause only what stands out from what the other groups have of it: sound groups
    /// differ too, and where the history tells little, all seem to have something.
    GroupDeviation beyond(List<GroupDeviation> others) {
        return new GroupDeviation(
                standsOut(others, GroupDeviation::offsetVolts),
                standsOut(others, GroupDeviation::ohms),
                standsOut(others, GroupDeviation::lostShare),
                standsOut(others, GroupDeviation::ampHoursADay),
                aheadAmpHours,
                isEither);
    }

    private double standsOut(List<GroupDeviation> others, ToDoubleFunction<GroupDeviation> cause) {
        double own = cause.applyAsDouble(this);
        double[] of = others.stream().mapToDouble(cause).toArray();
        double middle = Middle.of(of);
        double usual = Middle.of(Arrays.stream(of).map(each -> Math.abs(each - middle)).toArray());
        // 1.48: from the median of deviations to the standard one, were they normal
        return Math.abs(own - middle) > OUTSTANDING * 1.48 * usual ? own : 0;
    }

    private static double smaller(double one, double other) {
        if (!(one * other > 0)) return 0;
        return Math.abs(one) <= Math.abs(other) ? one : other;
    }

    private static GroupDeviation of(HistoryMoments all, int group, IntPredicate counts) {
        int[] withSlope =
                all.where(at -> counts.test(at) && !Double.isNaN(all.slope(at, group))).toArray();
        int[] inside = Arrays.stream(withSlope).filter(at -> !all.isOver(at, group)).toArray();
        int[] moments =
                inside.length >= Math.max(LEAST_KNOWN, INSIDE * withSlope.length)
                        ? inside
                        : withSlope;
        if (moments.length < Math.min(LEAST_KNOWN, all.size() / 2)) return UNKNOWN;
        SparseFit fit = new SparseFit(DISPENSABLE.size());
        for (int at : moments) {
            double slope = all.slope(at, group);
            fit.add(
                    all.stray(at, group),
                    1,
                    -all.amps(at),
                    slope,
                    -slope * all.drawnAmpHours(at),
                    -slope * all.days(at));
        }
        SparseFit.Fitted fitted = fit.of(DISPENSABLE, OFFSET, BALANCE);
        double off = fitted.factor(DEPTH);
        return new GroupDeviation(
                fitted.factor(OFFSET),
                fitted.factor(CURRENT),
                off <= -0.5 ? -1 : off / (1 + off),
                fitted.factor(TIME),
                fitted.factor(BALANCE),
                fitted.isEither());
    }
}
