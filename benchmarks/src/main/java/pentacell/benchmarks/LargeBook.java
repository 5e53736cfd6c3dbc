package pentacell.benchmarks;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import pentacell.core.cell.CatalogueFact;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.Place;
import pentacell.core.cell.TestConditions;
import pentacell.core.cell.Tray;
import pentacell.core.cell.TrayFact;
import pentacell.core.journal.Fact;
import pentacell.desktop.Workbench;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.LogbookException;
import pentacell.workshop.logbook.Opening;

/// A logbook of many cells of three models, on trays, with about seven readings each; one in ten is
/// not measured yet.
final class LargeBook {
    private static final int TRAY = 200;

    private LargeBook() {}

    /// Opens a new logbook with these facts in the program and waits until its cells are there.
    static void open(Workbench bench, List<Fact> facts) throws IOException, LogbookException {
        Path file = Files.createTempDirectory("large").resolve("large.pentacell");
        if (!(Logbook.open(file, Clock.systemUTC()) instanceof Opening.Opened opened))
            throw new IOException("The logbook could not be made.");
        try (Logbook book = opened.logbook()) {
            book.log("many cells", facts);
        }
        UiThread.run(() -> bench.frame().open(file));
        UiThread.until(() -> !Cells.of(bench.desk().ledger().state()).all().isEmpty());
    }

    /// The facts of so many cells, the same each time.
    static List<Fact> facts(int cells) {
        Random random = new Random(7);
        List<Fact> facts = new ArrayList<>();
        for (String name : List.of("Quill Q22", "Tarn T26", "Brook B30"))
            facts.add(
                    new CatalogueFact.ModelDefined(
                            CellModel.rated(
                                    name,
                                    CellFormat.parse("18650").orElseThrow(),
                                    Chemistry.NMC,
                                    2200)));
        for (int i = 0; i < cells; i++) {
            if (i % TRAY == 0)
                facts.add(new TrayFact.TrayAdded(new Tray("T" + (1 + i / TRAY), 10, TRAY / 10)));
            CellId id = new CellId("HB%03d-%02d".formatted(1 + i / 40, 1 + i % 40));
            String model = List.of("Quill Q22", "Tarn T26", "Brook B30").get(i / 40 % 3);
            int at = i % TRAY;
            facts.add(
                    new CellFact.CellNamed(
                            id, Optional.of("HB%03d".formatted(1 + i / 40)), Optional.of(model)));
            facts.add(
                    new CellFact.CellPlaced(
                            id,
                            new Place(
                                    "T" + (1 + i / TRAY),
                                    1 + at / (TRAY / 10),
                                    1 + at % (TRAY / 10))));
            for (int k = 0; k < 3; k++)
                facts.add(new CellFact.VoltageRead(id, 3.3 + 0.5 * random.nextDouble()));
            if (i % 10 == 0) continue;
            for (int k = 0; k < 2; k++)
                facts.add(
                        new CellFact.ResistanceRead(
                                id,
                                40 + 30 * random.nextDouble(),
                                CellFact.ResistanceMethod.AC_1_KHZ));
            for (int k = 0; k < 2; k++)
                facts.add(
                        new CellFact.CapacityMeasured(
                                id, 1600 + 500 * random.nextDouble(), TestConditions.NOT_STATED));
        }
        return facts;
    }
}
