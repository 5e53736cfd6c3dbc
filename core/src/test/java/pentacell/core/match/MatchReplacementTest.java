package pentacell.core.match;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.MatchSwap;
import pentacell.core.pack.Selection;

@DisplayName("changes by hand: what can take a cell's place, and what a swap would break")
final class MatchReplacementTest {
    private static final MatchRules RULES = MatchRules.of(2, 2, Selection.STRONGEST);

    private static Candidate cell(String id, double milliampHours, double milliohms) {
        return Lots.cell(id, milliampHours, OptionalDouble.of(milliohms), "M", "D");
    }

    private static List<String> ids(List<MatchReplacement> found) {
        return found.stream().map(each -> each.cell().id().text()).toList();
    }

    /// Both groups hold 4000 mAh; what comes for A must bring 2000, more does not raise the pack.
    @Test
    void theWeakestThatServesAndLiesNearestInResistanceComesFirst() {
        Candidate a = cell("A", 2000, 50);
        List<List<Candidate>> groups =
                List.of(
                        List.of(a, cell("B", 2000, 52)),
                        List.of(cell("C", 2000, 50), cell("D", 2000, 50)));
        List<Candidate> shelf =
                List.of(
                        cell("E", 2300, 52),
                        cell("F", 2100, 52),
                        cell("G", 2050, 60),
                        cell("H", 1990, 52));
        List<MatchReplacement> found = MatchReplacement.best(groups, a, shelf, RULES, 9);
        assertEquals(List.of("F", "E", "G", "H"), ids(found));
        assertEquals(4000, found.get(0).after().usableMilliampHours());
        assertEquals(3990, found.get(3).after().usableMilliampHours());
        assertEquals(
                List.of("F", "E", "H"),
                ids(
                        MatchReplacement.best(
                                groups, a, shelf, RULES.withMaxIrSpread(OptionalDouble.of(5)), 9)));
        assertEquals(
                List.of(),
                MatchReplacement.best(
                        groups, a, shelf, RULES.with(rules -> rules.minSohShare(1.2)), 9));
        assertEquals(1, MatchReplacement.best(groups, a, shelf, RULES, 1).size());
    }

    /// Judge: every cell of the shelf tried in the place.
    @RepeatedTest(40)
    void nothingOnTheShelfWouldBeBetter(RepetitionInfo repetition) {
        int seed = repetition.getCurrentRepetition();
        Random random = new Random(seed);
        List<Candidate> lot = new ArrayList<>(Lots.worn(24, seed));
        List<List<Candidate>> groups =
                List.of(lot.subList(0, 4), lot.subList(4, 8), lot.subList(8, 12));
        List<Candidate> shelf = lot.subList(12, 24);
        Candidate leaving = groups.get(random.nextInt(3)).get(random.nextInt(4));
        double limit = 10 + random.nextInt(30);
        MatchRules rules =
                MatchRules.of(3, 4, Selection.STRONGEST)
                        .with(each -> each.maxIrSpreadMilliohms(OptionalDouble.of(limit)));
        double best = -1;
        for (Candidate coming : shelf) {
            List<List<Candidate>> after = MatchSwap.in(groups, leaving, coming);
            if (MatchBreach.of(groups, after, rules).isEmpty())
                best = Math.max(best, MatchFigures.of(after).usableMilliampHours());
        }
        List<MatchReplacement> found = MatchReplacement.best(groups, leaving, shelf, rules, 1);
        assertEquals(
                best,
                found.stream()
                        .mapToDouble(each -> each.after().usableMilliampHours())
                        .findFirst()
                        .orElse(-1),
                "seed " + seed);
    }

    @Test
    void aSwapThatBreaksALimitIsNamedWithItsFigure() {
        Candidate a = cell("A", 2000, 50);
        Candidate c = Lots.cell("C", 2000, OptionalDouble.of(58), "N", "D");
        List<List<Candidate>> groups =
                List.of(List.of(a, cell("B", 2000, 52)), List.of(c, cell("D", 2000, 56.5)));
        List<List<Candidate>> after = MatchSwap.in(groups, a, c);
        MatchBreach breach =
                MatchBreach.of(groups, after, RULES.withMaxIrSpread(OptionalDouble.of(5)))
                        .orElseThrow();
        assertEquals(6, assertInstanceOf(MatchBreach.IrSpread.class, breach).milliohms(), 1e-9);
        assertTrue(
                MatchBreach.of(groups, after, RULES.withMaxIrSpread(OptionalDouble.of(6.5)))
                        .isEmpty());
        MatchBreach models =
                MatchBreach.of(groups, after, RULES.withMaxModels(OptionalInt.of(1))).orElseThrow();
        assertEquals(new MatchBreach.Models(0, 2, 1), models);
        // what is broken already may be mended step by step
        assertTrue(
                MatchBreach.of(after, groups, RULES.withMaxIrSpread(OptionalDouble.of(0.1)))
                        .isEmpty());
    }
}
