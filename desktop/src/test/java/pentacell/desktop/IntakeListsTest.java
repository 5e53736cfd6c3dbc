package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.ListView;
import javafx.scene.control.TableView;
import javafx.scene.input.KeyCode;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.Place;
import pentacell.core.cell.PrepWork;
import pentacell.core.cell.Tray;
import pentacell.core.cell.TrayFact;
import pentacell.core.cell.Trays;
import pentacell.core.school.BandSchool;
import pentacell.core.school.Schools;
import pentacell.core.stock.Standing;

/// Moving cells, the schools and the lists of Intake, as a person handles them.
@Tag("window")
final class IntakeListsTest {
    @TempDir Path folder;

    @Test
    void cellsAreMovedByTyping() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.click("#quick-line");
            bench.type("LD07 > T3-");
            assertEquals(1, bench.robot.lookup(".chip-refused").queryAll().size());
            bench.enter("E01");
            bench.await("the donor is moved", () -> place(bench, "LD07-06").equals("T3-E06"));
            assertEquals("T3-E01", place(bench, "LD07-01"));
            bench.enter("HB05-01 > T3-E01");
            bench.await("they change places", () -> place(bench, "HB05-01").equals("T3-E01"));
            assertEquals("T1-F05", place(bench, "LD07-01"));
            bench.click("#undo");
            bench.await("taken back", () -> place(bench, "HB05-01").equals("T1-F05"));
        }
    }

    @Test
    void cellsAreMovedByDragging() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.click("#tray-T3");
            Node tray = bench.robot.lookup("#tray").query();
            CellId first = Cells.of(bench.state()).at(new Place("T3", 1, 1)).orElseThrow();
            bench.hands.drag(at(tray, 6, 12, 0, 0), at(tray, 6, 12, 5, 0));
            bench.await("moved", () -> place(bench, first.text()).equals("T3-F01"));
            // two of them, taken with shift
            bench.click("#quick-line");
            bench.enter("LD01 > T3-E01");
            bench.await("room in T2", () -> place(bench, "LD01-01").equals("T3-E01"));
            bench.hands.click(at(tray, 6, 12, 4, 0));
            bench.keys(KeyCode.SHIFT, KeyCode.RIGHT);
            bench.hands.drag(at(tray, 6, 12, 4, 0), at(tray, 6, 12, 5, 4));
            bench.await("both moved", () -> place(bench, "LD01-02").equals("T3-F06"));
            assertEquals("T3-F05", place(bench, "LD01-01"));
            // and back onto the button of a tray
            bench.hands.click(at(tray, 6, 12, 5, 4));
            Node button = bench.robot.lookup("#tray-T2").query();
            bench.hands.drag(
                    at(tray, 6, 12, 5, 4),
                    button.localToScreen(
                            button.getBoundsInLocal().getCenterX(),
                            button.getBoundsInLocal().getCenterY()));
            bench.await("it is in T2", () -> place(bench, "LD01-01").startsWith("T2-"));
        }
    }

    /// The middle of a place of a tray that fills its view.
    private static Point2D at(Node tray, int rows, int columns, int row, int column) {
        double margin = 1.9 * 13;
        double width = tray.getBoundsInLocal().getWidth() - margin;
        double height = tray.getBoundsInLocal().getHeight() - margin;
        double cellWidth = Math.min(width / columns, 7 * 13);
        double cellHeight = Math.min(height / rows, 7 * 13);
        return tray.localToScreen(
                margin + (column + 0.5) * cellWidth, margin + (row + 0.5) * cellHeight);
    }

    @Test
    void anotherSchoolSaysWhatChangesBeforeAndAfterItIsInForce() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.click("#tab-schools");
            choose(bench, BandSchool.STRICT_NMC);
            assertTrue(
                    bench.text("#school-effect").startsWith("6 cells change their verdict"),
                    bench.text("#school-effect"));
            assertEquals(
                    6,
                    bench.robot
                            .lookup("#school-changes")
                            .queryAs(ListView.class)
                            .getItems()
                            .size());
            bench.click("#school-force");
            bench.await(
                    "in force", () -> bench.text("#school-effect").contains("in force. 6 cells"));
            CellId deep = new CellId("LD04-03");
            assertEquals(Standing.OUT, bench.bench.desk().ledger().judged().standing(deep));
            choose(bench, BandSchool.RESCUE_NMC);
            bench.click("#school-force");
            bench.await(
                    "judged again",
                    () -> bench.bench.desk().ledger().judged().standing(deep) == Standing.RESCUED);
        }
    }

    private static void choose(BenchFixture bench, BandSchool policy) {
        bench.choose("#school", policy);
        bench.hands.settle();
    }

    @Test
    void aCopyOfASchoolIsEditedInOneLine() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.click("#tab-schools");
            bench.click("#school-name");
            bench.type("as in our shed\t\t");
            bench.keys(KeyCode.CONTROL, KeyCode.A);
            bench.enter("0 recycle, 2.0 slow-charge-watched, 2.6 norml, over 4.22");
            assertTrue(bench.text("#school-effect").contains("\"norml\" is not a verdict"));
            bench.keys(KeyCode.CONTROL, KeyCode.A);
            bench.enter("0 recycle, 2.0 slow-charge-watched, 2.6 normal, over 4.22");
            bench.await(
                    "the copy is in force",
                    () ->
                            Schools.of(bench.state())
                                    .bands(Chemistry.NMC)
                                    .name()
                                    .equals("as in our shed"));
            assertEquals(2.0, Schools.of(bench.state()).bands(Chemistry.NMC).recoveryFloorVolts());
        }
    }

    @Test
    void blemishesBecomeAPreparationListThatIsCheckedOffByTyping() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.click("#quick-line");
            bench.enter("HB05-02 3.7 si");
            bench.click("#tab-to-prepare");
            bench.await(
                    "the list",
                    () -> bench.text("#prep-summary").startsWith("re-sleeve 4 · new ring 4"));
            bench.click("#prep-done");
            bench.enter("HB05-02");
            bench.await(
                    "both are done",
                    () -> bench.text("#prep-summary").startsWith("re-sleeve 3 · new ring 3"));
            assertTrue(
                    Cells.of(bench.state())
                            .cell(new CellId("HB05-02"))
                            .orElseThrow()
                            .prepared()
                            .contains(PrepWork.RE_SLEEVE));
            bench.enter("HB05-02");
            bench.awaitSaid("has no open work");
        }
    }

    @Test
    void theRecycleBoxIsListedOnPaperAndHandedOver() throws Exception {
        Path pdf = folder.resolve("hand-over.pdf");
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            when(bench.files.whereTo(any(), any())).thenReturn(Optional.of(pdf));
            bench.click("#tab-recycle-box");
            assertTrue(
                    bench.text("#recycle-summary")
                            .startsWith("10 cells, about 0.45\u00a0kg, 1 damaged"),
                    bench.text("#recycle-summary"));
            bench.click("#hand-over-pdf");
            bench.await("the list", () -> Files.exists(pdf));
            bench.click("#hand-over-to");
            bench.enter("town depot");
            bench.await("all gone", () -> bench.text("#recycle-summary").startsWith("0 cells"));
            CellRecord gone = Cells.of(bench.state()).cell(new CellId("LD06-01")).orElseThrow();
            assertEquals(Optional.of("town depot"), gone.handedOver());
            assertTrue(gone.place().isEmpty());
        }
        try (PDDocument document = Loader.loadPDF(Files.readAllBytes(pdf))) {
            assertTrue(new PDFTextStripper().getText(document).contains("LD06-03"));
        }
    }

    @Test
    void theWaitingListCarriesItsInstructions() throws Exception {
        Path csv = folder.resolve("to-test.csv");
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            when(bench.files.whereTo(any(), any())).thenReturn(Optional.of(csv));
            bench.click("#tab-to-test");
            assertEquals(
                    16,
                    bench.robot.lookup("#waiting-list").queryAs(TableView.class).getItems().size());
            bench.click("#waiting-csv");
            bench.await("the file", () -> Files.exists(csv));
            List<String> lines = Files.readAllLines(csv);
            assertEquals(17, lines.size());
            assertTrue(lines.get(1).contains("HB05-01,T1-F05,Halvorn HX26,"), lines.get(1));
            assertTrue(lines.get(1).contains("hold 7 days"), lines.get(1));
        }
    }

    @Test
    void aMislabelledModelIsSuspectedByItsCapacityAndTheCatalogueGoesOutAndIn() throws Exception {
        Path csv = folder.resolve("models.csv");
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            when(bench.files.whereTo(any(), any())).thenReturn(Optional.of(csv));
            when(bench.files.which(any(), any(), any())).thenReturn(Optional.of(csv));
            bench.click("#tab-look-twice");
            assertEquals(
                    1,
                    bench.robot
                            .lookup("#look-twice-list")
                            .queryAs(TableView.class)
                            .getItems()
                            .size());
            bench.click("#tab-catalogue");
            bench.click("#catalogue-export");
            bench.await("the file", () -> Files.exists(csv));
            Files.writeString(
                    csv,
                    Files.readString(csv) + "Quill Q30,ICR19/66,,2900\r\nOdd,18650,lead,2000\r\n");
            bench.click("#catalogue-import");
            bench.await(
                    "taken", () -> Catalogue.of(bench.state()).models().containsKey("Quill Q30"));
            assertFalse(Catalogue.of(bench.state()).models().containsKey("Odd"));
            assertTrue(
                    bench.text("#catalogue-problems").contains("models.csv:8"),
                    bench.text("#catalogue-problems"));
        }
    }

    @Test
    void aCellThatIsLookedForShowsItsPlace() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT4);
            bench.keys(KeyCode.CONTROL, KeyCode.K);
            bench.enter("HT07-03");
            assertEquals("HT07-03", bench.text("#card-id"));
            bench.keys(KeyCode.F3);
            bench.await("its tray is shown", () -> bench.find("#tray", Node.class).isPresent());
            assertEquals("HT07-03", bench.text("#in-hand"));
        }
    }

    private static String place(BenchFixture bench, String cell) {
        return Cells.of(bench.state())
                .cell(new CellId(cell))
                .flatMap(CellRecord::place)
                .map(Object::toString)
                .orElse("");
    }

    @Test
    void looseCellsAreSeenBeforeThereIsATrayAndAreLaidDownTogether() throws Exception {
        try (BenchFixture bench = BenchFixture.open(folder.resolve("a.pentacell"))) {
            bench.enter("AB01-01 3.68");
            bench.enter("AB01-02 3.71");
            bench.await("two cells", () -> Cells.of(bench.state()).all().size() == 2);
            bench.await("counted", () -> bench.text("#tab-loose").equals("Loose 2"));
            bench.click("#tab-loose");
            assertEquals("2 cells lie loose", bench.text("#loose-summary"));
            bench.click("#loose-place");
            assertTrue(bench.text("#said").contains("Add tray"), "there is none yet");
            bench.robot.interact(() ->
                    bench.bench
                            .desk()
                            .ledger()
                            .log(
                                    "tray",
                                    List.of(new TrayFact.TrayAdded(new Tray("T1", 1, 4))),
                                    () -> {}));
            bench.await("a tray", () -> !Trays.of(bench.state()).all().isEmpty());
            bench.click("#loose-place");
            bench.await("laid down", () -> place(bench, "AB01-02").equals("T1-A02"));
            assertEquals("No cell lies loose", bench.text("#loose-summary"));
        }
    }
}
