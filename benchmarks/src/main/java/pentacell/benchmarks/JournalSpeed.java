package pentacell.benchmarks;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.journal.Fact;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.LogbookException;
import pentacell.workshop.logbook.Opening;

/// The journal: one fact logged, and a workshop of 10,000 cells and 100,000 facts opened, against a
/// plain write of the same size that is forced to the disk and a plain read of the file.
public final class JournalSpeed {
    private static final int LOGGED = 3000;
    private static final int CELLS = 10_000;
    private static final int READINGS = 10;
    private static final int OPENINGS = 7;

    private JournalSpeed() {}

    /// Prints the times.
    public static void main(String[] arguments) throws IOException, LogbookException {
        Path folder = Files.createTempDirectory("journal");
        log(folder.resolve("small.pentacell"));
        open(folder.resolve("large.pentacell"));
    }

    private static void log(Path file) throws LogbookException {
        double[] times = new double[LOGGED];
        try (Logbook book = opened(file)) {
            for (int i = 0; i < LOGGED; i++) {
                long begun = System.nanoTime();
                book.log("read", List.of(new CellFact.VoltageRead(new CellId("A-" + i), 3.7)));
                times[i] = since(begun);
            }
        }
        print("one fact logged", times);
    }

    private static void open(Path file) throws LogbookException, IOException {
        Random random = new Random(3);
        List<Logbook.Draft> drafts = new ArrayList<>();
        for (int i = 0; i < CELLS; i++) {
            CellId cell = new CellId("HB%03d-%02d".formatted(1 + i / 40, 1 + i % 40));
            List<Fact> facts = new ArrayList<>();
            for (int k = 0; k < READINGS; k++)
                facts.add(new CellFact.VoltageRead(cell, 3 + random.nextDouble()));
            drafts.add(new Logbook.Draft(Instant.EPOCH, "Log " + cell, facts));
        }
        try (Logbook book = opened(file)) {
            book.logAll(drafts);
        }
        double[] times = new double[OPENINGS];
        double[] plain = new double[OPENINGS];
        for (int i = 0; i < OPENINGS; i++) {
            long begun = System.nanoTime();
            int bytes = Files.readAllBytes(file).length;
            plain[i] = since(begun);
            begun = System.nanoTime();
            try (Logbook book = opened(file)) {
                times[i] = since(begun);
                if (bytes == 0 || book.undoStep().isEmpty()) throw new IllegalStateException();
            }
        }
        print("10,000 cells opened", times);
        print("the same file read plainly", plain);
    }

    private static Logbook opened(Path file) {
        return ((Opening.Opened) Logbook.open(file, Clock.systemUTC())).logbook();
    }

    private static double since(long begun) {
        return (System.nanoTime() - begun) / 1e6;
    }

    private static void print(String what, double[] times) {
        double first = times[0];
        Arrays.sort(times);
        System.out.printf(
                Locale.ROOT,
                "%-28s first %.2f ms, median %.2f, longest %.2f%n",
                what,
                first,
                times[times.length / 2],
                times[times.length - 1]);
    }
}
