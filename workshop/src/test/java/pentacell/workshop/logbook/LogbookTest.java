package pentacell.workshop.logbook;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.Chapters;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Place;
import pentacell.core.cell.TestConditions;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorFact;
import pentacell.core.donor.Donors;
import pentacell.core.journal.Amendment;
import pentacell.core.journal.Fact;
import pentacell.workshop.logbook.Opening.Opened;
import pentacell.workshop.logbook.Opening.Refused;

final class LogbookTest {
    private static final CellId A = new CellId("HB03-07");
    private static final CellId B = new CellId("HB03-08");

    @TempDir Path folder;
    private Path file;
    private final Clock clock = mock(Clock.class);

    @BeforeEach
    void prepare() {
        file = folder.resolve("bench.pentacell");
        when(clock.instant()).thenReturn(Instant.parse("2026-01-10T18:00:00Z"));
    }

    @Test
    void aFileOfTheFirstFormatIsBroughtUpAndKeepsItsJournal() throws Exception {
        Logbook old = opened();
        old.log("donor", List.of(new DonorFact.DonorAdded(Donor.of("HB03", "module", "", ""))));
        old.close();
        Downgrade.toFormat1(file);
        Logbook brought = opened();
        assertEquals(1, Donors.of(brought.state()).described().size());
        brought.log(
                "read",
                List.of(new DonorFact.GroupsRead("HB03", new TreeMap<>(Map.of(1, 3.9, 2, 3.4)))));
        brought.close();
        try (Connection database = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement statement = database.createStatement();
                ResultSet row =
                        statement.executeQuery(
                                "SELECT voltage_v FROM group_readings WHERE \"group\" = 2")) {
            assertTrue(row.next());
            assertEquals(3.4, row.getDouble(1));
        }
        Logbook again = opened();
        assertEquals(2, Donors.of(again.state()).record("HB03").orElseThrow().groupVolts().size());
        again.close();
    }

    @Test
    void everythingLoggedIsThereAfterReopening() throws LogbookException {
        Logbook first = opened();
        first.log(
                "Log " + A,
                List.of(
                        new CellFact.VoltageRead(A, 3.68),
                        new CellFact.CellPlaced(A, new Place("T1", 1, 1))));
        first.log("Log " + A, List.of(new CellFact.VoltageRead(A, 3.9)));
        first.undo();
        var before = Cells.of(first.state()).all();
        first.close();
        Logbook second = opened();
        assertEquals(before, Cells.of(second.state()).all());
        assertEquals(
                "Log " + A, second.redoStep().orElseThrow().words(), "redo outlives the session");
        second.redo();
        assertEquals(3.9, Cells.of(second.state()).cell(A).orElseThrow().volts().orElseThrow());
        second.close();
    }

    @Test
    void openingTellsHowFarItIs() throws LogbookException {
        Logbook first = opened();
        for (int i = 0; i < 300; i++)
            first.log("Log " + A, List.of(new CellFact.VoltageRead(A, 3.5 + i / 1000.0)));
        first.close();
        List<Double> told = new ArrayList<>();
        if (Logbook.open(file, Clock.systemUTC(), Chapters.ALL, told::add)
                instanceof Opening.Opened opened) opened.logbook().close();
        assertTrue(told.size() >= 3, told::toString);
        for (int i = 1; i < told.size(); i++) assertTrue(told.get(i) > told.get(i - 1));
        assertTrue(told.get(0) > 0.1 && told.getLast() <= 1, told::toString);
    }

    @Test
    void aSecondInstanceOnTheSameFileIsRefusedUntilTheFirstIsClosed() {
        Logbook first = opened();
        assertTrue(refusal().contains("already open in another Pentacell"), refusal());
        first.close();
        opened().close();
    }

    @Test
    void anySqliteToolSeesWhatHolds() throws LogbookException, SQLException {
        Logbook logbook = opened();
        logbook.log(
                "name",
                List.of(new CellFact.CellNamed(A, Optional.of("HB03"), Optional.of("HX26"))));
        logbook.log(
                "read",
                List.of(
                        new CellFact.VoltageRead(A, 36.8 / 4),
                        new CellFact.CapacityMeasured(A, 2100, TestConditions.NOT_STATED)));
        logbook.log(
                "correct",
                List.of(new Amendment.EntryCorrected(2, new CellFact.VoltageRead(A, 3.68))));
        logbook.log("read", List.of(new CellFact.VoltageRead(B, 3.1)));
        logbook.undo();
        logbook.log("place", List.of(new CellFact.CellPlaced(A, new Place("T1", 1, 2))));
        CellRecord cell = Cells.of(logbook.state()).cell(A).orElseThrow();
        logbook.close();
        try (Connection database = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement statement = database.createStatement();
                ResultSet row = statement.executeQuery("SELECT * FROM cells")) {
            assertTrue(row.next());
            assertEquals("HB03-07", row.getString("cell"));
            assertEquals(cell.firstVolts().orElseThrow(), row.getDouble("first_voltage_v"));
            assertEquals(cell.milliampHours().orElseThrow(), row.getDouble("capacity_mah"));
            assertEquals("T1-A02", row.getString("location"));
            assertTrue(!row.next(), "the undone cell is not shown");
        }
    }

    @Test
    void theJournalCannotBeRewritten() throws LogbookException, SQLException {
        Logbook logbook = opened();
        logbook.log("read", List.of(new CellFact.VoltageRead(A, 3.68)));
        logbook.close();
        try (Connection database = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement statement = database.createStatement()) {
            assertThrows(SQLException.class, () -> statement.execute("DELETE FROM fact"));
            assertThrows(
                    SQLException.class, () -> statement.execute("UPDATE fact SET body = '{}'"));
        }
    }

    @Test
    void filesThatAreNoneOfOursAreRefusedInWords() throws Exception {
        Files.writeString(file, "cell_id,voltage\n");
        assertTrue(refusal().contains("is not a workshop file"));
        Files.delete(file);
        sql("CREATE TABLE other (x)");
        assertTrue(refusal().contains("database of another program"));
        Files.delete(file);
        opened().close();
        sql("PRAGMA user_version = 99");
        assertTrue(refusal().contains("newer Pentacell"));
    }

    @Test
    void aClockSetBackChangesNothing() throws LogbookException {
        Logbook logbook = opened();
        logbook.log("read", List.of(new CellFact.VoltageRead(A, 3.6)));
        when(clock.instant()).thenReturn(Instant.parse("2001-01-01T00:00:00Z"));
        logbook.log("read", List.of(new CellFact.VoltageRead(A, 3.7)));
        logbook.close();
        Logbook again = opened();
        assertEquals(
                3.7,
                Cells.of(again.state()).cell(A).orElseThrow().volts().orElseThrow(),
                "order is that of logging");
        again.close();
    }

    @Test
    void manyActsAreLoggedAllOrNone() throws LogbookException {
        Logbook logbook = opened();
        Instant then = Instant.parse("2026-01-02T03:04:05Z");
        logbook.logAll(
                List.of(
                        new Logbook.Draft(then, "first", List.of(new CellFact.VoltageRead(A, 3.6))),
                        new Logbook.Draft(
                                then, "second", List.of(new CellFact.VoltageRead(B, 3.7)))));
        assertEquals("second", logbook.undoStep().orElseThrow().words());
        logbook.undo();
        assertEquals(List.of(A), List.copyOf(Cells.of(logbook.state()).all().keySet()));
        assertEquals(then, Cells.of(logbook.state()).cell(A).orElseThrow().lifeLine().get(0).at());
        logbook.close();
    }

    @Test
    void whatCannotBeWrittenChangesNothingAndSaysSo() throws Exception {
        Logbook logbook = opened();
        logbook.log("read", List.of(new CellFact.VoltageRead(A, 3.6)));
        // another program holds the file for writing: the one way to make a write fail for anyone,
        // root too
        try (Connection other = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement statement = other.createStatement()) {
            statement.execute("BEGIN IMMEDIATE");
            LogbookException failure =
                    assertThrows(
                            LogbookException.class,
                            () -> logbook.log("read", List.of(new CellFact.VoltageRead(A, 3.9))));
            assertTrue(String.valueOf(failure.getMessage()).contains("Nothing was changed"));
            statement.execute("ROLLBACK");
        }
        assertEquals(3.6, Cells.of(logbook.state()).cell(A).orElseThrow().volts().orElseThrow());
        logbook.log("read", List.of(new CellFact.VoltageRead(A, 3.9)));
        assertEquals(
                3.9,
                Cells.of(logbook.state()).cell(A).orElseThrow().volts().orElseThrow(),
                "work goes on afterwards");
        logbook.close();
    }

    @Test
    void anActOfNothingIsAFaultOfTheCaller() {
        Logbook logbook = opened();
        assertThrows(IllegalArgumentException.class, () -> logbook.log("nothing", List.of()));
        logbook.close();
    }

    /// Until format 4 such a fact was written, and the file refused at the next opening.
    @Test
    void aFactOfNoChapterIsRefusedBeforeAnythingIsWritten() throws LogbookException {
        record Rumour(String words) implements Fact {}
        Logbook logbook = opened();
        List<Fact> facts =
                List.of(new CellFact.VoltageRead(A, 3.6), new Rumour("heard at the gate"));
        assertThrows(IllegalArgumentException.class, () -> logbook.log("gossip", facts));
        assertThrows(
                IllegalArgumentException.class,
                () -> logbook.logAll(List.of(new Logbook.Draft(Instant.EPOCH, "gossip", facts))));
        logbook.close();
        Logbook again = opened();
        assertTrue(Cells.of(again.state()).all().isEmpty());
        again.close();
    }

    @Test
    void undoAndRedoOfNothingDoNothing() throws LogbookException {
        Logbook logbook = opened();
        assertTrue(Cells.of(logbook.undo()).all().isEmpty());
        assertTrue(Cells.of(logbook.redo()).all().isEmpty());
        assertTrue(logbook.undoStep().isEmpty());
        logbook.close();
    }

    @Test
    void placesThatCannotHoldAFileAreRefusedInWords() throws Exception {
        assertTrue(refusalOf(folder).contains("is a folder"));
        assertTrue(
                refusalOf(folder.resolve("no").resolve("such.pentacell"))
                        .contains("There is no folder"));
    }

    @Test
    void anEntryOfAnUnknownKindIsNotSilentlySkipped() throws Exception {
        opened().close();
        sql("INSERT INTO act (act, at, words) VALUES (1, '2026-01-01T00:00:00Z', 'x')");
        sql("INSERT INTO fact VALUES (1, 1, 'cell-sung', 'A', '{}', 'typed')");
        String message =
                assertInstanceOf(Opening.Damaged.class, Logbook.open(file, clock))
                        .damage()
                        .message();
        assertTrue(message.contains("Entry 1: kind \"cell-sung\" is not known"), message);
    }

    private static String refusalOf(Path path) {
        return assertInstanceOf(Refused.class, Logbook.open(path, Clock.systemUTC())).message();
    }

    @Test
    void whatWasConfirmedBeforeAKillIsThereAfterwards() throws Exception {
        Process child =
                new ProcessBuilder(
                                System.getProperty("java.home") + "/bin/java",
                                "-cp",
                                System.getProperty("java.class.path"),
                                RestlessLogger.class.getName(),
                                file.toString())
                        .redirectErrorStream(true)
                        .start();
        int confirmed = 0;
        try (BufferedReader says =
                new BufferedReader(
                        new InputStreamReader(child.getInputStream(), StandardCharsets.UTF_8))) {
            for (String line = says.readLine(); line != null; line = says.readLine()) {
                if (!line.startsWith("confirmed ")) continue;
                confirmed = Integer.parseInt(line.substring("confirmed ".length()));
                // SIGKILL on this platform, in the middle of whatever it is doing
                if (confirmed == 40) child.toHandle().destroyForcibly();
            }
        }
        assertTrue(child.waitFor(30, TimeUnit.SECONDS));
        assertTrue(confirmed >= 40, "the child logged until it was killed");
        Logbook logbook = opened();
        for (int i = 1; i <= confirmed; i++)
            assertTrue(
                    Cells.of(logbook.state()).all().containsKey(new CellId("K-" + i)),
                    "K-" + i + " of " + confirmed);
        logbook.close();
    }

    private Logbook opened() {
        return assertInstanceOf(Opened.class, Logbook.open(file, clock)).logbook();
    }

    private String refusal() {
        return assertInstanceOf(Refused.class, Logbook.open(file, clock)).message();
    }

    private void sql(String statementText) throws SQLException {
        try (Connection database = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement statement = database.createStatement()) {
            statement.execute(statementText);
        }
    }
}
