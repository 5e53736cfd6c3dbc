package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;
import static pentacell.desktop.WaitingCells.add;
import static pentacell.desktop.WaitingCells.charger;
import static pentacell.desktop.WaitingCells.eight;
import static pentacell.desktop.WaitingCells.facts;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Oddity;
import pentacell.core.cell.RunFact;
import pentacell.core.measure.HeatLadder;
import pentacell.core.measure.HoldShelf;
import pentacell.core.measure.OpenRun;
import pentacell.core.test.facts.Bench;
import pentacell.desktop.test.TestStation;
import pentacell.instruments.protocol.Ask.FaultKind;
import pentacell.instruments.simulated.SimulatedInstrument;
import pentacell.instruments.simulated.StandInCells;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.Opening;

/// The Test station, handled as a person does: ids typed, results read.
@Tag("window")
final class TestStationTest {
    @TempDir Path folder;

    private BenchFixture station(List<CellId> cells, int clock) throws Exception {
        return WaitingCells.station(folder.resolve("bench.pentacell"), cells, clock);
    }

    private static List<RunFact.CurveOdd> odd(CellRecord cell) {
        return cell.lifeLine().stream()
                .map(CellRecord.LifeLineEntry::fact)
                .filter(RunFact.CurveOdd.class::isInstance)
                .map(RunFact.CurveOdd.class::cast)
                .toList();
    }

    @Test
    void eightCellsAreLoadedByTypingTheirIdsAndTheirResultsAreLogged() throws Exception {
        List<CellId> cells = eight();
        try (BenchFixture ui = station(cells, 10_000)) {
            ui.click("#tab-bench");
            ui.click("#add-eight-slot");
            ui.await(
                    "a charger stands there", () -> Bench.of(ui.state()).instruments().size() == 1);
            ui.click("#tab-bays");
            ui.await(
                    "the plan is made",
                    () -> ui.bench.station(TestStation.class).model().canLoad(cells.get(0)));
            // the contact of the second bay is lost for a moment, on demand
            ui.robot.interact(() ->
                    ui.bench
                            .station(TestStation.class)
                            .model()
                            .practise(2, FaultKind.CONTACT_BLIP, 3000));
            for (CellId cell : cells) {
                ui.enter("b%d %s".formatted(cells.indexOf(cell) + 1, cell));
                ui.await(
                        cell + " is in a bay",
                        () ->
                                Cells.of(ui.state()).cell(cell).orElseThrow().lifeLine().stream()
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
                                                    Cells.of(ui.state())
                                                            .cell(id)
                                                            .orElseThrow()
                                                            .milliampHours()
                                                            .isPresent()));
            for (CellId id : cells) {
                CellRecord cell = Cells.of(ui.state()).cell(id).orElseThrow();
                double truth =
                        StandInCells.truth(
                                        id.text(),
                                        Optional.empty(),
                                        Catalogue.of(ui.state()).modelOf(cell))
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
                    odd(Cells.of(ui.state()).cell(cells.get(1)).orElseThrow()).stream()
                            .anyMatch(each -> each.oddity() == Oddity.CONTACT_BLIP));
            assertEquals(8, HoldShelf.of(ui.state()).open().size());
            ui.click("#tab-hold-shelf");
            assertTrue(
                    ui.text("#hold-summary").startsWith("8 on the shelf"),
                    ui.text("#hold-summary"));
            ui.click("#tab-curves");
            ui.robot.interact(() -> ui.bench.desk().selection().select(cells.get(1)));
            ui.await("the curve is read", () -> ui.text("#curve-title").contains("mAh"));
            assertTrue(
                    ui.text("#curve-conditions").contains("7 sisters"),
                    ui.text("#curve-conditions"));
            ui.click("#tab-time-sheet");
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
                .station(TestStation.class)
                .line()
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
                    () ->
                            Cells.of(ui.state())
                                    .cell(third)
                                    .orElseThrow()
                                    .milliampHours()
                                    .isPresent());
            ui.click("#do-import-log");
            ui.await("it is asked for", () -> ui.text("#in-hand").contains("tuesday.csv"));
            ui.enter("HB21-04");
            CellId fourth = new CellId("HB21-04");
            ui.await(
                    "it was answered",
                    () ->
                            Cells.of(ui.state())
                                    .cell(fourth)
                                    .orElseThrow()
                                    .milliampHours()
                                    .isPresent());
            ui.click("#do-import-log");
            ui.awaitSaid("imported before");
        }
    }

    @Test
    void undoTakesTheCellOutOfItsBay() throws Exception {
        CellId cell = eight().get(0);
        try (SimulatedInstrument charger = charger(0);
                BenchFixture ui = station(eight(), 600)) {
            add(charger, ui);
            ui.click("#tab-bays");
            ui.await("planned", () -> ui.bench.station(TestStation.class).model().canLoad(cell));
            ui.enter(cell + " 0.4A");
            ui.await("it runs", () -> OpenRun.of(ui.state()).size() == 1);
            String programme = OpenRun.of(ui.state()).get(0).programme();
            assertTrue(programme.contains("discharge 0.40"), programme);
            ui.await(
                    "samples", () -> ui.bench.station(TestStation.class).model().sampleCount() > 5);
            ui.keys(KeyCode.CONTROL, KeyCode.Z);
            ui.await(
                    "out again",
                    () ->
                            OpenRun.of(ui.state()).isEmpty()
                                    && ui.bench.station(TestStation.class).model().sampleCount()
                                            == 0
                                    && ui.bench.station(TestStation.class).model().canLoad(cell));
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
            ui.click("#tab-hold-shelf");
            for (CellId due : laid) {
                ui.await("in hand", () -> ui.text("#in-hand").endsWith(due.text()));
                ui.enter("4.172");
                ui.await(
                        "logged",
                        () ->
                                Cells.of(ui.state()).cell(due).orElseThrow().volts().orElse(0)
                                        == 4.172);
            }
            ui.await("all read", () -> !ui.text("#in-hand").startsWith("Shelf"));
            assertTrue(ui.text("#hold-summary").contains("0 to read now"));
            ui.click("#tab-bench");
            ui.click("#recorrect");
            ui.await("no run yet", () -> ui.text("#bench-remark").contains("already"));
        }
    }

    @Test
    void whatCannotBeDoneIsSaid() throws Exception {
        List<CellId> cells = eight();
        try (BenchFixture ui = station(cells, 600)) {
            ui.type("HB21-01");
            ui.await("no bay", () -> ui.text("#quick-remark").contains("no charger"));
            ui.robot.interact(() -> field(ui).clear());
            ui.type("nobody");
            ui.await(
                    "unknown",
                    () -> ui.text("#quick-remark").contains("not a cell, bay or voltage"));
            ui.robot.interact(() -> field(ui).clear());
            ui.enter("HB21-01 4.171");
            ui.await(
                    "a reading is logged",
                    () ->
                            Cells.of(ui.state())
                                            .cell(new CellId("HB21-01"))
                                            .orElseThrow()
                                            .volts()
                                            .orElse(0)
                                    == 4.171);
            ui.click("#tab-bench");
            ui.click("#instrument-address");
            ui.enter("Charger A nowhere");
            assertTrue(ui.text("#bench-remark").contains("not a name and an address"));
            ui.robot.interact(
                    () -> ui.find("#hours-from", TextField.class).orElseThrow().setText("9"));
            ui.click("#hours-from");
            ui.keys(KeyCode.ENTER);
            ui.await(
                    "hours are set",
                    () ->
                            Bench.of(ui.state()).hours().days().values().stream()
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
