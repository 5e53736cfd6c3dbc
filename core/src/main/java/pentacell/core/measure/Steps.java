package pentacell.core.measure;

import java.util.ArrayList;
import java.util.List;

/// Recognises the steps of a log by its current alone.
///
/// Idea: samples fall into charge, rest and discharge by the sign of their current; equal
/// neighbours make a stretch. A rest too short to be meant, between two stretches of one kind, is a
/// lost contact and not a step of its own. A short current with rest at its sides is a pulse.
final class Steps {
    /// Current under this counts as none, in A, or this share of the largest in the log.
    private static final double REST_AMPS = 0.01;

    private static final double REST_SHARE = 0.005;

    /// An interruption up to this long inside a charge or discharge is a lost contact, in s.
    static final double BLIP_SECONDS = 20;

    /// A stretch must be this long to be interrupted, in s: pulses with short pauses are meant.
    private static final double INTERRUPTIBLE_SECONDS = 120;

    /// A current up to this long, next to a rest, is a pulse, in s.
    private static final double PULSE_SECONDS = 90;

    private Steps() {}

    /// The steps of a log and the interruptions found in them.
    ///
    /// @param steps in order, each sample in exactly one
    /// @param blips rests inside a step that were not meant
    record Found(List<RunStep> steps, List<RunStep> blips) {}

    static Found of(SampleLog log) {
        Intervals intervals = new Intervals(log);
        List<RunStep> stretches = stretches(log, intervals);
        List<RunStep> blips = new ArrayList<>();
        List<RunStep> joined = new ArrayList<>();
        for (int i = 0; i < stretches.size(); i++) {
            RunStep next = stretches.get(i);
            boolean isBlip =
                    next.kind() == StepKind.REST
                            && !joined.isEmpty()
                            && i + 1 < stretches.size()
                            && isInterruption(
                                    log, joined.get(joined.size() - 1), next, stretches.get(i + 1));
            if (isBlip) {
                blips.add(next);
                RunStep before = joined.remove(joined.size() - 1);
                joined.add(
                        step(
                                log,
                                intervals,
                                before.kind(),
                                before.first(),
                                stretches.get(++i).last()));
            } else joined.add(next);
        }
        List<RunStep> steps = new ArrayList<>();
        for (int i = 0; i < joined.size(); i++)
            steps.add(isPulse(joined, i) ? as(joined.get(i), StepKind.PULSE) : joined.get(i));
        return new Found(List.copyOf(steps), List.copyOf(blips));
    }

    private static List<RunStep> stretches(SampleLog log, Intervals intervals) {
        double rest = restAmps(log);
        List<RunStep> stretches = new ArrayList<>();
        int first = 0;
        for (int i = 1; i <= log.size(); i++) {
            StepKind kind = kind(log.amps(first), rest);
            if (i < log.size() && kind(log.amps(i), rest) == kind) continue;
            stretches.add(step(log, intervals, kind, first, i - 1));
            first = i;
        }
        return stretches;
    }

    private static double restAmps(SampleLog log) {
        double largest = 0;
        for (int i = 0; i < log.size(); i++) largest = Math.max(largest, Math.abs(log.amps(i)));
        return Math.max(REST_AMPS, REST_SHARE * largest);
    }

    private static StepKind kind(double amps, double rest) {
        if (amps > rest) return StepKind.CHARGE;
        return amps < -rest ? StepKind.DISCHARGE : StepKind.REST;
    }

    private static boolean isInterruption(
            SampleLog log, RunStep before, RunStep rest, RunStep after) {
        double gap = log.seconds(after.first()) - log.seconds(before.last());
        return before.kind() == after.kind()
                && gap <= Math.max(BLIP_SECONDS, 3 * interval(log, before))
                && rest.seconds() <= BLIP_SECONDS
                && Math.max(before.seconds(), after.seconds()) > INTERRUPTIBLE_SECONDS;
    }

    private static double interval(SampleLog log, RunStep step) {
        int count = step.last() - step.first();
        return count == 0 ? 0 : (log.seconds(step.last()) - log.seconds(step.first())) / count;
    }

    private static boolean isPulse(List<RunStep> steps, int index) {
        RunStep step = steps.get(index);
        if (step.kind() == StepKind.REST || step.seconds() > PULSE_SECONDS) return false;
        boolean restBefore = index > 0 && steps.get(index - 1).kind() == StepKind.REST;
        boolean restAfter =
                index + 1 < steps.size() && steps.get(index + 1).kind() == StepKind.REST;
        return restBefore && (restAfter || index + 1 == steps.size());
    }

    private static RunStep as(RunStep step, StepKind kind) {
        return new RunStep(
                kind,
                step.first(),
                step.last(),
                step.startSeconds(),
                step.endSeconds(),
                step.milliampHours());
    }

    private static RunStep step(
            SampleLog log, Intervals intervals, StepKind kind, int first, int last) {
        return new RunStep(
                kind,
                first,
                last,
                log.seconds(first),
                log.seconds(last),
                kind == StepKind.REST ? 0 : chargeMilliampHours(log, intervals, first, last));
    }

    /// Charge moved by a stretch of one direction, in mAh: the trapezoid over its samples and half
    /// of the intervals at its sides, in which the current rose and fell.
    private static double chargeMilliampHours(
            SampleLog log, Intervals intervals, int first, int last) {
        double coulombs = 0;
        boolean charges = log.amps(first) > 0;
        for (int i = Math.max(1, first); i <= Math.min(log.size() - 1, last + 1); i++) {
            if (!intervals.counts(i - 1)) continue;
            double before = part(log.amps(i - 1), charges);
            double after = part(log.amps(i), charges);
            coulombs += (before + after) / 2 * (log.seconds(i) - log.seconds(i - 1));
        }
        return coulombs / 3.6;
    }

    private static double part(double amps, boolean charges) {
        return Math.max(0, charges ? amps : -amps);
    }
}
