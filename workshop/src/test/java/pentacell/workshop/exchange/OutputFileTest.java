package pentacell.workshop.exchange;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Clock;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.Opening;

/// Outputs never replace what is to stay, and are whole or not there.
final class OutputFileTest {
    @TempDir private Path folder;

    private static String refused(Path file, Path... inputs) {
        return String.valueOf(
                assertThrows(
                                OutputFile.Refused.class,
                                () -> OutputFile.check(file, List.of(inputs)))
                        .getMessage());
    }

    @Test
    void anInputIsKnownByItsIdentityNotItsName() throws Exception {
        Path input = Files.writeString(folder.resolve("lot.csv"), "cells");
        Path link = Files.createSymbolicLink(folder.resolve("link.csv"), input);
        Path second = folder.resolve("second.csv");
        Files.createLink(second, input);
        for (Path named :
                List.of(input, link, second, folder.resolve("./x/../lot.csv").normalize()))
            assertTrue(refused(named, input).contains("read here"), named.toString());
        OutputFile.check(folder.resolve("other.csv"), List.of(input));
    }

    @Test
    void aWorkshopIsNeverWrittenOver() throws Exception {
        Path file = folder.resolve("bench.pentacell");
        try (Logbook book = ((Opening.Opened) Logbook.open(file, Clock.systemUTC())).logbook()) {
            book.log("read", List.of(new CellFact.VoltageRead(new CellId("K-1"), 3.6)));
            assertTrue(refused(file).contains("is a workshop"));
            assertTrue(refused(folder.resolve("bench.pentacell-wal")).contains("belongs to"));
        }
        byte[] before = Files.readAllBytes(file);
        assertThrows(OutputFile.Refused.class, () -> OutputFile.write(file, "text"));
        Path renamed = Files.move(file, folder.resolve("notes.txt"));
        assertThrows(OutputFile.Refused.class, () -> OutputFile.write(renamed, "text"));
        assertEquals(-1, java.util.Arrays.mismatch(before, Files.readAllBytes(renamed)));
    }

    @Test
    void foldersAndDevicesAreRefusedAndNowhereIsNot() throws Exception {
        assertTrue(refused(folder).contains("is a folder"));
        assertTrue(refused(Path.of("/dev/zero")).contains("is a device"));
        OutputFile.write(Path.of("/dev/null"), "text");
        assertFalse(Files.isRegularFile(Path.of("/dev/null")));
    }

    @Test
    void whatCannotBeWrittenIsSaidInASentence() throws Exception {
        Path file = Files.writeString(folder.resolve("file"), "x");
        for (Path named :
                List.of(
                        folder.resolve("none").resolve("out.csv"),
                        file.resolve("out.csv"),
                        folder.resolve("x".repeat(300)))) {
            String said =
                    String.valueOf(
                            assertThrows(
                                            OutputFile.NotWritten.class,
                                            () -> OutputFile.write(named, "text"))
                                    .getMessage());
            assertTrue(said.contains("cannot be written"), said);
        }
        assertThrows(
                OutputFile.NotWritten.class,
                () ->
                        OutputFile.write(
                                file,
                                unfinished -> {
                                    throw new IOException("the disk is full");
                                }));
        assertEquals("x", Files.readString(file), "what was there is there still");
        try (Stream<Path> left = Files.list(folder)) {
            assertEquals(1, left.count(), "no half file is left behind");
        }
    }

    @Test
    void permissionsAreThoseOfThePersonOrOfTheFileBefore() throws Exception {
        Path plain = Files.writeString(folder.resolve("plain"), "x");
        Path fresh = folder.resolve("fresh");
        OutputFile.write(fresh, "text");
        assertEquals(
                Files.getPosixFilePermissions(plain),
                Files.getPosixFilePermissions(fresh),
                "as any new file");
        Files.setPosixFilePermissions(plain, PosixFilePermissions.fromString("rw-rw----"));
        OutputFile.write(plain, "text");
        assertEquals(
                "rw-rw----", PosixFilePermissions.toString(Files.getPosixFilePermissions(plain)));
        Path link = Files.createSymbolicLink(folder.resolve("link"), plain);
        OutputFile.write(link, "through the link");
        assertTrue(Files.isSymbolicLink(link));
        assertEquals("through the link", Files.readString(plain));
    }
}
