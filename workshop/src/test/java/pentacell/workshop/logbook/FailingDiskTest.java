package pentacell.workshop.logbook;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.Chapters;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.journal.Fact;

/// Full disks and failing ones: nothing stands half, the message is true, work goes on.
@Tag("exhaustive")
final class FailingDiskTest {
    private static final int STATEMENTS_OF_AN_ACT = 3;

    @TempDir private Path folder;
    private int logged;

    /// Fails at each statement of a write in turn, once or for a while, carried out or not.
    @ParameterizedTest(name = "{0} failures, carried out all the same: {1}")
    @CsvSource({"1, false", "1, true", "3, false", "40, false"})
    void whicheverStatementFailsNothingStandsHalf(int times, boolean after) throws Exception {
        Path file = folder.resolve("bench.pentacell");
        SickDisk disk = new SickDisk();
        Logbook book =
                assertInstanceOf(
                                Opening.Opened.class,
                                new LogbookFile(file, Clock.systemUTC(), Chapters.ALL, disk)
                                        .open(share -> {}))
                        .logbook();
        log(book);
        for (int statement = 0; statement < STATEMENTS_OF_AN_ACT; statement++) {
            disk.failAt(statement, times, after);
            int before = logged;
            boolean isConfirmed = true;
            try {
                log(book);
            } catch (LogbookException told) {
                isConfirmed = false;
                assertTrue(
                        String.valueOf(told.getMessage()).startsWith("The disk is full"),
                        told.getMessage());
            }
            assertTrue(disk.heal(), "statement " + statement + " was reached");
            if (!isConfirmed) logged = before;
            assertEquals(logged, cells(book), "statement " + statement);
            log(book);
            assertEquals(logged, cells(book), "work goes on after statement " + statement);
        }
        book.undo();
        book.redo();
        book.close();
        FileCheck check = FileCheck.of(file, Chapters.ALL);
        assertEquals(List.of(), check.problems());
        assertEquals(logged, check.cells());
    }

    /// The commit went through, only the answer was lost: the act is confirmed, not logged twice.
    @Test
    void anActThatIsSafeIsConfirmedThoughItsCommitFailed() throws Exception {
        SickDisk disk = new SickDisk();
        Path file = folder.resolve("bench.pentacell");
        Logbook book =
                assertInstanceOf(
                                Opening.Opened.class,
                                new LogbookFile(file, Clock.systemUTC(), Chapters.ALL, disk)
                                        .open(share -> {}))
                        .logbook();
        disk.failAt(STATEMENTS_OF_AN_ACT - 1, 1, true);
        log(book);
        assertTrue(disk.heal());
        assertEquals(1, cells(book));
        book.close();
    }

    /// A real full disk; a small file system of its own can be had by root only.
    @Test
    void onAFullDiskWorkGoesOnAsSoonAsThereIsRoom() throws Exception {
        Path small = Files.createDirectory(folder.resolve("small"));
        assumeTrue(
                done("mount", "-t", "tmpfs", "-o", "size=600k", "tmpfs", small.toString()),
                "no file system of one's own here");
        try {
            Path ballast = small.resolve("ballast");
            Files.write(ballast, new byte[200_000]);
            Path file = small.resolve("bench.pentacell");
            Logbook book = opened(file);
            LogbookException full = assertThrows(LogbookException.class, () -> logUntilFull(book));
            assertTrue(
                    String.valueOf(full.getMessage()).contains("The disk is full"),
                    full.getMessage());
            int confirmed = --logged;
            assertEquals(confirmed, cells(book));
            for (int i = 0; i < 3; i++) {
                assertThrows(LogbookException.class, () -> log(book), "still full");
                logged--;
            }
            Files.delete(ballast);
            log(book);
            assertEquals(confirmed + 1, cells(book));
            book.close();
            FileCheck check = FileCheck.of(file, Chapters.ALL);
            assertEquals(List.of(), check.problems());
            assertEquals(confirmed + 1, check.cells());
            opened(file).close();
        } finally {
            done("umount", "-l", small.toString());
        }
    }

    /// An act without facts, as a full disk left it in files of earlier programs, harms nothing.
    @Test
    void anActWithoutFactsIsHarmless() throws Exception {
        Path file = folder.resolve("bench.pentacell");
        try (Logbook book = opened(file)) {
            log(book);
        }
        Downgrade.toFormat4(file);
        try (var database = Database.connect(file);
                var statement = database.createStatement()) {
            statement.execute("INSERT INTO act VALUES (2, '2026-01-01T00:00:00Z', 'half')");
        }
        try (Logbook book = opened(file)) {
            log(book);
            book.undo();
            book.redo();
            assertEquals(2, cells(book));
        }
        assertEquals(List.of(), FileCheck.of(file, Chapters.ALL).problems());
    }

    private void logUntilFull(Logbook book) throws LogbookException {
        while (logged < 10_000) log(book);
    }

    private void log(Logbook book) throws LogbookException {
        logged++;
        CellId cell = new CellId("K-" + logged);
        List<Fact> facts =
                List.of(new CellFact.VoltageRead(cell, 3.6), new CellFact.CellNoted(cell, "x"));
        book.log("Log " + cell, facts);
    }

    private static int cells(Logbook book) {
        return Cells.of(book.state()).all().size();
    }

    private static Logbook opened(Path file) {
        return assertInstanceOf(Opening.Opened.class, Logbook.open(file, Clock.systemUTC()))
                .logbook();
    }

    private static boolean done(String... command) throws InterruptedException {
        try {
            Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
            return process.waitFor(20, TimeUnit.SECONDS) && process.exitValue() == 0;
        } catch (IOException noSuchCommand) {
            return false;
        }
    }
}
