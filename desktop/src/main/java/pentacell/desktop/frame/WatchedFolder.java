package pentacell.desktop.frame;

import java.nio.file.Path;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.util.Duration;
import pentacell.instruments.bench.FolderWatch;

/// A folder that is looked into every now and then: log files are taken in when they have stopped
/// growing, and again when they have grown since, as long as a workshop is open. Which folder it is
/// is remembered.
public final class WatchedFolder {
    private static final double LOOK_SECONDS = 2;

    private final Desk desk;
    private final String setting;
    private final BooleanSupplier isReady;
    private final Consumer<Path> take;
    private final FolderWatch seen = new FolderWatch();
    private final Timeline watch;
    private boolean isOpen;

    /// To be made before a workshop is opened.
    ///
    /// @param setting under which the folder is remembered
    /// @param isReady whether files can be taken in now
    /// @param take takes a file in
    public WatchedFolder(Desk desk, String setting, BooleanSupplier isReady, Consumer<Path> take) {
        this.desk = desk;
        this.setting = setting;
        this.isReady = isReady;
        this.take = take;
        watch = new Timeline(new KeyFrame(Duration.seconds(LOOK_SECONDS), tick -> look()));
        watch.setCycleCount(Animation.INDEFINITE);
        desk.ledger()
                .whileOpen(
                        opened -> {
                            isOpen = true;
                            begin();
                        },
                        () -> {
                            isOpen = false;
                            watch.stop();
                        });
    }

    private void begin() {
        seen.clear();
        if (isOpen && folder().isPresent()) {
            watch.play();
            look();
        } else watch.stop();
    }

    /// The folder that is watched.
    public Optional<Path> folder() {
        return desk.settings().get(setting).filter(path -> !path.isBlank()).map(Path::of);
    }

    /// Watches a folder from now on; an empty text watches none.
    public void watch(String path) {
        desk.settings().put(setting, path.strip());
        begin();
    }

    private void look() {
        Optional<Path> folder = folder();
        if (folder.isEmpty() || !isReady.getAsBoolean()) return;
        desk.work()
                .lane("files")
                .run(
                        () -> FolderWatch.files(folder.get()),
                        files -> seen.look(files).forEach(take));
    }
}
