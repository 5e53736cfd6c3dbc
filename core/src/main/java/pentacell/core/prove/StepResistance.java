package pentacell.core.prove;

import java.util.Arrays;
import java.util.stream.IntStream;
import pentacell.core.measure.Column;
import pentacell.core.measure.SomeMoments;
import pentacell.core.unit.Middle;

/// The resistance of each group of a pack, from steps of the current between two readings.
final class StepResistance {
    /// A step of the current counts above this part of the highest.
    private static final double STEP_SHARE = 0.2;

    private static final double LONGEST_STEP_SECONDS = 60;

    /// Two steps that say more than this times the other saw different things.
    private static final double SLOW = 1.3;

    /// Readings before a step that tell how the voltage was on its way.
    private static final int BEFORE = 5;

    private final GroupLog log;
    private final double[] seconds;
    private final double[] amps;
    private final double most;
    private final double[] ohms;
    private final double error;

    /// @param mostAmps the highest current drawn in the log, in A
    StepResistance(GroupLog log, double mostAmps) {
        this.log = log;
        seconds = log.seconds().toArray();
        amps = log.amps().toArray();
        most = mostAmps;
        int[] moments = IntStream.range(1, seconds.length).filter(this::isStep).toArray();
        double[][] steps =
                withoutSlow(
                        SomeMoments.of(moments.length)
                                .mapToObj(i -> ofStep(moments[i]))
                                .toArray(double[][]::new));
        ohms =
                IntStream.range(0, log.series())
                        .mapToDouble(g ->
                                Middle.of(
                                        Arrays.stream(steps)
                                                .mapToDouble(each -> each[g])
                                                .toArray()))
                        .toArray();
        error = error(steps, ohms);
    }

    private boolean isStep(int moment) {
        return Math.abs(amps[moment] - amps[moment - 1]) > STEP_SHARE * most
                && seconds[moment] - seconds[moment - 1] <= LONGEST_STEP_SECONDS;
    }

    /// Resistance of each group in Ω; NaN without any step.
    double[] ohms() {
        return ohms.clone();
    }

    /// The usual error of one of them by which the steps tell, in Ω; NaN when only one does.
    double error() {
        return error;
    }

    /// Of two steps of which all groups say different things the smaller is right: the larger holds
    /// what moved slowly.
    private static double[][] withoutSlow(double[][] steps) {
        if (steps.length != 2) return steps;
        double first = Middle.of(steps[0]);
        double second = Middle.of(steps[1]);
        if (first > SLOW * second) return new double[][] {steps[1]};
        if (second > SLOW * first) return new double[][] {steps[0]};
        return steps;
    }

    private double[] ofStep(int moment) {
        return log.volts().stream()
                .mapToDouble(volts ->
                        (volts.get(moment - 1) + drift(volts, moment) - volts.get(moment))
                                / (amps[moment] - amps[moment - 1]))
                .toArray();
    }

    /// What steps differ in beyond what all groups have in common.
    private static double error(double[][] steps, double[] ohms) {
        if (steps.length < 2) return Double.NaN;
        double[] usual = Arrays.stream(steps).mapToDouble(Middle::of).toArray();
        double all = Middle.of(ohms);
        double squares =
                IntStream.range(0, ohms.length)
                        .mapToDouble(g -> apart(steps, usual, g, ohms[g] - all))
                        .map(apart -> apart * apart)
                        .average()
                        .orElseThrow();
        // 1.48: from the median of deviations to the standard one, were they normal
        return 1.48 * Math.sqrt(squares / (steps.length - 1));
    }

    private static double apart(double[][] steps, double[] usual, int group, double more) {
        return Middle.of(
                IntStream.range(0, steps.length)
                        .mapToDouble(k -> Math.abs(steps[k][group] - usual[k] - more))
                        .toArray());
    }

    /// By how much a voltage would have gone on changing until a moment without a step, in V.
    private double drift(Column volts, int moment) {
        int from = moment - 1;
        while (from > 0
                && moment - from < BEFORE
                && Math.abs(amps[from - 1] - amps[moment - 1]) <= 0.05 * most) from--;
        double passed = seconds[moment - 1] - seconds[from];
        return passed <= 0
                ? 0
                : (volts.get(moment - 1) - volts.get(from))
                        / passed
                        * (seconds[moment] - seconds[moment - 1]);
    }
}
