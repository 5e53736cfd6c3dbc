package pentacell.core.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.Chapters;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFact.VoltageRead;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.CellRecord.Fate;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Place;
import pentacell.core.journal.Act;
import pentacell.core.journal.Amendment;
import pentacell.core.journal.Entry;
import pentacell.core.journal.Fact;
import pentacell.core.journal.History;
import pentacell.core.journal.Step;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Pack;
import pentacell.core.pack.PackFact;
import pentacell.core.pack.Packs;
import pentacell.core.pack.Selection;

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
        log(new Amendment.EntryCorrected(1, new VoltageRead(A, 3.86)));
        CellRecord cell = cell(A);
        assertEquals(
                3.86, cell.firstVolts().orElseThrow(), "the first reading is the corrected one");
        assertEquals(3.6, cell.volts().orElseThrow(), "a later reading still wins");
        assertEquals(
                List.of(Fate.CORRECTED, Fate.STANDING, Fate.STANDING),
                cell.lifeLine().stream().map(CellRecord.LifeLineEntry::fate).toList());
    }

    @Test
    void aCellWhoseEveryEntryIsStruckIsGone() {
        log(new VoltageRead(A, 3.6));
        log(new Amendment.EntryStruck(1, "wrong id"));
        assertTrue(Cells.of(state()).all().isEmpty());
    }

    @Test
    void undoTakesAWholeActAndRedoBringsItBack() {
        log(new VoltageRead(A, 3.6), new CellFact.CellPlaced(A, new Place("T1", 1, 1)));
        log(new VoltageRead(A, 3.9));
        undo();
        assertEquals(3.6, cell(A).volts().orElseThrow());
        undo();
        assertTrue(Cells.of(state()).all().isEmpty());
        assertTrue(Cells.of(state()).at(new Place("T1", 1, 1)).isEmpty());
        redo();
        redo();
        assertEquals(3.9, cell(A).volts().orElseThrow());
        assertTrue(History.of(journal).redo().isEmpty());
    }

    @Test
    void anythingNewAfterAnUndoEndsRedo() {
        log(new VoltageRead(A, 3.6));
        undo();
        log(new VoltageRead(B, 3.7));
        assertTrue(History.of(journal).redo().isEmpty());
        assertEquals(2, sequenceOf(History.of(journal).undo()) - 1);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void foldingStepByStepEqualsFoldingTheWhole(long seed) {
        RandomFacts facts = new RandomFacts(seed);
        WorkshopState stepwise = Chapters.empty();
        Set<Class<?>> filled = new HashSet<>();
        for (int i = 0; i < 1000; i++) {
            log(facts.next(sequence));
            stepwise = stepwise.plus(journal.get(journal.size() - 1));
            // what was filled may come back to how it began, such as a school
            for (Chapter<?> chapter : Chapters.ALL)
                if (!chapter.empty().equals(stepwise.slice(chapter.sliceType())))
                    filled.add(chapter.sliceType());
        }
        assertEquals(state(), stepwise, "seed " + seed);
        for (Chapter<?> chapter : Chapters.ALL)
            assertTrue(
                    filled.contains(chapter.sliceType()),
                    "the random journal fills every chapter, seed " + seed);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void undoingEverythingLeavesNothingAndRedoingItBringsBackTheWhole(long seed) {
        RandomFacts facts = new RandomFacts(seed);
        for (int i = 0; i < 60; i++) log(facts.next(sequence));
        WorkshopState before = state();
        while (History.of(journal).undo().isPresent()) undo();
        assertEquals(Chapters.empty(), state(), "seed " + seed);
        while (History.of(journal).redo().isPresent()) redo();
        assertEquals(before, state(), "seed " + seed);
    }

    @Test
    void aFactOfNoChapterIsRefused() {
        record Rumour(String words) implements Fact {}
        assertThrows(
                IllegalArgumentException.class,
                () -> Chapters.empty().plus(act(new Rumour("heard at the gate"))));
        assertThrows(
                IllegalArgumentException.class, () -> Chapters.empty().slice(StringBuilder.class));
        assertThrows(
                IllegalArgumentException.class,
                () -> WorkshopState.empty(List.of(Chapters.ALL.get(0), Chapters.ALL.get(0))));
    }

    @Test
    void swapsMoveCellsBetweenGroupsAndShelfAndDropPicksOfWhatWasTakenOut() {
        MatchRules rules = MatchRules.of(1, 2, Selection.STRONGEST);
        log(new PackFact.GroupsMatched("P", rules, List.of(List.of(A, B)), Map.of()));
        log(new PackFact.CellPicked("P", B, PackFact.Pick.TAKEN));
        log(new PackFact.CellsSwapped("P", B, C));
        Pack pack = Packs.of(state()).pack("P").orElseThrow();
        assertEquals(List.of(List.of(A, C)), pack.groups());
        assertEquals(OptionalInt.empty(), pack.groupOf(B));
        assertTrue(pack.picked().isEmpty());
        assertEquals(Optional.of("P"), Packs.of(state()).otherPackOf(A, "Q").map(Pack::name));
    }

    private void log(Fact... facts) {
        journal.add(act(facts));
    }

    private Act act(Fact... facts) {
        List<Entry> entries = new ArrayList<>();
        for (Fact fact : facts) entries.add(new Entry(++sequence, fact));
        return new Act(journal.size() + 1, Instant.EPOCH, "act", entries);
    }

    private void undo() {
        log(new Amendment.ActUndone(History.of(journal).undo().orElseThrow().act()));
    }

    private void redo() {
        log(new Amendment.ActRedone(History.of(journal).redo().orElseThrow().act()));
    }

    private static long sequenceOf(Optional<Step> step) {
        return step.orElseThrow().act();
    }

    private WorkshopState state() {
        return Chapters.fold(journal);
    }

    private CellRecord cell(CellId id) {
        return Cells.of(state()).cell(id).orElseThrow();
    }
}
