package pentacell.core.unit;

import java.util.Arrays;

/// The middle of some values, which a few bad ones do not move.
public final class Middle {
    private Middle() {}

    /// The median: of an even number the mean of the two in the middle; NaN of none.
    ///
    /// @param values in any order; they stay as they are
    public static double of(double... values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        int middle = sorted.length / 2;
        if (sorted.length == 0) return Double.NaN;
        return sorted.length % 2 == 1 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2;
    }
}
