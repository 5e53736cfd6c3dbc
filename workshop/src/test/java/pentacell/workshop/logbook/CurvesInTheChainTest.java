package pentacell.workshop.logbook;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.Chapters;
import pentacell.core.cell.CellId;
import pentacell.core.cell.RunFact;
import pentacell.core.cell.RunFact.RunEnd;
import pentacell.core.measure.SampleLog;

/// The samples of an ended run are as much in the chain as the facts: what is lost or changed with
/// any SQLite tool is seen.
final class CurvesInTheChainTest {
    private static final CellId CELL = new CellId("K-1");
    private static final int SAMPLES = 900;

    @TempDir private Path folder;
    private Path file = Path.of("");

    private static SampleLog log(int size) {
        SampleLog.Builder samples = new SampleLog.Builder();
        for (int i = 0; i < size; i++) samples.add(10.0 * i, 4.2 - i / 1000.0, -1, 25);
        return samples.build();
    }

    @BeforeEach
    void twoRuns() throws Exception {
        file = folder.resolve("bench.pentacell");
        try (Logbook book = ((Opening.Opened) Logbook.open(file, Clock.systemUTC())).logbook()) {
            for (String run : List.of("K-1/1", "K-1/2")) {
                book.log("Start", List.of(new RunFact.RunStarted(CELL, run, "bay 1", "test")));
                for (int kept = 0; kept < SAMPLES; kept += 300)
                    book.keepSamples(Map.of(run, log(kept + 300)), Map.of(run, kept));
                book.log(
                        "End",
                        List.of(
                                new RunFact.RunEnded(
                                        CELL,
                                        run,
                                        RunEnd.DONE,
                                        Optional.empty(),
                                        "",
                                        OptionalDouble.empty())));
                if (run.endsWith("1")) book.joinSamples(run);
            }
        }
    }

    private void sql(String statement) throws Exception {
        try (Connection database = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement run = database.createStatement()) {
            run.execute(statement);
        }
    }

    @Test
    void curvesThatWereJoinedAreWhole() throws Exception {
        assertEquals(List.of(), FileCheck.of(file, Chapters.ALL).problems());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "DELETE FROM run_samples WHERE run = 'K-1/2' AND first = 300 | samples 300 to 599 are missing",
                "DELETE FROM run_samples WHERE run = 'K-1/2' AND first = 600 | 300 of its 900 samples are missing",
                "DELETE FROM run_samples WHERE run = 'K-1/1' | 900 of its 900 samples are missing",
                "UPDATE run_samples SET columns = (SELECT columns FROM run_samples WHERE run = 'K-1/2' AND first = 0) WHERE run = 'K-1/2' AND first = 300 | the samples of run K-1/2 are damaged",
            })
    void whatIsTakenOutOrChangedIsSeenAndSaidBySalvage(String statement, String said)
            throws Exception {
        Recovery.forget(file);
        sql(statement);
        FileCheck check = FileCheck.of(file, Chapters.ALL);
        assertFalse(check.isWhole());
        assertEquals(List.of(said), check.problems().stream().map(Problem::sentence).toList());
        Salvage.Saved saved = Salvage.of(file, folder.resolve("saved.pentacell"), Chapters.ALL);
        assertTrue(saved.lost().size() > 0);
        assertTrue(
                saved.lost().stream().allMatch(each -> each.where().startsWith("run K-1/")),
                saved.lost().toString());
        assertTrue(FileCheck.of(saved.file(), Chapters.ALL).isWhole(), "the new file is whole");
    }

    @Test
    void theSealItselfCannotBeChangedUnseen() throws Exception {
        sql("DROP TRIGGER act_is_fixed");
        sql("UPDATE act SET curves = NULL WHERE curves IS NOT NULL AND act = 2");
        assertFalse(FileCheck.of(file, Chapters.ALL).isWhole());
    }

    @Test
    void whatALostBlockHeldIsTakenFromTheCopy() throws Exception {
        try (Logbook book = ((Opening.Opened) Logbook.open(file, Clock.systemUTC())).logbook()) {
            book.caretaker().copy();
        }
        sql("DELETE FROM run_samples WHERE run = 'K-1/2' AND first = 300");
        Salvage.Saved saved = Salvage.of(file, folder.resolve("saved.pentacell"), Chapters.ALL);
        assertEquals(List.of(), saved.lost());
        try (Logbook book =
                ((Opening.Opened) Logbook.open(saved.file(), Clock.systemUTC())).logbook()) {
            assertEquals(SAMPLES, book.samples("K-1/2").size());
        }
    }
}
