package pentacell.core.match;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
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

    private static List<Candidate> lot(Random random, int cells) {
        List<Candidate> lot = new ArrayList<>();
        boolean isTied = random.nextBoolean();
        for (int i = 0; i < cells; i++) {
            int capacity = 1 + random.nextInt(random.nextBoolean() ? 30 : 6);
            int milliohms = isTied ? 40 - capacity + random.nextInt(4) : 10 + random.nextInt(12);
            lot.add(Lots.cell("C" + i, capacity, OptionalDouble.of(milliohms), "M", "D"));
        }
        return lot;
    }

    /// The best smallest group of all groupings within the limit; −1 when there is none.
    private static int best(List<Candidate> cells, int[] sizes, double limit) {
        return best(
                cells,
                sizes,
                limit,
                0,
                new int[sizes.length],
                new int[sizes.length],
                filled(sizes.length, Double.POSITIVE_INFINITY),
                filled(sizes.length, Double.NEGATIVE_INFINITY));
    }

    private static double[] filled(int length, double value) {
        double[] array = new double[length];
        Arrays.fill(array, value);
        return array;
    }

    private static int best(
            List<Candidate> cells,
            int[] sizes,
            double limit,
            int next,
            int[] counts,
            int[] sums,
            double[] lowest,
            double[] highest) {
        if (next == cells.size()) {
            for (int g = 0; g < sizes.length; g++) if (counts[g] < sizes[g]) return -1;
            return Arrays.stream(sums).min().orElseThrow();
        }
        int found = best(cells, sizes, limit, next + 1, counts, sums, lowest, highest);
        Candidate cell = cells.get(next);
        double r = cell.milliohms().orElseThrow();
        for (int g = 0; g < sizes.length; g++) {
            double low = Math.min(lowest[g], r);
            double high = Math.max(highest[g], r);
            if (counts[g] == sizes[g] || high - low > limit) continue;
            double lowBefore = lowest[g];
            double highBefore = highest[g];
            counts[g]++;
            sums[g] += (int) cell.milliampHours();
            lowest[g] = low;
            highest[g] = high;
            found =
                    Math.max(
                            found,
                            best(cells, sizes, limit, next + 1, counts, sums, lowest, highest));
            counts[g]--;
            sums[g] -= (int) cell.milliampHours();
            lowest[g] = lowBefore;
            highest[g] = highBefore;
        }
        return found;
    }

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
            List<Candidate> cells = lot(random, needed + random.nextInt(3));
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
            int best = best(cells, sizes.stream().mapToInt(Integer::intValue).toArray(), limit);
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
