package pentacell.core.pack;

import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.UnaryOperator;
import pentacell.core.cell.CellFormat;
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
/// @param rescued whether rescued cells may be used; allowed when empty
/// @param policy the school of matching; equal sums when empty
/// @param targetMilliampHours what the smallest group must have at least, in mAh: the strongest
///   cells that are not needed for it are then saved
/// @param spares cells held back for repair
/// @param cellsFrom name of the saved selection that the cells come from; the whole stock when
///   empty
/// @param evening what is evened out below the meter's noise; the usual weights when empty
/// @param format size of the cans; when empty the one that most usable cells have. Two are never
///   mixed.
public record MatchRules(
        List<Integer> groupSizes,
        Selection selection,
        OptionalDouble maxIrSpreadMilliohms,
        OptionalInt maxModels,
        double minSohShare,
        OptionalDouble maxMilliohms,
        double repeatabilityShare,
        Optional<Chemistry> chemistry,
        Optional<RescuedCells> rescued,
        Optional<MatchPolicy> policy,
        OptionalDouble targetMilliampHours,
        OptionalInt spares,
        Optional<EveningWeights> evening,
        Optional<String> cellsFrom,
        Optional<CellFormat> format) {
    /// Most cells that are held back for repair.
    public static final int MOST_SPARES = 100;

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
        if (targetMilliampHours.isPresent() && !(targetMilliampHours.getAsDouble() > 0))
            throw new IllegalArgumentException(
                    "the capacity wanted must be above 0 mAh, was "
                            + targetMilliampHours.getAsDouble());
        if (spares.isPresent() && (spares.getAsInt() < 0 || spares.getAsInt() > MOST_SPARES))
            throw new IllegalArgumentException(
                    "spares must be 0 to " + MOST_SPARES + ", was " + spares.getAsInt());
    }

    private static void requireLimit(String what, double milliohms) {
        if (!(milliohms >= 0 && milliohms < 1e6))
            throw new IllegalArgumentException(
                    "the limit of " + what + " must be 0 mΩ or more, was " + milliohms);
    }

    /// Plain rules for equal groups: no limits, usual repeatability.
    public static MatchRules of(int series, int parallel, Selection selection) {
        return of(Collections.nCopies(series, parallel), selection);
    }

    /// Plain rules for groups of these sizes: no limits, usual repeatability.
    public static MatchRules of(List<Integer> groupSizes, Selection selection) {
        return new MatchRules(
                groupSizes,
                selection,
                OptionalDouble.empty(),
                OptionalInt.empty(),
                0,
                OptionalDouble.empty(),
                USUAL_REPEATABILITY,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                OptionalDouble.empty(),
                OptionalInt.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    /// The school of matching with its figure.
    public MatchPolicy policyInUse() {
        return policy.orElse(MatchPolicy.EQUAL_SUMS);
    }

    /// What is evened out below the meter's noise.
    public EveningWeights eveningInUse() {
        return evening.orElse(EveningWeights.USUAL);
    }

    /// Whether rescued cells may not be used.
    public boolean barsRescued() {
        return rescued.equals(Optional.of(RescuedCells.BARRED));
    }

    /// The number of groups in series.
    public int series() {
        return groupSizes.size();
    }

    /// The number of cells the pack takes.
    public int cellsNeeded() {
        return groupSizes.stream().mapToInt(Integer::intValue).sum();
    }

    /// The same rules with some of them changed, such as `rules.with(r -> r.minSohShare(0.8))`.
    public MatchRules with(UnaryOperator<Change> change) {
        return change.apply(change()).rules();
    }

    /// The same rules, to be changed.
    public Change change() {
        return new Change(this);
    }

    /// The same rules with another limit on the IR spread inside a group.
    public MatchRules withMaxIrSpread(OptionalDouble milliohms) {
        return with(rules -> rules.maxIrSpreadMilliohms(milliohms));
    }

    /// The same rules with another cap on the models in a group.
    public MatchRules withMaxModels(OptionalInt models) {
        return with(rules -> rules.maxModels(models));
    }

    /// How the pack is written: `7S10P`, or `7S` with the number of cells when its groups are
    /// unequal.
    public String arrangement() {
        boolean equal = groupSizes.stream().distinct().count() == 1;
        return series()
                + "S"
                + (equal ? groupSizes.get(0) + "P" : " of " + cellsNeeded() + " cells");
    }

    /// Rules while they are changed; what is not named stays.
    public static final class Change {
        private List<Integer> groupSizes;
        private Selection selection;
        private OptionalDouble maxIrSpreadMilliohms;
        private OptionalInt maxModels;
        private double minSohShare;
        private OptionalDouble maxMilliohms;
        private double repeatabilityShare;
        private Optional<Chemistry> chemistry;
        private Optional<RescuedCells> rescued;
        private Optional<MatchPolicy> policy;
        private OptionalDouble targetMilliampHours;
        private OptionalInt spares;
        private Optional<EveningWeights> evening;
        private Optional<String> cellsFrom;
        private Optional<CellFormat> format;

        private Change(MatchRules rules) {
            groupSizes = rules.groupSizes;
            selection = rules.selection;
            maxIrSpreadMilliohms = rules.maxIrSpreadMilliohms;
            maxModels = rules.maxModels;
            minSohShare = rules.minSohShare;
            maxMilliohms = rules.maxMilliohms;
            repeatabilityShare = rules.repeatabilityShare;
            chemistry = rules.chemistry;
            rescued = rules.rescued;
            policy = rules.policy;
            targetMilliampHours = rules.targetMilliampHours;
            spares = rules.spares;
            evening = rules.evening;
            cellsFrom = rules.cellsFrom;
            format = rules.format;
        }

        /// Cells in each group.
        public Change groupSizes(List<Integer> sizes) {
            groupSizes = List.copyOf(sizes);
            return this;
        }

        /// Hard limit on highest minus lowest IR inside a group, in mΩ; empty for none.
        public Change maxIrSpreadMilliohms(OptionalDouble milliohms) {
            maxIrSpreadMilliohms = milliohms;
            return this;
        }

        /// Most different models inside a group; empty for no limit.
        public Change maxModels(OptionalInt models) {
            maxModels = models;
            return this;
        }

        /// Least measured ÷ rated capacity, 0 for no limit.
        public Change minSohShare(double share) {
            minSohShare = share;
            return this;
        }

        /// Highest IR of a cell, in mΩ; empty for no limit.
        public Change maxMilliohms(OptionalDouble milliohms) {
            maxMilliohms = milliohms;
            return this;
        }

        /// Repeatability of one capacity reading as a share.
        public Change repeatabilityShare(double share) {
            repeatabilityShare = share;
            return this;
        }

        /// The chemistry to use; empty for the one with most usable cells.
        public Change chemistry(Optional<Chemistry> wanted) {
            chemistry = wanted;
            return this;
        }

        /// Whether rescued cells may be used.
        public Change rescued(RescuedCells wanted) {
            rescued = wanted == RescuedCells.ALLOWED ? Optional.empty() : Optional.of(wanted);
            return this;
        }

        /// Which cells to leave out.
        public Change selection(Selection wanted) {
            selection = wanted;
            return this;
        }

        /// The school of matching with its figure.
        public Change policy(MatchPolicy wanted) {
            policy = wanted.equals(MatchPolicy.EQUAL_SUMS) ? Optional.empty() : Optional.of(wanted);
            return this;
        }

        /// What the smallest group must have at least, in mAh; empty for as much as can be.
        public Change targetMilliampHours(OptionalDouble milliampHours) {
            targetMilliampHours = milliampHours;
            return this;
        }

        /// Cells held back for repair.
        public Change spares(int wanted) {
            spares = wanted == 0 ? OptionalInt.empty() : OptionalInt.of(wanted);
            return this;
        }

        /// What is evened out below the meter's noise.
        public Change evening(EveningWeights weights) {
            evening =
                    weights.equals(EveningWeights.USUAL) ? Optional.empty() : Optional.of(weights);
            return this;
        }

        /// The saved selection that the cells come from; empty for the whole stock.
        public Change cellsFrom(Optional<String> selection) {
            cellsFrom = selection;
            return this;
        }

        /// Size of the cans; empty for the one that most usable cells have.
        public Change format(Optional<CellFormat> wanted) {
            format = wanted;
            return this;
        }

        /// The rules as they are now.
        public MatchRules rules() {
            return new MatchRules(
                    groupSizes,
                    selection,
                    maxIrSpreadMilliohms,
                    maxModels,
                    minSohShare,
                    maxMilliohms,
                    repeatabilityShare,
                    chemistry,
                    rescued,
                    policy,
                    targetMilliampHours,
                    spares,
                    evening,
                    cellsFrom,
                    format);
        }
    }
}
