package pentacell.core.measure;

import java.util.Arrays;
import org.hipparchus.stat.descriptive.rank.Median;

/// Middle and spread of values that a few bad ones do not move.
///
/// @param median the middle value
/// @param sigma 1.4826 × the median distance from it: the standard deviation, were the values
///   normally distributed
record RobustScale(double median, double sigma) {
    private static final double NORMAL = 1.4826;

    /// @param values at least one
    static RobustScale of(double[] values) {
        double median = new Median().evaluate(values);
        double[] distances = Arrays.stream(values).map(value -> Math.abs(value - median)).toArray();
        return new RobustScale(median, NORMAL * new Median().evaluate(distances));
    }

    /// How many standard deviations a value lies over the middle; 0 when all are equal to it.
    double z(double value) {
        double distance = value - median;
        if (distance == 0) return 0;
        return sigma > 0 ? distance / sigma : Math.signum(distance) * Double.POSITIVE_INFINITY;
    }
}
