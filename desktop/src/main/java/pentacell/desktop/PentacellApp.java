package pentacell.desktop;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Optional;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import org.jspecify.annotations.Nullable;
import pentacell.desktop.frame.Settings;
import pentacell.desktop.theme.Theme;

/// The desktop program. Its one argument is the workshop file to open; without one it begins with
/// nothing open.
public final class PentacellApp extends Application {
    private @Nullable Workbench bench;

    /// Runs until the window is closed.
    public static void run(Optional<Path> workshop) {
        launch(PentacellApp.class, workshop.map(Path::toString).stream().toArray(String[]::new));
    }

    @Override
    public void start(Stage stage) {
        Theme.loadFonts();
        Optional<Rehearsal.Extent> rehearsed = Rehearsal.Extent.asked();
        Workbench made =
                Workbench.create(
                        new StageFileAsk(stage),
                        Clock.systemUTC(),
                        rehearsed.isPresent() ? Settings.forNow() : Settings.ofPerson());
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
        stage.show();
        rehearsed.ifPresent(extent -> new Rehearsal(made, extent).start());
        Optional<Path> last =
                made.desk().settings().get("last-workshop").map(Path::of).filter(Files::exists);
        if (!getParameters().getRaw().isEmpty())
            made.frame().open(Path.of(getParameters().getRaw().get(0)));
        else if (last.isPresent()) made.frame().open(last.get());
        else
            made.desk()
                    .notices()
                    .say(
                            "No workshop is open: New workshop or Open workshop, in the menu on the left above.");
    }

    @Override
    public void stop() {
        if (bench != null) bench.desk().close();
        Platform.exit();
    }
}
