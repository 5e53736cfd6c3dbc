package pentacell.core.match;

import java.util.Arrays;
import java.util.Optional;
import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.LUDecomposition;

/// What prices of windows are to make least (see [WindowPrices]), with its first and second
/// derivatives: those after the flat prices come first, then those after the weights.
final class PriceSlope {
    /// A payment so many times the smoothing under the highest counts for nothing.
    private static final double NOTHING = 20;

    /// μ, as a part of ε.
    private static final double BARRIER = 0.25;

    /// Keeps the second derivatives from vanishing where no cell is in question.
    private static final double RIDGE = 1e-6;

    private final WindowedRow row;
    private final int[] begins;
    private final double smooth;
    private final int groups;
    private final double[] first;
    private final double[][] second;
    private final double[] share;
    private long looks;

    /// @param begins first places of the windows, rising
    /// @param smooth ε, in ticks
    PriceSlope(WindowedRow row, int[] begins, double smooth) {
        this.row = row;
        this.begins = begins;
        this.smooth = smooth;
        groups = row.groups;
        first = new double[2 * groups];
        second = new double[2 * groups][2 * groups];
        share = new double[groups];
    }

    /// What payments under the highest count beside it: exp(under ÷ ε).
    static double part(double under, double smooth) {
        return under < -NOTHING * smooth ? 0 : Math.exp(under / smooth);
    }

    /// Its value at prices, in ticks of all groups; what is asked next is asked of there.
    ///
    /// @param w weights
    /// @param a flat prices, in ticks
    double at(double[] w, double[] a) {
        Arrays.fill(first, 0);
        for (double[] line : second) Arrays.fill(line, 0);
        double total = barrier(w);
        for (int g = 0; g < groups; g++) {
            total -= row.size * a[g];
            first[g] -= row.size;
        }
        int from = 0;
        int until = 0;
        for (int i = 0; i < row.length(); i++) {
            while (from < groups && row.ends[begins[from]] <= i) from++;
            while (until < groups && begins[until] <= i) until++;
            looks += until - from;
            if (from < until) total += ofCell(row.over[i], from, until, w, a);
        }
        for (int p = 0; p < 2 * groups; p++)
            for (int q = 0; q < p; q++) second[p][q] = second[q][p];
        return total;
    }

    /// Payments looked at until now, and what work was beside.
    long looks() {
        return looks;
    }

    private double barrier(double[] w) {
        double mu = BARRIER * smooth;
        double total = 0;
        for (int g = 0; g < groups; g++) {
            total -= mu * Math.log(w[g]);
            first[groups + g] -= mu / w[g];
            second[groups + g][groups + g] += mu / (w[g] * w[g]);
        }
        return total;
    }

    private double ofCell(double over, int from, int until, double[] w, double[] a) {
        double most = 0;
        for (int g = from; g < until; g++) {
            share[g] = w[g] * over + a[g];
            most = Math.max(most, share[g]);
        }
        double sum = part(-most, smooth);
        for (int g = from; g < until; g++) {
            share[g] = part(share[g] - most, smooth);
            sum += share[g];
        }
        for (int g = from; g < until; g++) {
            if (share[g] == 0) continue;
            share[g] /= sum;
            first[g] += share[g];
            first[groups + g] += share[g] * over;
        }
        // of most cells it is no question where they go
        if (sum == 1) return most;
        bend(over, from, until);
        return most + smooth * Math.log(sum);
    }

    private void bend(double over, int from, int until) {
        for (int g = from; g < until; g++) {
            if (share[g] == 0) continue;
            for (int h = g; h < until; h++) {
                double bend = share[g] * ((g == h ? 1 : 0) - share[h]) / smooth;
                second[g][h] += bend;
                second[g][groups + h] += bend * over;
                if (g != h) second[h][groups + g] += bend * over;
                second[groups + g][groups + h] += bend * over * over;
            }
        }
    }

    /// The step to where the derivatives vanish, with the mean of the weights as it is.
    Optional<double[]> newton() {
        int all = 2 * groups;
        double[][] matrix = new double[all + 1][all + 1];
        double[] right = new double[all + 1];
        looks += (long) all * all * all / 8;
        for (int p = 0; p < all; p++) {
            System.arraycopy(second[p], 0, matrix[p], 0, all);
            matrix[p][p] += RIDGE / smooth * (p < groups ? 1 : row.sigma * row.sigma);
            right[p] = -first[p];
        }
        for (int g = groups; g < all; g++) {
            matrix[all][g] = 1;
            matrix[g][all] = 1;
        }
        try {
            return Optional.of(
                    new LUDecomposition(new Array2DRowRealMatrix(matrix, false), 0)
                            .getSolver()
                            .solve(new ArrayRealVector(right, false))
                            .toArray());
        } catch (MathRuntimeException singular) {
            return Optional.empty();
        }
    }

    /// How fast it rises along a step.
    double along(double[] way) {
        double sum = 0;
        for (int p = 0; p < first.length; p++) sum += first[p] * way[p];
        return sum;
    }
}
