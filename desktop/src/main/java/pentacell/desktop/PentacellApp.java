package pentacell.desktop;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import org.jspecify.annotations.Nullable;
import pentacell.core.Chapters;
import pentacell.desktop.frame.Arrival;
import pentacell.desktop.frame.OpeningProgress;
import pentacell.desktop.frame.Settings;
import pentacell.desktop.theme.Theme;

/// The desktop program. It begins with a workshop file, with the one that was open last, or with
/// nothing open.
public final class PentacellApp extends Application {
    /// The workshop to begin with: it is being read while the toolkit starts, which makes the
    /// application by itself and hands it nothing but words.
    private static Optional<Begun> begun = Optional.empty();

    private @Nullable Workbench bench;

    private record Begun(OpeningProgress reading, CompletableFuture<Arrival> arrival) {}

    /// Runs until the window is closed.
    ///
    /// @param workshop the file to open; else the one that was open last, if it is there
    public static void run(Optional<Path> workshop) {
        begun =
                workshop.or(() ->
                                settings().get("last-workshop").map(Path::of).filter(Files::exists))
                        .map(PentacellApp::begin);
        launch(PentacellApp.class);
    }

    private static Begun begin(Path file) {
        OpeningProgress reading = new OpeningProgress(file);
        return new Begun(
                reading,
                CompletableFuture.supplyAsync(
                        () -> Arrival.of(file, Clock.systemUTC(), Chapters.ALL, reading)));
    }

    private static Settings settings() {
        return Rehearsal.Extent.asked().isPresent() ? Settings.forNow() : Settings.ofPerson();
    }

    @Override
    public void start(Stage stage) {
        Settings settings = settings();
        Theme.kept(settings.get("theme")).lay();
        Theme.loadFonts();
        Workbench made = Workbench.create(new StageFileAsk(stage), Clock.systemUTC(), settings);
        bench = made;
        stage.setScene(made.frame().scene());
        stage.titleProperty()
                .bind(
                        made.desk()
                                .ledger()
                                .fileNameProperty()
                                .map(name -> name.isEmpty() ? "Pentacell" : name + " – Pentacell"));
        stage.setMinWidth(960);
        stage.setMinHeight(600);
        begun.ifPresentOrElse(
                opening -> made.frame().open(opening.reading(), opening.arrival()),
                () ->
                        made.desk()
                                .notices()
                                .say(
                                        "No workshop is open: New workshop or Open workshop, in the menu on the left above."));
        stage.show();
        Rehearsal.Extent.asked().ifPresent(extent -> new Rehearsal(made, extent).start());
    }

    @Override
    public void stop() {
        if (bench != null) bench.desk().close();
        Platform.exit();
    }
}
