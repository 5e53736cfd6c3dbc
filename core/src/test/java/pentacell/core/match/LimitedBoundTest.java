package pentacell.core.match;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Selection;

/// The bound that knows the limit on IR, against every grouping there is.
final class LimitedBoundTest {
    private static final int LOTS = 600;

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(ints = {1, 2, 3, 4, 5})
    void noGroupingWithinTheLimitBeatsIt(int seed) {
        Random random = new Random(seed);
        int reached = 0;
        int below = 0;
        for (int round = 0; round < LOTS; round++) {
            List<Integer> sizes =
                    List.of(
                                    List.of(2, 2),
                                    List.of(3, 3),
                                    List.of(2, 2, 2),
                                    List.of(3, 2),
                                    List.of(1, 2))
                            .get(random.nextInt(5));
            int needed = sizes.stream().mapToInt(Integer::intValue).sum();
            List<Candidate> cells = EveryGrouping.lot(random, needed + random.nextInt(3));
            double limit = random.nextInt(9);
            MatchRules rules =
                    MatchRules.of(sizes, Selection.STRONGEST)
                            .withMaxIrSpread(OptionalDouble.of(limit));
            CandidateTable table = new CandidateTable(cells, rules, Map.of());
            long unlimited =
                    CapacityBounds.of(
                                    new CandidateTable(
                                            cells,
                                            rules.withMaxIrSpread(OptionalDouble.empty()),
                                            Map.of()))
                            .usable();
            long bound = LimitedBound.of(table, unlimited);
            int best =
                    EveryGrouping.best(
                            cells, sizes.stream().mapToInt(Integer::intValue).toArray(), limit);
            assertTrue(best <= bound, () -> sizes + " of " + cells + " within " + limit);
            if (best < 0) continue;
            if (best == bound) reached++;
            if (bound < unlimited) below++;
        }
        assertTrue(reached > LOTS / 4, "it is often the optimum itself: " + reached);
        int seen = below;
        assertTrue(below > LOTS / 20, () -> "it knows the limit: " + seen);
    }

    @Test
    void twoKindsThatMayNotMeetShareNothing() {
        // six of 10 mΩ and six of 50 mΩ: one group of each kind, the weaker kind is the smallest
        List<Candidate> cells = new ArrayList<>();
        for (int i = 0; i < 12; i++)
            cells.add(
                    Lots.cell(
                            "C" + i,
                            i < 6 ? 2000 : 1500,
                            OptionalDouble.of(i < 6 ? 10 : 50),
                            "M",
                            "D"));
        MatchRules rules =
                MatchRules.of(2, 6, Selection.STRONGEST).withMaxIrSpread(OptionalDouble.of(5));
        CapacityBounds.InTicks bounds =
                CapacityBounds.of(new CandidateTable(cells, rules, Map.of()));
        assertEquals(9000, bounds.usable());
        assertEquals(1500, bounds.spread(), "at least the mean over the smallest");
    }
}
