package pentacell.core.service;

import java.util.Optional;
import org.hipparchus.stat.regression.SimpleRegression;
import pentacell.core.measure.Column;
import pentacell.core.prove.GroupLog;

/// How warm the probes of a board became, and how that changes.
///
/// @param highestCelsius of all probes
/// @param probe that was the warmest, from 0
/// @param kelvinIn30Days how the warmest changes, by a line through its readings; NaN in less than
///   two days
public record WarmthTrend(double highestCelsius, int probe, double kelvinIn30Days) {
    private static final double LEAST_DAYS = 2;

    /// Of the temperatures in a log; empty without any.
    public static Optional<WarmthTrend> of(GroupLog log) {
        double highest = Double.NEGATIVE_INFINITY;
        int warmest = 0;
        for (int probe = 0; probe < log.celsius().size(); probe++) {
            Column celsius = log.celsius().get(probe);
            for (int i = 0; i < celsius.size(); i++)
                if (celsius.get(i) > highest) {
                    highest = celsius.get(i);
                    warmest = probe;
                }
        }
        if (highest == Double.NEGATIVE_INFINITY) return Optional.empty();
        SimpleRegression line = new SimpleRegression();
        Column celsius = log.celsius().get(warmest);
        double first = log.seconds().get(0);
        for (int i = 0; i < celsius.size(); i++)
            if (!Double.isNaN(celsius.get(i)))
                line.addData((log.seconds().get(i) - first) / 86_400, celsius.get(i));
        double days = (log.seconds().get(log.size() - 1) - first) / 86_400;
        return Optional.of(
                new WarmthTrend(
                        highest, warmest, days < LEAST_DAYS ? Double.NaN : 30 * line.getSlope()));
    }
}
