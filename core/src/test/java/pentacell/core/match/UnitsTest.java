package pentacell.core.match;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import pentacell.core.cell.CellId;
import pentacell.core.match.MatchOutcome.Infeasible;
import pentacell.core.match.MatchOutcome.Limit;
import pentacell.core.match.MatchOutcome.Matched;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Selection;

/// Welded pairs and kept groups beside single cells.
@DisplayName("units of several cans")
@Tag("exhaustive")
final class UnitsTest {
    private static final SearchEffort EFFORT = new SearchEffort(3, 1);

    private static Candidate unit(String id, int cans, double milliampHours, double milliohms) {
        return new Candidate(
                new CellId(id),
                milliampHours,
                OptionalDouble.of(milliohms),
                "M",
                "D",
                java.util.Optional.of(pentacell.core.cell.Chemistry.NMC),
                java.util.Optional.empty(),
                OptionalDouble.of(2200),
                "",
                false,
                cans);
    }

    private static MatchRules rules(int... sizes) {
        return MatcherTest.exact(Arrays.stream(sizes).boxed().toList(), Selection.STRONGEST);
    }

    /// Judge: all groupings of up to nine units, with limits on IR and unequal sizes.
    @RepeatedTest(30)
    void asGoodAsTryingEveryGrouping(RepetitionInfo repetition) {
        int seed = repetition.getCurrentRepetition();
        Random random = new Random(seed);
        List<Candidate> lot = EveryGrouping.lotWithUnits(random, 5 + random.nextInt(4));
        int groups = 2 + random.nextInt(2);
        int[] sizes = new int[groups];
        int most = Math.max(1, Candidate.cans(lot) / groups);
        for (int g = 0; g < groups; g++) sizes[g] = Math.max(1, most - random.nextInt(2));
        double limit = random.nextBoolean() ? 1e6 : 4 + random.nextInt(8);
        MatchRules rules = rules(sizes);
        if (limit < 1e6) rules = rules.withMaxIrSpread(OptionalDouble.of(limit));
        int best = EveryGrouping.best(lot, sizes, limit + 1e-9);
        String where = "seed " + seed + ": " + Arrays.toString(sizes) + " " + limit + " " + lot;
        switch (Matcher.match(lot, rules, EFFORT)) {
            case Infeasible infeasible -> assertEquals(-1, best, where + infeasible);
            case Matched matched -> {
                MatchResult result = matched.result();
                assertEquals(best, result.figures().usableMilliampHours(), where);
                assertTrue(result.bounds().usableMilliampHours() >= best, where);
                assertValid(lot, result, sizes, limit);
            }
        }
    }

    private static void assertValid(
            List<Candidate> lot, MatchResult result, int[] sizes, double limit) {
        Map<CellId, Candidate> byId = new HashMap<>();
        lot.forEach(each -> byId.put(each.id(), each));
        for (int g = 0; g < sizes.length; g++) {
            List<Candidate> group = result.groups().get(g).stream().map(byId::remove).toList();
            assertEquals(sizes[g], Candidate.cans(group), "cans of group " + (g + 1));
        }
        assertEquals(byId.size(), result.leftOver().size());
        assertTrue(result.figures().worstIrSpreadMilliohms().orElse(0) <= limit + 1e-9);
    }

    @Test
    void aPairIsTwoCansAndSharesCurrentAsTwo() {
        // the pair of 25 mΩ is two of 50: within 1 mΩ of its neighbours
        List<Candidate> lot =
                List.of(
                        unit("P", 2, 4200, 25),
                        unit("A", 1, 2100, 50),
                        unit("B", 1, 2090, 50.5),
                        unit("C", 1, 2110, 49.5));
        MatchResult result =
                Lots.matched(
                        Matcher.match(
                                lot, rules(3, 2).withMaxIrSpread(OptionalDouble.of(1)), EFFORT));
        assertEquals(
                List.of(3, 2),
                result.groups().stream()
                        .map(group ->
                                group.stream().mapToInt(id -> id.text().equals("P") ? 2 : 1).sum())
                        .toList());
        assertEquals(4210, result.figures().usableMilliampHours());
        // 25 ∥ 49.5 mΩ, Ohm's law; and so on
        double first = 1 / (1 / 25.0 + 1 / 50.0);
        assertTrue(result.figures().groups().get(0).milliohms().orElseThrow() <= first * 1.02);
    }

    @Test
    void pairsAloneFillNoGroupOfThree() {
        List<Candidate> pairs = new ArrayList<>();
        for (int i = 0; i < 9; i++) pairs.add(unit("P" + i, 2, 4200 + i, 25));
        Infeasible none = (Infeasible) Matcher.match(pairs, rules(3, 3, 3), EFFORT);
        assertEquals(Limit.CELLS, none.limit());
        assertEquals(2, none.nearest().orElseThrow());
        assertEquals(OptionalInt.of(2), ((MatchObstacle.UnitsDoNotFill) none.why()).parallel());
        assertTrue(
                Matcher.match(pairs, rules(4, 4, 4), EFFORT) instanceof Matched, "3S4P of pairs");
    }

    @Test
    void healthAndHighestResistanceAreOfACan() {
        List<Candidate> lot =
                List.of(
                        unit("P", 2, 4000, 30),
                        unit("Q", 2, 3000, 30),
                        unit("R", 2, 4100, 60),
                        unit("S", 1, 2000, 60));
        MatchRules picky =
                MatcherTest.exact(Collections.nCopies(1, 3), Selection.STRONGEST)
                        .with(rules -> rules.minSohShare(0.8).maxMilliohms(OptionalDouble.of(61)));
        MatchResult result = Lots.matched(Matcher.match(lot, picky, EFFORT));
        assertEquals(6000, result.figures().usableMilliampHours());
        assertEquals(List.of(), result.leftOver(), "the others are not usable");
    }

    /// A lot of 200 units comes within a thousandth of what its cans could do taken apart.
    @Test
    void aLargeLotComesNearItsBound() {
        Random random = new Random(5);
        List<Candidate> lot = new ArrayList<>();
        for (int i = 0; i < 200; i++) {
            int cans = i % 4 == 0 ? 4 : i % 4 == 1 ? 2 : 1;
            lot.add(
                    unit(
                            "U" + i,
                            cans,
                            Math.rint(cans * (2100 + 100 * random.nextGaussian())),
                            (50 + 5 * random.nextGaussian()) / cans));
        }
        MatchRules rules =
                rules(Collections.nCopies(13, 28).stream().mapToInt(each -> each).toArray());
        MatchResult result = Lots.matched(Matcher.match(lot, rules, EFFORT));
        assertTrue(
                result.figures().usableMilliampHours()
                        >= 0.9995 * result.bounds().usableMilliampHours(),
                () -> result.figures().usableMilliampHours() + " of " + result.bounds());
        MatchRules limited = rules.withMaxIrSpread(OptionalDouble.of(16));
        MatchResult within = Lots.matched(Matcher.match(lot, limited, EFFORT));
        assertTrue(within.figures().worstIrSpreadMilliohms().orElseThrow() <= 16 + 1e-9);
        assertTrue(
                within.figures().usableMilliampHours()
                        >= 0.99 * within.bounds().usableMilliampHours(),
                () -> within.figures().usableMilliampHours() + " of " + within.bounds());
    }
}
