package pentacell.desktop.test;

import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import pentacell.core.cell.CellId;
import pentacell.core.imports.ImportedFiles;
import pentacell.core.measure.RunResults;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.WatchedFolder;
import pentacell.instruments.bench.LogImport;
import pentacell.workshop.exchange.RunLog;
import pentacell.workshop.exchange.RunLogCsv;

/// Takes log files in: one that is chosen, or all that come into a watched folder. A file that is
/// named after a cell is that cell's; of any other the quick line asks once whose it is.
final class LogIntake {
    private final Desk desk;
    private final TestModel model;
    private final Deque<RunLog> unnamed = new ArrayDeque<>();
    private final WatchedFolder watched;
    private Runnable onAsking = () -> {};

    LogIntake(Desk desk, TestModel model) {
        this.desk = desk;
        this.model = model;
        watched =
                new WatchedFolder(
                        desk,
                        "watched-folder",
                        () -> model.bench().keeper().isPresent(),
                        this::take);
    }

    /// Lets somebody hear that it is asked whose a file is.
    void onAsking(Runnable asked) {
        onAsking = asked;
    }

    /// The folder that is watched.
    Optional<Path> folder() {
        return watched.folder();
    }

    /// Watches a folder from now on; an empty text watches none.
    void watch(String path) {
        watched.watch(path);
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
            onAsking.run();
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
