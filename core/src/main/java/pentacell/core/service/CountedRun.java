package pentacell.core.service;

import java.util.Arrays;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;
import org.hipparchus.linear.LUDecomposition;
import org.hipparchus.linear.MatrixUtils;
import pentacell.core.measure.SomeMoments;

/// How the voltage of the usual group runs over the charge counted since full.
///
/// At the charge D, with the current I and its average Ī over the last minutes, the group is at
/// F(D) − R·I − R̄·Ī. F at evenly spaced charges, R and R̄ come from one least-squares fit over
/// readings under load and shortly after it; F is then made to fall throughout. The voltage tells
/// little about the charge where the run is flat, as with LFP, but the count does.
final class CountedRun {
    /// Charges between full and the deepest state at which F is fitted.
    private static final int POINTS = 40;

    private static final int SLOW = POINTS;
    private static final int FAST = POINTS + 1;

    /// Fewer readings for each point tell nothing.
    private static final int LEAST_READINGS = 3;

    /// And nothing of what grows by the day when they span less than this.
    private static final double LEAST_DAYS = 3;

    /// Time constant of the slow part of the voltage, in s (common practice: some minutes).
    private static final double SLOW_SECONDS = 600;

    /// Readings this long after a load still count, in s. Later ones are many and all alike.
    private static final double AFTER_LOAD_SECONDS = 600;

    /// The first part of the charge is left out: right after charging the voltage falls by itself.
    private static final double JUST_FULL = 0.01;

    /// This part of all readings seems deeper by errors of the count.
    private static final double ABOVE_DEEPEST = 0.001;

    /// Weight of the bends of F, as a part of the readings for each point.
    private static final double SMOOTHNESS = 0.005;

    /// Pulls every figure towards 0, so that one that no reading tells is 0: as a part of the same.
    private static final double RIDGE = 1e-9;

    private final int[] readings;
    private final double[] days;
    private final double[] drawn;
    private final double[] amps;
    private final double[] slowAmps;
    private final double deepest;
    private final double[] fitted;

    /// The run in a log; empty when it does not tell enough of the charge.
    ///
    /// @param volts of the usual group at each reading, in V; a constant resistance may be taken
    ///   off
    /// @param counted charge drawn since full, in Ah; NaN where it is not known
    /// @param stillAmps below this the pack rests
    static Optional<CountedRun> of(
            double[] seconds, double[] amps, double[] volts, double[] counted, double stillAmps) {
        return Optional.of(new CountedRun(seconds, amps, volts, counted, stillAmps))
                .filter(CountedRun::isKnown);
    }

    private CountedRun(
            double[] seconds, double[] amps, double[] volts, double[] counted, double stillAmps) {
        deepest = Top.of(counted, ABOVE_DEEPEST);
        int[] inUse = inUse(seconds, amps, counted, stillAmps);
        readings = SomeMoments.of(inUse.length).map(k -> inUse[k]).toArray();
        double[] slow = slowAmps(seconds, amps);
        days = column(i -> (seconds[i] - seconds[0]) / PackHistory.DAY_SECONDS);
        drawn = column(i -> counted[i]);
        this.amps = column(i -> amps[i]);
        slowAmps = column(i -> slow[i]);
        fitted = isKnown() ? fitted(column(i -> volts[i])) : new double[POINTS];
    }

    private boolean isKnown() {
        return deepest > 0
                && readings.length >= LEAST_READINGS * POINTS
                && days[days.length - 1] - days[0] >= LEAST_DAYS;
    }

    /// Readings under load or shortly after it, some thousand at most.
    int size() {
        return readings.length;
    }

    /// A figure of each of those readings.
    ///
    /// @param figure by the place of a reading in the log
    double[] column(IntToDoubleFunction figure) {
        return Arrays.stream(readings).mapToDouble(figure).toArray();
    }

    /// Time since the log began, in days.
    double days(int reading) {
        return days[reading];
    }

    /// Charge drawn since full, in Ah.
    double drawnAmpHours(int reading) {
        return drawn[reading];
    }

    /// Current, drawn positive, in A.
    double amps(int reading) {
        return amps[reading];
    }

    /// The average current over the last minutes, in A.
    double slowAmps(int reading) {
        return slowAmps[reading];
    }

    /// The most that was drawn since full, in Ah.
    double deepestAmpHours() {
        return deepest;
    }

    /// Voltage without a current, in V; held at full and at the deepest state.
    double volts(double drawnAmpHours) {
        double at = at(drawnAmpHours);
        int i = (int) at;
        return fitted[i] + (at - i) * (fitted[i + 1] - fitted[i]);
    }

    /// The place of a charge among the points.
    private double at(double drawnAmpHours) {
        return Math.clamp(drawnAmpHours / deepest * (POINTS - 1), 0, Math.nextDown(POINTS - 1.0));
    }

    private int[] inUse(double[] seconds, double[] amps, double[] counted, double stillAmps) {
        int[] some = new int[amps.length];
        int count = 0;
        double lastLoad = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < amps.length; i++) {
            if (amps[i] > stillAmps) lastLoad = seconds[i];
            if (seconds[i] - lastLoad <= AFTER_LOAD_SECONDS
                    && amps[i] >= -stillAmps
                    && counted[i] >= JUST_FULL * deepest
                    && counted[i] <= deepest) some[count++] = i;
        }
        return Arrays.copyOf(some, count);
    }

    private static double[] slowAmps(double[] seconds, double[] amps) {
        double[] slow = new double[amps.length];
        for (int i = 1; i < amps.length; i++) {
            double part = -Math.expm1((seconds[i - 1] - seconds[i]) / SLOW_SECONDS);
            slow[i] = slow[i - 1] + part * ((amps[i - 1] + amps[i]) / 2 - slow[i - 1]);
        }
        return slow;
    }

    private double[] fitted(double[] volts) {
        double[][] products = new double[POINTS + 2][POINTS + 2];
        double[] withVolts = new double[POINTS + 2];
        for (int k = 0; k < volts.length; k++) {
            double at = at(drawn[k]);
            int i = (int) at;
            int[] terms = {i, i + 1, SLOW, FAST};
            double[] values = {1 - (at - i), at - i, -slowAmps[k], -amps[k]};
            for (int m = 0; m < terms.length; m++) {
                withVolts[terms[m]] += values[m] * volts[k];
                for (int n = 0; n < terms.length; n++)
                    products[terms[m]][terms[n]] += values[m] * values[n];
            }
        }
        smooth(products, (double) volts.length / POINTS);
        double[] fit =
                new LUDecomposition(MatrixUtils.createRealMatrix(products))
                        .getSolver()
                        .solve(MatrixUtils.createRealVector(withVolts))
                        .toArray();
        return falling(Arrays.copyOf(fit, POINTS));
    }

    private static void smooth(double[][] products, double readings) {
        double[] bend = {1, -2, 1};
        for (int point = 0; point + 2 < POINTS; point++)
            for (int m = 0; m < bend.length; m++)
                for (int n = 0; n < bend.length; n++)
                    products[point + m][point + n] += SMOOTHNESS * readings * bend[m] * bend[n];
        for (int i = 0; i < products.length; i++) products[i][i] += RIDGE * readings;
    }

    /// The falling figures nearest to these: where some rise, all take their mean (pool adjacent
    /// violators; Ayer et al. 1955, from memory).
    private static double[] falling(double[] figures) {
        double[] means = new double[figures.length];
        int[] pooled = new int[figures.length];
        int pools = 0;
        for (double each : figures) {
            means[pools] = each;
            pooled[pools++] = 1;
            while (pools > 1 && means[pools - 1] > means[pools - 2]) {
                pools--;
                int both = pooled[pools - 1] + pooled[pools];
                means[pools - 1] += (means[pools] - means[pools - 1]) * pooled[pools] / both;
                pooled[pools - 1] = both;
            }
        }
        double[] falling = new double[figures.length];
        int to = 0;
        for (int pool = 0; pool < pools; pool++) {
            Arrays.fill(falling, to, to + pooled[pool], means[pool]);
            to += pooled[pool];
        }
        return falling;
    }
}
