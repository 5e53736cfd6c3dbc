package pentacell.core.match;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.cell.CellId;
import pentacell.core.match.RowPacking.Answer;
import pentacell.core.match.RowPacking.Breadth;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Selection;

/// Whether a bar can be reached at all, against every grouping there is.
@Tag("exhaustive")
final class RowPackingTest {
    private static final int LOTS = 500;
    private static final Breadth ALL = Breadth.all(50_000_000);

    private static void assertReached(Answer answer, long bar, CandidateTable lot) {
        Grouping found = assertInstanceOf(Answer.Reached.class, answer).grouping();
        assertTrue(found.smallest() >= bar, found.smallest() + " under " + bar);
        assertEquals(0, found.violation());
        for (int group = 0; group < lot.groups(); group++)
            assertEquals(lot.groupSizes()[group], found.members(group).length);
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(ints = {1, 2, 3, 4, 5, 6})
    void theBestOfAllGroupingsIsReachedAndNothingAboveIt(int seed) {
        Random random = new Random(seed);
        int possible = 0;
        for (int round = 0; round < LOTS; round++) {
            int series = 1 + random.nextInt(3);
            int parallel = 1 + random.nextInt(series == 3 ? 2 : 4);
            List<Candidate> cells =
                    EveryGrouping.lot(random, series * parallel + random.nextInt(3));
            double limit = random.nextInt(9);
            CandidateTable lot = Lots.table(cells, series, parallel, limit);
            assertTrue(RowPacking.isFor(lot));
            int[] sizes = new int[series];
            Arrays.fill(sizes, parallel);
            int best = EveryGrouping.best(cells, sizes, limit);
            String said = "%dS%dP of %s within %s".formatted(series, parallel, cells, limit);
            if (best >= 0) {
                possible++;
                assertReached(new RowPacking(lot, ALL).reaches(best, () -> false), best, lot);
            }
            assertInstanceOf(
                    Answer.OutOfReach.class,
                    new RowPacking(lot, ALL).reaches(best + 1L, () -> false),
                    said);
            Breadth narrow = new Breadth(2, 2, 20, 100_000);
            Answer beyond = new RowPacking(lot, narrow).reaches(best + 1L, () -> false);
            assertFalse(beyond instanceof Answer.Reached, said);
            if (best >= 0) {
                Answer there = new RowPacking(lot, narrow).reaches(best, () -> false);
                assertFalse(there instanceof Answer.OutOfReach, "it was cut: " + said);
                if (there instanceof Answer.Reached) assertReached(there, best, lot);
            }
        }
        assertTrue(possible > LOTS / 3, "many can be matched: " + possible);
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(ints = {1, 2, 3})
    void fromAnyGroupingItComesToTheBestAndProvesIt(int seed) {
        Random random = new Random(40 + seed);
        for (int round = 0; round < 200; round++) {
            List<Candidate> cells = EveryGrouping.lot(random, 6 + random.nextInt(3));
            double limit = 3 + random.nextInt(9);
            CandidateTable lot = Lots.table(cells, 2, 3, limit);
            var first = Windows.cut(lot);
            if (first.isEmpty()) continue;
            long bound = CapacityBounds.of(lot).usable();
            RowBisection bisection = new RowBisection(lot, bound, 100, () -> false);
            Grouping from = new Grouping(lot, first.get());
            Grouping best = from;
            // a little in each round
            for (int i = 0; i < 100; i++) best = bisection.raised(best, 1e-5);
            assertEquals(EveryGrouping.best(cells, new int[] {3, 3}, limit), best.smallest());
            assertEquals(best.smallest(), bisection.bound());
        }
    }

    @Test
    void whatIsStoppedOrSpentIsNotKnown() {
        CandidateTable lot = Lots.table(Lots.worn(60, 3), 7, 6, 6);
        assertTrue(RowPacking.isFor(lot));
        assertInstanceOf(
                Answer.Unknown.class, new RowPacking(lot, ALL).reaches(1, () -> true), "stopped");
        long bound = CapacityBounds.of(lot).usable();
        assertInstanceOf(
                Answer.Unknown.class,
                new RowPacking(lot, Breadth.all(50)).reaches(bound, () -> false),
                "spent");
    }

    @Test
    void whatItDoesNotApplyToIsLeftAlone() {
        List<Candidate> cells = Lots.worn(60, 3);
        assertFalse(
                RowPacking.isFor(
                        new CandidateTable(
                                cells, MatchRules.of(7, 6, Selection.STRONGEST), Map.of())));
        assertFalse(RowPacking.isFor(Lots.table(Lots.worn(900, 3), 7, 6, 6)), "too many");
        assertFalse(RowPacking.isFor(Lots.table(Lots.worn(300, 3), 7, 6, 90)), "too long a window");
        MatchRules rules =
                MatchRules.of(List.of(3, 4), Selection.STRONGEST)
                        .withMaxIrSpread(OptionalDouble.of(6));
        assertFalse(RowPacking.isFor(new CandidateTable(cells, rules, Map.of())), "unequal");
        CellId locked = cells.get(0).id();
        MatchRules equal =
                MatchRules.of(7, 6, Selection.STRONGEST).withMaxIrSpread(OptionalDouble.of(6));
        assertFalse(RowPacking.isFor(new CandidateTable(cells, equal, Map.of(locked, 2))), "lock");
    }

    @ParameterizedTest(name = "{0} cells of {1} mAh, {2}S{3}P: {4}")
    @DisplayName("all alike: any grouping is the best, by arithmetic")
    @CsvSource({"12, 2000, 3, 4, 8000", "13, 2000, 3, 4, 8000", "12, 2000, 12, 1, 2000"})
    void cellsThatAreAllAlike(int count, int capacity, int series, int parallel, long best) {
        int[] all = new int[count];
        Arrays.fill(all, capacity);
        List<Candidate> cells =
                Lots.ofCapacities(all).stream()
                        .map(cell ->
                                Lots.cell(
                                        cell.id().toString(),
                                        capacity,
                                        OptionalDouble.of(50),
                                        "M",
                                        "D"))
                        .toList();
        CandidateTable lot = Lots.table(cells, series, parallel, 0);
        assertReached(new RowPacking(lot, ALL).reaches(best, () -> false), best, lot);
        assertInstanceOf(
                Answer.OutOfReach.class, new RowPacking(lot, ALL).reaches(best + 1, () -> false));
    }

    @Test
    void theMatcherSaysThatItIsProven() {
        List<Candidate> cells = Lots.worn(60, 3);
        MatchRules rules =
                MatchRules.of(7, 6, Selection.STRONGEST)
                        .withMaxIrSpread(OptionalDouble.of(4))
                        .with(each -> each.repeatabilityShare(0));
        MatchResult result = Lots.matched(Matcher.match(cells, rules, new SearchEffort(12, 1)));
        assertEquals(MatchResult.Ending.PROVEN_BEST, result.ending());
        assertEquals(
                result.figures().usableMilliampHours(),
                result.bounds().usableMilliampHours(),
                1e-9);
        CandidateTable lot = Lots.table(cells, 7, 6, 4);
        long best = Math.round(result.figures().usableMilliampHours() * lot.ticksPerMilliampHour());
        assertTrue(best < CapacityBounds.of(lot).usable(), "arithmetic alone does not show it");
        assertEquals(
                result,
                Lots.matched(Matcher.match(shuffled(cells), rules, new SearchEffort(12, 1))),
                "in any order");
    }

    private static List<Candidate> shuffled(List<Candidate> cells) {
        List<Candidate> shuffled = new java.util.ArrayList<>(cells);
        Collections.shuffle(shuffled, new Random(5));
        return shuffled;
    }
}
