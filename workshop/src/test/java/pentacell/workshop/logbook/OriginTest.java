package pentacell.workshop.logbook;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.Chapters;
import pentacell.core.cell.CellFact.VoltageRead;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.journal.Amendment;
import pentacell.core.journal.Origin;

/// How facts came into the journal is kept in the file, and outlives it.
final class OriginTest {
    private static final CellId CELL = new CellId("K-1");

    @TempDir private Path folder;

    @Test
    void originsAreReadBackAsTheyWereWritten() throws Exception {
        Path file = folder.resolve("bench.pentacell");
        try (Logbook book = opened(file)) {
            read(book, Origin.IMPORTED, 3.71);
            read(book, Origin.INSTRUMENT, 3.72);
            read(book, Origin.STAND_IN, 3.1);
            book.log("typed", List.of(new VoltageRead(CELL, 3.73)));
        }
        try (Logbook book = opened(file)) {
            CellRecord cell = cell(book);
            assertEquals(
                    List.of(Origin.IMPORTED, Origin.INSTRUMENT, Origin.STAND_IN, Origin.TYPED),
                    cell.lifeLine().stream().map(CellRecord.LifeLineEntry::origin).toList());
            assertEquals(OptionalDouble.of(3.71), cell.lowestVolts(), "3.1 V was made up");
        }
        assertEquals(
                List.of("3.73", "3.71"),
                strings(file, "SELECT voltage_v, first_voltage_v FROM cells"));
        assertTrue(FileCheck.of(file, Chapters.ALL).isWhole());
    }

    @Test
    void whatAStandInMadeUpCountsWhereItWasSaidSo() throws Exception {
        Path file = folder.resolve("practice.pentacell");
        try (Logbook book = opened(file)) {
            read(book, Origin.STAND_IN, 3.3);
            assertFalse(
                    Cells.of(book.state()).cell(CELL).isPresent(), "nothing real is known of it");
            book.log("for practice", List.of(new Amendment.StandInsCount()));
            read(book, Origin.STAND_IN, 3.4);
            assertEquals(OptionalDouble.of(3.4), cell(book).firstVolts(), "from there on");
            book.undo();
            book.undo();
            assertFalse(book.state().standInsCount());
            book.redo();
            book.redo();
            assertEquals(OptionalDouble.of(3.4), cell(book).volts());
        }
        assertEquals(List.of("3.4"), strings(file, "SELECT voltage_v FROM voltages"));
    }

    @Test
    void aCorrectionByHandIsTyped() throws Exception {
        Path file = folder.resolve("corrected.pentacell");
        try (Logbook book = opened(file)) {
            book.log("typed", List.of(new VoltageRead(CELL, 3.6)));
            read(book, Origin.STAND_IN, 3.3);
            book.log(
                    "corrected",
                    List.of(new Amendment.EntryCorrected(2, new VoltageRead(CELL, 3.5))));
            assertEquals(OptionalDouble.of(3.5), cell(book).volts());
        }
    }

    @Test
    void anOriginThatWasChangedIsSeen() throws Exception {
        Path file = folder.resolve("forged.pentacell");
        try (Logbook book = opened(file)) {
            read(book, Origin.STAND_IN, 3.3);
        }
        sql(file, "DROP TRIGGER fact_is_fixed");
        sql(file, "UPDATE fact SET origin = 'instrument'");
        assertFalse(FileCheck.of(file, Chapters.ALL).isWhole());
        sql(file, "UPDATE fact SET origin = 'hearsay'");
        String told = FileCheck.of(file, Chapters.ALL).problems().toString();
        assertTrue(told.contains("voltage-read: its origin is “hearsay”"), told);
    }

    @Test
    void filesThatDifferInAnOriginDifferInState() throws Exception {
        List<Optional<String>> states = new ArrayList<>();
        for (Origin origin : List.of(Origin.INSTRUMENT, Origin.STAND_IN, Origin.INSTRUMENT)) {
            Path file = folder.resolve("of-" + states.size() + ".pentacell");
            try (Logbook book = opened(file)) {
                read(book, origin, 3.3);
            }
            states.add(FileCheck.of(file, Chapters.ALL).state());
        }
        assertTrue(states.getFirst().isPresent());
        assertNotEquals(states.get(0), states.get(1));
        assertEquals(states.get(0), states.get(2), "equal facts, equal states");
    }

    @Test
    void whatIsSalvagedKeepsItsOrigin() throws Exception {
        Path file = folder.resolve("hurt.pentacell");
        try (Logbook book = opened(file)) {
            book.log("typed", List.of(new VoltageRead(CELL, 3.6)));
            read(book, Origin.STAND_IN, 3.3);
        }
        Path saved = folder.resolve("saved.pentacell");
        Salvage.of(file, saved, Chapters.ALL);
        assertEquals(
                List.of("typed", "stand-in"),
                strings(saved, "SELECT origin FROM fact ORDER BY sequence"));
    }

    @Test
    void entriesOfOlderFilesAreOfUnknownOriginAndHold() throws Exception {
        Path file = folder.resolve("old.pentacell");
        try (Logbook book = opened(file)) {
            book.log("read", List.of(new VoltageRead(CELL, 3.6)));
        }
        Downgrade.toFormat4(file);
        try (Logbook book = opened(file)) {
            assertEquals(Origin.UNKNOWN, cell(book).lifeLine().getFirst().origin());
            assertEquals(OptionalDouble.of(3.6), cell(book).volts());
        }
        assertTrue(FileCheck.of(file, Chapters.ALL).isWhole());
    }

    private static void read(Logbook book, Origin origin, double volts) throws LogbookException {
        book.log("read", List.of(origin.mark(new VoltageRead(CELL, volts))));
    }

    private static CellRecord cell(Logbook book) {
        return Cells.of(book.state()).cell(CELL).orElseThrow();
    }

    private static Logbook opened(Path file) {
        return assertInstanceOf(Opening.Opened.class, Logbook.open(file, Clock.systemUTC()))
                .logbook();
    }

    private static void sql(Path file, String words) throws SQLException {
        try (Connection database = Database.connect(file);
                Statement statement = database.createStatement()) {
            statement.execute(words);
        }
    }

    private static List<String> strings(Path file, String query) throws SQLException {
        List<String> all = new ArrayList<>();
        try (Connection database = Database.connect(file);
                Statement statement = database.createStatement();
                ResultSet row = statement.executeQuery(query)) {
            while (row.next())
                for (int i = 1; i <= row.getMetaData().getColumnCount(); i++)
                    all.add(row.getString(i));
        }
        return all;
    }
}
