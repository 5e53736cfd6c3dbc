package pentacell.benchmarks;

import java.io.IOException;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import javafx.application.Platform;
import pentacell.desktop.Workbench;
import pentacell.desktop.frame.Station;
import pentacell.workshop.logbook.LogbookException;

/// Ten thousand cells: how long each pane of each station keeps the UI thread when it is entered
/// the first time and the second.
public final class StationEntry extends MeasuredWindow {
    private static final int CELLS = 10_000;
    private static final double SECONDS = 3;

    /// Prints a line for each pane.
    public static void main(String[] arguments) {
        launch(arguments);
    }

    @Override
    void measure(Workbench bench) throws IOException, LogbookException {
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
