package pentacell.core.stock;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.Journal;
import pentacell.core.cell.Blemish;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.Place;
import pentacell.core.cell.PrepWork;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorFact;
import pentacell.core.journal.Fact;
import pentacell.core.line.Line;
import pentacell.core.line.LineAct;
import pentacell.core.line.TypedLines;
import pentacell.core.state.WorkshopState;

final class ShelfTest {

    @ParameterizedTest(name = "{0} → {1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "A01-02 > T2-B01        | A01-02 T2-B01",
                "A01-02 > T2            | A01-02 T2-A01",
                "A01-01..03 > T2        | A01-01 T2-A01, A01-02 T2-A02, A01-03 T2-A03",
                "A01-01..A01-02 > T2-A03| A01-01 T2-A03, A01-02 T2-B01",
                "A01 > T2-A02           | A01-01 T2-A02, A01-02 T2-A03, A01-03 T2-B01",
                "T1-A01..A02 > T2       | A01-01 T2-A01, A01-02 T2-A02",
                "loose > T2             | B01-01 T2-A01",
                "> T2-B03               | A01-01 T2-B03",
                "A01-01 > T1-A02        | A01-02 T1-A01, A01-01 T1-A02",
                "A01-01, A01-03 > T2    | A01-01 T2-A01, A01-03 T2-A02"
            })
    void movesAreTypedAsTheyAreSaid(String line, String moves) {
        Line<LineAct> read = MoveLine.read(line, shelf(), Optional.of(new CellId("A01-01")));
        assertEquals(
                moves,
                String.join(
                        ", ",
                        TypedLines.facts(read, shelf()).stream()
                                .map(CellFact.CellPlaced.class::cast)
                                .map(move -> move.cell() + " " + move.place())
                                .toList()));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "A01-09 > T2",
                "A01-01 > T9",
                "A01-01 > T2-C01",
                "A01-01 >",
                "> ",
                "A01 > T2-B02",
                "A01-01..B01-02 > T2"
            })
    void whatCannotBeDoneIsSaidAndNothingMoves(String line) {
        Line<LineAct> read = MoveLine.read(line, shelf(), Optional.of(new CellId("A01-01")));
        assertFalse(TypedLines.whyNot(read).isEmpty());
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void noMoveEverLaysTwoCellsInOnePlace(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Journal journal =
                new Journal()
                        .model("Quill Q22", Chemistry.NMC, 2100)
                        .tray("T1", 3, 4)
                        .tray("T2", 2, 3);
        for (int i = 1; i <= 9; i++)
            journal.cell(
                    "A01-%02d".formatted(i),
                    "Quill Q22",
                    new Place("T1", 1 + (i - 1) / 4, 1 + (i - 1) % 4).toString(),
                    3.7);
        for (int round = 0; round < 60; round++) {
            WorkshopState state = journal.state();
            List<CellId> ids = new ArrayList<>(Cells.of(state).all().keySet());
            int from = random.nextInt(ids.size());
            int to = Math.min(ids.size(), from + 1 + random.nextInt(3));
            Place place =
                    random.nextBoolean()
                            ? new Place("T1", 1 + random.nextInt(3), 1 + random.nextInt(4))
                            : new Place("T2", 1 + random.nextInt(2), 1 + random.nextInt(3));
            Shelf.move(state, ids.subList(from, to), place)
                    .ifPresent(moves -> journal.log(moves.toArray(Fact[]::new)));
            Set<Place> places = new HashSet<>();
            Cells.of(journal.state())
                    .all()
                    .values()
                    .forEach(cell ->
                            assertTrue(
                                    places.add(cell.place().orElseThrow()),
                                    "two lie in one place, seed " + seed));
        }
    }

    @Test
    void placesAreProposedInTheFirstTrayThatTakesAll() {
        assertEquals("[T1-A04, T1-B01]", Shelf.free(shelf(), 2).toString());
        assertEquals(
                "[T2-A01, T2-A02, T2-A03, T2-B01, T2-B02, T2-B03]",
                Shelf.free(shelf(), 6).toString());
        assertEquals(11, Shelf.free(shelf(), 99).size(), "what there is");
    }

    @Test
    void thePreparationListKnowsWhatIsStillToBeDone() {
        Journal journal = journal();
        CellId one = new CellId("A01-01");
        CellId two = new CellId("A01-02");
        CellId out = new CellId("A01-03");
        journal.log(
                new CellFact.BlemishesSeen(one, EnumSet.of(Blemish.SLEEVE_TORN, Blemish.TAB_STUB)),
                new CellFact.BlemishesSeen(two, EnumSet.of(Blemish.SLEEVE_TORN)),
                new CellFact.BlemishesSeen(out, EnumSet.of(Blemish.SLEEVE_TORN, Blemish.LEAK)));
        assertEquals(
                List.of(
                        new Preparation(PrepWork.RE_SLEEVE, List.of(one, two)),
                        new Preparation(PrepWork.GRIND_TABS, List.of(one))),
                preparation(journal.state()));
        journal.log(new CellFact.PrepDone(one, PrepWork.RE_SLEEVE));
        assertEquals(List.of(two), preparation(journal.state()).get(0).cells());
        journal.log(new CellFact.BlemishesSeen(one, EnumSet.of(Blemish.SLEEVE_TORN)));
        assertEquals(
                List.of(one, two), preparation(journal.state()).get(0).cells(), "torn once more");
    }

    @Test
    void theRecycleBoxHoldsWhatIsOutUntilItIsHandedOver() {
        Journal journal = journal();
        journal.cell("A01-01", "Quill Q22", "T1-A01", 0.4);
        journal.log(new CellFact.BlemishesSeen(new CellId("A01-02"), EnumSet.of(Blemish.PUNCTURE)));
        RecycleBox box = RecycleBox.of(journal.state());
        // the first voltage counts, and A01-01 was first read at 3.7 V
        assertEquals(List.of("A01-02"), ids(box));
        journal.cell("C01-01", "Quill Q22", "T2-A01", 0.4);
        box = RecycleBox.of(journal.state());
        assertEquals(List.of("A01-02", "C01-01"), ids(box));
        assertEquals(1, box.damaged());
        // an 18650 weighs about 45 g: common practice
        assertEquals(90, box.grams(), 4);
        journal.log(new CellFact.HandedOver(new CellId("C01-01"), "town depot"));
        assertEquals(List.of("A01-02"), ids(RecycleBox.of(journal.state())));
        assertTrue(
                Cells.of(journal.state()).at(new Place("T2", 1, 1)).isEmpty(), "its place is free");
    }

    private static List<String> ids(RecycleBox box) {
        return box.items().stream().map(item -> item.cell().id().text()).toList();
    }

    private static List<Preparation> preparation(WorkshopState state) {
        return Preparation.of(state, JudgedStock.of(state));
    }

    private static WorkshopState shelf() {
        return journal().state();
    }

    private static Journal journal() {
        return new Journal()
                .model("Quill Q22", Chemistry.NMC, 2100)
                .tray("T1", 2, 4)
                .tray("T2", 2, 3)
                .log(new DonorFact.DonorAdded(Donor.of("A01", "", "", "")))
                .cell("A01-01", "Quill Q22", "T1-A01", 3.7)
                .cell("A01-02", "Quill Q22", "T1-A02", 3.7)
                .cell("A01-03", "Quill Q22", "T1-A03", 3.7)
                .cell("B01-01", "Quill Q22", "", 3.7);
    }
}
