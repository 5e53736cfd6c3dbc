package pentacell.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/// A cell going from full to empty: the discharges between two charges taken together, so that a
/// pause or a pulse on the way does not cut the capacity in pieces. A load may come in bursts, and
/// may give a little back for a moment: that is taken off.
///
/// Capacity is the trapezoid of current over time, energy that of power; the last piece ends where
/// the line between two samples crosses the end voltage. A dip that does not last is no end.
final class DischargePass {
    /// Samples that must stay under the end voltage, so that a lost contact is not taken for it.
    private static final int LASTING_SAMPLES = 3;

    private DischargePass() {}

    /// A charge up to this long is a load that gives back, in s.
    private static final double GIVEN_BACK_SECONDS = 300;

    /// Bursts are a discharge when they flow for this long in all, in s; less only reads a
    /// resistance.
    private static final double BURSTS_SECONDS = 600;

    /// A load goes on at no more than this many times its current.
    private static final double SAME_CURRENT = 1.2;

    /// Ranges of samples of each pass, first and last.
    static List<int[]> ranges(SampleLog log, List<RunStep> steps) {
        List<int[]> ranges = new ArrayList<>();
        List<RunStep> loads = new ArrayList<>();
        for (RunStep step : steps) {
            boolean isCharge = step.kind() != StepKind.REST && log.amps(step.first()) > 0;
            if (isCharge && step.seconds() > GIVEN_BACK_SECONDS) {
                range(log, loads).ifPresent(ranges::add);
                loads.clear();
            } else if (step.kind() != StepKind.REST && !isCharge) loads.add(step);
        }
        range(log, loads).ifPresent(ranges::add);
        return ranges;
    }

    /// From the first load to the last. A pulse or two before the first long one, or after the last
    /// at a higher current, read a resistance; a short load at the usual current is the rest of a
    /// discharge that was paused.
    private static Optional<int[]> range(SampleLog log, List<RunStep> loads) {
        double bursts =
                loads.stream()
                        .filter(each -> each.kind() == StepKind.PULSE)
                        .mapToDouble(RunStep::seconds)
                        .sum();
        if (bursts >= BURSTS_SECONDS) return between(loads.getFirst(), loads.getLast());
        List<RunStep> meant =
                loads.stream().filter(each -> each.kind() == StepKind.DISCHARGE).toList();
        if (meant.isEmpty()) return Optional.empty();
        RunStep last = meant.getLast();
        for (RunStep each : loads.subList(loads.indexOf(last), loads.size()))
            if (meanAmps(log, each) <= SAME_CURRENT * meanAmps(log, last)) last = each;
        return between(meant.getFirst(), last);
    }

    private static Optional<int[]> between(RunStep first, RunStep last) {
        return Optional.of(new int[] {first.first(), last.last()});
    }

    private static double meanAmps(SampleLog log, RunStep step) {
        double sum = 0;
        for (int i = step.first(); i <= step.last(); i++) sum += Math.abs(log.amps(i));
        return sum / (step.last() - step.first() + 1);
    }

    /// The pass that counts: the last that reached its end, else the one that gave most.
    static Optional<Discharge> of(SampleLog log, List<RunStep> steps, OptionalDouble endVolts) {
        Optional<Discharge> best = Optional.empty();
        for (int[] range : ranges(log, steps)) {
            Discharge next = measure(log, range[0], range[1], endVolts);
            boolean counts =
                    best.isEmpty()
                            || next.reachedEnd()
                                    && next.milliampHours() > best.get().milliampHours() / 2
                            || !best.get().reachedEnd()
                                    && next.milliampHours() > best.get().milliampHours();
            if (counts) best = Optional.of(next);
        }
        return best;
    }

    private static Discharge measure(SampleLog log, int first, int last, OptionalDouble wanted) {
        double end = wanted.orElseGet(() -> lowest(log, first, last));
        int crossing = crossing(log, first, last, end);
        int stop = crossing < 0 ? last : crossing;
        Tally tally = new Tally(log, first);
        // half of the interval in which the current rose belongs to it
        if (first > 0) tally.add(first - 1, 1);
        for (int i = first; i < stop; i++)
            tally.add(i, i + 1 == crossing ? shareUntil(log, i, end) : 1);
        if (crossing < 0 && last + 1 < log.size()) tally.add(last, 1);
        boolean reached = crossing >= 0 || nearlyThere(log, first, last, end);
        double endSeconds =
                crossing > first
                        ? log.seconds(crossing - 1)
                                + shareUntil(log, crossing - 1, end)
                                        * (log.seconds(crossing) - log.seconds(crossing - 1))
                        : log.seconds(stop);
        double hours = tally.loadedSeconds / 3600;
        double ampHours = tally.coulombs / 3600;
        double wattHours = tally.joules / 3600;
        return new Discharge(
                1000 * ampHours,
                wattHours,
                ampHours > 0 ? wattHours / ampHours : Double.NaN,
                tally.voltsAtHalf(stop),
                first > 0 ? log.volts(first - 1) : log.volts(first),
                crossing >= 0 ? end : lowest(log, first, last),
                end,
                reached,
                hours > 0 ? ampHours / hours : Double.NaN,
                tally.loadedSeconds,
                log.seconds(first),
                endSeconds);
    }

    /// Sums over the intervals of a pass.
    private static final class Tally {
        private final SampleLog log;
        private final Intervals intervals;
        private final int first;
        private double coulombs;
        private double joules;
        private double loadedSeconds;

        Tally(SampleLog log, int first) {
            this.log = log;
            this.intervals = new Intervals(log);
            this.first = first;
        }

        /// Adds a share of the interval that begins at a sample, unless it is a gap.
        void add(int i, double share) {
            if (!intervals.counts(i)) return;
            double before = -log.amps(i);
            double fullAfter = -log.amps(i + 1);
            double after = before + share * (fullAfter - before);
            double voltsAfter = log.volts(i) + share * (log.volts(i + 1) - log.volts(i));
            double interval = share * (log.seconds(i + 1) - log.seconds(i));
            coulombs += (before + after) / 2 * interval;
            joules += (before * log.volts(i) + after * voltsAfter) / 2 * interval;
            int loaded = (before > 0 ? 1 : 0) + (after > 0 ? 1 : 0);
            loadedSeconds += interval * loaded / 2;
        }

        /// Voltage when half of the charge was out.
        double voltsAtHalf(int stop) {
            double sum = 0;
            for (int i = first; i < stop; i++) {
                if (!intervals.counts(i)) continue;
                sum += -(log.amps(i) + log.amps(i + 1)) / 2 * (log.seconds(i + 1) - log.seconds(i));
                if (sum >= coulombs / 2 && log.amps(i + 1) < 0) return log.volts(i + 1);
            }
            return log.volts(stop);
        }
    }

    private static double lowest(SampleLog log, int first, int last) {
        double lowest = Double.POSITIVE_INFINITY;
        for (int i = first; i <= last; i++)
            if (log.amps(i) < 0) lowest = Math.min(lowest, log.volts(i));
        return lowest;
    }

    /// The first loaded sample at or under the end voltage from which it stays there; −1 when none.
    private static int crossing(SampleLog log, int first, int last, double end) {
        int begin = -1;
        int under = 0;
        for (int i = first; i <= last; i++) {
            if (log.amps(i) >= 0) continue;
            if (log.volts(i) > end) {
                begin = -1;
                under = 0;
                continue;
            }
            if (begin < 0) begin = i;
            if (++under == LASTING_SAMPLES) return begin;
        }
        return begin;
    }

    /// Whether one more sample would have been at the end: the instrument stopped in between.
    private static boolean nearlyThere(SampleLog log, int first, int last, double end) {
        if (last - first < 2) return log.volts(last) <= end;
        double fall = Math.max(0, log.volts(last - 1) - log.volts(last));
        return log.volts(last) - fall <= end + 0.002;
    }

    /// Share of the interval after a sample until the line to the next crosses the end voltage.
    private static double shareUntil(SampleLog log, int i, double end) {
        double fall = log.volts(i) - log.volts(i + 1);
        return fall > 0 ? Math.clamp((log.volts(i) - end) / fall, 0, 1) : 1;
    }
}
