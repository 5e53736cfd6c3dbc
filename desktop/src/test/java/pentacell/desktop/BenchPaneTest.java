package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static pentacell.desktop.WaitingCells.add;
import static pentacell.desktop.WaitingCells.charger;
import static pentacell.desktop.WaitingCells.eight;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TableView;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.school.Schools;
import pentacell.core.school.TestSchool;
import pentacell.core.test.facts.Bench;
import pentacell.instruments.simulated.SimulatedInstrument;

/// What stands on the bench, handled as a person does: instruments, bays set aside, schools, logs.
@Tag("window")
final class BenchPaneTest {
    @TempDir Path folder;

    private BenchFixture station(List<CellId> cells, int clock) throws Exception {
        return WaitingCells.station(folder.resolve("bench.pentacell"), cells, clock);
    }

    private static void choose(BenchFixture ui, String query, String item) {
        ui.robot.interact(() -> {
            @SuppressWarnings("unchecked")
            ComboBox<String> box = ui.find(query, ComboBox.class).orElseThrow();
            box.setValue(item);
        });
    }

    @Test
    void aLostLineTakesItsBaysOutOfThePlanUntilItIsBack() throws Exception {
        SimulatedInstrument charger = charger(0);
        try (BenchFixture ui = station(eight(), 600)) {
            add(charger, ui);
            ui.click("#tab-time-sheet");
            ui.await("planned", () -> ui.text("#plan-finish").startsWith("All tested"));
            int port = charger.port();
            charger.close();
            ui.await("lost", () -> ui.text("#plan-finish").contains("no bay can test"));
            assertTrue(ui.text("#plan-hands").contains("Charger A · 4"));
            charger = WaitingCells.chargerAgain(port);
            ui.await("back", () -> ui.text("#plan-finish").startsWith("All tested"));
        } finally {
            charger.close();
        }
    }

    @Test
    void aBaySetAsideTakesNoCell() throws Exception {
        try (SimulatedInstrument charger = charger(0);
                BenchFixture ui = station(eight(), 600)) {
            add(charger, ui);
            ui.click("#bay-aside");
            assertTrue(ui.text("#bench-remark").contains("Choose the bay"));
            ui.robot.interact(() ->
                    ui.find("#bench-table", TableView.class)
                            .orElseThrow()
                            .getSelectionModel()
                            .select(1));
            ui.click("#bay-aside");
            ui.await(
                    "aside",
                    () -> Bench.of(ui.state()).baysAside().equals(Set.of("Charger A · 2")));
            ui.click("#tab-bays");
            ui.enter("b2 " + eight().get(0));
            ui.awaitSaid("is set aside");
        }
    }

    @Test
    void aLogFromTheWatchedFolderFollowsTheSchoolAndIsCarriedOverToAnother() throws Exception {
        StringBuilder log = new StringBuilder("time_s,voltage_v,current_a\n");
        for (int t = 0; t <= 7200; t += 10)
            log.append("%d,%.4f,-1%n".formatted(t, 4.1 - 1.4 * t / 7200));
        Path watched = Files.createDirectory(folder.resolve("logs"));
        CellId third = new CellId("HB21-03");
        try (BenchFixture ui = station(eight(), 600)) {
            ui.click("#tab-bench");
            choose(ui, "#test-school", TestSchool.GENTLE.name());
            ui.await("the school", () -> Schools.of(ui.state()).test().equals(TestSchool.GENTLE));
            ui.click("#watched-folder");
            ui.enter(watched.toString());
            Files.writeString(watched.resolve("run of HB21-03.csv"), log);
            ui.await(
                    "taken in",
                    () ->
                            Cells.of(ui.state())
                                    .cell(third)
                                    .orElseThrow()
                                    .milliampHours()
                                    .isPresent());
            double gentle =
                    Cells.of(ui.state()).cell(third).orElseThrow().milliampHours().orElseThrow();
            choose(ui, "#test-school", TestSchool.BENCH_LOAD.name());
            ui.await(
                    "the other school",
                    () -> Schools.of(ui.state()).test().equals(TestSchool.BENCH_LOAD));
            ui.click("#recorrect");
            ui.await(
                    "recalculated",
                    () -> ui.text("#bench-remark").startsWith("1 capacity recalculated"));
            double quick =
                    Cells.of(ui.state()).cell(third).orElseThrow().milliampHours().orElseThrow();
            // by the line itself: 1.4 V in 2 Ah, to 2.8 V and to 3.0 V at the same 1 A
            assertEquals(1000 * 2 * (4.1 - 3.0) / 1.4, quick, 5);
            assertTrue(gentle > quick + 100, gentle + " against " + quick);
            ui.keys(KeyCode.CONTROL, KeyCode.Z);
            ui.await(
                    "undone",
                    () ->
                            Cells.of(ui.state()).cell(third).orElseThrow().milliampHours().orElse(0)
                                    == gentle);
        }
    }

    @Test
    void theBenchIsSetUpAndCleared() throws Exception {
        CellId first = eight().get(0);
        try (BenchFixture ui = station(eight(), 600)) {
            ui.click("#tab-bench");
            ui.click("#add-four-slot");
            ui.click("#add-bench-load");
            ui.await("two stand there", () -> Bench.of(ui.state()).instruments().size() == 2);
            ui.click("#choose-reference");
            assertTrue(ui.text("#bench-remark").contains("Select the cell"));
            ui.robot.interact(() -> ui.bench.desk().selection().select(first));
            ui.click("#choose-reference");
            ui.await(
                    "it compares",
                    () -> ui.text("#instrument-figures").startsWith("Reference: " + first));
            ui.click("#tab-bays");
            ui.enter("b5 " + first);
            ui.awaitSaid("only discharges");
            ui.click("#tab-bench");
            ui.click("#remove-instrument");
            assertTrue(ui.text("#bench-remark").contains("Choose the instrument"));
            ui.robot.interact(() ->
                    ui.find("#bench-table", TableView.class)
                            .orElseThrow()
                            .getSelectionModel()
                            .select(0));
            ui.click("#remove-instrument");
            ui.await("one is left", () -> Bench.of(ui.state()).instruments().size() == 1);
            ui.keys(KeyCode.CONTROL, KeyCode.Z);
            ui.await("and back", () -> Bench.of(ui.state()).instruments().size() == 2);
        }
    }
}
