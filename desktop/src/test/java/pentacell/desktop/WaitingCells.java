package pentacell.desktop;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import org.awaitility.Awaitility;
import pentacell.core.cell.CatalogueFact;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.journal.Amendment;
import pentacell.core.journal.Fact;
import pentacell.core.test.facts.Bench;
import pentacell.desktop.frame.Settings;
import pentacell.instruments.simulated.CellTruth;
import pentacell.instruments.simulated.SimulatedInstrument;
import pentacell.instruments.simulated.StandIn;
import pentacell.instruments.simulated.StandInCells;
import pentacell.instruments.simulated.VirtualCell;

/// Cells that wait for their test, the station they wait at, and a charger at an address of its
/// own.
final class WaitingCells {
    private WaitingCells() {}

    static Settings clockAt(int times) {
        Settings settings = Settings.forNow();
        settings.put("stand-in-speed", String.valueOf(times));
        return settings;
    }

    /// Eight ids of which exactly one is a heater.
    static List<CellId> eight() {
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

    /// The cells in a workshop in which stand-ins count.
    static List<Fact> facts(List<CellId> cells) {
        List<Fact> facts = new ArrayList<>();
        facts.add(new Amendment.StandInsCount());
        facts.add(
                new CatalogueFact.ModelDefined(
                        CellModel.rated(
                                "Quill Q22",
                                CellFormat.parse("18650").orElseThrow(),
                                Chemistry.NMC,
                                2200)));
        for (CellId cell : cells) {
            facts.add(new CellFact.CellNamed(cell, Optional.empty(), Optional.of("Quill Q22")));
            facts.add(new CellFact.VoltageRead(cell, 3.62));
        }
        return facts;
    }

    /// The station, with cells that wait when the file has none.
    static BenchFixture station(Path file, List<CellId> cells, int clock) throws Exception {
        BenchFixture ui = BenchFixture.open(file, clockAt(clock));
        if (Cells.of(ui.state()).all().isEmpty())
            ui.robot.interact(() -> ui.bench.desk().ledger().log("cells", facts(cells), () -> {}));
        ui.await("cells are known", () -> Cells.of(ui.state()).all().size() == 8);
        ui.keys(KeyCode.CONTROL, KeyCode.DIGIT3);
        return ui;
    }

    /// A charger at a port that was in use until now: the system may hold it a moment longer.
    static SimulatedInstrument chargerAgain(int port) {
        return Awaitility.await().ignoreExceptions().until(() -> charger(port), made -> true);
    }

    static SimulatedInstrument charger(int port) throws IOException {
        return SimulatedInstrument.start(
                StandIn.FOUR_SLOT,
                "Charger",
                600,
                id -> new VirtualCell(CellTruth.sound(Chemistry.NMC, 2000, 0.06, 0.5)),
                1,
                port);
    }

    static void add(SimulatedInstrument charger, BenchFixture ui) {
        ui.click("#tab-bench");
        ui.click("#instrument-address");
        ui.enter("Charger A 127.0.0.1:" + charger.port());
        ui.await("it stands there", () -> Bench.of(ui.state()).instruments().size() == 1);
    }
}
