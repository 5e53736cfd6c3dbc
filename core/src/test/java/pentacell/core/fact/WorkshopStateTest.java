package pentacell.core.fact;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Place;
import pentacell.core.fact.Cell.Fate;
import pentacell.core.fact.CellFact.VoltageRead;
import pentacell.core.match.MatchRules;
import pentacell.core.match.Selection;

final class WorkshopStateTest {
    private static final CellId A = new CellId("A-1");
    private static final CellId B = new CellId("A-2");
    private static final CellId C = new CellId("A-3");

    private final List<Act> journal = new ArrayList<>();
    private long sequence;

    @Test
    void aCorrectionHoldsAndTheWrongReadingStaysInTheLifeLine() {
        log(new VoltageRead(A, 36.8 / 10), new VoltageRead(B, 3.7));
        log(new VoltageRead(A, 3.6));
        log(new Fact.EntryCorrected(1, new VoltageRead(A, 3.86)));
        Cell cell = cell(A);
        assertEquals(
                3.86, cell.firstVolts().orElseThrow(), "the first reading is the corrected one");
        assertEquals(3.6, cell.volts().orElseThrow(), "a later reading still wins");
        assertEquals(
                List.of(Fate.CORRECTED, Fate.STANDING, Fate.STANDING),
                cell.lifeLine().stream().map(Cell.LifeLineEntry::fate).toList());
    }

    @Test
    void aCellWhoseEveryEntryIsStruckIsGone() {
        log(new VoltageRead(A, 3.6));
        log(new Fact.EntryStruck(1, A, "wrong id"));
        assertTrue(state().cells().isEmpty());
    }

    @Test
    void undoTakesAWholeActAndRedoBringsItBack() {
        log(new VoltageRead(A, 3.6), new CellFact.CellPlaced(A, new Place("T1", 1, 1)));
        log(new VoltageRead(A, 3.9));
        undo();
        assertEquals(3.6, cell(A).volts().orElseThrow());
        undo();
        assertTrue(state().cells().isEmpty());
        assertTrue(state().cellAt(new Place("T1", 1, 1)).isEmpty());
        redo();
        redo();
        assertEquals(3.9, cell(A).volts().orElseThrow());
        assertTrue(WorkshopState.redo(journal).isEmpty());
    }

    @Test
    void anythingNewAfterAnUndoEndsRedo() {
        log(new VoltageRead(A, 3.6));
        undo();
        log(new VoltageRead(B, 3.7));
        assertTrue(WorkshopState.redo(journal).isEmpty());
        assertEquals(2, sequenceOf(WorkshopState.undo(journal)) - 1);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void foldingStepByStepEqualsFoldingTheWhole(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        WorkshopState stepwise = WorkshopState.empty();
        for (int i = 0; i < 60; i++) {
            CellId cell = List.of(A, B, C).get(random.nextInt(3));
            if (random.nextInt(4) == 0 && sequence > 0)
                log(new Fact.EntryStruck(random.nextLong(1, sequence + 1), cell, "test"));
            else log(new VoltageRead(cell, random.nextInt(300, 420) / 100.0));
            stepwise = stepwise.plus(journal.get(journal.size() - 1));
        }
        assertEquals(state().cells(), stepwise.cells(), "seed " + seed);
    }

    @Test
    void swapsMoveCellsBetweenGroupsAndShelfAndDropPicksOfWhatWasTakenOut() {
        MatchRules rules = MatchRules.of(1, 2, Selection.STRONGEST);
        log(new PackFact.GroupsMatched("P", rules, List.of(List.of(A, B)), Map.of()));
        log(new PackFact.CellPicked("P", B, PackFact.Pick.TAKEN));
        log(new PackFact.CellsSwapped("P", B, C));
        Pack pack = state().pack("P").orElseThrow();
        assertEquals(List.of(List.of(A, C)), pack.groups());
        assertEquals(OptionalInt.empty(), pack.groupOf(B));
        assertTrue(pack.picked().isEmpty());
        assertEquals(Optional.of("P"), state().otherPackOf(A, "Q").map(Pack::name));
    }

    private void log(Fact... facts) {
        List<Act.Entry> entries = new ArrayList<>();
        for (Fact fact : facts) entries.add(new Act.Entry(++sequence, fact));
        journal.add(new Act(journal.size() + 1, Instant.EPOCH, "act", entries));
    }

    private void undo() {
        log(new Fact.ActUndone(WorkshopState.undo(journal).orElseThrow().act()));
    }

    private void redo() {
        log(new Fact.ActRedone(WorkshopState.redo(journal).orElseThrow().act()));
    }

    private static long sequenceOf(Optional<Step> step) {
        return step.orElseThrow().act();
    }

    private WorkshopState state() {
        return WorkshopState.of(journal);
    }

    private Cell cell(CellId id) {
        return state().cell(id).orElseThrow();
    }
}
