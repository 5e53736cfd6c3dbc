package pentacell.benchmarks;

import java.io.IOException;
import java.time.Clock;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import pentacell.desktop.Workbench;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Settings;
import pentacell.desktop.theme.Theme;
import pentacell.workshop.logbook.LogbookException;

/// The program in its window, measured from a thread of its own and closed when that is done.
abstract class MeasuredWindow extends Application {
    /// Measures, away from the UI thread.
    abstract void measure(Workbench bench) throws IOException, LogbookException;

    /// What is set before the program is made; nothing unless said otherwise.
    void set(Settings settings) {}

    @Override
    public final void start(Stage stage) {
        Theme.loadFonts();
        Settings settings = Settings.forNow();
        set(settings);
        Workbench bench = Workbench.create(FileAsk.NOBODY, Clock.systemUTC(), settings);
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
}
