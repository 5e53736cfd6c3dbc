package pentacell.desktop.frame;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import pentacell.core.cell.CellId;
import pentacell.core.fact.Act;
import pentacell.core.fact.CellFact;
import pentacell.core.fact.Fact;
import pentacell.core.fact.PackFact;
import pentacell.core.fact.WorkshopState;
import pentacell.core.grade.JudgedStock;
import pentacell.core.match.MatchRules;
import pentacell.core.match.Selection;

final class DueTest {
    private static final CellId A = new CellId("A");
    private static final CellId B = new CellId("B");

    @Test
    void nothingIsDueInAnEmptyWorkshop() {
        assertEquals(List.of(), due());
    }

    @Test
    void cellsThatWaitAreCountedOneByOne() {
        assertEquals(
                List.of("1 cell waits for a capacity reading"),
                due(new CellFact.VoltageRead(A, 3.6)));
        assertEquals(
                List.of("2 cells wait for a capacity reading"),
                due(new CellFact.VoltageRead(A, 3.6), new CellFact.VoltageRead(B, 3.6)));
        assertEquals(
                List.of("1 cell waits for a first voltage or a model"),
                due(new CellFact.CellNoted(A, "found under the bench")));
    }

    @Test
    void aBegunPickWalkIsMorePressingThanAFreshMatch() {
        Fact night =
                new PackFact.GroupsMatched(
                        "Night",
                        MatchRules.of(1, 2, Selection.ALL),
                        List.of(List.of(A, B)),
                        Map.of());
        assertEquals(List.of("Night is matched, ready to pick"), due(night));
        assertEquals(
                List.of("Night: 1 of 2 cells still to pick"),
                due(night, new PackFact.CellPicked("Night", A, PackFact.Pick.TAKEN)));
        assertEquals(
                List.of(),
                due(
                        night,
                        new PackFact.CellPicked("Night", A, PackFact.Pick.TAKEN),
                        new PackFact.CellPicked("Night", B, PackFact.Pick.TAKEN)));
    }

    private static List<String> due(Fact... facts) {
        List<Act.Entry> entries = new ArrayList<>();
        for (Fact fact : facts) entries.add(new Act.Entry(entries.size() + 1, fact));
        WorkshopState state = WorkshopState.of(List.of(new Act(1, Instant.EPOCH, "act", entries)));
        return Due.of(state, JudgedStock.of(state), java.time.Instant.EPOCH).stream()
                .map(Due::words)
                .toList();
    }
}
