package pentacell.core.match;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import pentacell.core.cell.CellId;
import pentacell.core.match.MatchSeveral.Granted;
import pentacell.core.match.MatchSeveral.Sharing;
import pentacell.core.match.MatchSeveral.Wish;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Selection;

@Tag("exhaustive")
final class MatchSeveralTest {
    private static final SearchEffort EFFORT = new SearchEffort(2, 1);
    private static final List<Candidate> LOT = Lots.worn(90, 5);
    private static final MatchRules LARGE =
            MatchRules.of(5, 8, Selection.STRONGEST).with(each -> each.repeatabilityShare(0));
    private static final MatchRules SMALL =
            MatchRules.of(4, 5, Selection.STRONGEST).with(each -> each.repeatabilityShare(0));

    private static List<Granted> match(Sharing sharing, Wish... wishes) {
        return MatchSeveral.match(LOT, List.of(wishes), sharing, EFFORT, SearchWatch.NOBODY);
    }

    private static Wish wish(String pack, MatchRules rules) {
        return new Wish(pack, rules, Map.of());
    }

    private static double aCell(Granted granted) {
        MatchResult result = Lots.matched(granted.outcome());
        return result.figures().usableMilliampHours() / result.groups().get(0).size();
    }

    @ParameterizedTest
    @EnumSource
    void noCellGoesIntoTwoPacks(Sharing sharing) {
        List<CellId> taken =
                match(
                                sharing,
                                wish("A", LARGE.with(change -> change.spares(3))),
                                wish("B", SMALL),
                                wish("C", SMALL))
                        .stream()
                        .map(each -> Lots.matched(each.outcome()))
                        .flatMap(each ->
                                java.util.stream.Stream.concat(
                                        each.groups().stream().flatMap(List::stream),
                                        each.spares().stream()))
                        .toList();
        assertEquals(40 + 3 + 20 + 20, taken.size());
        assertEquals(taken.size(), taken.stream().distinct().count());
    }

    @Test
    void inOrderTheFirstIsAsGoodAsAlone() {
        List<Granted> both = match(Sharing.IN_ORDER, wish("A", LARGE), wish("B", SMALL));
        assertEquals(
                Lots.matched(Matcher.match(LOT, LARGE, EFFORT)).figures(),
                Lots.matched(both.get(0).outcome()).figures());
        assertTrue(aCell(both.get(0)) > 1.05 * aCell(both.get(1)), "the second has the weaker");
    }

    @Test
    void evenlyNoneIsBetterOff() {
        List<Granted> both = match(Sharing.EVENLY, wish("A", LARGE), wish("B", SMALL));
        assertEquals(1, aCell(both.get(0)) / aCell(both.get(1)), 0.01);
    }

    @Test
    void evenlyALockedCellStaysWithItsPack() {
        CellId mine = LOT.get(7).id();
        List<Granted> both =
                match(Sharing.EVENLY, wish("A", SMALL), new Wish("B", SMALL, Map.of(mine, 2)));
        assertTrue(Lots.matched(both.get(1).outcome()).groups().get(2).contains(mine));
    }

    @ParameterizedTest
    @EnumSource
    void aWishThatCannotBeGrantedLeavesItsCellsToTheOthers(Sharing sharing) {
        MatchRules hopeless = LARGE.withMaxIrSpread(OptionalDouble.of(0.1));
        List<Granted> both = match(sharing, wish("A", hopeless), wish("B", SMALL));
        assertInstanceOf(MatchOutcome.Infeasible.class, both.get(0).outcome());
        assertEquals(
                Lots.matched(Matcher.match(LOT, SMALL, EFFORT)).figures(),
                Lots.matched(both.get(1).outcome()).figures());
    }
}
