package pentacell.core.prove;

import java.util.Arrays;
import java.util.stream.IntStream;
import pentacell.core.measure.Column;
import pentacell.core.measure.SomeMoments;
import pentacell.core.unit.Middle;

/// The resistance of each group of a pack, from steps of the current between two readings.
///
/// The voltage moves all the while, and differently before a step and after it. So a line is laid
/// through the readings on each side, and the step is what lies between the two lines at the moment
/// when the current changed. That moment is somewhere in the interval, for all groups the same:
/// with A the step at the begin of the interval, B how much more it is at the end, and f the part
/// of the interval that had passed, A + f·B = R for each group and step. All R and f are fitted at
/// once by least squares, f being ½ ± 1/√12 where nothing tells.
final class StepResistance {
    /// A step of the current counts above this part of the highest.
    private static final double STEP_SHARE = 0.2;

    private static final double LONGEST_STEP_SECONDS = 60;

    /// The current is steady on a side while it stays this near, as a part of the highest.
    private static final double STEADY_SHARE = 0.05;

    /// A line is laid through the readings of this long, and through this many at least where there
    /// are as many.
    private static final double LINE_SECONDS = 10;

    private static final int LINE_READINGS = 5;

    /// How much of what the lines differ by over an interval they may be wrong by, squared.
    private static final double BENT = 0.02;

    /// What a part of an interval is before anything tells, and one over its variance.
    private static final double MIDDLE = 0.5;

    private static final double MIDDLE_WEIGHT = 12;

    private static final int ROUNDS = 60;

    /// No reading is surer than this, in V.
    private static final double LEAST_NOISE_VOLTS = 1e-4;

    /// A step this many usual deviations off is left out.
    private static final double OUTLIER = 5;

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
        int[] some = SomeMoments.of(moments.length).map(i -> moments[i]).toArray();
        Step[] steps = new Step[some.length];
        for (int k = 0; k < some.length; k++) steps[k] = step(some[k]);
        Step[] usual = withoutOutliers(steps);
        ohms = new double[log.series()];
        for (int round = 0; round < ROUNDS; round++) {
            for (int g = 0; g < ohms.length; g++) ohms[g] = mean(usual, g);
            for (Step each : usual) each.settle(ohms);
        }
        for (int g = 0; g < ohms.length; g++) ohms[g] = mean(usual, g);
        error = error(usual, ohms);
    }

    private boolean isStep(int moment) {
        return Math.abs(amps[moment] - amps[moment - 1]) > STEP_SHARE * most
                && seconds[moment] - seconds[moment - 1] <= LONGEST_STEP_SECONDS;
    }

    /// Resistance of each group in Ω; NaN without any step, and where steps say what cannot be.
    double[] ohms() {
        return Arrays.stream(ohms).map(each -> each > 0 ? each : Double.NaN).toArray();
    }

    /// The usual error of one of them by which the steps tell, in Ω; NaN when only one does.
    double error() {
        return error;
    }

    /// What a step says of each group.
    private static final class Step {
        /// By the lines at the begin of the interval, in Ω.
        private final double[] atBegin;

        /// How much more it is at its end, in Ω.
        private final double[] more;

        /// One over the square of the error, in 1/Ω².
        private final double[] weights;

        private double passed = MIDDLE;

        Step(int groups) {
            atBegin = new double[groups];
            more = new double[groups];
            weights = new double[groups];
        }

        double ohms(int group) {
            return atBegin[group] + passed * more[group];
        }

        double[] ohms() {
            return IntStream.range(0, atBegin.length).mapToDouble(this::ohms).toArray();
        }

        /// Moves it to where in its interval the resistances fit best.
        void settle(double[] known) {
            double sum = MIDDLE_WEIGHT * MIDDLE;
            double weight = MIDDLE_WEIGHT;
            for (int g = 0; g < known.length; g++) {
                sum += weights[g] * more[g] * (known[g] - atBegin[g]);
                weight += weights[g] * more[g] * more[g];
            }
            passed = Math.clamp(sum / weight, 0, 1);
        }
    }

    /// What a voltage does on one side of a step.
    ///
    /// @param volts by the line at the near end of the interval
    /// @param slope in V/s; 0 of a single reading
    /// @param spread of the volts, in errors of a reading, squared
    /// @param bend usual distance of a reading from the line, in V; 0 of fewer than three
    private record Side(double volts, double slope, double spread, double bend) {}

    private Step step(int moment) {
        int from = moment - 1;
        while (from > 0 && isOfSide(from - 1, moment - 1, moment - 1 - from)) from--;
        int to = moment;
        while (to < amps.length - 1 && isOfSide(to + 1, moment, to - moment)) to++;
        double change = amps[moment] - amps[moment - 1];
        double interval = seconds[moment] - seconds[moment - 1];
        Step step = new Step(log.series());
        for (int g = 0; g < log.series(); g++) {
            Side before = side(log.volts().get(g), from, moment - 1, moment - 1);
            Side after = side(log.volts().get(g), moment, to, moment);
            step.atBegin[g] =
                    (before.volts() - (after.volts() - after.slope() * interval)) / change;
            step.more[g] = (before.slope() - after.slope()) * interval / change;
            double noise = Math.max(LEAST_NOISE_VOLTS, Math.max(before.bend(), after.bend()));
            double bent = (before.slope() - after.slope()) * interval;
            step.weights[g] =
                    change
                            * change
                            / (noise * noise * (before.spread() + after.spread())
                                    + BENT * bent * bent);
        }
        return step;
    }

    /// Whether a reading belongs to the side of another: of the same current, and near enough.
    private boolean isOfSide(int reading, int first, int already) {
        return Math.abs(amps[reading] - amps[first]) <= STEADY_SHARE * most
                && (already < LINE_READINGS - 1
                        || Math.abs(seconds[reading] - seconds[first]) <= LINE_SECONDS);
    }

    /// @param near the moment at the interval
    private Side side(Column volts, int first, int last, int near) {
        int count = last - first + 1;
        if (count == 1) return new Side(volts.get(first), 0, 1, 0);
        double meanSeconds = 0;
        double meanVolts = 0;
        for (int i = first; i <= last; i++) {
            meanSeconds += seconds[i] / count;
            meanVolts += volts.get(i) / count;
        }
        double squares = 0;
        double products = 0;
        for (int i = first; i <= last; i++) {
            double off = seconds[i] - meanSeconds;
            squares += off * off;
            products += off * (volts.get(i) - meanVolts);
        }
        double slope = products / squares;
        double bends = 0;
        for (int i = first; i <= last; i++)
            bends += Math.pow(volts.get(i) - meanVolts - slope * (seconds[i] - meanSeconds), 2);
        double on = seconds[near] - meanSeconds;
        return new Side(
                meanVolts + slope * on,
                slope,
                1.0 / count + on * on / squares,
                count > 2 ? Math.sqrt(bends / (count - 2)) : 0);
    }

    /// Without the steps of which the usual group says quite another thing than of the others.
    private static Step[] withoutOutliers(Step[] steps) {
        if (steps.length < LINE_READINGS) return steps;
        double[] usual = Arrays.stream(steps).mapToDouble(each -> Middle.of(each.ohms())).toArray();
        double middle = Middle.of(usual);
        double apart =
                Middle.of(Arrays.stream(usual).map(each -> Math.abs(each - middle)).toArray());
        return IntStream.range(0, steps.length)
                .filter(k -> Math.abs(usual[k] - middle) <= OUTLIER * apart)
                .mapToObj(k -> steps[k])
                .toArray(Step[]::new);
    }

    private static double mean(Step[] steps, int group) {
        double weights = 0;
        double sum = 0;
        for (Step each : steps) {
            weights += each.weights[group];
            sum += each.weights[group] * each.ohms(group);
        }
        return sum / weights;
    }

    /// What steps differ in beyond what all groups have in common: the mean error of a group, by
    /// the number of steps that its weights come to.
    private static double error(Step[] steps, double[] ohms) {
        if (steps.length < 2) return Double.NaN;
        double all = Middle.of(ohms);
        double variances = 0;
        for (int g = 0; g < ohms.length; g++) {
            double weights = 0;
            double weightSquares = 0;
            double squares = 0;
            for (Step each : steps) {
                double weight = each.weights[g];
                double off = each.ohms(g) - Middle.of(each.ohms()) - (ohms[g] - all);
                weights += weight;
                weightSquares += weight * weight;
                squares += weight * off * off;
            }
            variances += squares / weights / (weights * weights / weightSquares - 1);
        }
        return Math.sqrt(variances / ohms.length);
    }
}
