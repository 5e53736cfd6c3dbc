package pentacell.workshop.logbook;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.nio.file.Path;
import java.time.Clock;
import java.util.Map;
import java.util.Random;
import java.util.zip.DataFormatException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.measure.SampleLog;

/// Samples beside the journal.
final class RunSamplesTest {
    @TempDir Path folder;

    private static SampleLog log(int size, long seed) {
        Random random = new Random(seed);
        SampleLog.Builder builder = new SampleLog.Builder();
        double now = 0;
        for (int i = 0; i < size; i++) {
            now += 0.001 * (1 + random.nextInt(20_000));
            builder.add(
                    now,
                    Math.rint(1e6 * (2.5 + 1.7 * random.nextDouble())) / 1e6,
                    Math.rint(1e6 * (random.nextDouble() - 0.5)) / 1e6,
                    random.nextInt(4) == 0 ? Double.NaN : random.nextInt(5000) / 1e2);
        }
        return builder.build();
    }

    private Logbook open() {
        return ((Opening.Opened) Logbook.open(folder.resolve("bench.pentacell"), Clock.systemUTC()))
                .logbook();
    }

    @Test
    void blocksAreReadBackAsTheyCameInAndAfterTheyAreJoined() throws LogbookException {
        SampleLog whole = log(1000, 7);
        try (Logbook book = open()) {
            int kept = 0;
            for (int until : new int[] {1, 2, 100, 100, 999, 1000}) {
                SampleLog.Builder builder = new SampleLog.Builder();
                for (int i = 0; i < until; i++)
                    builder.add(whole.seconds(i), whole.volts(i), whole.amps(i), whole.celsius(i));
                book.keepSamples(Map.of("R1", builder.build()), Map.of("R1", kept));
                kept = until;
            }
            book.keepSamples(Map.of("R2", log(3, 8)), Map.of());
        }
        try (Logbook book = open()) {
            assertSame(whole, book.samples("R1"));
            book.joinSamples("R1");
            assertSame(whole, book.samples("R1"));
            assertSame(log(3, 8), book.samples("R2"));
            assertEquals(0, book.samples("R3").size());
        }
    }

    private static void assertSame(SampleLog expected, SampleLog read) {
        assertEquals(expected.size(), read.size());
        for (int i = 0; i < read.size(); i++) {
            assertEquals(expected.seconds(i), read.seconds(i), 5e-7);
            assertEquals(expected.volts(i), read.volts(i), 5e-7);
            assertEquals(expected.amps(i), read.amps(i), 5e-7);
            assertEquals(expected.celsius(i), read.celsius(i), 5e-3);
        }
    }

    @Test
    void aDamagedBlockIsToldAndNotGuessed() {
        byte[] packed = SampleColumns.pack(log(50, 9), 0, 50);
        SampleLog.Builder into = new SampleLog.Builder();
        assertThrows(
                DataFormatException.class,
                () -> SampleColumns.unpack(java.util.Arrays.copyOf(packed, 20), 50, into));
        assertThrows(DataFormatException.class, () -> SampleColumns.unpack(packed, 60, into));
    }
}
