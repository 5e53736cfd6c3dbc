package pentacell.core.unit;

import java.util.Arrays;

/// The middle of some values, which a few bad ones do not move.
public final class Middle {
    private Middle() {}

    /// The median: of an even number the mean of the two in the middle; NaN of none.
    ///
    /// @param values in any order; they stay as they are
    public static double of(double... values) {
        return ofSorting(values.clone());
    }

    /// The same without a copy, for very many: the values are sorted on the way.
    public static double ofSorting(double[] values) {
        Arrays.sort(values);
        int middle = values.length / 2;
        if (values.length == 0) return Double.NaN;
        return values.length % 2 == 1 ? values[middle] : (values[middle - 1] + values[middle]) / 2;
    }
}
