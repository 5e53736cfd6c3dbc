package pentacell.core.match;

import java.util.List;
import java.util.Optional;
import pentacell.core.pack.MatchRules;
import pentacell.core.unit.Quantity;

/// A limit inside groups that a change by hand would break.
///
/// @param group the group, from 0
/// @param limit which limit
/// @param figure what the group would come to: mΩ of IR spread, or models
/// @param bound what the rules allow
public record MatchBreach(int group, MatchOutcome.Limit limit, double figure, double bound) {
    private static final double HAIR_MILLIOHMS = 1e-9;

    /// The first limit that is broken after a change, in a group where it was kept before or broken
    /// by less.
    ///
    /// @param before the groups as they are
    /// @param after the same groups after the change
    public static Optional<MatchBreach> of(
            List<List<Candidate>> before, List<List<Candidate>> after, MatchRules rules) {
        for (int group = 0; group < after.size(); group++) {
            if (after.get(group).equals(before.get(group))) continue;
            double limit = rules.maxIrSpreadMilliohms().orElse(Double.POSITIVE_INFINITY);
            double spread = irSpread(after.get(group));
            if (spread > limit + HAIR_MILLIOHMS
                    && spread > irSpread(before.get(group)) + HAIR_MILLIOHMS)
                return Optional.of(
                        new MatchBreach(group, MatchOutcome.Limit.MAX_IR_SPREAD, spread, limit));
            int most = rules.maxModels().orElse(Integer.MAX_VALUE);
            long models = models(after.get(group));
            if (models > most && models > models(before.get(group)))
                return Optional.of(
                        new MatchBreach(group, MatchOutcome.Limit.MAX_MODELS, models, most));
        }
        return Optional.empty();
    }

    /// What would be broken, in words.
    public String sentence() {
        return switch (limit) {
            case MAX_IR_SPREAD ->
                    "group %d would spread over %s of IR, the limit is %s"
                            .formatted(
                                    group + 1,
                                    Quantity.RESISTANCE.text(figure),
                                    Quantity.RESISTANCE.text(bound));
            default ->
                    "group %d would hold %.0f models, the limit is %.0f"
                            .formatted(group + 1, figure, bound);
        };
    }

    static double irSpread(List<Candidate> group) {
        var milliohms =
                group.stream()
                        .flatMapToDouble(cell -> cell.milliohmsPerCan().stream())
                        .summaryStatistics();
        return milliohms.getCount() == 0 ? 0 : milliohms.getMax() - milliohms.getMin();
    }

    private static long models(List<Candidate> group) {
        return group.stream().map(Candidate::model).distinct().count();
    }
}
