package pentacell.workshop.logbook;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.Chapters;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Place;
import pentacell.workshop.logbook.Problem.Kind;

/// Damaged workshop files: seen, said, kept out of the backups, and what can be saved is saved.
@Tag("exhaustive")
final class DamageTest {
    private static final int ACTS = 300;
    private static final int PAGE = 4096;

    @TempDir private Path folder;
    private Path file = Path.of("");
    private String state = "";

    @BeforeEach
    void aWorkshopWithACopy() throws Exception {
        file = folder.resolve("bench.pentacell");
        try (Logbook book = opened()) {
            for (int i = 1; i <= ACTS; i++) log(book, i);
            book.undo();
            book.redo();
        }
        state = FileCheck.of(file, Chapters.ALL).state().orElseThrow();
    }

    private void log(Logbook book, int number) throws LogbookException {
        CellId cell = new CellId("K-" + number);
        book.log(
                "Log " + cell,
                List.of(
                        new CellFact.VoltageRead(cell, 3.6),
                        new CellFact.CellPlaced(cell, new Place("T1", 1, number)),
                        new CellFact.CellNoted(cell, "from the hire-bicycle module")));
    }

    @Test
    void aWholeFileIsFoundWhole() throws Exception {
        opened().close();
        FileCheck check = FileCheck.of(file, Chapters.ALL);
        assertEquals(List.of(), check.problems());
        assertEquals(ACTS + 2, check.acts());
        assertEquals(ACTS * 3 + 2, check.facts());
        assertEquals(ACTS, check.cells());
        assertEquals(ACTS + 2, check.backups().get(0).acts());
        assertTrue(check.backups().get(0).isWhole());
        assertEquals(
                state,
                FileCheck.of(check.backups().get(0).file(), Chapters.ALL).state().orElse(""));
    }

    /// Whichever page is overwritten or swapped, the file is never opened as if nothing were the
    /// matter with the journal, nor copied over the good copies.
    @Test
    void everyOverwrittenPageIsSeen() throws Exception {
        opened().close();
        List<Backups.Copy> before = new Backups(file).all();
        byte[] whole = Files.readAllBytes(file);
        Random random = new Random(5);
        int pages = whole.length / PAGE;
        for (int page = 0; page < pages; page++) {
            byte[] damaged = whole.clone();
            if (page % 2 == 0)
                for (int i = page == 0 ? 100 : 0; i < PAGE; i++)
                    damaged[page * PAGE + i] = (byte) random.nextInt();
            else {
                int other = 1 + (page + 3) % (pages - 1);
                if (other == page) continue;
                System.arraycopy(whole, other * PAGE, damaged, page * PAGE, PAGE);
                System.arraycopy(whole, page * PAGE, damaged, other * PAGE, PAGE);
            }
            Files.write(file, damaged);
            assertFalse(
                    FileCheck.of(file, Chapters.ALL).isWhole(), "page " + page + " of " + pages);
            Opening opening = Logbook.open(file, Clock.systemUTC());
            if (opening instanceof Opening.Opened spared) spared.logbook().close();
            else {
                Damage damage = assertInstanceOf(Opening.Damaged.class, opening).damage();
                assertEquals(ACTS + 2, damage.copy().orElseThrow().acts());
                assertFalse(damage.canGoOn());
            }
            assertEquals(before, new Backups(file).all(), "page " + page);
            Files.write(file, whole);
            Files.deleteIfExists(Snapshot.changes(file));
        }
    }

    /// Changes that leave the file a good database: only the chain shows them.
    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "UPDATE fact SET body = '{\"cell\":\"K-9\",\"volts\":4.1}' WHERE sequence = 25 | CHANGED_ACT | act 9",
                "UPDATE act SET words = 'never' WHERE act = 7 | CHANGED_ACT | act 7",
                "UPDATE act SET at = 'yesterday' WHERE act = 7 | CHANGED_ACT | act 7",
                "UPDATE fact SET cell = 'K-10' WHERE sequence = 25 | CHANGED_ACT | act 9",
                "DELETE FROM fact WHERE sequence = 30 | MISSING_ENTRY | entry 30",
                "DELETE FROM fact WHERE sequence BETWEEN 28 AND 30 | MISSING_ENTRY | entries 28 to 30",
                "DELETE FROM act WHERE act = 20 | MISSING_ACT | entry 58",
                "UPDATE act SET digest = NULL WHERE act = 20 | CHANGED_ACT | act 20",
                "UPDATE fact SET act = 9 WHERE sequence = 400 | OUT_OF_ORDER | entry 400",
                "DELETE FROM fact WHERE act > 290 | CHANGED_ACT | act 291",
                "UPDATE fact SET body = '{\"cell\":\"K-9\"}' WHERE sequence = 25 | CHANGED_ACT | act 9",
            })
    void everyChangeInTheMiddleIsSeen(String change, Kind kind, String where) throws Exception {
        behindItsBack(change);
        Problem first = damage().problems().get(0);
        assertEquals(kind, first.kind(), first.sentence());
        assertEquals(where, first.where());
        assertEquals(damage().problems(), FileCheck.of(file, Chapters.ALL).problems());
    }

    @Test
    void aFactThatLostItsVoltsIsNamedAndTheLockLetGo() throws Exception {
        opened().close();
        behindItsBack("UPDATE fact SET body = '{\"cell\":\"K-9\"}' WHERE sequence = 25");
        Damage damage = damage();
        assertTrue(
                damage.message()
                        .contains(
                                "Entry 25: voltage-read: volts is missing (in act 9, “Log K-9”)."),
                damage.message());
        assertFalse(Files.exists(file.resolveSibling("bench.pentacell-lock")));
        Salvage.Saved saved = Salvage.of(file, folder.resolve("saved.pentacell"), Chapters.ALL);
        // the whole act comes from the copy
        assertEquals(List.of(), saved.lost());
        assertEquals(3, saved.fromCopy());
    }

    /// A reading that was changed behind the program's back: with a copy the true one comes back,
    /// without it is taken as it is and named.
    @ParameterizedTest(name = "with a copy: {0}")
    @ValueSource(booleans = {true, false})
    void aChangedActIsNotSavedInSilence(boolean hasCopy) throws Exception {
        opened().close();
        if (!hasCopy) for (Backups.Copy each : new Backups(file).all()) Files.delete(each.file());
        behindItsBack(
                "UPDATE fact SET body = '{\"cell\":\"K-9\",\"volts\":4.1}' WHERE sequence = 25");
        Path fresh = folder.resolve("saved.pentacell");
        Salvage.Saved saved = Salvage.of(file, fresh, Chapters.ALL);
        FileCheck check = FileCheck.of(fresh, Chapters.ALL);
        assertTrue(check.isWhole());
        assertEquals(hasCopy, state.equals(check.state().orElse("")));
        assertEquals(
                hasCopy ? List.of() : List.of("act 9"),
                saved.lost().stream().map(Problem::where).toList());
    }

    /// The end of a journal is cut off: no chain shows that, but where it ended is known.
    @Test
    void aFileThatLostItsEndIsNotTakenForAWholeOne() throws Exception {
        opened().close();
        behindItsBack("DELETE FROM fact WHERE act > 290; DELETE FROM act WHERE act > 290");
        Damage damage = damage();
        assertEquals(Kind.SHORTER_THAN_KNOWN, damage.problems().get(0).kind());
        assertEquals("acts 291 to 302", damage.problems().get(0).where());
        assertTrue(damage.canGoOn());
        Recovery.goOn(file);
        try (Logbook book = opened()) {
            assertEquals(290, Cells.of(book.state()).all().size());
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"no byte", "gone", "head only"})
    void anEmptyFileIsNotTakenForANewWorkshop(String how) throws Exception {
        opened().close();
        switch (how) {
            case "no byte" -> Files.write(file, new byte[0]);
            case "gone" -> Files.delete(file);
            default -> {
                // as a file stands that lost its log of changes before anything was taken up
                Files.delete(file);
                try (Connection database = Database.connect(file)) {
                    assertFalse(database.isClosed());
                }
                Files.deleteIfExists(Snapshot.changes(file));
            }
        }
        Damage damage = damage();
        assertEquals(Kind.EMPTY, damage.problems().get(0).kind());
        assertEquals(ACTS + 2, damage.copy().orElseThrow().acts());
        Instant now = Instant.parse("2026-11-25T18:00:00Z");
        Recovery.takeCopy(file, damage.copy().orElseThrow().file(), now);
        opened().close();
        assertEquals(state, FileCheck.of(file, Chapters.ALL).state().orElse(""));
        Files.write(file, new byte[0]);
        Recovery.beginAnew(file, now);
        try (Logbook book = opened()) {
            assertTrue(Cells.of(book.state()).all().isEmpty());
        }
        assertEquals(
                List.of("bench-damaged", "bench.pentacell", "bench.pentacell-backups-set-aside"),
                names().stream()
                        .map(name -> name.replaceFirst("-20\\d\\d-.*", ""))
                        .distinct()
                        .toList());
    }

    @Test
    void aCopyTakesThePlaceOfTheDamagedFileAndSaysWhatItLacks() throws Exception {
        opened().close();
        try (Logbook book = opened()) {
            for (int i = 1; i <= 7; i++) log(book, ACTS + i);
        }
        // the copy made at the opening may have caught some of them already
        for (Backups.Copy each : new Backups(file).all())
            if (each.acts() > ACTS + 2) Files.delete(each.file());
        behindItsBack("UPDATE fact SET body = '{}' WHERE sequence = 25");
        Damage damage = damage();
        Damage.WholeCopy copy = damage.copy().orElseThrow();
        assertEquals(ACTS + 2 + 7 - copy.acts(), copy.missingCount());
        assertEquals(5, copy.missing().size());
        assertEquals("Log K-301", copy.missing().get(0).words());
        assertTrue(copy.missing().get(0).at().isPresent());
        Optional<Path> aside = Recovery.takeCopy(file, copy.file(), Instant.now());
        assertFalse(FileCheck.of(aside.orElseThrow(), Chapters.ALL).isWhole());
        try (Logbook book = opened()) {
            assertEquals(ACTS, Cells.of(book.state()).all().size());
        }
    }

    @Test
    void aFileSomebodyHasOpenIsNotReplaced() {
        Logbook book = opened();
        assertThrows(
                IOException.class,
                () -> Recovery.takeCopy(file, folder.resolve("other"), Instant.now()));
        book.close();
    }

    /// Pages in the middle are overwritten: what can be read is saved, what is in the copy is taken
    /// from there, and the new file is whole.
    @ParameterizedTest(name = "with a copy: {0}")
    @ValueSource(booleans = {true, false})
    void whatCanBeReadIsSalvaged(boolean hasCopy) throws Exception {
        if (hasCopy) opened().close();
        else for (Backups.Copy each : new Backups(file).all()) Files.delete(each.file());
        byte[] bytes = Files.readAllBytes(file);
        int from = pageOfFacts(bytes, bytes.length / PAGE / 2);
        Arrays.fill(bytes, from * PAGE, (from + 2) * PAGE, (byte) 0x55);
        Files.write(file, bytes);
        byte[] damaged = Files.readAllBytes(file);
        Path fresh = folder.resolve("saved.pentacell");
        Salvage.Saved saved = Salvage.of(file, fresh, Chapters.ALL);
        assertTrue(Arrays.equals(damaged, Files.readAllBytes(file)), "the file is not touched");
        FileCheck check = FileCheck.of(fresh, Chapters.ALL);
        assertEquals(List.of(), check.problems());
        assertEquals(saved.acts(), check.acts());
        if (hasCopy) {
            assertEquals(state, check.state().orElse(""));
            assertEquals(List.of(), saved.lost());
        } else {
            assertTrue(
                    saved.facts() > ACTS && saved.facts() < ACTS * 3 + 2,
                    () -> saved.facts() + " facts");
            long lostEntries =
                    saved.lost().stream().filter(each -> each.kind() == Kind.MISSING_ENTRY).count();
            assertEquals(check.facts(), saved.facts() + lostEntries);
        }
        assertInstanceOf(Opening.Opened.class, Logbook.open(fresh, Clock.systemUTC()))
                .logbook()
                .close();
        assertThrows(
                IOException.class,
                () -> Salvage.of(file, fresh, Chapters.ALL),
                "nothing is overwritten");
    }

    /// The first page from one on that is a leaf of the table of facts.
    private static int pageOfFacts(byte[] bytes, int from) {
        for (int page = from; page < bytes.length / PAGE; page++) {
            String text = new String(bytes, page * PAGE, PAGE, StandardCharsets.ISO_8859_1);
            boolean isTableLeaf = bytes[page * PAGE] == 0x0D;
            if (isTableLeaf && text.contains("voltage-read")) return page;
        }
        throw new AssertionError("no page of facts");
    }

    /// However a file is mangled, it is looked at, opened or refused, and salvaged or not, in
    /// words.
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void noManglingEndsInAFault(long seed) throws Exception {
        opened().close();
        byte[] whole = Files.readAllBytes(file);
        Random random = new Random(seed);
        for (int round = 0; round < 6; round++) {
            byte[] bytes = Arrays.copyOf(whole, 1 + random.nextInt(whole.length));
            if (random.nextBoolean()) bytes = whole.clone();
            for (int i = random.nextInt(40); i > 0; i--)
                bytes[random.nextInt(bytes.length)] = (byte) random.nextInt();
            Files.write(file, bytes);
            FileCheck check = FileCheck.of(file, Chapters.ALL);
            switch (Logbook.open(file, Clock.systemUTC())) {
                case Opening.Opened opened -> opened.logbook().close();
                case Opening.Refused refused -> assertFalse(check.isWhole(), refused.message());
                case Opening.Damaged damaged ->
                        assertFalse(check.isWhole(), damaged.damage().message());
            }
            Path fresh = folder.resolve("saved" + round + ".pentacell");
            try {
                Salvage.of(file, fresh, Chapters.ALL);
                assertEquals(List.of(), FileCheck.of(fresh, Chapters.ALL).problems());
            } catch (IOException nothing) {
                assertFalse(String.valueOf(nothing.getMessage()).isBlank());
                assertFalse(Files.exists(fresh), "nothing half saved is left");
            }
            Files.deleteIfExists(fresh);
            Files.deleteIfExists(Snapshot.changes(file));
            Files.write(file, whole);
        }
    }

    private Damage damage() {
        return assertInstanceOf(Opening.Damaged.class, Logbook.open(file, Clock.systemUTC()))
                .damage();
    }

    private List<String> names() throws IOException {
        List<String> names = new ArrayList<>();
        try (var files = Files.list(folder)) {
            files.map(each -> String.valueOf(each.getFileName())).sorted().forEach(names::add);
        }
        names.removeIf(name -> name.endsWith("pentacell-backups"));
        return names;
    }

    private void behindItsBack(String statements) throws SQLException {
        try (Connection database = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement statement = database.createStatement()) {
            for (String table : List.of("act", "fact"))
                for (String guard : List.of("_is_kept", "_is_fixed"))
                    statement.execute("DROP TRIGGER IF EXISTS " + table + guard);
            for (String each : statements.split(";")) statement.execute(each);
        }
    }

    private Logbook opened() {
        return assertInstanceOf(Opening.Opened.class, Logbook.open(file, Clock.systemUTC()))
                .logbook();
    }
}
