package pentacell.core.stock;

import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.stat.descriptive.moment.Skewness;

/// How near values are to a bell curve, at a glance. Of a normal lot 68 % lie within one σ of the
/// mean and 95 % within two, and it leans to neither side.
///
/// @param statistics of the values
/// @param withinOne share within one σ of the mean
/// @param withinTwo share within two
/// @param skewness 0 leans to neither side, under 0 has its long end at the weak side; NaN for
///   fewer than three values
public record Normality(
        LotStatistics statistics, double withinOne, double withinTwo, double skewness) {

    /// The normality of some values.
    public static Normality of(double... values) {
        LotStatistics statistics = LotStatistics.of(values);
        double one = 0;
        double two = 0;
        for (double value : values) {
            if (statistics.isWithin(value, 1)) one++;
            if (statistics.isWithin(value, 2)) two++;
        }
        int n = Math.max(1, values.length);
        double skewness =
                values.length < 3 || statistics.sigma() == 0
                        ? Double.NaN
                        : new Skewness().evaluate(values);
        return new Normality(statistics, one / n, two / n, skewness);
    }

    /// How many of the values a bell curve of this mean and σ would have between two figures.
    public double expected(double from, double to) {
        if (!(statistics.sigma() > 0)) return Double.NaN;
        NormalDistribution bell = new NormalDistribution(statistics.mean(), statistics.sigma());
        return statistics.count() * bell.probability(from, to);
    }
}
