package pentacell.core.match;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Selection;

/// Cells laid aside before the search are never missed.
@Tag("exhaustive")
final class ReachTest {
    private static final int LOTS = 400;

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(ints = {1, 2, 3, 4, 5})
    void whatIsLaidAsideUnderALimitWouldNotHaveMadeABetterSmallestGroup(int seed) {
        Random random = new Random(seed);
        int aside = 0;
        for (int round = 0; round < LOTS; round++) {
            int[][] arrangements = {{2, 2}, {3, 2}, {1, 2}, {2, 1, 1}};
            int[] sizes = arrangements[random.nextInt(arrangements.length)];
            int needed = Arrays.stream(sizes).sum();
            List<Candidate> cells =
                    new ArrayList<>(EveryGrouping.lot(random, needed + 4 + random.nextInt(3)));
            cells.sort(Reach.STRONGEST_FIRST);
            double limit = 8 + random.nextInt(20);
            MatchRules rules =
                    MatchRules.of(Arrays.stream(sizes).boxed().toList(), Selection.STRONGEST)
                            .withMaxIrSpread(OptionalDouble.of(limit));
            Reach reach = Reach.of(cells, rules, Map.of(), needed);
            assertEquals(cells.size(), reach.near().size() + reach.far().size());
            assertEquals(
                    EveryGrouping.best(cells, sizes, limit),
                    EveryGrouping.best(reach.near(), sizes, limit),
                    () -> cells + " within " + limit);
            aside += reach.far().size();
        }
        assertTrue(aside > LOTS / 10, "some are laid aside: " + aside);
    }

    @Test
    void ofAHugeShelfTheMatcherLooksAtAFewThousand() {
        Random random = new Random(1);
        List<Candidate> shelf = new ArrayList<>();
        for (int i = 0; i < 100_000; i++)
            shelf.add(
                    Lots.cell(
                            "C" + i,
                            2000 + 150 * random.nextGaussian(),
                            OptionalDouble.of(40 + 8 * Math.abs(random.nextGaussian())),
                            "M",
                            "D"));
        MatchRules rules = MatchRules.of(14, 20, Selection.STRONGEST);
        int unlimited = Reach.of(shelf, rules, Map.of()).near().size();
        int limited =
                Reach.of(shelf, rules.withMaxIrSpread(OptionalDouble.of(5)), Map.of())
                        .near()
                        .size();
        assertEquals(4_280, unlimited);
        MatchRules models = rules.withMaxModels(OptionalInt.of(1));
        Candidate weakest = shelf.stream().max(Reach.STRONGEST_FIRST).orElseThrow();
        assertEquals(4_280, Reach.of(shelf, models, Map.of()).near().size());
        assertTrue(
                Reach.of(shelf, models, Map.of(weakest.id(), 0)).near().contains(weakest),
                "a locked cell is always looked at");
        assertTrue(limited < 20_000, "near: " + limited);
    }
}
