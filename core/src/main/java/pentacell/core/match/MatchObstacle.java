package pentacell.core.match;

import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import pentacell.core.cell.CellId;
import pentacell.core.match.MatchOutcome.Limit;
import pentacell.core.pack.MatchRules;

/// Why no groups keep to the rules, in figures. [MatchWords] has the words.
///
/// Groups count from 0. Where a record names what works, it is the nearest value that does.
public sealed interface MatchObstacle {
    /// A locked cell is not among those the rules admit.
    record LockedCellUnusable(CellId cell, int group) implements MatchObstacle {}

    /// A cell is locked to a group that the pack does not have.
    record LockedBeyondPack(CellId cell, int group, int series) implements MatchObstacle {}

    /// More cells are locked to a group than it holds.
    record TooManyLocked(int group, int size) implements MatchObstacle {}

    /// No grouping was found that keeps the locked cells where they are.
    record LocksUnmet() implements MatchObstacle {}

    /// Every cell must be used, and there are more than the pack takes.
    ///
    /// @param parallel number in parallel that works
    record CellsLeft(MatchRules rules, int usable, OptionalInt parallel) implements MatchObstacle {}

    /// Fewer cells are usable than the pack takes.
    ///
    /// @param parallel number in parallel that works
    record TooFewCells(MatchRules rules, int usable, OptionalInt parallel)
            implements MatchObstacle {}

    /// Units of several cells do not add up to the groups.
    ///
    /// @param counts numbers of cells that units have
    /// @param parallel number in parallel that works
    record UnitsDoNotFill(MatchRules rules, List<Integer> counts, OptionalInt parallel)
            implements MatchObstacle {
        public UnitsDoNotFill {
            counts = List.copyOf(counts);
        }
    }

    /// Units dealt as they come leave room in a group.
    record RoomLeft(int group) implements MatchObstacle {}

    /// Too few cells have the state of health asked for.
    ///
    /// @param percent that works, in %
    record StateOfHealth(MatchRules rules, double percent) implements MatchObstacle {}

    /// Too few cells keep to the limit of IR.
    ///
    /// @param milliohms that work, in mΩ
    record CellIr(MatchRules rules, double milliohms) implements MatchObstacle {}

    /// No groups keep to the limit of IR spread.
    ///
    /// @param milliohms that work, in mΩ; empty when none was found
    record IrSpread(MatchRules rules, OptionalDouble milliohms) implements MatchObstacle {}

    /// Dealt as they come, cells of a group differ by this, in mΩ.
    record IrSpreadAsTheyCome(double milliohms) implements MatchObstacle {}

    /// No groups keep to the limit of models.
    ///
    /// @param models that work
    record Models(MatchRules rules, int models) implements MatchObstacle {}

    /// Dealt as they come, a group has cells of too many models.
    ///
    /// @param models in the group with the most
    record ModelsAsTheyCome(int models) implements MatchObstacle {}

    /// No bin of the school's width holds enough cells.
    ///
    /// @param milliampHours width that works, in mAh
    record BinTooNarrow(MatchRules rules, double milliampHours) implements MatchObstacle {}

    /// Too few cells are within the school's distance of the mean.
    ///
    /// @param sigmas distance that works, in standard deviations
    record PopulationTooTight(MatchRules rules, double sigmas) implements MatchObstacle {}

    /// The pack and its spares take more cells than are usable.
    record TooFewSpares(MatchRules rules, int spares, int usable) implements MatchObstacle {
        /// How many spares there are cells for.
        int left() {
            return usable - rules.cellsNeeded();
        }
    }

    /// The smallest group holds less than its target, in mAh.
    record TargetMissed(double targetMilliampHours, double mostMilliampHours)
            implements MatchObstacle {}

    /// The rule that cannot be kept.
    default Limit limit() {
        return switch (this) {
            case LockedCellUnusable locked -> Limit.LOCKS;
            case LockedBeyondPack locked -> Limit.LOCKS;
            case TooManyLocked locked -> Limit.LOCKS;
            case LocksUnmet unmet -> Limit.LOCKS;
            case CellsLeft left -> Limit.CELLS;
            case TooFewCells few -> Limit.CELLS;
            case UnitsDoNotFill units -> Limit.CELLS;
            case RoomLeft left -> Limit.CELLS;
            case StateOfHealth soh -> Limit.MIN_SOH;
            case CellIr ir -> Limit.MAX_IR;
            case IrSpread spread -> Limit.MAX_IR_SPREAD;
            case IrSpreadAsTheyCome spread -> Limit.MAX_IR_SPREAD;
            case Models models -> Limit.MAX_MODELS;
            case ModelsAsTheyCome models -> Limit.MAX_MODELS;
            case BinTooNarrow bin -> Limit.SCHOOL;
            case PopulationTooTight population -> Limit.SCHOOL;
            case TooFewSpares spares -> Limit.SPARES;
            case TargetMissed missed -> Limit.TARGET;
        };
    }

    /// The nearest value of that rule that works, in its unit, when there is one.
    default OptionalDouble nearest() {
        return switch (this) {
            case LockedCellUnusable locked -> OptionalDouble.empty();
            case LockedBeyondPack locked -> OptionalDouble.empty();
            case TooManyLocked locked -> OptionalDouble.empty();
            case LocksUnmet unmet -> OptionalDouble.empty();
            case CellsLeft left -> number(left.parallel());
            case TooFewCells few -> number(few.parallel());
            case UnitsDoNotFill units -> number(units.parallel());
            case RoomLeft left -> OptionalDouble.empty();
            case StateOfHealth soh -> OptionalDouble.of(soh.percent());
            case CellIr ir -> OptionalDouble.of(ir.milliohms());
            case IrSpread spread -> spread.milliohms();
            case IrSpreadAsTheyCome spread ->
                    OptionalDouble.of(Math.ceil(10 * spread.milliohms() - 1e-6) / 10);
            case Models models -> OptionalDouble.of(models.models());
            case ModelsAsTheyCome models -> OptionalDouble.of(models.models());
            case BinTooNarrow bin -> OptionalDouble.of(bin.milliampHours());
            case PopulationTooTight population -> OptionalDouble.of(population.sigmas());
            case TooFewSpares spares -> OptionalDouble.of(spares.left());
            case TargetMissed missed -> OptionalDouble.of(Math.floor(missed.mostMilliampHours()));
        };
    }

    private static OptionalDouble number(OptionalInt parallel) {
        return parallel.isPresent()
                ? OptionalDouble.of(parallel.getAsInt())
                : OptionalDouble.empty();
    }
}
