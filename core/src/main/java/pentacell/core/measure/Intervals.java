package pentacell.core.measure;

import java.util.Arrays;

/// Which of the times between two samples of a log were measured through, and which are gaps: the
/// instrument or its log was away.
///
/// A gap is over a minute and over ten times the usual interval. A short one with the same current
/// at both ends is bridged, a long one or one over a change of current is not: what went on in it
/// is not known.
final class Intervals {
    /// Shorter is no gap, in s.
    static final double GAP_SECONDS = 60;

    private static final double GAP_INTERVALS = 10;

    /// A longer gap is never bridged, in s.
    private static final double MOST_BRIDGED_SECONDS = 300;

    /// Currents that differ by less, as a share, are the same.
    private static final double SAME_CURRENT_SHARE = 0.1;

    private static final int MOST_LOOKED_AT = 2001;

    private final SampleLog log;
    private final double leastGap;

    Intervals(SampleLog log) {
        this.log = log;
        leastGap = Math.max(GAP_SECONDS, GAP_INTERVALS * usual(log));
    }

    /// The middle interval; a mean would be moved by the very gaps.
    private static double usual(SampleLog log) {
        int intervals = log.size() - 1;
        if (intervals < 1) return 0;
        double[] some = new double[Math.min(MOST_LOOKED_AT, intervals)];
        for (int i = 0; i < some.length; i++) {
            int at = (int) ((long) i * intervals / some.length);
            some[i] = log.seconds(at + 1) - log.seconds(at);
        }
        Arrays.sort(some);
        return some[some.length / 2];
    }

    /// Whether there is a gap between a sample and the next.
    boolean isGap(int sample) {
        return seconds(sample) > leastGap;
    }

    /// Whether charge and energy may be summed from a sample to the next.
    boolean counts(int sample) {
        if (!isGap(sample)) return true;
        double before = log.amps(sample);
        double after = log.amps(sample + 1);
        return seconds(sample) <= MOST_BRIDGED_SECONDS
                && Math.abs(after - before)
                        <= SAME_CURRENT_SHARE * Math.max(Math.abs(before), Math.abs(after));
    }

    private double seconds(int sample) {
        return log.seconds(sample + 1) - log.seconds(sample);
    }
}
