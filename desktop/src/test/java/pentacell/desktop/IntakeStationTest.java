package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellFact.CapacityMeasured;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.CellRecord.Fate;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Trays;
import pentacell.core.donor.Donors;

@Tag("window")
final class IntakeStationTest {
    @TempDir Path folder;

    @Test
    void fromAnEmptyFileByKeyboardToCellsInATrayThatAreThereAfterReopening() throws Exception {
        Path file = folder.resolve("new.pentacell");
        try (BenchFixture bench = BenchFixture.open(file)) {
            bench.click("#define-model");
            bench.type("Halvorn HX26\t18650\t\t2500");
            bench.keys(KeyCode.ENTER);
            bench.await(
                    "the model is defined",
                    () -> Catalogue.of(bench.state()).models().containsKey("Halvorn HX26"));
            bench.keys(KeyCode.ESCAPE);
            bench.click("#add-donor");
            bench.type("HB03\thire-bicycle module\t");
            bench.click("#donor-model");
            bench.keys(KeyCode.DOWN);
            bench.keys(KeyCode.ENTER);
            bench.click("#donor-form-verb");
            bench.await(
                    "the donor is added",
                    () -> Donors.of(bench.state()).described().containsKey("HB03"));
            bench.keys(KeyCode.ESCAPE);
            bench.click("#add-tray");
            bench.type("T1\t3\t4");
            bench.keys(KeyCode.ENTER);
            bench.await("the tray is there", () -> Trays.of(bench.state()).all().containsKey("T1"));
            bench.keys(KeyCode.ESCAPE);

            bench.enter("HB03-07 3.68 56 2143");
            bench.await(
                    "the first cell is logged", () -> Cells.of(bench.state()).all().size() == 1);
            assertEquals("HB03-08 (new)", bench.text("#in-hand"), "the next id is proposed");
            bench.enter("3,71 56,2m");
            bench.await(
                    "the second cell is logged", () -> Cells.of(bench.state()).all().size() == 2);
            bench.enter("2.2v \"sleeve torn");
            bench.await(
                    "the third cell is logged", () -> Cells.of(bench.state()).all().size() == 3);

            CellRecord second = cell(bench, "HB03-08");
            assertEquals(3.71, second.volts().orElseThrow());
            assertEquals("T1-A02", second.place().orElseThrow().toString());
            assertEquals("Halvorn HX26", second.model().orElseThrow());
            assertEquals("HB03-09", bench.text("#card-id"));
            assertTrue(bench.text("#card-verdict").contains("waits for test"));
        }
        try (BenchFixture again = BenchFixture.open(file)) {
            again.await("all is there", () -> Cells.of(again.state()).all().size() == 3);
            assertEquals(2143, cell(again, "HB03-07").milliampHours().orElseThrow());
        }
    }

    @Test
    void chipsShowWhatWillBeLoggedAndWhatIsOddBeforeEnter() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.click("#quick-line");
            bench.type("HB05-12 3,68 156 5O.2");
            assertEquals(4, bench.robot.lookup(".chip").queryAll().size());
            assertEquals(1, bench.robot.lookup(".chip-odd").queryAll().size());
            assertEquals(1, bench.robot.lookup(".chip-refused").queryAll().size());
            assertTrue(bench.text("#quick-remark").contains("letter O"), "why it cannot be logged");
            int before = cell(bench, "HB05-12").lifeLine().size();
            bench.keys(KeyCode.ENTER);
            assertEquals(
                    "HB05-12 3,68 156 5O.2",
                    bench.robot.lookup("#quick-line").queryAs(TextField.class).getText(),
                    "nothing typed is lost");
            assertEquals(
                    before,
                    cell(bench, "HB05-12").lifeLine().size(),
                    "nothing half understood is logged");
        }
    }

    @Test
    void undoAndRedoSayAndDoWhatWasDone() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.click("#quick-line");
            bench.enter("HB05-12 51.5");
            bench.await("it is logged", () -> cell(bench, "HB05-12").milliohms().isPresent());
            assertEquals("Undo: Log HB05-12", bench.text("#undo"));
            bench.keys(KeyCode.CONTROL, KeyCode.Z);
            bench.await("it is taken back", () -> cell(bench, "HB05-12").milliohms().isEmpty());
            assertEquals("Redo: Log HB05-12", bench.text("#redo"));
            bench.keys(KeyCode.CONTROL, KeyCode.Y);
            bench.await("it is back", () -> cell(bench, "HB05-12").milliohms().isPresent());
        }
    }

    @Test
    void aWrongReadingIsCorrectedFromTheCardAndTheOldOneStays() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            CellId id = new CellId("HB01-02");
            bench.robot.interact(() -> bench.bench.desk().selection().select(id));
            CellRecord.LifeLineEntry capacity =
                    cell(bench, "HB01-02").lifeLine().stream()
                            .filter(entry -> entry.fact() instanceof CapacityMeasured)
                            .findFirst()
                            .orElseThrow();
            bench.click("#correct-" + capacity.sequence());
            bench.robot.interact(
                    () -> bench.robot.lookup("#correction").queryAs(TextField.class).setText(""));
            bench.enter("2288");
            bench.await(
                    "it is corrected",
                    () ->
                            cell(bench, "HB01-02")
                                    .milliampHours()
                                    .equals(java.util.OptionalDouble.of(2288)));
            assertEquals(
                    List.of(Fate.CORRECTED, Fate.STANDING),
                    cell(bench, "HB01-02").lifeLine().stream()
                            .filter(entry -> entry.fact() instanceof CapacityMeasured)
                            .map(CellRecord.LifeLineEntry::fate)
                            .toList());
        }
    }

    @Test
    void aDecisionByHandNeedsAReasonAndChangesTheVerdict() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.robot.interact(
                    () -> bench.bench.desk().selection().select(new CellId("HB01-02")));
            bench.click("#decide");
            assertTrue(cell(bench, "HB01-02").decision().isEmpty(), "no reason, no decision");
            bench.click("#decision-reason");
            bench.enter("dented at the crimp");
            bench.await("it is decided", () -> cell(bench, "HB01-02").decision().isPresent());
            assertEquals("out", bench.text("#card-verdict"));
        }
    }

    @Test
    void anImportShowsColumnsAndBadLinesFirstAndTakesTheGoodOnes() throws Exception {
        Path csv = folder.resolve("more.csv");
        Files.writeString(
                csv,
                "Cell;Voltage / V;IR mOhm;Colour\nHB05-12;3,70;50,1;red\nN-1;3,6;5O;blue\nN-2;3,6;48;blue\n");
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            when(bench.files.which(any(), any(), any())).thenReturn(Optional.of(csv));
            bench.keys(KeyCode.CONTROL, KeyCode.I);
            bench.await(
                    "the preview is shown", () -> bench.text("#import-title").contains("UTF-8"));
            assertTrue(
                    bench.text("#import-columns").contains("\"Voltage / V\" is voltage in V"),
                    bench.text("#import-columns"));
            assertTrue(bench.text("#import-columns").contains("\"Colour\" is not taken"));
            assertTrue(
                    bench.text("#import-effect")
                            .startsWith("2 good lines (1 new cell, 1 already logged"),
                    bench.text("#import-effect"));
            assertEquals(
                    List.of(
                            "more.csv:3: column 3 \"IR mOhm\": \"5O\" is not a number (letter O?), expected a resistance above 0 and up to 10000 mΩ"),
                    bench.robot.lookup("#import-problems").queryAs(ListView.class).getItems());
            bench.click("#import-take");
            bench.await(
                    "the good lines are taken",
                    () -> Cells.of(bench.state()).cell(new CellId("N-2")).isPresent());
            assertEquals(50.1, cell(bench, "HB05-12").milliohms().orElseThrow());
            bench.keys(KeyCode.CONTROL, KeyCode.I);
            bench.await(
                    "the same file is noticed",
                    () -> bench.text("#import-effect").contains("imported before"));
        }
    }

    @Test
    void aDemoModelCanBePickedAndACellsModelNamedFromTheCard() throws Exception {
        try (BenchFixture bench = BenchFixture.open(folder.resolve("own.pentacell"))) {
            bench.click("#define-model");
            bench.click("#model-example");
            bench.keys(KeyCode.DOWN);
            bench.keys(KeyCode.ENTER);
            bench.click("#model-form-verb");
            bench.await(
                    "it is in the catalogue",
                    () -> Catalogue.of(bench.state()).models().containsKey("Halvorn HX26"));
            bench.keys(KeyCode.ESCAPE);
            bench.enter("Q-1 3.7 2100");
            bench.await(
                    "a cell without donor or tray is logged",
                    () -> Cells.of(bench.state()).all().size() == 1);
            assertEquals("not known", bench.text("#card-verdict"));
            bench.click("#card-model");
            bench.keys(KeyCode.DOWN);
            bench.keys(KeyCode.ENTER);
            bench.await("it has a model", () -> "fit".equals(bench.text("#card-verdict")));
        }
    }

    @Test
    void findOrDoFindsACellAndGoesToItsPlace() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1024, 640)) {
            bench.keys(KeyCode.CONTROL, KeyCode.K);
            bench.enter("ht04-05");
            bench.await("the cell is selected", () -> "HT04-05".equals(bench.text("#card-id")));
            assertEquals("out", bench.text("#card-verdict"));
            assertEquals("HT04-05", bench.text("#in-hand"), "the hand is at its place");
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT4);
            assertTrue(bench.find("#stock", javafx.scene.layout.BorderPane.class).isPresent());
        }
    }

    @Test
    void aSecondWindowOnTheSameFileIsRefusedInWords() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.robot.interact(() -> bench.bench.frame().open(folder.resolve("demo.pentacell")));
            bench.await(
                    "it is refused",
                    () -> bench.text("#said").contains("already open in another Pentacell"));
            assertTrue(!Cells.of(bench.state()).all().isEmpty(), "the open workshop stays");
        }
    }

    private static CellRecord cell(BenchFixture bench, String id) {
        return Cells.of(bench.state()).cell(new CellId(id)).orElseThrow();
    }
}
