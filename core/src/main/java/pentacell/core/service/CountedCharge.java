package pentacell.core.service;

import java.util.Arrays;
import java.util.stream.IntStream;
import pentacell.core.prove.GroupLog;

/// The charge drawn from a pack since it was full, counted in ampere-hours.
///
/// Each time a charge ends with the highest group near the top the pack is full, and the count is
/// 0. What is left over between two such moments (bursts between two readings, losses, an error of
/// the sensor) is taken off where the current changed from reading to reading, and a little where
/// it was steady. Nothing is known across a gap of the log: before it the count runs on from the
/// last time it was full, after it back from the next.
final class CountedCharge {
    /// A pack is full when its highest group rests within this part of its voltages from the
    /// highest rest.
    private static final double NEAR_TOP = 0.25;

    /// Under this part of the highest current it rests.
    private static final double REST_SHARE = 0.02;

    /// What a steady current is counted wrong by, against what is missed of one that changes.
    private static final double STEADY_PART = 0.05;

    private final double[] amps;

    /// Ah drawn since the first reading.
    private final double[] net;

    /// How much may have been counted wrong since the first reading, to a scale.
    private final double[] doubt;

    private final boolean[] isAfterGap;

    private CountedCharge(double[] seconds, double[] amps) {
        this.amps = amps;
        net = new double[amps.length];
        doubt = new double[amps.length];
        isAfterGap = new boolean[amps.length];
        double longest = LogGaps.longestInterval(seconds, i -> true);
        for (int i = 1; i < amps.length; i++) {
            isAfterGap[i] = seconds[i] - seconds[i - 1] > longest;
            double before = amps[i - 1];
            double now = amps[i];
            net[i] = net[i - 1] + GroupLog.ampHours(seconds[i - 1], before, seconds[i], now);
            double wrong =
                    Math.abs(now - before) + STEADY_PART * (Math.abs(before) + Math.abs(now));
            doubt[i] = doubt[i - 1] + wrong * (seconds[i] - seconds[i - 1]);
        }
    }

    /// The charge drawn since the pack was full, in Ah, at each reading; NaN where it is not known,
    /// everywhere in a log that never shows it full.
    ///
    /// @param volts of the highest group, in V
    static double[] of(double[] seconds, double[] amps, double[] volts) {
        CountedCharge log = new CountedCharge(seconds, amps);
        double[] drawn = new double[amps.length];
        Arrays.fill(drawn, Double.NaN);
        int[] full = log.full(volts);
        for (int k = 0; k < full.length; k++) {
            log.back(drawn, k == 0 ? 0 : full[k - 1], full[k]);
            log.between(drawn, full[k], k + 1 < full.length ? full[k + 1] : -1);
        }
        return drawn;
    }

    /// Readings at which the pack is full.
    private int[] full(double[] volts) {
        double still = REST_SHARE * Arrays.stream(amps).map(Math::abs).max().orElse(0);
        double high =
                IntStream.range(0, amps.length)
                        .filter(i -> Math.abs(amps[i]) <= still)
                        .mapToDouble(i -> volts[i])
                        .max()
                        .orElse(0);
        double low = Arrays.stream(volts).min().orElse(0);
        // one that never rests in the upper half of its voltages is never seen full
        double middle = (low + Top.of(volts, PackHistory.ABOVE_FULL)) / 2;
        double nearTop = Math.max(middle, high - NEAR_TOP * (high - low));
        return IntStream.range(0, amps.length)
                .filter(i -> Math.abs(amps[i]) <= still && volts[i] >= nearTop)
                .toArray();
    }

    /// Counts on from a full reading to the next, or to a gap.
    private void between(double[] drawn, int from, int to) {
        drawn[from] = 0;
        int last = to < 0 ? amps.length - 1 : to;
        int gap = from + 1;
        while (gap <= last && !isAfterGap[gap]) gap++;
        boolean isWhole = to >= 0 && gap > last;
        double over = isWhole ? net[to] - net[from] : 0;
        double doubted = isWhole ? doubt[to] - doubt[from] : 0;
        for (int i = from + 1; i < Math.min(gap, last + 1); i++) {
            double part = doubted > 0 ? (doubt[i] - doubt[from]) / doubted : 0;
            drawn[i] = net[i] - net[from] - part * over;
        }
    }

    /// Counts back from a full reading to a gap before it, or to the start of the log.
    private void back(double[] drawn, int first, int full) {
        int i = full;
        while (i > first && !isAfterGap[i]) {
            i--;
            if (Double.isNaN(drawn[i])) drawn[i] = net[i] - net[full];
        }
    }
}
