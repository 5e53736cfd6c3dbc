package pentacell.core.match;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Selection;

/// What must hold of any lot.
@DisplayName("properties of a match")
@Tag("exhaustive")
final class MatchPropertiesTest {
    private static final SearchEffort EFFORT = new SearchEffort(3, 1);
    private static final double NONE = 1e6;
    private static final int RANDOM_LOTS = 10_000;

    private static MatchRules limited(int groups, int parallel, double limit) {
        return MatcherTest.exact(Collections.nCopies(groups, parallel), Selection.STRONGEST)
                .withMaxIrSpread(limit < NONE ? OptionalDouble.of(limit) : OptionalDouble.empty());
    }

    /// Any grouping that keeps the limit is below the bound: one dealt by chance, mended and
    /// levelled, for each of ten thousand lots.
    @Test
    void noBoundIsBelowAKnownSolution() {
        int held = 0;
        for (int seed = 0; seed < RANDOM_LOTS; seed++) {
            Random random = new Random(seed);
            int groups = 2 + random.nextInt(4);
            int parallel = 1 + random.nextInt(5);
            int cells = groups * parallel + random.nextInt(8);
            List<Candidate> lot = EveryGrouping.lot(random, cells);
            double limit = random.nextInt(4) == 0 ? NONE : 2 + random.nextInt(14);
            MatchRules rules = limited(groups, parallel, limit);
            CandidateTable table = new CandidateTable(lot, rules, java.util.Map.of());
            int[] groupOf = new int[cells];
            List<Integer> order = new ArrayList<>(IntStream.range(0, cells).boxed().toList());
            Collections.shuffle(order, random);
            Arrays.fill(groupOf, groups);
            for (int i = 0; i < groups * parallel; i++) groupOf[order.get(i)] = i / parallel;
            Grouping grouping = new Grouping(table, groupOf);
            if (!LimitRepair.mend(grouping, new java.util.SplittableRandom(seed))) continue;
            Levelling.level(grouping, Selection.STRONGEST, () -> false);
            held++;
            CapacityBounds.InTicks bounds = CapacityBounds.of(table);
            Score score = Score.of(grouping);
            assertTrue(bounds.usable() >= score.usable(), "usable, seed " + seed);
            assertTrue(bounds.spread() <= score.spread(), "spread, seed " + seed);
        }
        assertTrue(held > RANDOM_LOTS / 3, "only " + held + " lots had a grouping");
    }

    @RepeatedTest(3)
    void theOrderOfTheInputChangesNothing(RepetitionInfo repetition) {
        int seed = repetition.getCurrentRepetition();
        List<Candidate> lot = Lots.worn(40 + seed, seed);
        List<Candidate> shuffled = new ArrayList<>(lot);
        Collections.shuffle(shuffled, new Random(seed));
        MatchRules rules = limited(5, 6, 8 + seed).withMaxModels(OptionalInt.of(2 + seed % 2));
        assertEquals(
                Lots.matched(Matcher.match(lot, rules, EFFORT)).groups(),
                Lots.matched(Matcher.match(shuffled, rules, EFFORT)).groups());
    }

    @RepeatedTest(12)
    void aCellMoreOrALooserLimitNeverLowersTheBest(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        List<Candidate> lot = EveryGrouping.lot(random, 9);
        double limit = 6 + random.nextInt(8);
        double before = usable(lot.subList(0, 8), limit);
        assertTrue(usable(lot, limit) >= before, "a cell more");
        assertTrue(usable(lot.subList(0, 8), limit + 2) >= before, "2 mΩ more");
        assertTrue(usable(lot.subList(0, 8), NONE) >= before, "no limit");
    }

    private static double usable(List<Candidate> lot, double limit) {
        return Matcher.match(lot, limited(3, 2, limit), EFFORT)
                        instanceof MatchOutcome.Matched matched
                ? matched.result().figures().usableMilliampHours()
                : -1;
    }
}
