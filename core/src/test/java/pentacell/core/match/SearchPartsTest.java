package pentacell.core.match;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Selection;

/// The parts of the search, each by its own promise.
@Tag("exhaustive")
final class SearchPartsTest {

    private static CandidateTable lot(List<Candidate> cells, MatchRules rules) {
        return new CandidateTable(cells, rules, Map.of());
    }

    private static MatchRules rules(int groups, int parallel, Selection selection) {
        return MatcherTest.exact(Collections.nCopies(groups, parallel), selection);
    }

    @Nested
    final class AGrouping {

        @RepeatedTest(20)
        @DisplayName(
                "its sums, extremes and counts after any swaps are those of a grouping built anew")
        void keepsItsBooksThroughAnySwaps(RepetitionInfo repetition) {
            SplittableRandom random = new SplittableRandom(repetition.getCurrentRepetition());
            MatchRules rules =
                    rules(3, 4, Selection.STRONGEST)
                            .withMaxIrSpread(OptionalDouble.of(10))
                            .withMaxModels(OptionalInt.of(2));
            CandidateTable lot = lot(Lots.worn(17, repetition.getCurrentRepetition()), rules);
            Grouping grouping = Starts.all(lot, Selection.STRONGEST, () -> false).get(0);
            for (int i = 0; i < 200; i++) {
                int x = random.nextInt(lot.size());
                int y = random.nextInt(lot.size());
                if (grouping.groupOf[x] == grouping.groupOf[y]) continue;
                double foretold = grouping.violation() + grouping.violationChange(x, y);
                boolean may = grouping.maySwap(x, y);
                double before = grouping.violation();
                grouping.swap(x, y);
                Grouping anew = new Grouping(lot, grouping.groupOf);
                assertArrayEquals(anew.sum, grouping.sum);
                assertEquals(anew.violation(), grouping.violation(), 1e-9);
                assertEquals(foretold, grouping.violation(), 1e-9);
                if (may)
                    assertTrue(
                            grouping.violation() <= before + 1e-9,
                            "an allowed swap breaks nothing");
                for (int group = 0; group <= grouping.shelf; group++)
                    for (int cell : grouping.members(group))
                        assertEquals(group, grouping.groupOf[cell]);
            }
        }
    }

    @Nested
    final class TheStarts {

        @ParameterizedTest
        @EnumSource(Selection.class)
        void dealEveryPlaceWhateverTheSizes(Selection selection) {
            for (List<Integer> sizes :
                    List.of(
                            List.of(3, 3, 3),
                            List.of(5, 1, 3),
                            List.of(1),
                            List.of(1, 1, 1, 1, 1, 1, 1, 1, 1))) {
                int needed = sizes.stream().mapToInt(Integer::intValue).sum();
                int spare = selection == Selection.ALL ? 0 : 4;
                CandidateTable lot =
                        lot(Lots.worn(needed + spare, 3), MatcherTest.exact(sizes, selection));
                List<Grouping> starts = Starts.all(lot, selection, () -> false);
                assertFalse(starts.isEmpty());
                for (Grouping start : starts)
                    for (int group = 0; group < sizes.size(); group++)
                        assertEquals(
                                sizes.get(group),
                                start.members(group).length,
                                sizes + " " + selection);
            }
        }

        @Test
        @DisplayName(
                "{8,7,6,5,4} in two: largest into the lightest ends 4 apart (Graham 1969; the figure from Karmarkar & Karp 1982)")
        void theRuleOfGrahamEndsWhereTheTextbookSays() {
            // groups of 2 and 3 with room to spare leave Graham's rule its choice: 8+5+4 against
            // 7+6
            CandidateTable lot =
                    lot(
                            Lots.ofCapacities(8, 7, 6, 5, 4),
                            MatcherTest.exact(List.of(3, 2), Selection.ALL));
            long least =
                    Starts.all(lot, Selection.ALL, () -> false).stream()
                            .mapToLong(start -> Score.of(start).spread())
                            .max()
                            .orElseThrow();
            assertEquals(4, least);
        }

        @RepeatedTest(10)
        @DisplayName(
                "differencing keeps groups equal in size, and is seldom worse than a serpentine deal")
        void differencingIsBalanced(RepetitionInfo repetition) {
            CandidateTable lot =
                    lot(
                            Lots.worn(40, repetition.getCurrentRepetition()),
                            rules(5, 8, Selection.ALL));
            int[] chosen = IntStream.range(0, 40).toArray();
            Grouping dealt = new Grouping(lot, BalancedDifferencing.deal(lot, chosen));
            for (int group = 0; group < 5; group++) assertEquals(8, dealt.members(group).length);
            assertTrue(Score.of(dealt).spread() < 200, () -> Score.of(dealt).toString());
        }
    }

    @Nested
    final class Bounds {

        @RepeatedTest(40)
        @DisplayName("no grouping of up to 9 cells beats the bounds")
        void areNeverBeaten(RepetitionInfo repetition) {
            SplittableRandom random = new SplittableRandom(repetition.getCurrentRepetition());
            int groups = random.nextInt(1, 4);
            int parallel = random.nextInt(1, 4);
            int spare = random.nextInt(0, 3);
            // a cell far larger than the rest is what the peeling is for
            int[] capacities = random.ints(groups * parallel + spare, 100, 1000).toArray();
            capacities[0] += random.nextBoolean() ? 4000 : 0;
            CandidateTable lot =
                    lot(
                            Lots.ofCapacities(capacities),
                            rules(groups, parallel, Selection.STRONGEST));
            CapacityBounds.InTicks bounds = CapacityBounds.of(lot);
            for (int i = 0; i < 3000; i++) {
                Integer[] order = IntStream.range(0, lot.size()).boxed().toArray(Integer[]::new);
                Collections.shuffle(Arrays.asList(order), new java.util.Random(random.nextLong()));
                int[] groupOf = new int[lot.size()];
                Arrays.fill(groupOf, groups);
                for (int j = 0; j < groups * parallel; j++) groupOf[order[j]] = j / parallel;
                Score score = Score.of(new Grouping(lot, groupOf));
                assertTrue(score.usable() <= bounds.usable(), () -> score + " beats " + bounds);
                assertTrue(score.spread() >= bounds.spread(), () -> score + " beats " + bounds);
            }
        }

        @ParameterizedTest(name = "{0}: at most {2}, at least {3} apart")
        @CsvSource(
                delimiter = '|',
                value = {
                    // one cell a group: the smallest group is the S-th largest cell
                    "9 7 5 3     | 1 | 3 | 6",
                    // an odd sum cannot be halved
                    "4 4 4 3     | 2 | 7 | 1",
                    "2 2 2 2     | 2 | 4 | 0",
                    // the 100 makes its group at least 101, which leaves 2 for the other
                    "100 1 1 1   | 2 | 2 | 99"
                })
        void areTightOnTextbookCases(String capacities, int parallel, long usable, long spread) {
            int[] cells =
                    Arrays.stream(capacities.split(" ")).mapToInt(Integer::parseInt).toArray();
            CapacityBounds.InTicks bounds =
                    CapacityBounds.of(
                            lot(
                                    Lots.ofCapacities(cells),
                                    rules(cells.length / parallel, parallel, Selection.ALL)));
            assertEquals(usable, bounds.usable());
            assertEquals(spread, bounds.spread());
        }
    }

    @Nested
    final class Limits {

        @RepeatedTest(30)
        @DisplayName("the least IR spread is that of the best of all groupings, tried one by one")
        void theNearestSpreadThatWorksIsTheLeast(RepetitionInfo repetition) {
            SplittableRandom random = new SplittableRandom(100 + repetition.getCurrentRepetition());
            int groups = 2;
            int parallel = random.nextInt(2, 4);
            int spare = random.nextInt(0, 3);
            List<Candidate> cells =
                    Lots.worn(groups * parallel + spare, repetition.getCurrentRepetition());
            MatchRules rules = rules(groups, parallel, Selection.STRONGEST);
            double ours = PlainMatch.leastIrSpread(cells, rules, Map.of(), 1).orElseThrow();
            double[] milliohms =
                    cells.stream().mapToDouble(cell -> cell.milliohms().orElseThrow()).toArray();
            assertEquals(leastSpread(milliohms, parallel), ours, 1e-9);
        }

        /// Tries every way to put cells into two groups of a size or leave them out.
        private static double leastSpread(double[] milliohms, int parallel) {
            double least = Double.POSITIVE_INFINITY;
            int ways = (int) Math.pow(3, milliohms.length);
            for (int way = 0; way < ways; way++) {
                int[] count = new int[3];
                double[] low = {1e9, 1e9, 1e9};
                double[] high = {0, 0, 0};
                int code = way;
                for (double each : milliohms) {
                    int group = code % 3;
                    code /= 3;
                    count[group]++;
                    low[group] = Math.min(low[group], each);
                    high[group] = Math.max(high[group], each);
                }
                if (count[0] == parallel && count[1] == parallel)
                    least = Math.min(least, Math.max(high[0] - low[0], high[1] - low[1]));
            }
            return least;
        }

        @Test
        void aWeakModelOfLowResistanceIsPassedOverWhenTheLimitIsTight() {
            // thirty weak cells at 20 mΩ stand first in the row; sixty strong ones at 50 mΩ make a
            // better pack
            List<Candidate> cells = new java.util.ArrayList<>();
            for (int i = 0; i < 90; i++) {
                boolean isWeak = i < 30;
                cells.add(
                        Lots.cell(
                                "C" + i,
                                (isWeak ? 1500 : 2200) + i,
                                OptionalDouble.of((isWeak ? 20 : 50) + i % 10 / 5.0),
                                "M",
                                "D"));
            }
            MatchRules rules =
                    rules(5, 10, Selection.STRONGEST).withMaxIrSpread(OptionalDouble.of(2));
            MatchResult result = Lots.matched(Matcher.match(cells, rules, new SearchEffort(3, 1)));
            assertTrue(
                    result.figures().usableMilliampHours() > 22_000,
                    () -> result.figures().toString());
        }

        @Test
        void oneModelAGroupIsKeptWhenEnoughOfEachAreThere() {
            List<Candidate> cells = Lots.worn(60, 12);
            MatchRules rules = rules(4, 8, Selection.STRONGEST).withMaxModels(OptionalInt.of(1));
            MatchResult result = Lots.matched(Matcher.match(cells, rules, new SearchEffort(3, 1)));
            for (List<pentacell.core.cell.CellId> group : result.groups())
                assertEquals(
                        1,
                        cells.stream()
                                .filter(cell -> group.contains(cell.id()))
                                .map(Candidate::model)
                                .distinct()
                                .count());
        }

        @Test
        void tooFewOfAnyModelNamesHowManyModelsWouldDo() {
            List<Candidate> cells = Lots.worn(12, 12);
            MatchRules rules = rules(2, 6, Selection.STRONGEST).withMaxModels(OptionalInt.of(1));
            MatchOutcome.Infeasible infeasible =
                    org.junit.jupiter.api.Assertions.assertInstanceOf(
                            MatchOutcome.Infeasible.class,
                            Matcher.match(cells, rules, new SearchEffort(2, 1)));
            assertEquals(MatchOutcome.Limit.MAX_MODELS, infeasible.limit());
            int nearest = (int) infeasible.nearest().orElseThrow();
            Lots.matched(
                    Matcher.match(
                            cells,
                            rules.withMaxModels(OptionalInt.of(nearest)),
                            new SearchEffort(2, 1)));
        }
    }

    @Test
    void tenthsOfMilliampHoursAreKeptWhenAnyCellHasThem() {
        List<Candidate> cells =
                List.of(
                        Lots.cell("A", 2000.4, OptionalDouble.empty(), "M", "D"),
                        Lots.cell("B", 2000.1, OptionalDouble.empty(), "M", "D"),
                        Lots.cell("C", 2000.0, OptionalDouble.empty(), "M", "D"),
                        Lots.cell("D", 1999.9, OptionalDouble.empty(), "M", "D"));
        MatchResult result =
                Lots.matched(
                        Matcher.match(cells, rules(2, 2, Selection.ALL), new SearchEffort(2, 1)));
        assertEquals(0.2, result.figures().spreadMilliampHours(), 1e-6);
    }

    @ParameterizedTest(name = "{0} s is {1} rounds")
    @CsvSource({"2, 16", "0.01, 1", "0, 1", "60, 480"})
    void effortIsWorkAndNotTime(double seconds, int rounds) {
        assertEquals(rounds, SearchEffort.forSeconds(seconds, 1).rounds());
    }

    @ParameterizedTest
    @CsvSource({"0", "401"})
    void rulesRefuseWhatNoPackIs(int groups) {
        org.junit.jupiter.api.Assertions.assertThrows(
                IllegalArgumentException.class, () -> MatchRules.of(groups, 1, Selection.ALL));
    }
}
