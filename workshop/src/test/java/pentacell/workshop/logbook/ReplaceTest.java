package pentacell.workshop.logbook;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;

/// One workshop file in the place of another.
final class ReplaceTest {
    @TempDir private Path folder;

    private Logbook opened(String name) {
        return assertInstanceOf(
                        Opening.Opened.class, Logbook.open(folder.resolve(name), Clock.systemUTC()))
                .logbook();
    }

    private void write(String name, double volts) throws LogbookException {
        try (Logbook book = opened(name)) {
            book.log("read", List.of(new CellFact.VoltageRead(new CellId("A-1"), volts)));
        }
    }

    private double volts(String name) {
        try (Logbook book = opened(name)) {
            return Cells.of(book.state())
                    .cell(new CellId("A-1"))
                    .orElseThrow()
                    .volts()
                    .orElseThrow();
        }
    }

    @Test
    void theCopyIsInItsPlaceAndTheOriginalStays() throws Exception {
        write("one.pentacell", 3.1);
        write("two.pentacell", 3.9);
        // what a program that was killed leaves behind
        Files.writeString(folder.resolve("one.pentacell-wal"), "of another file");
        Logbook.replace(folder.resolve("one.pentacell"), folder.resolve("two.pentacell"));
        assertFalse(Files.exists(folder.resolve("one.pentacell-wal")));
        assertEquals(3.9, volts("one.pentacell"));
        assertEquals(3.9, volts("two.pentacell"));
        Logbook.replace(folder.resolve("new.pentacell"), folder.resolve("two.pentacell"));
        assertEquals(3.9, volts("new.pentacell"));
    }

    @Test
    void anOpenFileIsNotTouched() throws Exception {
        write("two.pentacell", 3.9);
        try (Logbook one = opened("one.pentacell")) {
            one.log("read", List.of(new CellFact.VoltageRead(new CellId("A-1"), 3.1)));
            IOException refused =
                    assertThrows(
                            IOException.class,
                            () ->
                                    Logbook.replace(
                                            folder.resolve("one.pentacell"),
                                            folder.resolve("two.pentacell")));
            assertTrue(
                    String.valueOf(refused.getMessage()).contains("already open"),
                    refused::getMessage);
        }
        assertEquals(3.1, volts("one.pentacell"));
    }
}
