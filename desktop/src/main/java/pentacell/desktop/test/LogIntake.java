package pentacell.desktop.test;

import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.util.Duration;
import pentacell.core.cell.CellId;
import pentacell.core.imports.ImportedFiles;
import pentacell.core.measure.RunResults;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.instruments.bench.FolderWatch;
import pentacell.instruments.bench.LogImport;
import pentacell.workshop.exchange.RunLog;
import pentacell.workshop.exchange.RunLogCsv;

/// Takes log files in: one that is chosen, or all that come into a watched folder. A file that is
/// named after a cell is that cell's; of any other the quick line asks once whose it is.
final class LogIntake {
    private static final double LOOK_SECONDS = 2;

    private final Desk desk;
    private final TestModel model;
    private final Deque<RunLog> unnamed = new ArrayDeque<>();
    private final FolderWatch seen = new FolderWatch();
    private final Timeline watch;

    LogIntake(Desk desk, TestModel model) {
        this.desk = desk;
        this.model = model;
        watch = new Timeline(new KeyFrame(Duration.seconds(LOOK_SECONDS), tick -> look()));
        watch.setCycleCount(Animation.INDEFINITE);
        if (folder().isPresent()) watch.play();
    }

    /// The folder that is watched.
    Optional<Path> folder() {
        return desk.settings().get("watched-folder").filter(path -> !path.isBlank()).map(Path::of);
    }

    /// Watches a folder from now on; an empty text watches none.
    void watch(String path) {
        desk.settings().put("watched-folder", path.strip());
        seen.clear();
        if (folder().isPresent()) {
            watch.play();
            look();
        } else watch.stop();
    }

    private void look() {
        Optional<Path> folder = folder();
        boolean isOpen = model.bench().keeper().isPresent();
        if (folder.isEmpty() || !isOpen) return;
        desk.work()
                .lane("files")
                .run(
                        () -> FolderWatch.files(folder.get()),
                        files -> seen.look(files).forEach(this::take));
    }

    /// Takes a file in, or asks whose it is.
    void take(Path file) {
        desk.notices().say("Reading " + file.getFileName() + " …");
        desk.work().lane("files").run(() -> RunLogCsv.readForImport(file), this::read);
    }

    private void read(RunLog log) {
        if (log.log().size() == 0) {
            desk.notices()
                    .say(
                            log.problems().isEmpty()
                                    ? log.name() + " has no samples."
                                    : log.problems().get(0).text());
            return;
        }
        if (ImportedFiles.of(desk.ledger().state()).has(log.sha256())) {
            desk.notices().say(log.name() + " was imported before.");
            return;
        }
        Optional<CellId> cell = LogImport.cellOf(log.name(), desk.ledger().state());
        if (cell.isPresent()) take(log, cell.get());
        else {
            unnamed.add(log);
            desk.notices().say(log.name() + ": which cell is this log from? Type its id.");
            model.changed();
        }
    }

    /// The file whose cell is asked for.
    Optional<String> asked() {
        return Optional.ofNullable(unnamed.peek()).map(RunLog::name);
    }

    /// Says whose the file is.
    void answer(CellId cell) {
        RunLog log = unnamed.poll();
        if (log != null) take(log, cell);
        model.changed();
    }

    private void take(RunLog log, CellId cell) {
        model.bench()
                .withKeeper(
                        keeper -> LogImport.take(log, cell, keeper),
                        results -> {
                            desk.selection().select(cell);
                            desk.notices().say(words(log, cell, results));
                        });
    }

    private static String words(RunLog log, CellId cell, RunResults.Results results) {
        String capacity =
                results.analysis()
                        .discharge()
                        .map(discharge -> ", " + Quantity.CAPACITY.text(discharge.milliampHours()))
                        .orElse(", no discharge in it");
        String skipped =
                log.skipped() > 0
                        ? ", %s left out (first: %s)"
                                .formatted(
                                        Count.of(log.skipped(), "line", "lines"),
                                        log.problems().get(0).text())
                        : "";
        String notes = log.notes().isEmpty() ? "" : "; " + String.join("; ", log.notes());
        return "%s is %s: %s%s%s%s"
                .formatted(
                        log.name(),
                        cell,
                        Count.of(log.log().size(), "sample", "samples"),
                        capacity,
                        skipped,
                        notes);
    }
}
