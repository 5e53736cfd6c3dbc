package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.LogbookException;
import pentacell.workshop.logbook.Opening;

/// A workshop file that is not whole, as a person meets it.
@Tag("window")
final class DamagedWorkshopTest {
    @TempDir private Path folder;
    private Path file = Path.of("");

    @BeforeEach
    void aWorkshopWithACopyAndALaterAct() throws Exception {
        file = folder.resolve("bench.pentacell");
        log("A-1", "A-2", "A-3");
        log();
        log("A-4");
    }

    private void log(String... cells) throws LogbookException {
        try (Logbook book =
                assertInstanceOf(Opening.Opened.class, Logbook.open(file, Clock.systemUTC()))
                        .logbook()) {
            for (String each : cells)
                book.log("Log " + each, List.of(new CellFact.VoltageRead(new CellId(each), 3.6)));
        }
    }

    private void loseTheVoltsOf(int entry) throws Exception {
        try (Connection database = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement statement = database.createStatement()) {
            statement.execute("DROP TRIGGER fact_is_fixed");
            statement.execute(
                    "UPDATE fact SET body = '{\"cell\":\"A-2\"}' WHERE sequence = " + entry);
        }
    }

    private BenchFixture metWith() throws Exception {
        BenchFixture bench = BenchFixture.open(folder.resolve("other.pentacell"));
        bench.robot.interact(() -> bench.bench.frame().open(file));
        bench.await("it is shown", () -> bench.isVisible("#damage"));
        return bench;
    }

    @Test
    void theCopyTakesItsPlaceAndTheDamagedFileIsKept() throws Exception {
        loseTheVoltsOf(2);
        try (BenchFixture bench = metWith()) {
            assertTrue(bench.written("#damage").contains("bench.pentacell is not whole"));
            assertTrue(
                    bench.written("#damage-problems")
                            .contains(
                                    "Entry 2: voltage-read: volts is missing (in act 2, “Log A-2”)"),
                    bench.written("#damage-problems"));
            bench.click("#damage-copy");
            bench.await(
                    "the copy is open",
                    () -> Cells.of(bench.state()).all().containsKey(new CellId("A-2")));
            assertFalse(bench.isVisible("#damage"));
            bench.awaitSaid("The damaged file is kept as ");
            try (var names = Files.list(folder)) {
                assertEquals(
                        1,
                        names.filter(each -> each.toString().contains("bench-damaged-")).count());
            }
        }
    }

    @Test
    void whatCanBeReadIsSavedAndOpened() throws Exception {
        loseTheVoltsOf(4);
        Path fresh = folder.resolve("fresh.pentacell");
        try (BenchFixture bench = metWith()) {
            when(bench.files.whereTo(any(), any())).thenReturn(Optional.of(fresh));
            bench.click("#damage-salvage");
            bench.await("it is saved", () -> bench.isVisible("#damage-open"));
            bench.click("#damage-open");
            bench.await("it is open", () -> Cells.of(bench.state()).all().size() >= 3);
            assertEquals("fresh.pentacell", bench.bench.desk().ledger().fileNameProperty().get());
        }
    }

    @Test
    void escLeavesItAndTheOpenWorkshopStays() throws Exception {
        Files.write(file, new byte[0]);
        try (BenchFixture bench = metWith()) {
            assertTrue(bench.written("#damage").contains("it is empty"), bench.written("#damage"));
            bench.keys(KeyCode.ESCAPE);
            assertFalse(bench.isVisible("#damage"));
            assertEquals("other.pentacell", bench.bench.desk().ledger().fileNameProperty().get());
            assertEquals(0, Files.size(file));
        }
    }

    @Test
    void aNewWorkshopCanBeginWhereOneWasLost() throws Exception {
        Files.delete(file);
        try (BenchFixture bench = metWith()) {
            bench.click("#damage-anew");
            bench.await(
                    "it is open",
                    () ->
                            bench.bench
                                    .desk()
                                    .ledger()
                                    .fileNameProperty()
                                    .get()
                                    .equals("bench.pentacell"));
            assertTrue(Cells.of(bench.state()).all().isEmpty());
        }
    }
}
