package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.core.unit.NumberText;
import pentacell.desktop.match.MatchStation;
import pentacell.workshop.demo.TarnHollow;

@Tag("window")
final class StockAndMatchTest {
    @TempDir Path folder;

    @Test
    void brushingTheFieldLeavesTheBrushedCellsInTheTable() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT4);
            TableView<?> table = bench.robot.lookup("#stock-table").queryAs(TableView.class);
            int all = table.getItems().size();
            assertEquals(219, all);
            drag(bench, "#field", 0.5, 0.5, 0.95, 0.9);
            bench.await(
                    "the table follows",
                    () -> table.getItems().size() < all && !table.getItems().isEmpty());
            assertTrue(bench.text("#stock-count").contains("brushed"));
            bench.keys(KeyCode.ESCAPE);
            bench.await("Escape drops the brush", () -> table.getItems().size() == all);
            bench.click("#model-Quill-Q22");
            bench.await("a model can be hidden", () -> table.getItems().size() == all - 80);
        }
    }

    @Test
    void matchingShowsTheFiguresAndIsThereAfterReopening() throws Exception {
        List<List<CellId>> groups;
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT6);
            set(bench, "#rule-series", "6");
            set(bench, "#rule-parallel", "8");
            set(bench, "#rule-ir-spread", "8");
            assertEquals("Match 48 cells", bench.text("#match"));
            bench.click("#match");
            bench.await("it is matched", () -> pack(bench).rules().series() == 6);
            groups = pack(bench).groups();
            assertEquals(48, groups.stream().mapToInt(List::size).sum());
            // judged once it is on the disk
            bench.await("its spread is shown", () -> figure(bench, "#figure-ir-spread") <= 8);
            bench.await("what it gives is shown", () -> figure(bench, "#figure-usable") > 10_000);
        }
        try (BenchFixture again = BenchFixture.open(folder.resolve("demo.pentacell"))) {
            again.await("the match is there", () -> !Packs.of(again.state()).all().isEmpty());
            assertEquals(groups, pack(again).groups());
        }
    }

    @Test
    void aLimitThatCannotBeKeptOffersTheNearestThatCan() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT6);
            set(bench, "#rule-ir-spread", "0.1");
            bench.click("#match");
            bench.await("it says so", () -> bench.text("#match-message").contains("within 0.1"));
            bench.click("#take-nearest");
            bench.await(
                    "the nearest limit works",
                    () -> pack(bench).rules().maxIrSpreadMilliohms().isPresent());
            set(bench, "#rule-parallel", "abc");
            bench.click("#match");
            assertTrue(bench.text("#match-message").contains("\"abc\""));
        }
    }

    @Test
    void draggingACellOntoAnotherSwapsThemAndUndoBringsThemBack() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT6);
            List<List<CellId>> before = pack(bench).groups();
            Node skyline = bench.robot.lookup("#skyline").query();
            Point2D first = Hands.at(skyline, 0.15, 0.4);
            Point2D second = Hands.at(skyline, 0.55, 0.6);
            bench.hands.moveTo(first);
            bench.hands.down();
            bench.hands.moveTo(second);
            assertTrue(bench.text("#swap-effect").startsWith("Swap "), bench.text("#swap-effect"));
            bench.hands.up();
            bench.await("they are swapped", () -> !pack(bench).groups().equals(before));
            bench.keys(KeyCode.CONTROL, KeyCode.Z);
            bench.await("they are back", () -> pack(bench).groups().equals(before));
        }
    }

    /// The same with X and the mouse: what a swap with the marked cell would do stands there for
    /// each cell that is clicked.
    @Test
    void whatAMarkedCellWouldDoIsToldForEachThatIsClicked() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT6);
            Node skyline = bench.robot.lookup("#skyline").query();
            bench.hands.click(Hands.at(skyline, 0.15, 0.4));
            CellId marked = bench.bench.desk().selection().cellProperty().get().orElseThrow();
            bench.keys(KeyCode.X);
            for (double x : List.of(0.55, 0.75)) {
                bench.hands.click(Hands.at(skyline, x, 0.6));
                CellId clicked = bench.bench.desk().selection().cellProperty().get().orElseThrow();
                assertTrue(
                        bench.text("#swap-effect")
                                .startsWith("Swap %s and %s: usable ".formatted(marked, clicked)),
                        bench.text("#swap-effect"));
            }
            bench.keys(KeyCode.ESCAPE);
            assertTrue(bench.text("#swap-effect").startsWith("Drag to swap"));
        }
    }

    @Test
    void aLockedCellIsNotSwappedByKeys() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT6);
            CellId first = pack(bench).groups().get(0).get(0);
            CellId second = pack(bench).groups().get(1).get(0);
            bench.robot.interact(() -> bench.bench.desk().selection().select(first));
            bench.keys(KeyCode.L);
            bench.await("it is locked", () -> pack(bench).locked().contains(first));
            bench.keys(KeyCode.X);
            bench.robot.interact(() -> bench.bench.desk().selection().select(second));
            bench.keys(KeyCode.X);
            bench.await("it says why not", () -> bench.text("#said").contains("is locked"));
            assertEquals(0, pack(bench).groupOf(first).orElseThrow());
        }
    }

    /// A cell that failed at the last look: R names the best of the shelf and what it means, R
    /// again takes it; under a limit a swap that breaks it is refused.
    @Test
    void aFailedCellIsReplacedByTheBestLeftOver() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT6);
            CellId failed = pack(bench).groups().get(2).get(1);
            bench.robot.interact(() -> bench.bench.desk().selection().select(failed));
            bench.keys(KeyCode.R);
            String named = bench.text("#swap-effect");
            assertTrue(
                    named.contains(" for " + failed + ": usable ") && named.contains("R again"),
                    named);
            assertTrue(pack(bench).groupOf(failed).isPresent(), "named only");
            bench.keys(KeyCode.R);
            bench.await("it is replaced", () -> pack(bench).groupOf(failed).isEmpty());
            CellId came = new CellId(named.substring(0, named.indexOf(' ')));
            assertEquals(2, pack(bench).groupOf(came).orElseThrow());
        }
    }

    @Test
    void aSwapThatBreaksTheLimitIsRefused() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT6);
            set(bench, "#rule-ir-spread", "3");
            bench.click("#match");
            bench.await(
                    "it is matched", () -> pack(bench).rules().maxIrSpreadMilliohms().isPresent());
            List<List<CellId>> before = pack(bench).groups();
            CellId low = byResistance(bench, before, 1);
            CellId high = byResistance(bench, before, -1);
            bench.robot.interact(() -> bench.bench.desk().selection().select(low));
            bench.robot.interact(() -> bench.robot.lookup("#skyline").query().requestFocus());
            bench.keys(KeyCode.X);
            bench.robot.interact(() -> bench.bench.desk().selection().select(high));
            bench.keys(KeyCode.X);
            bench.await(
                    "it says why not",
                    () ->
                            bench.text("#said").startsWith("Not swapped: ")
                                    && bench.text("#said").contains("the limit is 3.0"));
            assertEquals(before, pack(bench).groups());
        }
    }

    /// The matched cell of lowest (1) or highest (−1) resistance.
    private static CellId byResistance(BenchFixture bench, List<List<CellId>> groups, int sign) {
        return groups.stream()
                .flatMap(List::stream)
                .min(
                        java.util.Comparator.comparingDouble(id ->
                                sign
                                        * Cells.of(bench.state())
                                                .cell(id)
                                                .orElseThrow()
                                                .acMilliohms()
                                                .orElseThrow()))
                .orElseThrow();
    }

    @Test
    void thePickWalkChecksCellsOffAndRefusesTheWrongOne() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT6);
            bench.click("#tab-pick-list");
            CellId inPack = pack(bench).groups().get(2).get(3);
            bench.enter("LL01-01");
            assertTrue(
                    bench.text("#pick-answer").contains("belongs to the pack " + TarnHollow.DOME),
                    bench.text("#pick-answer"));
            set(bench, "#pick-check", "");
            bench.enter("ZZ9-9");
            assertTrue(bench.text("#pick-answer").contains("was ever logged"));
            set(bench, "#pick-check", "");
            bench.enter(inPack.text().toLowerCase(java.util.Locale.ROOT));
            bench.await("it is checked off", () -> pack(bench).picked().contains(inPack));
            assertTrue(bench.text("#pick-answer").contains("goes to group 3"));
            bench.enter(inPack.text());
            assertTrue(bench.text("#pick-answer").contains("already in the hand"));
        }
    }

    @Test
    void thePickListIsWrittenAsPdfAndCsv() throws Exception {
        Path pdf = folder.resolve("list.pdf");
        Path csv = folder.resolve("list.csv");
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            when(bench.files.whereTo(any(), any()))
                    .thenReturn(Optional.of(pdf))
                    .thenReturn(Optional.of(csv));
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT6);
            bench.click("#tab-pick-list");
            bench.click("#pick-pdf");
            bench.await("the paper is written", () -> Files.exists(pdf));
            bench.click("#pick-csv");
            bench.await("the table is written", () -> Files.exists(csv));
        }
        assertTrue(
                new String(
                                Files.readAllBytes(pdf),
                                0,
                                5,
                                java.nio.charset.StandardCharsets.US_ASCII)
                        .startsWith("%PDF-"));
        List<String> lines = Files.readAllLines(csv);
        assertEquals(
                "order,location,cell_id,group,position,capacity_mah,ir_mohm,taken", lines.get(0));
        assertEquals(71, lines.size());
        List<String> places = lines.stream().skip(1).map(line -> line.split(",", -1)[1]).toList();
        assertEquals(places.stream().sorted().toList(), places, "a hand walks once");
    }

    @Test
    void theCurveGrowsAndAPointOfItCanBeTaken() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT6);
            bench.click("#tab-trade-off");
            bench.robot.interact(() -> bench.bench.station(MatchStation.class).drawCurve());
            bench.await(
                    "the curve is drawn", () -> bench.bench.station(MatchStation.class).hasCurve());
            TableView<?> table = bench.robot.lookup("#trade-off-table").queryAs(TableView.class);
            bench.click("#trade-off-plot");
            assertTrue(table.getSelectionModel().getSelectedIndex() > 0);
            bench.click("#trade-off-take");
            bench.await(
                    "its limit holds",
                    () -> pack(bench).rules().maxIrSpreadMilliohms().isPresent());
        }
    }

    private static Pack pack(BenchFixture bench) {
        return Packs.of(bench.state()).pack(TarnHollow.LONG_NIGHT).orElseThrow();
    }

    private static void set(BenchFixture bench, String query, String text) {
        TextField field = bench.robot.lookup(query).queryAs(TextField.class);
        bench.robot.interact(() -> {
            field.requestFocus();
            field.setText("");
        });
        bench.type(text);
    }

    private static void drag(
            BenchFixture bench, String query, double fromX, double fromY, double toX, double toY) {
        Node node = bench.robot.lookup(query).query();
        bench.hands.drag(Hands.at(node, fromX, fromY), Hands.at(node, toX, toY));
    }

    private static double figure(BenchFixture bench, String query) {
        return NumberText.parse(bench.text(query)).orElse(Double.NaN);
    }
}
