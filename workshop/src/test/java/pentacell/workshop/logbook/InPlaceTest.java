package pentacell.workshop.logbook;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.Chapters;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;

/// Odd names, links, and files that go away while they are open.
final class InPlaceTest {
    private static final CellId A = new CellId("A-1");

    @TempDir private Path folder;

    @ParameterizedTest
    @ValueSource(
            strings = {
                "what?.pentacell",
                "lot #3.pentacell",
                "100%.pentacell",
                "a%20b?mode=ro#x.pentacell",
                "łódź & β; 'x'.pentacell",
                "no ending"
            })
    void aNameMayHaveAnyLetter(String name) throws Exception {
        Path file = folder.resolve(name);
        try (Logbook book = opened(file)) {
            log(book);
        }
        opened(file).close();
        assertTrue(Files.size(file) > 0, "it lies under its own name");
        FileCheck check = FileCheck.of(file, Chapters.ALL);
        assertTrue(check.isWhole());
        assertEquals(1, check.acts());
        assertEquals(1, check.backups().size());
    }

    @Test
    void aLinkLeadsToTheSameLockAndTheSameCopies() throws Exception {
        Path file = folder.resolve("bench.pentacell");
        Path link = folder.resolve("link.pentacell");
        Path toLink = folder.resolve("link to link.pentacell");
        Files.createSymbolicLink(link, Path.of("bench.pentacell"));
        Files.createSymbolicLink(toLink, link);
        Path linkedFolder = Files.createSymbolicLink(folder.resolve("here"), folder);
        // even before the file is there
        Logbook book = opened(toLink);
        log(book);
        assertEquals(file.toRealPath(), book.file());
        for (Path each : List.of(file, link, toLink, linkedFolder.resolve("bench.pentacell")))
            assertTrue(
                    assertInstanceOf(Opening.Refused.class, Logbook.open(each, Clock.systemUTC()))
                            .message()
                            .contains("already open"),
                    each.toString());
        book.close();
        opened(link).close();
        assertTrue(Files.isDirectory(Backups.folder(file)));
        assertFalse(Files.exists(Backups.folder(link)));
    }

    @Test
    void aFileThatIsMovedOrReplacedWhileOpenIsNoticedAndNothingMoreIsWritten() throws Exception {
        Path file = folder.resolve("bench.pentacell");
        Path moved = folder.resolve("moved.pentacell");
        Logbook book = opened(file);
        log(book);
        assumeTrue(
                Files.readAttributes(file, java.nio.file.attribute.BasicFileAttributes.class)
                                .fileKey()
                        != null,
                "this system does not tell files of one name apart");
        List<String> heard = Collections.synchronizedList(new ArrayList<>());
        book.onTrouble(heard::add);
        book.caretaker().look();
        assertEquals(List.of(), heard);
        Files.move(file, moved);
        book.caretaker().look();
        book.caretaker().look();
        assertEquals(1, heard.size(), "said once");
        assertTrue(heard.get(0).contains("was moved, renamed or deleted"), heard.get(0));
        LogbookException refused = assertThrows(LogbookException.class, () -> log(book));
        assertEquals(heard.get(0), refused.getMessage());
        Files.writeString(file, "another file");
        book.caretaker().look();
        assertTrue(heard.get(1).contains("was replaced by another file"), heard.get(1));
        assertThrows(LogbookException.class, () -> log(book));
        Files.delete(file);
        Files.move(moved, file);
        book.caretaker().look();
        assertTrue(heard.get(2).contains("is back in its place"), heard.get(2));
        log(book);
        book.close();
        FileCheck check = FileCheck.of(file, Chapters.ALL);
        assertEquals(List.of(), check.problems());
        assertEquals(2, check.acts());
    }

    /// When nothing is being logged, the file alone holds everything: copied without what lies
    /// beside it, it is whole.
    @Test
    void anIdleFileIsCompleteWithoutItsLogOfChanges() throws Exception {
        Path file = folder.resolve("bench.pentacell");
        Logbook book = opened(file);
        for (int i = 0; i < 30; i++) log(book);
        book.caretaker().settle();
        Path copy = folder.resolve("copy.pentacell");
        Files.copy(file, copy);
        assertEquals(30, FileCheck.of(copy, Chapters.ALL).acts());
        assertEquals(30, new KnownHead(file).read().orElseThrow().act());
        book.close();
        assertFalse(Files.exists(Snapshot.changes(file)), "nothing is left beside a closed file");
    }

    /// What was known of a file does not stand in the way of a demo put in its place.
    @Test
    void aReplacedFileBeginsItsOwnHistory() throws Exception {
        Path one = folder.resolve("one.pentacell");
        Path other = folder.resolve("other.pentacell");
        for (Path each : List.of(one, other))
            try (Logbook book = opened(each)) {
                log(book);
                if (each.equals(one)) log(book);
            }
        opened(one).close();
        Logbook.replace(one, other);
        try (Logbook book = opened(one)) {
            assertEquals(1, Cells.of(book.state()).all().size());
            assertEquals("read", book.undoStep().orElseThrow().words());
        }
        assertEquals(1, FileCheck.of(one, Chapters.ALL).acts());
    }

    private static void log(Logbook book) throws LogbookException {
        book.log("read", List.of(new CellFact.VoltageRead(A, 3.6)));
    }

    private static Logbook opened(Path file) throws IOException {
        return assertInstanceOf(Opening.Opened.class, Logbook.open(file, Clock.systemUTC()))
                .logbook();
    }
}
