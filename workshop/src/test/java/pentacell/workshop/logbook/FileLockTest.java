package pentacell.workshop.logbook;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.Chapters;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;

/// One file, one Pentacell, whatever the file is called; and reading leaves no trace.
final class FileLockTest {
    private static final CellId CELL = new CellId("K-1");

    @TempDir private Path folder;

    private static Opening open(Path file) {
        return Logbook.open(file, Clock.systemUTC());
    }

    @Test
    void aHardLinkIsTheSameFile() throws Exception {
        Path one = folder.resolve("one.pentacell");
        Path other = Files.createDirectory(folder.resolve("elsewhere")).resolve("two.pentacell");
        try (Logbook book = assertInstanceOf(Opening.Opened.class, open(one)).logbook()) {
            // made while the file is open, when it has just been made
            Files.createLink(other, one);
            book.log("read", List.of(new CellFact.VoltageRead(CELL, 3.6)));
            String message = assertInstanceOf(Opening.Refused.class, open(other)).message();
            assertTrue(message.contains("already open"), message);
        }
        try (Logbook book = assertInstanceOf(Opening.Opened.class, open(other)).logbook()) {
            assertEquals(1, Cells.of(book.state()).all().size());
            assertInstanceOf(Opening.Refused.class, open(one));
        }
        assertInstanceOf(Opening.Opened.class, open(one)).logbook().close();
    }

    @Test
    void readingWritesNothingAndNeedsNoLock() throws Exception {
        Path file = folder.resolve("one.pentacell");
        try (Logbook book = assertInstanceOf(Opening.Opened.class, open(file)).logbook()) {
            book.log("read", List.of(new CellFact.VoltageRead(CELL, 3.6)));
            List<String> before = names();
            assertEquals(1, Cells.of(WorkshopReading.of(file, Chapters.ALL)).all().size());
            assertEquals(before, names());
        }
        Recovery.forget(file);
        List<String> before = names();
        assertEquals(1, Cells.of(WorkshopReading.of(file, Chapters.ALL)).all().size());
        assertTrue(FileCheck.of(file, Chapters.ALL).isWhole());
        assertEquals(before, names());
    }

    private List<String> names() throws Exception {
        try (Stream<Path> all = Files.walk(folder)) {
            return all.map(Path::toString).sorted().toList();
        }
    }
}
