package pentacell.core.build;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.Chapters;
import pentacell.core.build.PickWalk.Order;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Place;
import pentacell.core.journal.Act;
import pentacell.core.journal.Entry;
import pentacell.core.journal.Fact;
import pentacell.core.line.LineAct;
import pentacell.core.line.TypedLines;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Pack;
import pentacell.core.pack.PackFact;
import pentacell.core.pack.Packs;
import pentacell.core.pack.Selection;
import pentacell.core.state.WorkshopState;

final class PickWalkTest {
    private final WorkshopState state = workshop();
    private final Pack pack = Packs.of(state).pack("Night").orElseThrow();

    /// Two packs of one group each of two, one cell on the shelf; A-2 has no place, A-1 is taken.
    private static WorkshopState workshop() {
        List<Fact> facts = new ArrayList<>();
        facts.add(new CellFact.CellPlaced(id("A-1"), new Place("T10", 1, 1)));
        facts.add(new CellFact.VoltageRead(id("A-2"), 3.6));
        facts.add(new CellFact.CellPlaced(id("A-3"), new Place("T2", 2, 1)));
        facts.add(new CellFact.CellPlaced(id("A-4"), new Place("T2", 1, 12)));
        facts.add(new CellFact.CellPlaced(id("a-5"), new Place("T2", 1, 3)));
        facts.add(new CellFact.CellPlaced(id("A-5"), new Place("T2", 1, 2)));
        facts.add(
                matched(
                        "Night",
                        List.of(List.of(id("A-1"), id("A-2")), List.of(id("A-3"), id("A-4")))));
        facts.add(matched("Dome", List.of(List.of(id("a-5")))));
        facts.add(new PackFact.CellPicked("Night", id("A-1"), PackFact.Pick.TAKEN));
        List<Entry> entries = new ArrayList<>();
        for (Fact fact : facts) entries.add(new Entry(entries.size() + 1, fact));
        return Chapters.fold(List.of(new Act(1, Instant.EPOCH, "all", entries)));
    }

    private static PackFact matched(String pack, List<List<CellId>> groups) {
        MatchRules rules = MatchRules.of(groups.size(), groups.get(0).size(), Selection.ALL);
        return new PackFact.GroupsMatched(pack, rules, groups, Map.of());
    }

    private static CellId id(String text) {
        return new CellId(text);
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"BY_PLACE, A-4 A-3 A-1 A-2", "BY_GROUP, A-1 A-2 A-3 A-4"})
    void aHandWalksOnceAlongTheShelfOrFillsGroupByGroup(Order order, String cells) {
        assertEquals(
                List.of(cells.split(" ")),
                PickWalk.of(pack, state, order).stream().map(line -> line.cell().text()).toList());
    }

    @Test
    void theNextCellIsTheFirstNotYetInTheHand() {
        assertEquals(
                id("A-2"),
                PickWalk.next(PickWalk.of(pack, state, Order.BY_GROUP)).orElseThrow().cell());
        assertTrue(PickWalk.next(List.of()).isEmpty());
    }

    @ParameterizedTest(name = "{0}: group {1}")
    @CsvSource({"A-3, 2", "' a-3 ', 2", "A-2, 1"})
    void theRightCellIsTakenHoweverItIsTyped(String typed, int group) {
        LineAct act = TypedLines.act(ScanLine.read(typed, state, pack.name()));
        assertTrue(act.answer().contains("goes to group " + group), act::answer);
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "A-1, already in the hand",
        "a-5, belongs to the pack Dome",
        "A-5, it was left out. Put it back to T2-A02",
        "Z-9, was ever logged",
        "'A 3', is not a cell id"
    })
    void theWrongCellIsRefusedWithAReason(String typed, String reason) {
        String said = TypedLines.whyNot(ScanLine.read(typed, state, pack.name()));
        assertTrue(said.contains(reason), said);
    }
}
