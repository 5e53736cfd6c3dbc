package pentacell.benchmarks;

import java.io.IOException;
import java.io.Writer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Arrays;
import java.util.Locale;
import java.util.Random;
import pentacell.core.cell.Chemistry;
import pentacell.core.prove.GroupLog;
import pentacell.core.prove.ProveLoad;
import pentacell.core.service.Watch;
import pentacell.workshop.exchange.GroupLogCsv;

/// Logs of a whole pack of seven groups with a million lines: reading and judging, as `prove` and
/// `service` do, beside the CSV library's own bare read.
public final class GroupLogImport {
    private static final int LINES = 1_000_000;
    private static final int GROUPS = 7;
    private static final int ROUNDS = 12;

    private GroupLogImport() {}

    private interface Judge {
        void of(GroupLog log);
    }

    /// Prints the times and their ratios.
    public static void main(String[] arguments) throws IOException {
        measure("a load test", true, log -> ProveLoad.judge(log, 3.0, Chemistry.NMC));
        measure("a history", false, log -> Watch.of(log, 10));
    }

    private static void measure(String what, boolean isTest, Judge judge) throws IOException {
        Path file = Files.createTempFile("groups", ".csv");
        try {
            write(file, isTest);
            double[] bare = new double[ROUNDS];
            double[] read = new double[ROUNDS];
            double[] judged = new double[ROUNDS];
            for (int i = 0; i < ROUNDS; i++) {
                long start = System.nanoTime();
                long fields = CellLogImport.bareRead(file);
                bare[i] = CellLogImport.since(start);
                start = System.nanoTime();
                GroupLog log = GroupLogCsv.read(file).log().orElseThrow();
                read[i] = CellLogImport.since(start);
                start = System.nanoTime();
                judge.of(log);
                judged[i] = CellLogImport.since(start);
                if (fields == 0 || log.size() != LINES)
                    throw new IllegalStateException("not all was read");
            }
            System.out.printf(
                    Locale.ROOT,
                    "%s: bare read %.0f ms, our read %.0f ms (ratio %.2f), judged in %.0f ms (all: ratio %.2f), least of %d%n",
                    what,
                    least(bare),
                    least(read),
                    least(read) / least(bare),
                    least(judged),
                    (least(read) + least(judged)) / least(bare),
                    ROUNDS);
        } finally {
            Files.delete(file);
        }
    }

    /// The least: whatever else the machine does only adds.
    private static double least(double[] values) {
        return Arrays.stream(values).min().orElseThrow();
    }

    private static void write(Path file, boolean isTest) throws IOException {
        Random random = new Random(3);
        Instant begin = Instant.parse("2024-01-01T00:00:00Z");
        try (Writer out = Files.newBufferedWriter(file)) {
            out.write(isTest ? "time_s" : "time");
            out.write(",current_a");
            for (int g = 1; g <= GROUPS; g++) out.write(",group_" + g + "_v");
            out.write('\n');
            for (int i = 0; i < LINES; i++) {
                double part = (double) i / LINES;
                double hour = i / 60.0 % 24;
                double amps = isTest ? 4 : hour < 10 ? 1.2 : hour < 12 ? 0 : hour < 20 ? -1.5 : 0;
                double drawn =
                        hour < 10 ? hour / 10 : hour < 12 ? 1 : hour < 20 ? 1 - (hour - 12) / 8 : 0;
                double volts = isTest ? 4.15 - 1.1 * part - 0.15 * part * part : 4.05 - 0.5 * drawn;
                out.write(isTest ? String.valueOf(i) : begin.plusSeconds(60L * i).toString());
                out.write(',');
                out.write(String.valueOf(amps));
                for (int g = 0; g < GROUPS; g++)
                    out.write(
                            String.format(
                                    Locale.ROOT,
                                    ",%.4f",
                                    volts + 0.0005 * g + 0.0005 * random.nextDouble()));
                out.write('\n');
            }
        }
    }
}
