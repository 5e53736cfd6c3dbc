package pentacell.core.match;

import java.util.List;
import java.util.Optional;
import pentacell.core.pack.MatchRules;

/// A limit inside groups that a change by hand would break. [MatchWords] has the words. Groups
/// count from 0.
public sealed interface MatchBreach {
    /// The group's cells would differ too much in resistance, in mΩ.
    record IrSpread(int group, double milliohms, double limit) implements MatchBreach {}

    /// The group would have cells of too many models.
    record Models(int group, long models, int limit) implements MatchBreach {}

    double HAIR_MILLIOHMS = 1e-9;

    /// The first limit that is broken after a change, in a group where it was kept before or broken
    /// by less.
    ///
    /// @param before the groups as they are
    /// @param after the same groups after the change
    static Optional<MatchBreach> of(
            List<List<Candidate>> before, List<List<Candidate>> after, MatchRules rules) {
        for (int group = 0; group < after.size(); group++) {
            if (after.get(group).equals(before.get(group))) continue;
            double limit = rules.maxIrSpreadMilliohms().orElse(Double.POSITIVE_INFINITY);
            double spread = irSpread(after.get(group));
            if (spread > limit + HAIR_MILLIOHMS
                    && spread > irSpread(before.get(group)) + HAIR_MILLIOHMS)
                return Optional.of(new IrSpread(group, spread, limit));
            int most = rules.maxModels().orElse(Integer.MAX_VALUE);
            long models = models(after.get(group));
            if (models > most && models > models(before.get(group)))
                return Optional.of(new Models(group, models, most));
        }
        return Optional.empty();
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
