package pentacell.core.service;

import java.util.Arrays;
import pentacell.core.measure.SomeMoments;
import pentacell.core.prove.GroupLog;
import pentacell.core.unit.Middle;

/// How the voltage of the usual group runs over the charge drawn, taken from a log itself, so that
/// no rest curve needs to be true of these cells.
///
/// In stretches of a steady current: in bins of voltage the volts that were crossed, over the
/// charge that it took; by the sum over the bins the charge drawn since the highest state. Readings
/// that go up and down by their noise, or stand still by their rounding, cross nothing on the
/// whole.
final class VoltageRun {
    private static final int BINS = 32;

    /// A stretch is steady while its current changes by less than this part of the highest.
    private static final double STEADY = 0.2;

    /// So much at the begin of a stretch, as a part of the longest, is still the step of its
    /// current.
    private static final double PIECE = 0.03;

    /// A slope is known when so many times the errors of the readings were crossed.
    private static final double KNOWN = 10;

    /// Where nothing tells, in V/Ah.
    private static final double UNKNOWN_SLOPE = 1;

    /// Beyond this a group does not lie on the same slope as the usual one any more, in V.
    private static final double FAR_VOLTS = 0.015;

    /// Noise of readings at the ends of what is known, in V.
    private static final double OUTSIDE_VOLTS = 0.003;

    /// The median of the absolute values of a normal distribution, in standard deviations.
    private static final double MEDIAN_OF_NORMAL = 0.6745;

    private static final double LOADED = 0.1;

    private final double[] seconds;
    private final double[] amps;
    private final double[] inside;
    private final double low;
    private final double high;

    /// What was drawn since the reading before under a steady current, in Ah; 0 where it was none.
    private final double[] steady;

    private final double[] slopes = new double[BINS];
    private final double[] drawn = new double[BINS + 1];

    /// The run in a log.
    ///
    /// @param inside voltage of the usual group without the drop over its resistance, in V
    /// @param resolution the step that voltages were written in, in V
    VoltageRun(double[] seconds, double[] amps, double[] inside, double resolution) {
        this.seconds = seconds;
        this.amps = amps;
        this.inside = inside;
        steady = steady();
        low = Arrays.stream(inside).min().orElse(0);
        high = Arrays.stream(inside).max().orElse(0);
        run(Math.max(noise(), resolution / 2));
    }

    /// The highest voltage of the usual group, in V.
    double highestVolts() {
        return high;
    }

    /// Charge between the highest and the lowest state, in Ah.
    double usedAmpHours() {
        return drawn[0];
    }

    /// Charge drawn from the highest state to a voltage, in Ah.
    double drawnAmpHours(double volts) {
        int bin = bin(volts);
        double width = (high - low) / BINS;
        double above = low + (bin + 1) * width - volts;
        return drawn[bin + 1] + Math.max(0, above) / slopes[bin];
    }

    /// The slope from the usual group's voltage to one that strays: a group far below the others
    /// has come to where the voltage falls faster. NaN where it has fallen under all that the usual
    /// group ever showed: how the voltage runs there is not known. Over all of it the voltage is
    /// taken to run on as at its end, see [#isOver].
    double slopeBetween(double volts, double stray) {
        if (volts + stray < low - OUTSIDE_VOLTS) return Double.NaN;
        if (Math.abs(stray) < FAR_VOLTS) return slopes[bin(volts)];
        double apart = drawnAmpHours(volts) - drawnAmpHours(volts + stray);
        if (volts + stray > high) apart += (volts + stray - high) / slopes[BINS - 1];
        return apart * stray > 0 ? stray / apart : slopes[bin(volts)];
    }

    /// How far a voltage is below all that the usual group ever showed, in V; above that under 0.
    double below(double volts) {
        return low - volts;
    }

    /// Whether a group that strays lies over all that the usual group ever showed.
    boolean isOver(double volts, double stray) {
        return Math.abs(stray) >= FAR_VOLTS && volts + stray > high + OUTSIDE_VOLTS;
    }

    private double[] steady() {
        double[] drawnSteadily = new double[amps.length];
        double most = Arrays.stream(amps).map(Math::abs).max().orElse(0);
        double longestInterval =
                LogGaps.longestInterval(seconds, i -> Math.abs(amps[i]) > LOADED * most);
        for (int i = 1; i < amps.length; i++) {
            double now = amps[i];
            double before = amps[i - 1];
            if (Math.abs(now) > LOADED * most
                    && Math.abs(now - before) < STEADY * most
                    && now * before > 0
                    && seconds[i] - seconds[i - 1] <= longestInterval)
                drawnSteadily[i] = GroupLog.ampHours(seconds[i - 1], before, seconds[i], now);
        }
        return drawnSteadily;
    }

    /// How the voltage runs over the charge: in each bin the volts that were crossed under a steady
    /// current, over the charge that it took.
    ///
    /// @param blur how far a reading may lie from what was, in V
    private void run(double blur) {
        double[] charges = new double[BINS];
        double[] crossed = new double[BINS];
        double[] ends = new double[BINS];
        double settled = PIECE * longestStretch();
        double given = 0;
        boolean isCounted = false;
        for (int i = 1; i < inside.length && high > low; i++) {
            boolean isBefore = isCounted;
            double charge = steady[i];
            given = charge == 0 ? 0 : given + charge;
            isCounted = charge != 0 && Math.abs(given) >= settled;
            if (isCounted != isBefore) ends[bin(inside[i - 1])]++;
            if (!isCounted) continue;
            double from = Math.min(inside[i - 1], inside[i]);
            double to = Math.max(inside[i - 1], inside[i]);
            boolean isAsExpected = (inside[i] - inside[i - 1]) * charge < 0;
            share(from - blur, to + blur, Math.abs(charge), charges);
            share(from, to, isAsExpected ? to - from : from - to, crossed);
        }
        for (int b = 0; b < BINS; b++) slopes[b] = slope(b, charges, crossed, ends, blur);
        double width = (high - low) / BINS;
        for (int b = BINS - 1; b >= 0; b--) drawn[b] = drawn[b + 1] + width / slopes[b];
    }

    /// The slope in a bin, with as many bins around it as are needed to know it. Within a stretch
    /// errors of readings cancel out: only where one begins or ends do they add to what was
    /// crossed.
    private static double slope(
            int bin, double[] charges, double[] crossed, double[] ends, double blur) {
        double charge = 0;
        double volts = 0;
        double ended = 0;
        for (int away = 0; away < BINS; away++) {
            for (int b : away == 0 ? new int[] {bin} : new int[] {bin - away, bin + away}) {
                if (b < 0 || b >= BINS) continue;
                charge += charges[b];
                volts += crossed[b];
                ended += ends[b];
            }
            if (charge > 0 && volts > KNOWN * blur * Math.sqrt(1 + ended)) return volts / charge;
        }
        return charge > 0 && volts > 0 ? volts / charge : UNKNOWN_SLOPE;
    }

    /// Charge of the longest stretch of a steady current, in Ah.
    private double longestStretch() {
        double longest = 0;
        double stretch = 0;
        for (double charge : steady) {
            stretch = charge == 0 ? 0 : stretch + charge;
            longest = Math.max(longest, Math.abs(stretch));
        }
        return longest;
    }

    /// Noise of a reading, in V: from how far it lies from the line between its neighbours.
    private double noise() {
        double[] bends =
                SomeMoments.of(inside.length - 2)
                        .map(i -> i + 1)
                        .filter(i -> steady[i] != 0 && steady[i + 1] != 0)
                        .mapToDouble(this::bend)
                        .toArray();
        return bends.length == 0 ? 0 : Middle.of(bends) / MEDIAN_OF_NORMAL;
    }

    /// How far a reading lies from the line between its neighbours, as a noise of all three.
    private double bend(int moment) {
        double part =
                (seconds[moment] - seconds[moment - 1])
                        / (seconds[moment + 1] - seconds[moment - 1]);
        double line = inside[moment - 1] + part * (inside[moment + 1] - inside[moment - 1]);
        return Math.abs(inside[moment] - line)
                / Math.sqrt(1 + part * part + (1 - part) * (1 - part));
    }

    /// Shares an amount out over the bins between two voltages.
    private void share(double from, double to, double amount, double[] bins) {
        int last = bin(to);
        double width = (high - low) / BINS;
        double begin = from;
        for (int b = bin(from); b <= last; b++) {
            double end = b == last ? to : low + (b + 1) * width;
            bins[b] += to > from ? amount * (end - begin) / (to - from) : amount;
            begin = end;
        }
    }

    private int bin(double volts) {
        return high > low
                ? Math.clamp((int) ((volts - low) / (high - low) * BINS), 0, BINS - 1)
                : 0;
    }
}
