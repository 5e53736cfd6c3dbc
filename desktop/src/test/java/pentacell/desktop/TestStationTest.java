package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellLimits;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.fact.Cell;
import pentacell.core.fact.CellFact;
import pentacell.core.fact.Fact;
import pentacell.core.fact.Oddity;
import pentacell.core.fact.RunFact;
import pentacell.core.measure.HeatLadder;
import pentacell.core.measure.HoldShelf;
import pentacell.core.measure.OpenRun;
import pentacell.core.school.TestPolicy;
import pentacell.desktop.frame.Settings;
import pentacell.instruments.protocol.Ask.FaultKind;
import pentacell.instruments.simulated.CellTruth;
import pentacell.instruments.simulated.SimulatedInstrument;
import pentacell.instruments.simulated.StandIn;
import pentacell.instruments.simulated.StandInCells;
import pentacell.instruments.simulated.VirtualCell;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.Opening;

/// The Test station, handled as a person does: ids typed, results read.
final class TestStationTest {
    @TempDir Path folder;

    private static Settings clockAt(int times) {
        Settings settings = Settings.forNow();
        settings.put("stand-in-speed", String.valueOf(times));
        return settings;
    }

    /// Eight ids of which exactly one is a heater.
    private static List<CellId> eight() {
        List<CellId> cells = new ArrayList<>();
        boolean hasHeater = false;
        for (int i = 1; cells.size() < 8; i++) {
            String id = "HB21-%02d".formatted(i);
            boolean heater = StandInCells.isHeater(id);
            if (heater && hasHeater || !heater && !hasHeater && cells.size() == 7) continue;
            hasHeater |= heater;
            cells.add(new CellId(id));
        }
        return cells;
    }

    private static List<Fact> facts(List<CellId> cells) {
        List<Fact> facts = new ArrayList<>();
        facts.add(
                new Fact.ModelDefined(
                        new CellModel(
                                "Quill Q22",
                                CellFormat.parse("18650").orElseThrow(),
                                Chemistry.NMC,
                                2200,
                                2250,
                                CellLimits.careful(Chemistry.NMC, 2200))));
        for (CellId cell : cells) {
            facts.add(new CellFact.CellNamed(cell, Optional.empty(), Optional.of("Quill Q22")));
            facts.add(new CellFact.VoltageRead(cell, 3.62));
        }
        return facts;
    }

    private static List<RunFact.CurveOdd> odd(Cell cell) {
        return cell.lifeLine().stream()
                .map(Cell.LifeLineEntry::fact)
                .filter(RunFact.CurveOdd.class::isInstance)
                .map(RunFact.CurveOdd.class::cast)
                .toList();
    }

    @Test
    void eightCellsAreLoadedByTypingTheirIdsAndTheirResultsAreLogged() throws Exception {
        List<CellId> cells = eight();
        try (BenchFixture ui =
                BenchFixture.open(folder.resolve("bench.pentacell"), clockAt(10_000))) {
            ui.robot.interact(() -> ui.bench.desk().log("cells", facts(cells), () -> {}));
            ui.await("cells are known", () -> ui.state().cells().size() == 8);
            ui.keys(KeyCode.CONTROL, KeyCode.DIGIT3);
            ui.click("#test-bench");
            ui.click("#add-eight-slot");
            ui.await("a charger stands there", () -> ui.state().instruments().size() == 1);
            ui.click("#test-bays");
            ui.await("the plan is made", () -> ui.bench.test().model().canLoad(cells.get(0)));
            // the contact of the second bay is lost for a moment, on demand
            ui.robot.interact(
                    () -> ui.bench.test().model().practise(2, FaultKind.CONTACT_BLIP, 3000));
            for (CellId cell : cells) {
                ui.enter("b%d %s".formatted(cells.indexOf(cell) + 1, cell));
                ui.await(
                        cell + " is in a bay",
                        () ->
                                ui.state().cell(cell).orElseThrow().lifeLine().stream()
                                                .anyMatch(
                                                        e -> e.fact() instanceof RunFact.RunStarted)
                                        && field(ui).getText().isEmpty());
            }
            ui.await(
                    "all are done",
                    () ->
                            OpenRun.of(ui.state()).isEmpty()
                                    && cells.stream()
                                            .allMatch(id ->
                                                    ui.state()
                                                            .cell(id)
                                                            .orElseThrow()
                                                            .milliampHours()
                                                            .isPresent()));
            for (CellId id : cells) {
                Cell cell = ui.state().cell(id).orElseThrow();
                double truth =
                        StandInCells.truth(id.text(), Optional.empty(), ui.state().modelOf(cell))
                                .milliampHours();
                // at 1 A to 3.0 V a little stays inside, and a heater loses some on the way
                assertEquals(
                        0.94 * truth, cell.milliampHours().orElseThrow(), 0.07 * truth, id.text());
                assertTrue(cell.dcMilliohms().isPresent());
                assertEquals(
                        StandInCells.isHeater(id.text())
                                ? HeatLadder.Rung.AGAIN_AT_LESS
                                : HeatLadder.Rung.CALM,
                        HeatLadder.judge(cell).verdict(),
                        () -> id + " " + HeatLadder.judge(cell).reasons());
            }
            assertTrue(
                    odd(ui.state().cell(cells.get(1)).orElseThrow()).stream()
                            .anyMatch(each -> each.oddity() == Oddity.CONTACT_BLIP));
            assertEquals(8, HoldShelf.of(ui.state()).open().size());
            ui.click("#test-hold-shelf");
            assertTrue(
                    ui.text("#hold-summary").startsWith("8 on the shelf"),
                    ui.text("#hold-summary"));
            ui.click("#test-curves");
            ui.robot.interact(() -> ui.bench.desk().select(cells.get(1)));
            ui.await("the curve is read", () -> ui.text("#curve-title").contains("mAh"));
            assertTrue(
                    ui.text("#curve-conditions").contains("7 sisters"),
                    ui.text("#curve-conditions"));
            ui.click("#test-time-sheet");
            ui.await(
                    "the hot one waits again",
                    () -> ui.text("#plan-finish").contains("All tested by"));
            assertTrue(
                    ui.robot.lookup(".hyperlink").queryAll().stream()
                            .anyMatch(link -> link.toString().contains("hold reading")),
                    "the due line says when the shelf is to be read");
        }
    }

    private static TextField field(BenchFixture ui) {
        return ui.bench
                .test()
                .bottom()
                .map(bar -> (TextField) bar.lookup("#quick-line"))
                .orElseThrow();
    }

    @Test
    void aLogIsTakenInByItsNameOrByAskingOnce() throws Exception {
        StringBuilder log = new StringBuilder("time_s,voltage_v,current_a\n");
        for (int t = 0; t <= 7200; t += 10)
            log.append("%d,%.4f,-1%n".formatted(t, 4.1 - 1.11 * t / 7200));
        Path named = Files.writeString(folder.resolve("run of hb21-03.csv"), log);
        Path unnamed = Files.writeString(folder.resolve("tuesday.csv"), log + "7300,2.9,-1\n");
        List<CellId> cells = eight();
        try (BenchFixture ui = station(cells, 600)) {
            when(ui.files.which(any(), any(), any()))
                    .thenReturn(Optional.of(named))
                    .thenReturn(Optional.of(unnamed))
                    .thenReturn(Optional.of(named));
            ui.click("#do-import-log");
            CellId third = new CellId("HB21-03");
            ui.await(
                    "it is that cell's",
                    () -> ui.state().cell(third).orElseThrow().milliampHours().isPresent());
            ui.click("#do-import-log");
            ui.await("it is asked for", () -> ui.text("#in-hand").contains("tuesday.csv"));
            ui.robot.interact(() -> ui.bench.test().enter());
            ui.enter("HB21-04");
            CellId fourth = new CellId("HB21-04");
            ui.await(
                    "it was answered",
                    () -> ui.state().cell(fourth).orElseThrow().milliampHours().isPresent());
            ui.click("#do-import-log");
            ui.await(
                    "the same file is noticed",
                    () -> ui.bench.desk().messageProperty().get().contains("taken in before"));
        }
    }

    private static SimulatedInstrument charger(int port) throws IOException {
        return SimulatedInstrument.start(
                StandIn.FOUR_SLOT,
                "Charger",
                600,
                id -> new VirtualCell(CellTruth.sound(Chemistry.NMC, 2000, 0.06, 0.5)),
                1,
                port);
    }

    /// The station, with cells that wait when the file has none.
    private BenchFixture station(List<CellId> cells, int clock) throws Exception {
        BenchFixture ui = BenchFixture.open(folder.resolve("bench.pentacell"), clockAt(clock));
        if (ui.state().cells().isEmpty())
            ui.robot.interact(() -> ui.bench.desk().log("cells", facts(cells), () -> {}));
        ui.await("cells are known", () -> ui.state().cells().size() == 8);
        ui.keys(KeyCode.CONTROL, KeyCode.DIGIT3);
        return ui;
    }

    private static void add(SimulatedInstrument charger, BenchFixture ui) {
        ui.click("#test-bench");
        ui.click("#instrument-address");
        ui.enter("Charger A 127.0.0.1:" + charger.port());
        ui.await("it stands there", () -> ui.state().instruments().size() == 1);
    }

    @Test
    void aLostLineTakesItsBaysOutOfThePlanUntilItIsBack() throws Exception {
        SimulatedInstrument charger = charger(0);
        try (BenchFixture ui = station(eight(), 600)) {
            add(charger, ui);
            ui.click("#test-time-sheet");
            ui.await("planned", () -> ui.text("#plan-finish").startsWith("All tested"));
            int port = charger.port();
            charger.close();
            ui.await("lost", () -> ui.text("#plan-finish").contains("no bay can test"));
            assertTrue(ui.text("#plan-hands").contains("Charger A · 4"));
            charger = charger(port);
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
            ui.await("aside", () -> ui.state().baysAside().equals(Set.of("Charger A · 2")));
            ui.click("#test-bays");
            ui.enter("b2 " + eight().get(0));
            ui.await(
                    "refused",
                    () -> ui.bench.desk().messageProperty().get().contains("is set aside"));
        }
    }

    @Test
    void undoTakesTheCellOutOfItsBay() throws Exception {
        CellId cell = eight().get(0);
        try (SimulatedInstrument charger = charger(0);
                BenchFixture ui = station(eight(), 600)) {
            add(charger, ui);
            ui.click("#test-bays");
            ui.await("planned", () -> ui.bench.test().model().canLoad(cell));
            ui.enter(cell + " 0.4A");
            ui.await("it runs", () -> OpenRun.of(ui.state()).size() == 1);
            String programme = OpenRun.of(ui.state()).get(0).programme();
            assertTrue(programme.contains("discharge 0.40"), programme);
            ui.await("samples", () -> ui.bench.test().model().sampleCount() > 5);
            ui.keys(KeyCode.CONTROL, KeyCode.Z);
            ui.await(
                    "out again",
                    () ->
                            OpenRun.of(ui.state()).isEmpty()
                                    && ui.bench.test().model().sampleCount() == 0
                                    && ui.bench.test().model().canLoad(cell));
        }
    }

    @Test
    void theShelfIsReadInDueOrderByVoltagesAlone() throws Exception {
        List<CellId> laid = eight().subList(2, 4);
        Clock threeDaysAgo = Clock.offset(Clock.systemUTC(), Duration.ofDays(-3));
        Path file = folder.resolve("bench.pentacell");
        try (Logbook book = ((Opening.Opened) Logbook.open(file, threeDaysAgo)).logbook()) {
            book.log("cells", facts(eight()));
            for (CellId id : laid) book.log("full", List.of(new RunFact.HoldBegan(id, 7)));
        }
        try (BenchFixture ui = station(eight(), 600)) {
            ui.click("#test-hold-shelf");
            for (CellId due : laid) {
                ui.await("in hand", () -> ui.text("#in-hand").endsWith(due.text()));
                ui.enter("4.172");
                ui.await(
                        "logged",
                        () -> ui.state().cell(due).orElseThrow().volts().orElse(0) == 4.172);
            }
            ui.await("all read", () -> !ui.text("#in-hand").startsWith("Shelf"));
            assertTrue(ui.text("#hold-summary").contains("0 to read now"));
            ui.click("#test-bench");
            ui.click("#recorrect");
            ui.await("no run yet", () -> ui.text("#bench-remark").contains("already"));
        }
    }

    private static void choose(BenchFixture ui, String query, String item) {
        ui.robot.interact(() -> {
            @SuppressWarnings("unchecked")
            ComboBox<String> box = ui.find(query, ComboBox.class).orElseThrow();
            box.setValue(item);
        });
    }

    @Test
    void aLogFromTheWatchedFolderFollowsTheSchoolAndIsCarriedOverToAnother() throws Exception {
        StringBuilder log = new StringBuilder("time_s,voltage_v,current_a\n");
        for (int t = 0; t <= 7200; t += 10)
            log.append("%d,%.4f,-1%n".formatted(t, 4.1 - 1.4 * t / 7200));
        Path watched = Files.createDirectory(folder.resolve("logs"));
        CellId third = new CellId("HB21-03");
        try (BenchFixture ui = station(eight(), 600)) {
            ui.click("#test-bench");
            choose(ui, "#test-school", TestPolicy.GENTLE.name());
            ui.await("the school", () -> ui.state().schools().test().equals(TestPolicy.GENTLE));
            ui.click("#watched-folder");
            ui.enter(watched.toString());
            Files.writeString(watched.resolve("run of HB21-03.csv"), log);
            ui.await(
                    "taken in",
                    () -> ui.state().cell(third).orElseThrow().milliampHours().isPresent());
            double gentle = ui.state().cell(third).orElseThrow().milliampHours().orElseThrow();
            choose(ui, "#test-school", TestPolicy.BENCH_LOAD.name());
            ui.await(
                    "the other school",
                    () -> ui.state().schools().test().equals(TestPolicy.BENCH_LOAD));
            ui.click("#recorrect");
            ui.await(
                    "corrected anew",
                    () -> ui.text("#bench-remark").startsWith("1 capacity corrected anew"));
            double quick = ui.state().cell(third).orElseThrow().milliampHours().orElseThrow();
            // by the line itself: 1.4 V in 2 Ah, to 2.8 V and to 3.0 V at the same 1 A
            assertEquals(1000 * 2 * (4.1 - 3.0) / 1.4, quick, 5);
            assertTrue(gentle > quick + 100, gentle + " against " + quick);
            ui.keys(KeyCode.CONTROL, KeyCode.Z);
            ui.await(
                    "undone",
                    () -> ui.state().cell(third).orElseThrow().milliampHours().orElse(0) == gentle);
        }
    }

    @Test
    void theBenchIsSetUpAndCleared() throws Exception {
        CellId first = eight().get(0);
        try (BenchFixture ui = station(eight(), 600)) {
            ui.click("#test-bench");
            ui.click("#add-four-slot");
            ui.click("#add-bench-load");
            ui.await("two stand there", () -> ui.state().instruments().size() == 2);
            ui.click("#choose-reference");
            assertTrue(ui.text("#bench-remark").contains("Select the cell"));
            ui.robot.interact(() -> ui.bench.desk().select(first));
            ui.click("#choose-reference");
            ui.await(
                    "it compares",
                    () -> ui.text("#instrument-figures").startsWith("Reference: " + first));
            ui.click("#test-bays");
            ui.enter("b5 " + first);
            ui.await(
                    "an empty cell is not for the load",
                    () -> ui.bench.desk().messageProperty().get().contains("only discharges"));
            ui.click("#test-bench");
            ui.click("#remove-instrument");
            assertTrue(ui.text("#bench-remark").contains("Choose the instrument"));
            ui.robot.interact(() ->
                    ui.find("#bench-table", TableView.class)
                            .orElseThrow()
                            .getSelectionModel()
                            .select(0));
            ui.click("#remove-instrument");
            ui.await("one is left", () -> ui.state().instruments().size() == 1);
            ui.keys(KeyCode.CONTROL, KeyCode.Z);
            ui.await("and back", () -> ui.state().instruments().size() == 2);
        }
    }

    @Test
    void whatCannotBeDoneIsSaid() throws Exception {
        List<CellId> cells = eight();
        try (BenchFixture ui = station(cells, 600)) {
            ui.type("HB21-01");
            ui.await("no bay", () -> ui.text("#quick-remark").contains("No charger"));
            ui.robot.interact(() -> field(ui).clear());
            ui.type("nobody");
            ui.await("unknown", () -> ui.text("#quick-remark").contains("no cell, bay or voltage"));
            ui.robot.interact(() -> field(ui).clear());
            ui.enter("HB21-01 4.171");
            ui.await(
                    "a reading is logged",
                    () ->
                            ui.state().cell(new CellId("HB21-01")).orElseThrow().volts().orElse(0)
                                    == 4.171);
            ui.click("#test-bench");
            ui.click("#instrument-address");
            ui.enter("Charger A nowhere");
            assertTrue(ui.text("#bench-remark").contains("no name and address"));
            ui.robot.interact(
                    () -> ui.find("#hours-from", TextField.class).orElseThrow().setText("9"));
            ui.click("#hours-from");
            ui.keys(KeyCode.ENTER);
            ui.await(
                    "hours are set",
                    () ->
                            ui.state().benchHours().days().values().stream()
                                    .allMatch(span -> span.from() == 9));
            ui.click("#add-ac-meter");
            ui.await(
                    "the meter is in the table",
                    () ->
                            ui.find("#bench-table", TableView.class)
                                    .map(table -> table.getItems().size() == 1)
                                    .orElse(false));
        }
    }
}
