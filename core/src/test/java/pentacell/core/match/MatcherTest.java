package pentacell.core.match;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.match.MatchOutcome.Infeasible;
import pentacell.core.match.MatchOutcome.Limit;
import pentacell.core.match.MatchResult.Ending;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Selection;

@Tag("exhaustive")
final class MatcherTest {
    private static final SearchEffort EFFORT = new SearchEffort(3, 1);

    @Test
    @DisplayName(
            "{8,7,6,5,4} in two sets comes out even (Karmarkar & Karp 1982: optimum 0 where differencing ends at 2)")
    void theTextbookExampleOfNumberPartitioningIsSolved() {
        MatchRules rules = exact(List.of(2, 3), Selection.ALL);
        MatchResult result =
                Lots.matched(Matcher.match(Lots.ofCapacities(8, 7, 6, 5, 4), rules, EFFORT));
        assertEquals(0, result.figures().spreadMilliampHours());
        assertEquals(15, result.figures().usableMilliampHours());
        assertEquals(Ending.PROVEN_BEST, result.ending());
    }

    /// A bound that was rounded could be beaten by the figures themselves.
    @ParameterizedTest
    @ValueSource(doubles = {2000, 2000.4, 2000.04, 2000.004})
    void noFigureBeatsItsBound(double capacity) {
        MatchResult result =
                Lots.matched(
                        Matcher.match(
                                Lots.ofCapacities(capacity, capacity, capacity, capacity),
                                MatchRules.of(2, 2, Selection.STRONGEST),
                                EFFORT));
        assertEquals(2 * capacity, result.figures().usableMilliampHours(), 1e-6);
        assertEquals(2 * capacity, result.bounds().usableMilliampHours(), 1e-6);
    }

    @ParameterizedTest
    @EnumSource(Selection.class)
    void everyCellIsUsedOnceAndEveryLimitIsKept(Selection selection) {
        int matches = 0;
        for (long seed = 1; seed <= 12; seed++) {
            int groups = 2 + (int) (seed % 5);
            int parallel = 2 + (int) (seed % 4);
            int spare = selection == Selection.ALL ? 0 : 6;
            List<Candidate> lot = Lots.worn(groups * parallel + spare, seed);
            MatchRules rules =
                    limited(exact(Collections.nCopies(groups, parallel), selection), 28, 2);
            MatchOutcome outcome = Matcher.match(lot, rules, EFFORT);
            if (!(outcome instanceof MatchOutcome.Matched matched)) continue;
            matches++;
            MatchResult result = matched.result();
            assertPartition(lot, result);
            Function<CellId, Candidate> byId = byId(lot);
            for (List<CellId> group : result.groups()) {
                var ir =
                        group.stream()
                                .mapToDouble(id -> byId.apply(id).milliohms().orElseThrow())
                                .summaryStatistics();
                assertTrue(ir.getMax() - ir.getMin() <= 28 + 1e-6, "IR spread, seed " + seed);
                assertTrue(
                        group.stream().map(id -> byId.apply(id).model()).distinct().count() <= 2,
                        "models, seed " + seed);
            }
            assertTrue(
                    result.figures().usableMilliampHours()
                            <= result.bounds().usableMilliampHours());
            assertTrue(
                    result.figures().spreadMilliampHours()
                            >= result.bounds().spreadMilliampHours());
        }
        assertTrue(matches >= 6, "the limits leave most of the lots a match");
    }

    @Test
    void theFiguresAreThoseOfTheGroups() {
        List<Candidate> lot =
                List.of(
                        Lots.cell("A", 2000, OptionalDouble.of(40), "M", "D1"),
                        Lots.cell("B", 2100, OptionalDouble.of(60), "M", "D2"),
                        Lots.cell("C", 2050, OptionalDouble.of(50), "M", "D1"),
                        Lots.cell("D", 2060, OptionalDouble.of(50), "M", "D1"));
        MatchFigures figures = MatchFigures.of(List.of(lot.subList(0, 2), lot.subList(2, 4)));
        assertEquals(4100, figures.usableMilliampHours());
        assertEquals(10, figures.spreadMilliampHours());
        // 40 ∥ 60 = 24 mΩ, 50 ∥ 50 = 25 mΩ (Ohm's law)
        assertEquals(24, figures.groups().get(0).milliohms().orElseThrow(), 1e-9);
        assertEquals(100 / 24.5, figures.resistanceSpreadPercent().orElseThrow(), 1e-9);
        assertEquals(20, figures.worstIrSpreadMilliohms().orElseThrow(), 1e-9);
        assertEquals(2, figures.groups().get(0).donors());
    }

    @Test
    void theSameInputInAnyOrderAndTheSameSeedGiveTheSameGroups() {
        List<Candidate> lot = Lots.worn(60, 7);
        List<Candidate> shuffled = new ArrayList<>(lot);
        Collections.shuffle(shuffled, new Random(3));
        MatchRules rules = limited(MatchRules.of(7, 8, Selection.STRONGEST), 12, 3);
        assertEquals(
                Lots.matched(Matcher.match(lot, rules, EFFORT)),
                Lots.matched(Matcher.match(shuffled, rules, EFFORT)));
    }

    @ParameterizedTest(name = "{0}S{1}P from {2}")
    @CsvSource({"14, 193, 2800", "80, 80, 6600", "7, 10, 100", "20, 5, 130"})
    void largeLotsReachTheArithmeticBound(int series, int parallel, int cells) {
        MatchRules rules =
                MatchRules.of(series, parallel, Selection.STRONGEST)
                        .with(each -> each.repeatabilityShare(0));
        MatchResult result = Lots.matched(Matcher.match(Lots.worn(cells, 11), rules, EFFORT));
        double bound = result.bounds().usableMilliampHours();
        assertTrue(
                result.figures().usableMilliampHours() >= bound * 0.9999,
                () -> result.figures() + " of " + bound);
        assertTrue(result.figures().spreadMilliampHours() <= 1);
    }

    @Test
    void belowTheMetersNoiseFreedomGoesIntoEvenResistanceAndSpreadDonors() {
        List<Candidate> lot = Lots.worn(100, 5);
        MatchResult exact =
                Lots.matched(
                        Matcher.match(
                                lot,
                                MatchRules.of(7, 10, Selection.STRONGEST)
                                        .with(each -> each.repeatabilityShare(0)),
                                EFFORT));
        MatchResult even =
                Lots.matched(Matcher.match(lot, MatchRules.of(7, 10, Selection.STRONGEST), EFFORT));
        assertTrue(
                even.figures().resistanceSpreadPercent().orElseThrow()
                        < 0.2 * exact.figures().resistanceSpreadPercent().orElseThrow());
        assertTrue(
                even.figures().usableMilliampHours()
                        >= 0.9995 * exact.figures().usableMilliampHours());
        assertTrue(crowding(lot, even) < crowding(lot, exact), "donors are spread");
        assertEquals(Ending.PROVEN_BEST, exact.ending());
        assertEquals(Ending.PROVEN_WITHIN_NOISE, even.ending(), "what was given up is not claimed");
    }

    @Test
    void lockedCellsStayWhereTheyAreLocked() {
        List<Candidate> lot = Lots.worn(30, 2);
        Map<CellId, Integer> locks =
                Map.of(lot.get(0).id(), 2, lot.get(7).id(), 2, lot.get(20).id(), 0);
        MatchResult result =
                Lots.matched(
                        Matcher.match(
                                lot,
                                MatchRules.of(4, 6, Selection.STRONGEST),
                                locks,
                                EFFORT,
                                SearchWatch.NOBODY));
        locks.forEach((cell, group) ->
                assertTrue(result.groups().get(group).contains(cell), cell + " in " + group));
        assertPartition(lot, result);
    }

    @Test
    void groupsOfUnequalSizeStillGetEqualSums() {
        List<Candidate> lot = Lots.worn(59, 4);
        MatchRules rules = exact(List.of(20, 20, 19), Selection.ALL);
        MatchResult result = Lots.matched(Matcher.match(lot, rules, EFFORT));
        assertEquals(List.of(20, 20, 19), result.groups().stream().map(List::size).toList());
        assertTrue(result.figures().spreadPercent() < 6, () -> result.figures().toString());
    }

    @Test
    void twoChemistriesAreNeverMixed() {
        List<Candidate> lot = new ArrayList<>(Lots.worn(20, 3));
        for (int i = 0; i < 10; i++) {
            lot.add(
                    new Candidate(
                            new CellId("L" + i),
                            3000,
                            OptionalDouble.of(20),
                            "L",
                            "DL",
                            Optional.of(pentacell.core.cell.Chemistry.LFP),
                            Optional.empty(),
                            OptionalDouble.of(3000),
                            "",
                            false,
                            1));
        }
        MatchResult result =
                Lots.matched(Matcher.match(lot, MatchRules.of(4, 5, Selection.STRONGEST), EFFORT));
        assertTrue(
                result.groups().stream()
                        .flatMap(List::stream)
                        .noneMatch(id -> id.text().startsWith("L")));
    }

    @Test
    void twoSizesAreNeverMixed() {
        Optional<CellFormat> usual = CellFormat.parse("18650");
        Optional<CellFormat> large = CellFormat.parse("21700");
        List<Candidate> lot = new ArrayList<>();
        for (Candidate cell : Lots.worn(30, 3)) {
            int i = lot.size();
            lot.add(Lots.sized(cell, i < 10 ? large : i < 12 ? Optional.empty() : usual));
        }
        MatchRules rules = MatchRules.of(4, 3, Selection.STRONGEST);
        for (Optional<CellFormat> wanted : List.of(usual, large, Optional.<CellFormat>empty())) {
            MatchRules asked = rules.with(change -> change.format(wanted));
            Set<CellId> used =
                    Lots.matched(Matcher.match(lot, asked, EFFORT)).groups().stream()
                            .flatMap(List::stream)
                            .collect(Collectors.toSet());
            Optional<CellFormat> other = wanted.equals(large) ? usual : large;
            assertTrue(
                    lot.stream()
                            .filter(cell -> used.contains(cell.id()))
                            .noneMatch(cell -> cell.format().equals(other)),
                    () -> "without a word the most frequent is meant; asked " + wanted);
        }
        Infeasible infeasible =
                assertInstanceOf(
                        Infeasible.class,
                        Matcher.match(
                                lot,
                                MatchRules.of(4, 6, Selection.STRONGEST)
                                        .with(change -> change.format(usual)),
                                EFFORT));
        assertEquals(Limit.CELLS, infeasible.limit());
        assertEquals(5, infeasible.nearest().orElseThrow(), "20 of 30 are of that size or unknown");
    }

    @Test
    void anIrLimitThatCannotBeKeptNamesTheNearestThatCan() {
        List<Candidate> lot =
                List.of(
                        Lots.cell("A", 2000, OptionalDouble.of(40), "M", "D"),
                        Lots.cell("B", 2000, OptionalDouble.of(43.2), "M", "D"),
                        Lots.cell("C", 2000, OptionalDouble.of(50), "M", "D"),
                        Lots.cell("D", 2000, OptionalDouble.of(54.5), "M", "D"));
        MatchRules rules =
                exact(List.of(2, 2), Selection.ALL).withMaxIrSpread(OptionalDouble.of(4));
        Infeasible infeasible =
                assertInstanceOf(Infeasible.class, Matcher.match(lot, rules, EFFORT));
        assertEquals(Limit.MAX_IR_SPREAD, infeasible.limit());
        assertEquals(4.5, infeasible.nearest().orElseThrow(), 1e-9);
        Lots.matched(Matcher.match(lot, rules.withMaxIrSpread(infeasible.nearest()), EFFORT));
    }

    @Test
    void whatStandsInTheWayIsNamed() {
        List<Candidate> lot = Lots.worn(50, 9);
        assertObstacle(
                Limit.CELLS,
                7,
                Matcher.match(lot, MatchRules.of(7, 10, Selection.STRONGEST), EFFORT));
        assertObstacle(
                Limit.CELLS, 10, Matcher.match(lot, MatchRules.of(5, 9, Selection.ALL), EFFORT));
        MatchRules healthy = withMinSoh(MatchRules.of(4, 10, Selection.STRONGEST), 1.05);
        Infeasible soh = assertInstanceOf(Infeasible.class, Matcher.match(lot, healthy, EFFORT));
        assertEquals(Limit.MIN_SOH, soh.limit());
        Lots.matched(
                Matcher.match(lot, withMinSoh(healthy, soh.nearest().orElseThrow() / 100), EFFORT));
        Infeasible lock =
                assertInstanceOf(
                        Infeasible.class,
                        Matcher.match(
                                lot,
                                MatchRules.of(4, 10, Selection.STRONGEST),
                                Map.of(new CellId("nobody"), 0),
                                EFFORT,
                                SearchWatch.NOBODY));
        assertEquals(Limit.LOCKS, lock.limit());
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 40})
    void cellsThatAreAllEqualGiveNoSpread(int parallel) {
        int[] capacities = new int[3 * parallel];
        java.util.Arrays.fill(capacities, 2000);
        MatchResult result =
                Lots.matched(
                        Matcher.match(
                                Lots.ofCapacities(capacities),
                                MatchRules.of(3, parallel, Selection.ALL),
                                EFFORT));
        assertEquals(0, result.figures().spreadMilliampHours());
        assertEquals(Ending.PROVEN_BEST, result.ending());
        assertTrue(result.figures().resistanceSpreadPercent().isEmpty(), "no IR was measured");
    }

    @Test
    void oneGroupOfOneIsTheStrongestCell() {
        MatchResult result =
                Lots.matched(
                        Matcher.match(
                                Lots.ofCapacities(5, 9, 7),
                                MatchRules.of(1, 1, Selection.STRONGEST),
                                EFFORT));
        assertEquals(List.of(List.of(new CellId("C2"))), result.groups());
    }

    @Test
    void anIdThatStandsTwiceIsAFaultOfTheCaller() {
        List<Candidate> twice = new ArrayList<>(Lots.ofCapacities(5, 9));
        twice.add(twice.get(0));
        assertThrows(
                IllegalArgumentException.class,
                () -> Matcher.match(twice, MatchRules.of(1, 2, Selection.STRONGEST), EFFORT));
    }

    @Test
    void aWatchThatStopsAtOnceStillGetsAMatch() {
        SearchWatch impatient =
                new SearchWatch() {
                    @Override
                    public boolean stop() {
                        return true;
                    }

                    @Override
                    public void searched(Progress progress) {}
                };
        List<Candidate> lot = Lots.worn(41, 8);
        MatchRules rules = limited(exact(Collections.nCopies(8, 5), Selection.STRONGEST), 15, 3);
        MatchResult result = Lots.matched(Matcher.match(lot, rules, Map.of(), EFFORT, impatient));
        assertPartition(lot, result);
        assertEquals(Ending.CUT_SHORT, result.ending());
    }

    @Test
    void aTighterIrLimitNeverGivesMoreCapacity() {
        List<TradeOff.Point> curve =
                TradeOff.curve(
                        Lots.worn(50, 6),
                        MatchRules.of(5, 7, Selection.STRONGEST)
                                .with(each -> each.repeatabilityShare(0)),
                        Map.of(),
                        6,
                        new SearchEffort(2, 1),
                        SearchWatch.NOBODY,
                        point -> {});
        assertEquals(6, curve.size());
        for (int i = 1; i < curve.size(); i++) {
            assertTrue(curve.get(i).limitMilliohms() >= curve.get(i - 1).limitMilliohms());
            assertTrue(
                    curve.get(i).result().figures().usableMilliampHours()
                            >= curve.get(i - 1).result().figures().usableMilliampHours());
            assertTrue(
                    curve.get(i).result().figures().worstIrSpreadMilliohms().orElseThrow()
                            <= curve.get(i).limitMilliohms() + 1e-6);
        }
    }

    static MatchRules exact(List<Integer> sizes, Selection selection) {
        return MatchRules.of(sizes, selection).with(each -> each.repeatabilityShare(0));
    }

    private static MatchRules limited(MatchRules rules, double irSpread, int models) {
        return rules.withMaxIrSpread(OptionalDouble.of(irSpread))
                .withMaxModels(OptionalInt.of(models));
    }

    private static MatchRules withMinSoh(MatchRules rules, double share) {
        return rules.with(change -> change.minSohShare(share));
    }

    private static void assertObstacle(Limit limit, double nearest, MatchOutcome outcome) {
        Infeasible infeasible = assertInstanceOf(Infeasible.class, outcome);
        assertEquals(limit, infeasible.limit());
        assertEquals(nearest, infeasible.nearest().orElseThrow());
    }

    private static void assertPartition(List<Candidate> lot, MatchResult result) {
        Set<CellId> seen = new HashSet<>(result.leftOver());
        assertEquals(result.leftOver().size(), seen.size());
        for (int group = 0; group < result.groups().size(); group++) {
            assertEquals(result.rules().groupSizes().get(group), result.groups().get(group).size());
            for (CellId cell : result.groups().get(group))
                assertTrue(seen.add(cell), cell + " stands twice");
        }
        assertEquals(lot.stream().map(Candidate::id).collect(Collectors.toSet()), seen);
    }

    private static Function<CellId, Candidate> byId(List<Candidate> lot) {
        Map<CellId, Candidate> cells =
                lot.stream().collect(Collectors.toMap(Candidate::id, Function.identity()));
        return id -> Objects.requireNonNull(cells.get(id));
    }

    private static long crowding(List<Candidate> lot, MatchResult result) {
        Function<CellId, Candidate> byId = byId(lot);
        long pairs = 0;
        for (List<CellId> group : result.groups())
            for (long n :
                    group.stream()
                            .collect(
                                    Collectors.groupingBy(
                                            id -> byId.apply(id).donor(), Collectors.counting()))
                            .values()) pairs += n * n;
        return pairs;
    }
}
