package pentacell.core.match;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import pentacell.core.cell.CellId;
import pentacell.core.match.MatchOutcome.Limit;
import pentacell.core.pack.MatchPolicy;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.MatchSchool;
import pentacell.core.pack.Selection;

/// Why cells cannot be matched or exchanged, in words.
final class MatchWordsTest {
    private static final MatchRules RULES =
            MatchRules.of(7, 5, Selection.STRONGEST)
                    .with(change ->
                            change.maxIrSpreadMilliohms(OptionalDouble.of(3))
                                    .maxMilliohms(OptionalDouble.of(60))
                                    .minSohShare(0.8)
                                    .maxModels(OptionalInt.of(1)));

    private static final OptionalDouble NONE = OptionalDouble.empty();

    static Stream<Arguments> obstacles() {
        CellId cell = new CellId("TH-17");
        return Stream.of(
                Arguments.of(
                        new MatchObstacle.LockedCellUnusable(cell, 1),
                        Limit.LOCKS,
                        NONE,
                        "TH-17 is locked to group 2 but is not among the usable cells"),
                Arguments.of(
                        new MatchObstacle.LockedBeyondPack(cell, 7, 7),
                        Limit.LOCKS,
                        NONE,
                        "TH-17 is locked to group 8, but the pack has only 7 groups"),
                Arguments.of(
                        new MatchObstacle.TooManyLocked(0, 5),
                        Limit.LOCKS,
                        NONE,
                        "more cells are locked to group 1 than the 5 it holds"),
                Arguments.of(
                        new MatchObstacle.LocksUnmet(),
                        Limit.LOCKS,
                        NONE,
                        "no grouping was found that keeps the locked cells and the other limits; unlock some cells"),
                Arguments.of(
                        new MatchObstacle.CellsLeft(RULES, 42, OptionalInt.of(6)),
                        Limit.CELLS,
                        OptionalDouble.of(6),
                        "7S5P takes 35 cells and \"all\" must use every one of the 42 usable: choose strongest or tightest to leave 7 out"),
                Arguments.of(
                        new MatchObstacle.TooFewCells(RULES, 30, OptionalInt.of(4)),
                        Limit.CELLS,
                        OptionalDouble.of(4),
                        "7S5P needs 35 cells, 30 are usable; 7S4P works"),
                Arguments.of(
                        new MatchObstacle.TooFewCells(RULES, 1, OptionalInt.empty()),
                        Limit.CELLS,
                        NONE,
                        "7S5P needs 35 cells, 1 is usable"),
                Arguments.of(
                        new MatchObstacle.UnitsDoNotFill(RULES, List.of(2, 4), OptionalInt.of(4)),
                        Limit.CELLS,
                        OptionalDouble.of(4),
                        "no way was found to fill the groups of 7S5P with units of 2 or 4 cells; 7S4P works"),
                Arguments.of(
                        new MatchObstacle.RoomLeft(2),
                        Limit.CELLS,
                        NONE,
                        "dealt as they come, the units do not fill group 3; another school tries every way"),
                Arguments.of(
                        new MatchObstacle.StateOfHealth(RULES, 76.5),
                        Limit.MIN_SOH,
                        OptionalDouble.of(76.5),
                        "too few cells have a state of health of at least 80.0 % (7S5P needs 35); 76.5 % works"),
                Arguments.of(
                        new MatchObstacle.CellIr(RULES, 63.2),
                        Limit.MAX_IR,
                        OptionalDouble.of(63.2),
                        "too few cells have an IR of at most 60.0 mΩ (7S5P needs 35); 63.2 mΩ works"),
                Arguments.of(
                        new MatchObstacle.IrSpread(RULES, OptionalDouble.of(4.5)),
                        Limit.MAX_IR_SPREAD,
                        OptionalDouble.of(4.5),
                        "no 7S5P was found whose groups stay within 3.0 mΩ of IR; 4.5 mΩ works"),
                Arguments.of(
                        new MatchObstacle.IrSpread(RULES, NONE),
                        Limit.MAX_IR_SPREAD,
                        NONE,
                        "no 7S5P was found whose groups stay within 3.0 mΩ of IR"),
                Arguments.of(
                        new MatchObstacle.IrSpreadAsTheyCome(4.51),
                        Limit.MAX_IR_SPREAD,
                        OptionalDouble.of(4.6),
                        "dealt as they come, the IR of the cells in a group differs by up to 4.5 mΩ"),
                Arguments.of(
                        new MatchObstacle.Models(RULES, 3),
                        Limit.MAX_MODELS,
                        OptionalDouble.of(3),
                        "no 7S5P was found with at most 1 model in a group; it works with 3"),
                Arguments.of(
                        new MatchObstacle.ModelsAsTheyCome(3),
                        Limit.MAX_MODELS,
                        OptionalDouble.of(3),
                        "dealt as they come, a group has cells of 3 models"),
                Arguments.of(
                        new MatchObstacle.BinTooNarrow(of(MatchSchool.NARROW_BINS, 50), 72),
                        Limit.SCHOOL,
                        OptionalDouble.of(72),
                        "no bin of 50 mAh holds the 35 cells that 7S5P takes; 72 mAh works"),
                Arguments.of(
                        new MatchObstacle.PopulationTooTight(
                                of(MatchSchool.TIGHT_POPULATION, 0.3), 0.85),
                        Limit.SCHOOL,
                        OptionalDouble.of(0.85),
                        "too few cells are within 0.30 σ of the mean (7S5P needs 35); 0.85 σ works"),
                Arguments.of(
                        new MatchObstacle.TooFewSpares(RULES, 3, 37),
                        Limit.SPARES,
                        OptionalDouble.of(2),
                        "7S5P and 3 spares take 38 cells; 37 are usable, which leaves 2 for spares"),
                Arguments.of(
                        new MatchObstacle.TargetMissed(11_000, 10_500.6),
                        Limit.TARGET,
                        OptionalDouble.of(10_500),
                        "the smallest group holds 10501 mAh, less than its target of 11000 mAh"));
    }

    private static MatchRules of(MatchSchool school, double figure) {
        return RULES.with(change -> change.policy(new MatchPolicy(school, figure)));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("obstacles")
    void whatIsInTheWayIsSaid(
            MatchObstacle obstacle, Limit limit, OptionalDouble nearest, String sentence) {
        assertEquals(limit, obstacle.limit());
        assertEquals(nearest, obstacle.nearest());
        assertEquals(sentence, MatchWords.sentence(obstacle));
    }

    static Stream<Arguments> breaches() {
        return Stream.of(
                Arguments.of(
                        new MatchBreach.IrSpread(0, 6, 5),
                        "the IR of the cells in group 1 would differ by 6.0 mΩ, the limit is 5.0 mΩ"),
                Arguments.of(
                        new MatchBreach.Models(1, 2, 1),
                        "group 2 would have cells of 2 models, the limit is 1"));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("breaches")
    void whatAChangeWouldBreakIsSaid(MatchBreach breach, String sentence) {
        assertEquals(sentence, MatchWords.sentence(breach));
    }
}
