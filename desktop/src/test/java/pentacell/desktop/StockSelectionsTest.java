package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.TableView;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.pack.Packs;
import pentacell.core.school.Grading;
import pentacell.workshop.demo.TarnHollow;

/// Limits dragged in the field, selections kept and used, bins, and units beside single cells.
@Tag("window")
final class StockSelectionsTest {
    @TempDir Path folder;

    @Test
    void theLeastHealthIsDraggedAndUndone() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT4);
            Node field = bench.robot.lookup("#field").query();
            bench.await("the field is there", () -> field.getBoundsInLocal().getWidth() > 100);
            // the line of one model: found by trying, as a hand does
            double before = Grading.of(bench.state()).policy().minSohShare();
            for (double x = 0.04;
                    x < 0.5 && Grading.of(bench.state()).policy().minSohShare() == before;
                    x += 0.006)
                bench.hands.drag(Hands.at(field, x, 0.7), Hands.at(field, x - 0.03, 0.7));
            bench.await(
                    "the limit is lower",
                    () -> Grading.of(bench.state()).policy().minSohShare() < before);
            bench.awaitSaid("Grade from");
            bench.keys(KeyCode.CONTROL, KeyCode.Z);
            bench.await(
                    "and as it was",
                    () -> Grading.of(bench.state()).policy().minSohShare() == before);
        }
    }

    @Test
    void aSelectionIsKeptAndMatchTakesItsCellsFromIt() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT4);
            TableView<?> table = bench.robot.lookup("#stock-table").queryAs(TableView.class);
            int all = table.getItems().size();
            bench.click("#select-sigma-1");
            bench.await("some are brushed", () -> table.getItems().size() < all);
            bench.click("#selection-name");
            bench.type("Middling");
            bench.keys(KeyCode.ENTER);
            bench.await(
                    "they are kept",
                    () -> Grading.of(bench.state()).selections().containsKey("Middling"));
            Set<CellId> kept =
                    Set.copyOf(
                            Objects.requireNonNull(
                                    Grading.of(bench.state()).selections().get("Middling")));
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT6);
            bench.choose("#rule-cells-from", "Middling");
            List<List<CellId>> before =
                    Packs.of(bench.state()).pack(TarnHollow.LONG_NIGHT).orElseThrow().groups();
            bench.click("#match");
            bench.await(
                    "matched of them",
                    () ->
                            !Packs.of(bench.state())
                                    .pack(TarnHollow.LONG_NIGHT)
                                    .orElseThrow()
                                    .groups()
                                    .equals(before));
            Set<CellId> taken = new HashSet<>();
            Packs.of(bench.state())
                    .pack(TarnHollow.LONG_NIGHT)
                    .orElseThrow()
                    .groups()
                    .forEach(taken::addAll);
            assertEquals(70, taken.size());
            assertTrue(kept.containsAll(taken));
        }
    }

    @Test
    void binsAreBrushedByAClick() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT4);
            bench.click("#tab-bins");
            assertTrue(
                    bench.text("#bins-meaning")
                            .matches("(\\d+) of \\1 cells in bins, most from .*"),
                    bench.text("#bins-meaning"));
            assertTrue(bench.text("#bins-look").contains("of a bell curve 68"));
            TableView<?> table = bench.robot.lookup("#stock-table").queryAs(TableView.class);
            int all = table.getItems().size();
            Node picture = bench.robot.lookup("#bins-picture").query();
            bench.hands.moveTo(Hands.at(picture, 0.17, 0.5));
            bench.hands.down();
            bench.hands.up();
            bench.await("a bin is brushed", () -> table.getItems().size() < all / 3);
        }
    }

    @Test
    void aWeldedPairIsLoggedAsAUnitAndJudgedByItsCans() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT2);
            bench.type("HB01-90 x2 3.71 24 4400");
            bench.keys(KeyCode.ENTER);
            CellId pair = new CellId("HB01-90");
            bench.await("it is logged", () -> Cells.of(bench.state()).cell(pair).isPresent());
            assertEquals(2, Cells.of(bench.state()).cell(pair).orElseThrow().count());
            assertTrue(
                    Cells.of(bench.state()).cell(pair).orElseThrow().lifeLine().stream()
                            .anyMatch(entry ->
                                    entry.fact().equals(new CellFact.CansCounted(pair, 2))));
            assertTrue(bench.bench.desk().ledger().judged().standing(pair).mayBeMatched());
        }
    }
}
