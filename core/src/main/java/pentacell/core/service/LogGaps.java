package pentacell.core.service;

import java.util.function.IntPredicate;
import pentacell.core.measure.SomeMoments;
import pentacell.core.unit.Middle;

/// Where a log has gaps: across them nothing tells that the current went on.
final class LogGaps {
    /// An interval that is this many times the usual one is a gap.
    private static final double USUAL_INTERVALS = 6;

    private LogGaps() {}

    /// The longest interval that is not a gap, in s: by the median of some thousand intervals.
    ///
    /// @param counts whether the interval before a reading is looked at
    static double longestInterval(double[] seconds, IntPredicate counts) {
        return USUAL_INTERVALS
                * Middle.of(
                        SomeMoments.of(seconds.length - 1)
                                .map(i -> i + 1)
                                .filter(counts)
                                .mapToDouble(i -> seconds[i] - seconds[i - 1])
                                .toArray());
    }
}
