package pentacell.benchmarks;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
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
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Settings;
import pentacell.desktop.frame.Station;
import pentacell.desktop.theme.Theme;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.LogbookException;
import pentacell.workshop.logbook.Opening;

/// Ten thousand cells: how long each pane of each station keeps the UI thread when it is entered
/// the first time and the second.
public final class StationEntry extends Application {
    private static final int CELLS = 10_000;
    private static final int TRAY = 200;
    private static final double SECONDS = 3;

    /// Prints a line for each pane.
    public static void main(String[] arguments) {
        launch(arguments);
    }

    @Override
    public void start(Stage stage) {
        Theme.loadFonts();
        Workbench bench = Workbench.create(FileAsk.NOBODY, Clock.systemUTC(), Settings.forNow());
        stage.setScene(bench.frame().scene());
        stage.setWidth(1280);
        stage.setHeight(800);
        stage.show();
        Thread.ofPlatform()
                .daemon()
                .start(() -> {
                    try {
                        measure(bench);
                    } catch (IOException | LogbookException failure) {
                        System.out.println(failure);
                    }
                    Platform.runLater(() -> {
                        bench.desk().close();
                        Platform.exit();
                    });
                });
    }

    private static void measure(Workbench bench) throws IOException, LogbookException {
        Path file = Files.createTempDirectory("stations").resolve("large.pentacell");
        if (!(Logbook.open(file, Clock.systemUTC()) instanceof Opening.Opened opened)) return;
        try (Logbook book = opened.logbook()) {
            book.log("many cells", facts());
        }
        UiThread.run(() -> bench.frame().open(file));
        double opening = longest(5);
        UiThread.until(() -> Cells.of(bench.desk().ledger().state()).all().size() == CELLS);
        System.out.printf(Locale.ROOT, "opening: %.0f ms%n", opening);
        for (String time : List.of("first", "second"))
            for (Station station : bench.stations()) {
                print(time, station.name(), () -> bench.frame().go(station));
                for (String pane : station.panes())
                    print(time, station.name() + ", " + pane, () -> station.showPane(pane));
            }
    }

    private static void print(String time, String what, Runnable entry) {
        double[] entered = {0};
        Platform.runLater(() -> {
            long begun = System.nanoTime();
            entry.run();
            entered[0] = (System.nanoTime() - begun) / 1e6;
        });
        double longest = longest(SECONDS);
        System.out.printf(
                Locale.ROOT,
                "%-32s %s time: entry %4.0f ms, longest stop %4.0f ms%n",
                what,
                time,
                entered[0],
                Math.max(longest, entered[0]));
    }

    private static double longest(double seconds) {
        return UiThread.lateness(seconds).stream()
                .max(Comparator.naturalOrder())
                .orElse(Double.NaN);
    }

    private static List<Fact> facts() {
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
        for (int i = 0; i < CELLS; i++) {
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
