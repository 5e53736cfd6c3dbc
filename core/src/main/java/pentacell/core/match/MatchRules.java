package pentacell.core.match;

import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import pentacell.core.cell.Chemistry;

/// What a match must keep to.
///
/// @param groupSizes cells in each group, in series order; its length is the number of groups
/// @param selection which cells to leave out
/// @param maxIrSpreadMilliohms hard limit on highest minus lowest IR inside a group, in mΩ
/// @param maxModels most different models inside a group
/// @param minSohShare least measured ÷ rated capacity, 0 for no limit, 0.8 is 80 %
/// @param maxMilliohms highest IR of a cell, in mΩ
/// @param repeatabilityShare repeatability of one capacity reading as a share; 0 equalises to the
///   last mAh
/// @param chemistry the chemistry to use; when empty the one with most usable cells. Two are never
///   mixed.
public record MatchRules(
        List<Integer> groupSizes,
        Selection selection,
        OptionalDouble maxIrSpreadMilliohms,
        OptionalInt maxModels,
        double minSohShare,
        OptionalDouble maxMilliohms,
        double repeatabilityShare,
        Optional<Chemistry> chemistry) {
    /// Repeatability of bench chargers between runs (common practice).
    public static final double USUAL_REPEATABILITY = 0.01;

    public MatchRules {
        groupSizes = List.copyOf(groupSizes);
        if (groupSizes.isEmpty() || groupSizes.size() > 400)
            throw new IllegalArgumentException(
                    "a pack has 1 to 400 groups, was " + groupSizes.size());
        for (int size : groupSizes)
            if (size < 1 || size > 2000)
                throw new IllegalArgumentException("a group has 1 to 2000 cells, was " + size);
        maxIrSpreadMilliohms.ifPresent(limit -> requireLimit("IR spread", limit));
        maxMilliohms.ifPresent(limit -> requireLimit("highest IR", limit));
        if (maxModels.isPresent() && maxModels.getAsInt() < 1)
            throw new IllegalArgumentException(
                    "models in a group must be at least 1, was " + maxModels.getAsInt());
        if (!(minSohShare >= 0 && minSohShare <= 2))
            throw new IllegalArgumentException(
                    "least state of health must be 0 to 200 %, was " + 100 * minSohShare);
        if (!(repeatabilityShare >= 0 && repeatabilityShare <= 0.2))
            throw new IllegalArgumentException(
                    "repeatability must be 0 to 20 %, was " + 100 * repeatabilityShare);
    }

    private static void requireLimit(String what, double milliohms) {
        if (!(milliohms >= 0 && milliohms < 1e6))
            throw new IllegalArgumentException(
                    "the limit of " + what + " must be 0 mΩ or more, was " + milliohms);
    }

    /// Plain rules for equal groups: no limits, usual repeatability.
    public static MatchRules of(int series, int parallel, Selection selection) {
        return new MatchRules(
                Collections.nCopies(series, parallel),
                selection,
                OptionalDouble.empty(),
                OptionalInt.empty(),
                0,
                OptionalDouble.empty(),
                USUAL_REPEATABILITY,
                Optional.empty());
    }

    /// The number of groups in series.
    public int series() {
        return groupSizes.size();
    }

    /// The number of cells the pack takes.
    public int cellsNeeded() {
        return groupSizes.stream().mapToInt(Integer::intValue).sum();
    }

    /// The same rules with another limit on the IR spread inside a group.
    public MatchRules withMaxIrSpread(OptionalDouble milliohms) {
        return new MatchRules(
                groupSizes,
                selection,
                milliohms,
                maxModels,
                minSohShare,
                maxMilliohms,
                repeatabilityShare,
                chemistry);
    }

    /// The same rules with another repeatability.
    public MatchRules withRepeatability(double share) {
        return new MatchRules(
                groupSizes,
                selection,
                maxIrSpreadMilliohms,
                maxModels,
                minSohShare,
                maxMilliohms,
                share,
                chemistry);
    }

    /// The same rules with another cap on the models in a group.
    public MatchRules withMaxModels(OptionalInt models) {
        return new MatchRules(
                groupSizes,
                selection,
                maxIrSpreadMilliohms,
                models,
                minSohShare,
                maxMilliohms,
                repeatabilityShare,
                chemistry);
    }

    /// How the pack is written: `7S10P`, or `7S` with the number of cells when its groups are
    /// unequal.
    public String arrangement() {
        boolean equal = groupSizes.stream().distinct().count() == 1;
        return series()
                + "S"
                + (equal ? groupSizes.get(0) + "P" : " of " + cellsNeeded() + " cells");
    }
}
