package pentacell.instruments.bench;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.RunFact;
import pentacell.core.imports.ImportedFiles;
import pentacell.core.measure.OpenRun;
import pentacell.core.pack.Packs;
import pentacell.core.test.facts.Bench;
import pentacell.instruments.demo.DemoRuns;
import pentacell.workshop.demo.TarnHollow;
import pentacell.workshop.exchange.RunLog;
import pentacell.workshop.exchange.RunLogCsv;
import pentacell.workshop.exchange.RunLogFiles;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.LogbookException;
import pentacell.workshop.logbook.Opening;

/// Log files taken in as runs, and the demo's runs.
final class LogImportTest {
    @TempDir Path folder;
    private Logbook book;

    @BeforeEach
    void open() throws LogbookException {
        book =
                ((Opening.Opened) Logbook.open(folder.resolve("b.pentacell"), Clock.systemUTC()))
                        .logbook();
        for (String id : List.of("HB03-1", "HB03-12", "LD1-2"))
            book.log("first", List.of(new CellFact.VoltageRead(new CellId(id), 3.7)));
    }

    @AfterEach
    void close() {
        book.close();
    }

    @ParameterizedTest
    @CsvSource({
        "HB03-1.csv, HB03-1",
        "HB03-12.csv, HB03-12",
        "run hb03-12 tuesday.csv, HB03-12",
        "2026-11-02_HB03-1_bay2.csv, HB03-1",
        "HB03-123.csv, none",
        "XHB03-1.csv, none",
        "tuesday.csv, none"
    })
    void aFileIsOfTheCellItIsNamedAfter(String file, String cell) {
        assertEquals(cell, LogImport.cellOf(file, book.state()).map(CellId::text).orElse("none"));
    }

    @Test
    void aLogBecomesARunWithItsSamplesAndItsFingerprint() throws Exception {
        StringBuilder text = new StringBuilder("time_s,voltage_v,current_a\n");
        for (int t = 0; t <= 7200; t += 10)
            text.append(t).append(',').append(4.1 - 1.11 * t / 7200).append(",-1\n");
        Path file = Files.writeString(folder.resolve("HB03-1.csv"), text);
        RunLog log = RunLogCsv.readForImport(file);
        LogImport.take(log, new CellId("HB03-1"), Keeper.of(book));
        assertEquals(
                1982,
                Cells.of(book.state())
                        .cell(new CellId("HB03-1"))
                        .orElseThrow()
                        .milliampHours()
                        .orElseThrow(),
                5);
        assertEquals(721, book.samples("HB03-1#1").size());
        assertTrue(ImportedFiles.of(book.state()).has(log.sha256()));
        assertEquals(List.of(), OpenRun.of(book.state()));
        // and out again, the same
        Path out =
                Files.writeString(
                        folder.resolve("out.csv"), RunLogFiles.csv(book.samples("HB03-1#1")));
        RunLog again = RunLogCsv.read(out);
        assertEquals(721, again.log().size());
        assertEquals(log.log().volts(500), again.log().volts(500), 1e-5);
    }

    /// A log taken in while it was still being written: what came later takes the place of what was
    /// there, another log of the same cell does not.
    @Test
    void aLogThatWentOnTakesThePlaceOfItsBeginning() throws Exception {
        CellId cell = new CellId("HB03-1");
        StringBuilder text = new StringBuilder("time_s,voltage_v,current_a\n");
        Path file = folder.resolve("HB03-1.csv");
        for (int t = 0; t <= 7200; t += 10) {
            text.append(t).append(',').append(4.1 - 1.11 * t / 7200).append(",-1\n");
            if (t == 3600) {
                Files.writeString(file, text);
                LogImport.take(RunLogCsv.readForImport(file), cell, Keeper.of(book));
            }
        }
        Path other = Files.writeString(folder.resolve("HB03-1 again.csv"), text);
        LogImport.take(RunLogCsv.readForImport(other), cell, Keeper.of(book));
        Files.writeString(file, text);
        LogImport.take(RunLogCsv.readForImport(file), cell, Keeper.of(book));
        List<CellRecord.LifeLineEntry> runs =
                Cells.of(book.state()).cell(cell).orElseThrow().lifeLine().stream()
                        .filter(entry -> entry.fact() instanceof RunFact.RunStarted)
                        .toList();
        assertEquals(
                List.of(CellRecord.Fate.STRUCK, CellRecord.Fate.STANDING, CellRecord.Fate.STANDING),
                runs.stream().map(CellRecord.LifeLineEntry::fate).toList());
        book.undo();
        assertEquals(
                CellRecord.Fate.STANDING,
                Cells.of(book.state()).cell(cell).orElseThrow().lifeLine().stream()
                        .filter(entry -> entry.fact() instanceof RunFact.RunStarted)
                        .findFirst()
                        .orElseThrow()
                        .fate());
    }

    @Test
    void theDemosRunsHaveTheMishapsOfTheTrade() throws Exception {
        Path file = folder.resolve("demo.pentacell");
        try (Logbook demo = ((Opening.Opened) Logbook.open(file, Clock.systemUTC())).logbook()) {
            demo.logAll(TarnHollow.journal());
            int matched = Packs.of(demo.state()).all().size();
            DemoRuns.addTo(demo, Clock.systemUTC().instant());
            List<CellFact> facts =
                    Cells.of(demo.state()).all().values().stream()
                            .flatMap(cell -> cell.lifeLine().stream())
                            .map(entry -> entry.fact())
                            .toList();
            assertTrue(facts.stream().filter(RunFact.RunEnded.class::isInstance).count() >= 6);
            assertTrue(facts.stream().anyMatch(RunFact.CurveOdd.class::isInstance));
            assertTrue(facts.stream().anyMatch(RunFact.HoldBegan.class::isInstance));
            assertEquals(3, Bench.of(demo.state()).instruments().size());
            assertEquals(matched, Packs.of(demo.state()).all().size());
            assertEquals(List.of(), OpenRun.of(demo.state()));
        }
    }
}
