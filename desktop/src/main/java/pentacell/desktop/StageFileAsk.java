package pentacell.desktop;

import java.io.File;
import java.nio.file.Path;
import java.util.Optional;
import javafx.stage.FileChooser;
import javafx.stage.Stage;
import org.jspecify.annotations.Nullable;
import pentacell.desktop.frame.FileAsk;

/// Asks with the system's own dialogs; remembers the folder within a session.
final class StageFileAsk implements FileAsk {
    private final Stage stage;
    private Optional<File> folder = Optional.empty();

    StageFileAsk(Stage stage) {
        this.stage = stage;
    }

    @Override
    public Optional<Path> whereTo(String title, String proposed) {
        FileChooser chooser = chooser(title);
        chooser.setInitialFileName(proposed);
        return remember(chooser.showSaveDialog(stage));
    }

    @Override
    public Optional<Path> which(String title, String kind, String pattern) {
        FileChooser chooser = chooser(title);
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter(kind, pattern));
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("All files", "*"));
        return remember(chooser.showOpenDialog(stage));
    }

    private FileChooser chooser(String title) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        folder.filter(File::isDirectory).ifPresent(chooser::setInitialDirectory);
        return chooser;
    }

    private Optional<Path> remember(@Nullable File chosen) {
        if (chosen == null) return Optional.empty();
        folder = Optional.ofNullable(chosen.getParentFile());
        return Optional.of(chosen.toPath());
    }
}
