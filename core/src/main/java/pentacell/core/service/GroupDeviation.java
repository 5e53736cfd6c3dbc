package pentacell.core.service;

import java.util.Arrays;
import java.util.List;

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
record GroupDeviation(
        double offsetVolts,
        double ohms,
        double lostShare,
        double ampHoursADay,
        double aheadAmpHours) {
    private static final int OFFSET = 0;
    private static final int CURRENT = 1;
    private static final int BALANCE = 2;
    private static final int DEPTH = 3;
    private static final int TIME = 4;

    /// In which order causes are tried to be done without: what is nothing to worry about first,
    /// what needs nothing to be true of the slope last.
    private static final List<Integer> DISPENSABLE = List.of(BALANCE, TIME, CURRENT, DEPTH, OFFSET);

    /// From fewer moments inside of what is known, and than half of all, nothing is told.
    private static final int LEAST_KNOWN = 40;

    /// Where so much of all lies inside of what is known, what lies over it is left out.
    private static final double INSIDE = 0.25;

    static GroupDeviation of(HistoryMoments all, int group) {
        int[] withSlope = all.where(at -> !Double.isNaN(all.slope(at, group))).toArray();
        int[] inside = Arrays.stream(withSlope).filter(at -> !all.isOver(at, group)).toArray();
        int[] moments =
                inside.length >= Math.max(LEAST_KNOWN, INSIDE * all.size()) ? inside : withSlope;
        if (moments.length < Math.min(LEAST_KNOWN, all.size() / 2))
            return new GroupDeviation(0, 0, 0, 0, 0);
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
        double[] found = fit.of(DISPENSABLE, OFFSET, BALANCE);
        double off = found[DEPTH];
        return new GroupDeviation(
                found[OFFSET],
                found[CURRENT],
                off <= -0.5 ? -1 : off / (1 + off),
                found[TIME],
                found[BALANCE]);
    }
}
