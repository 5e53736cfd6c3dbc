package pentacell.core.match;

import java.util.OptionalInt;
import java.util.stream.Collectors;
import pentacell.core.pack.MatchRules;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;

/// Why cells cannot be matched or swapped, in words.
public final class MatchWords {
    private MatchWords() {}

    /// What cannot be done, and what would work.
    public static String sentence(MatchObstacle obstacle) {
        return switch (obstacle) {
            case MatchObstacle.LockedCellUnusable locked ->
                    "%s is locked to group %d but is not among the usable cells"
                            .formatted(locked.cell(), locked.group() + 1);
            case MatchObstacle.LockedBeyondPack locked ->
                    "%s is locked to group %d, but the pack has only %s"
                            .formatted(
                                    locked.cell(),
                                    locked.group() + 1,
                                    Count.of(locked.series(), "group", "groups"));
            case MatchObstacle.TooManyLocked locked ->
                    "more cells are locked to group %d than the %d it holds"
                            .formatted(locked.group() + 1, locked.size());
            case MatchObstacle.LocksUnmet unmet ->
                    "no grouping was found that keeps the locked cells and the other limits; unlock some cells";
            case MatchObstacle.CellsLeft left ->
                    "%s takes %d cells and \"all\" must use every one of the %d usable: choose strongest or tightest to leave %d out"
                            .formatted(
                                    left.rules().arrangement(),
                                    left.rules().cellsNeeded(),
                                    left.usable(),
                                    left.usable() - left.rules().cellsNeeded());
            case MatchObstacle.TooFewCells few ->
                    "%s needs %s, %s usable%s"
                            .formatted(
                                    few.rules().arrangement(),
                                    cells(few.rules().cellsNeeded()),
                                    Count.of(few.usable(), "is", "are"),
                                    works(few.rules(), few.parallel()));
            case MatchObstacle.UnitsDoNotFill units -> units(units);
            case MatchObstacle.RoomLeft left ->
                    "dealt as they come, the units do not fill group %d; another school tries every way"
                            .formatted(left.group() + 1);
            case MatchObstacle.StateOfHealth soh ->
                    tooFew(
                            "have a state of health of at least "
                                    + Quantity.PERCENT.text(100 * soh.rules().minSohShare()),
                            soh.rules(),
                            Quantity.PERCENT.text(soh.percent()));
            case MatchObstacle.CellIr ir ->
                    tooFew(
                            "have an IR of at most "
                                    + Quantity.RESISTANCE.text(
                                            ir.rules().maxMilliohms().orElse(Double.NaN)),
                            ir.rules(),
                            Quantity.RESISTANCE.text(ir.milliohms()));
            case MatchObstacle.IrSpread spread -> irSpread(spread);
            case MatchObstacle.IrSpreadAsTheyCome spread ->
                    "dealt as they come, the IR of the cells in a group differs by up to %s"
                            .formatted(Quantity.RESISTANCE.text(spread.milliohms()));
            case MatchObstacle.Models models ->
                    "no %s was found with at most %s in a group; it works with %d"
                            .formatted(
                                    models.rules().arrangement(),
                                    Count.of(
                                            models.rules().maxModels().orElse(0),
                                            "model",
                                            "models"),
                                    models.models());
            case MatchObstacle.ModelsAsTheyCome models ->
                    "dealt as they come, a group has cells of %d models".formatted(models.models());
            case MatchObstacle.BinTooNarrow bin ->
                    "no bin of %s holds the %s that %s takes; %s works"
                            .formatted(
                                    Quantity.CAPACITY.text(bin.rules().policyInUse().figure()),
                                    cells(bin.rules().cellsNeeded()),
                                    bin.rules().arrangement(),
                                    Quantity.CAPACITY.text(bin.milliampHours()));
            case MatchObstacle.PopulationTooTight population ->
                    tooFew(
                            "are within %s σ of the mean"
                                    .formatted(
                                            Quantity.COUNT.number(
                                                    population.rules().policyInUse().figure(), 2)),
                            population.rules(),
                            Quantity.COUNT.number(population.sigmas(), 2) + " σ");
            case MatchObstacle.TooFewSpares spares -> spares(spares);
            case MatchObstacle.TargetMissed missed ->
                    "the smallest group holds %s, less than its target of %s"
                            .formatted(
                                    Quantity.CAPACITY.text(missed.mostMilliampHours()),
                                    Quantity.CAPACITY.text(missed.targetMilliampHours()));
        };
    }

    /// What a change by hand would break.
    public static String sentence(MatchBreach breach) {
        return switch (breach) {
            case MatchBreach.IrSpread spread ->
                    "the IR of the cells in group %d would differ by %s, the limit is %s"
                            .formatted(
                                    spread.group() + 1,
                                    Quantity.RESISTANCE.text(spread.milliohms()),
                                    Quantity.RESISTANCE.text(spread.limit()));
            case MatchBreach.Models models ->
                    "group %d would have cells of %d models, the limit is %d"
                            .formatted(models.group() + 1, models.models(), models.limit());
        };
    }

    private static String units(MatchObstacle.UnitsDoNotFill units) {
        String counts =
                units.counts().stream().map(String::valueOf).collect(Collectors.joining(" or "));
        return "no way was found to fill the groups of %s with units of %s%s"
                .formatted(
                        units.rules().arrangement(),
                        counts + (counts.equals("1") ? " cell" : " cells"),
                        works(units.rules(), units.parallel()));
    }

    private static String irSpread(MatchObstacle.IrSpread spread) {
        String words =
                "no %s was found whose groups stay within %s of IR"
                        .formatted(
                                spread.rules().arrangement(),
                                Quantity.RESISTANCE.text(
                                        spread.rules().maxIrSpreadMilliohms().orElse(Double.NaN)));
        return spread.milliohms().isPresent()
                ? words
                        + "; %s works"
                                .formatted(
                                        Quantity.RESISTANCE.text(spread.milliohms().getAsDouble()))
                : words;
    }

    private static String spares(MatchObstacle.TooFewSpares spares) {
        return "%s and %s take %s; %s usable, which leaves %d for spares"
                .formatted(
                        spares.rules().arrangement(),
                        Count.of(spares.spares(), "spare", "spares"),
                        cells(spares.rules().cellsNeeded() + spares.spares()),
                        Count.of(spares.usable(), "is", "are"),
                        spares.left());
    }

    private static String tooFew(String condition, MatchRules rules, String works) {
        return "too few cells %s (%s needs %d); %s works"
                .formatted(condition, rules.arrangement(), rules.cellsNeeded(), works);
    }

    private static String works(MatchRules rules, OptionalInt parallel) {
        return parallel.isPresent()
                ? "; %dS%dP works".formatted(rules.series(), parallel.getAsInt())
                : "";
    }

    private static String cells(int count) {
        return Count.of(count, "cell", "cells");
    }
}
