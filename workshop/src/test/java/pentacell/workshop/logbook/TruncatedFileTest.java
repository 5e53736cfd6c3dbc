package pentacell.workshop.logbook;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.Chapters;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.measure.SampleLog;

/// A workshop file whose end or whose pages are gone, without a copy: what is there is read, page
/// by page.
@Tag("exhaustive")
final class TruncatedFileTest {
    private static final int ACTS = 2000;

    @TempDir private Path folder;
    private Path file = Path.of("");

    @BeforeEach
    void aLongWorkshop() throws Exception {
        file = folder.resolve("bench.pentacell");
        try (Logbook book = ((Opening.Opened) Logbook.open(file, Clock.systemUTC())).logbook()) {
            SampleLog.Builder samples = new SampleLog.Builder();
            Random random = new Random(5);
            for (int i = 0; i < 20_000; i++)
                samples.add(i, 3 + random.nextDouble(), random.nextDouble(), 25);
            List<Logbook.Draft> drafts = new java.util.ArrayList<>();
            for (int i = 1; i <= ACTS; i++) {
                CellId cell = new CellId("K-" + i);
                drafts.add(
                        new Logbook.Draft(
                                Clock.systemUTC().instant(),
                                "Log " + cell,
                                List.of(
                                        new CellFact.VoltageRead(cell, 3.6),
                                        new CellFact.CellNoted(cell, "note ".repeat(i % 40 + 1)))));
            }
            book.logAll(drafts.subList(0, ACTS / 2));
            book.keepSamples(Map.of("K-1/1", samples.build()), Map.of());
            book.logAll(drafts.subList(ACTS / 2, ACTS));
        }
        // no copy of it is left
        Recovery.forget(file);
    }

    private Salvage.Saved salvaged() throws Exception {
        return Salvage.of(file, folder.resolve("saved.pentacell"), Chapters.ALL);
    }

    @ParameterizedTest(name = "{0} % of the file is left")
    @ValueSource(ints = {20, 30, 40, 50, 60, 70, 80, 90, 97, 99})
    void aFileThatLostItsEndGivesWhatIsThere(int percent) throws Exception {
        long size = Files.size(file);
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.WRITE)) {
            channel.truncate(size * percent / 100);
        }
        Salvage.Saved saved = salvaged();
        assertTrue(
                saved.facts() > 2.0 * ACTS * (percent - 15) / 100 * 0.5,
                "%d of %d facts".formatted(saved.facts(), 2 * ACTS));
        assertTrue(!saved.lost().isEmpty(), "what is lost is said");
        assertTrue(FileCheck.of(saved.file(), Chapters.ALL).isWhole(), "the new file is whole");
    }

    @Test
    void pagesOverwrittenWithNothingCostOnlyWhatWasOnThem() throws Exception {
        Random random = new Random(11);
        int pages = (int) (Files.size(file) / 4096);
        int gone = pages / 20;
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.WRITE)) {
            for (int i = 0; i < gone; i++)
                channel.write(ByteBuffer.allocate(4096), 4096L * (1 + random.nextInt(pages - 1)));
        }
        Salvage.Saved saved = salvaged();
        assertTrue(saved.facts() > 2 * ACTS * 0.8, saved.facts() + " facts");
        assertTrue(FileCheck.of(saved.file(), Chapters.ALL).isWhole());
    }

    @Test
    void aWholeFileIsReadPageByPageAsByItsTree() throws Exception {
        int[] rows = new int[3];
        try (PageScan pages = PageScan.of(file)) {
            pages.read((number, columns) -> {
                if (columns.size() == 6 && columns.get(1) instanceof Long) rows[0]++;
                if (columns.size() == 5
                        && columns.get(1) instanceof String
                        && columns.get(0) == null) rows[1]++;
                if (columns.size() == 4 && columns.get(3) instanceof byte[]) rows[2]++;
            });
        }
        assertEquals(2 * ACTS, rows[0], "facts");
        assertEquals(ACTS, rows[1], "acts");
        assertEquals(1, rows[2], "blocks of samples, over many pages");
    }
}
