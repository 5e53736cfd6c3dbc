package pentacell.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import pentacell.core.unit.Middle;

/// Resistance read from steps of direct current. Never to be compared with a 1 kHz reading, which
/// is lower.
///
/// @param milliohms in mΩ
/// @param method how it was read
/// @param edges how many current steps it rests on
/// @param seconds time between a step and the voltage it was read at, in s; the longer, the more of
///   the slow polarisation is in it
/// @param spreadMilliohms largest less smallest single value, in mΩ
public record DcResistance(
        double milliohms, Method method, int edges, double seconds, double spreadMilliohms) {

    /// How a direct current resistance is read.
    public enum Method {
        /// Two currents after one another: R = (U1 − U2) / (I2 − I1), U1 after 10 s at about 0.2 It
        /// and U2 after 1 s at about 1 It (IEC 61960-3, from memory).
        TWO_STEP,
        /// The jump of voltage at a jump of current, ΔV / ΔI (common practice).
        PULSE
    }

    /// The first current of the two-step method flows about 10 s, the second about 1 s.
    private static final double FIRST_LEAST_SECONDS = 5;

    private static final double FIRST_MOST_SECONDS = 30;
    private static final double SECOND_MOST_SECONDS = 5;

    /// The second current is about five times the first; at least this many times.
    private static final double LEAST_RATIO = 2;

    /// A jump of current counts from this share of the larger current.
    private static final double LEVEL_SHARE = 0.15;

    /// A level that lasts longer is no pulse, in s.
    private static final double PULSE_SECONDS = 90;

    /// A jump of less current is too small to read a resistance from, in A.
    private static final double LEAST_AMPS = 0.05;

    /// The resistance of a log: by the two-step method where its pattern is found, else from
    /// pulses; empty when there is neither.
    static Optional<DcResistance> of(SampleLog log, List<RunStep> blips) {
        List<Level> levels = levels(log, blips);
        List<double[]> twoStep = new ArrayList<>();
        List<double[]> pulses = new ArrayList<>();
        for (int i = 1; i < levels.size(); i++) {
            Level before = levels.get(i - 1);
            Level level = levels.get(i);
            if (isTwoStep(log, before, level))
                between(log, before.last, level.last).ifPresent(twoStep::add);
            boolean isPulse =
                    level.seconds(log) <= PULSE_SECONDS && Math.abs(level.amps) > LEAST_AMPS;
            if (!isPulse) continue;
            boolean isTapering = before.tapersTo(level);
            if (!isTapering) edge(log, before, level).ifPresent(pulses::add);
            // how far a current tapered before it ended was not read
            boolean isEndKnown = !(isTapering && level.first == level.last);
            if (isEndKnown && i + 1 < levels.size() && !level.tapersTo(levels.get(i + 1)))
                edge(log, level, levels.get(i + 1)).ifPresent(pulses::add);
        }
        if (!twoStep.isEmpty()) return Optional.of(from(twoStep, Method.TWO_STEP));
        return pulses.isEmpty() ? Optional.empty() : Optional.of(from(pulses, Method.PULSE));
    }

    /// A stretch of about the same current.
    private record Level(int first, int last, double amps) {
        double seconds(SampleLog log) {
            return log.seconds(last) - log.seconds(first);
        }

        /// Whether the charger holds the voltage and lets the current fall: no jump follows.
        boolean tapersTo(Level next) {
            return next.amps > 0 && next.amps < amps;
        }
    }

    private static List<Level> levels(SampleLog log, List<RunStep> blips) {
        List<Level> levels = new ArrayList<>();
        int blip = 0;
        int first = 0;
        for (int i = 1; i <= log.size(); i++) {
            if (i < log.size() && isSameLevel(log.amps(i - 1), log.amps(i))) continue;
            int begin = first;
            while (blip < blips.size() && blips.get(blip).last() < begin) blip++;
            boolean isBlip = blip < blips.size() && blips.get(blip).first() == begin;
            // a lost contact is no pulse of current
            if (!isBlip) levels.add(new Level(begin, i - 1, log.amps(begin)));
            first = i;
        }
        return levels;
    }

    private static boolean isSameLevel(double before, double after) {
        double jump = Math.abs(after - before);
        return jump < LEAST_AMPS
                || jump < LEVEL_SHARE * Math.max(Math.abs(before), Math.abs(after));
    }

    private static boolean isTwoStep(SampleLog log, Level first, Level second) {
        return first.amps * second.amps > 0
                && first.last + 1 == second.first
                && first.seconds(log) >= FIRST_LEAST_SECONDS
                && first.seconds(log) <= FIRST_MOST_SECONDS
                && second.seconds(log) <= SECOND_MOST_SECONDS
                && Math.abs(second.amps) >= LEAST_RATIO * Math.abs(first.amps);
    }

    private static Optional<double[]> edge(SampleLog log, Level before, Level after) {
        if (before.last + 1 != after.first) return Optional.empty();
        return between(log, before.last, after.first);
    }

    /// ΔV ÷ ΔI between two samples, in mΩ, and the time between them, in s; empty when the voltage
    /// went the other way, which no resistance does.
    private static Optional<double[]> between(SampleLog log, int from, int to) {
        double milliohms =
                1000 * (log.volts(to) - log.volts(from)) / (log.amps(to) - log.amps(from));
        return milliohms > 0
                ? Optional.of(new double[] {milliohms, log.seconds(to) - log.seconds(from)})
                : Optional.empty();
    }

    private static DcResistance from(List<double[]> values, Method method) {
        double[] milliohms = values.stream().mapToDouble(each -> each[0]).sorted().toArray();
        double[] seconds = values.stream().mapToDouble(each -> each[1]).sorted().toArray();
        return new DcResistance(
                Middle.of(milliohms),
                method,
                milliohms.length,
                Middle.of(seconds),
                milliohms[milliohms.length - 1] - milliohms[0]);
    }
}
