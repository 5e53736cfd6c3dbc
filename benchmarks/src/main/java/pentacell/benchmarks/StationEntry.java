package pentacell.benchmarks;

import java.io.IOException;
import java.time.Clock;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import pentacell.desktop.Workbench;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Settings;
import pentacell.desktop.frame.Station;
import pentacell.desktop.theme.Theme;
import pentacell.workshop.logbook.LogbookException;

/// Ten thousand cells: how long each pane of each station keeps the UI thread when it is entered
/// the first time and the second.
public final class StationEntry extends Application {
    private static final int CELLS = 10_000;
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
        LargeBook.open(bench, LargeBook.facts(CELLS));
        double opening = longest(5);
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
}
