package pentacell.core.stock;

import org.hipparchus.stat.descriptive.DescriptiveStatistics;

/// How the values of a lot are distributed.
///
/// @param count number of values
/// @param mean arithmetic mean, NaN for none
/// @param sigma standard deviation of a sample (divisor n − 1), 0 for one value, NaN for none
/// @param least smallest value, NaN for none
/// @param greatest largest value, NaN for none
public record LotStatistics(int count, double mean, double sigma, double least, double greatest) {
    /// The statistics of some values.
    ///
    /// @throws IllegalArgumentException when a value is not finite
    public static LotStatistics of(double... values) {
        for (double value : values)
            if (!Double.isFinite(value))
                throw new IllegalArgumentException("values must be finite, one was " + value);
        var statistics = new DescriptiveStatistics(values);
        return new LotStatistics(
                values.length,
                statistics.getMean(),
                statistics.getStandardDeviation(),
                values.length == 0 ? Double.NaN : statistics.getMin(),
                values.length == 0 ? Double.NaN : statistics.getMax());
    }

    /// Whether a value lies within so many σ of the mean.
    public boolean isWithin(double value, double sigmas) {
        return Math.abs(value - mean) <= sigmas * sigma;
    }
}
