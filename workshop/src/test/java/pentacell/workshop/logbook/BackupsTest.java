package pentacell.workshop.logbook;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;

/// Which copies of a workshop are made, and which are kept.
final class BackupsTest {
    private static final Instant NOW = Instant.parse("2026-11-25T20:00:00Z");

    @TempDir private Path folder;
    private final Clock clock = mock(Clock.class);

    @Test
    void theLatestAreKeptThenOneADayThenOneAWeek() {
        List<Backups.Copy> copies = new ArrayList<>();
        for (int hours = 0; hours < 24 * 120; hours += 6)
            copies.add(
                    new Backups.Copy(
                            Path.of("copy" + hours), NOW.minus(Duration.ofHours(hours)), 1, ""));
        List<Backups.Copy> kept = new ArrayList<>(copies);
        kept.removeAll(Backups.superfluous(copies, NOW));
        assertEquals(copies.subList(0, 3), kept.subList(0, 3));
        assertEquals(3 + 7 + 8, kept.size(), () -> "" + kept);
        for (int i = 3; i < kept.size() - 1; i++) {
            Duration between = Duration.between(kept.get(i + 1).at(), kept.get(i).at());
            assertTrue(between.compareTo(Duration.ofDays(7)) <= 0, () -> "" + kept);
        }
        assertEquals(
                List.of(),
                Backups.superfluous(kept, NOW),
                "what was kept once is kept at the next opening");
    }

    @Test
    void aFewCopiesAreAllKept() {
        for (int count = 0; count <= 3; count++) {
            List<Backups.Copy> copies = new ArrayList<>();
            for (int i = 0; i < count; i++)
                copies.add(new Backups.Copy(Path.of("c" + i), Instant.EPOCH, i, ""));
            assertEquals(List.of(), Backups.superfluous(copies, NOW));
        }
    }

    @Test
    void eachOpeningThatFindsSomethingNewLeavesAWholeCopy() throws Exception {
        Path file = folder.resolve("bench.pentacell");
        for (int day = 1; day <= 4; day++) {
            when(clock.instant()).thenReturn(NOW.plus(Duration.ofDays(day)));
            try (Logbook book = opened(file)) {
                book.log("read", List.of(new CellFact.VoltageRead(new CellId("A-1"), 3.6)));
            }
            opened(file).close();
            opened(file).close();
        }
        List<Backups.Copy> copies = new Backups(file).all();
        assertEquals(List.of(4L, 3L, 2L, 1L), copies.stream().map(Backups.Copy::acts).toList());
        for (Backups.Copy each : copies) assertTrue(Backups.isWhole(each));
        assertEquals("2026-11-29T20:00:00Z", copies.get(0).at().toString());
    }

    /// As when there was no room for them: they stand in the folder, but count for nothing.
    @Test
    void copiesOfNoByteOrThatAreTornDoNotCount() throws Exception {
        Path file = folder.resolve("bench.pentacell");
        when(clock.instant()).thenReturn(NOW);
        try (Logbook book = opened(file)) {
            book.log("read", List.of(new CellFact.VoltageRead(new CellId("A-1"), 3.6)));
        }
        Path copies = Files.createDirectories(Backups.folder(file));
        Files.createFile(copies.resolve("2026-11-25T200000-1.pentacell"));
        Files.writeString(copies.resolve("copy.unfinished"), "half");
        try (Logbook book = opened(file)) {
            book.log("read", List.of(new CellFact.VoltageRead(new CellId("A-1"), 3.7)));
        }
        opened(file).close();
        List<Backups.Copy> all = new Backups(file).all();
        assertEquals(List.of(2L, 1L), all.stream().map(Backups.Copy::acts).toList());
        assertTrue(Backups.isWhole(all.get(0)));
        assertFalse(Files.exists(copies.resolve("copy.unfinished")));
        tear(all.get(0).file());
        assertEquals(all.get(1), new Backups(file).newestWhole().orElseThrow());
        tear(all.get(1).file());
        assertEquals(Optional.empty(), new Backups(file).newestWhole());
    }

    private static void tear(Path copy) throws IOException {
        byte[] bytes = Files.readAllBytes(copy);
        Files.write(copy, Arrays.copyOf(bytes, bytes.length / 2));
    }

    private Logbook opened(Path file) throws IOException {
        return assertInstanceOf(Opening.Opened.class, Logbook.open(file, clock)).logbook();
    }
}
