package pentacell.benchmarks;

import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.io.Writer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Locale;
import pentacell.core.measure.Analyse;
import pentacell.core.measure.AnalysisSettings;
import pentacell.workshop.exchange.RunLog;
import pentacell.workshop.exchange.RunLogCsv;

/// A log of a million samples: read and analysed, against the CSV library's own bare read of the
/// same file.
public final class CellLogImport {
    private static final int SAMPLES = 1_000_000;
    private static final int ROUNDS = 9;

    private CellLogImport() {}

    /// Prints the times and their ratio.
    public static void main(String[] arguments) throws IOException {
        Path file = Files.createTempFile("log", ".csv");
        try {
            write(file);
            double[] bare = new double[ROUNDS];
            double[] read = new double[ROUNDS];
            double[] analysed = new double[ROUNDS];
            for (int i = 0; i < ROUNDS; i++) {
                long start = System.nanoTime();
                long fields = bareRead(file);
                bare[i] = since(start);
                start = System.nanoTime();
                RunLog log = RunLogCsv.read(file);
                read[i] = since(start);
                start = System.nanoTime();
                Analyse.log(log.log(), AnalysisSettings.NONE.endingAt(3.0));
                analysed[i] = since(start);
                if (fields == 0 || log.log().size() != SAMPLES)
                    throw new IllegalStateException("not all was read");
            }
            System.out.printf(
                    Locale.ROOT,
                    "bare read %.0f ms, our read %.0f ms (ratio %.2f), analysis %.0f ms (all: ratio %.2f), medians of %d%n",
                    median(bare),
                    median(read),
                    median(read) / median(bare),
                    median(analysed),
                    (median(read) + median(analysed)) / median(bare),
                    ROUNDS);
        } finally {
            Files.delete(file);
        }
    }

    static double since(long start) {
        return (System.nanoTime() - start) / 1e6;
    }

    static double median(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }

    static long bareRead(Path file) throws IOException {
        long fields = 0;
        try (CsvReader<CsvRecord> csv = CsvReader.builder().ofCsvRecord(file)) {
            for (CsvRecord record : csv) fields += record.getFieldCount();
        }
        return fields;
    }

    private static void write(Path file) throws IOException {
        try (Writer out = Files.newBufferedWriter(file)) {
            out.write("time_s,voltage_v,current_a,temperature_c\n");
            for (int i = 0; i < SAMPLES; i++) {
                double share = i / (double) SAMPLES;
                out.write(
                        String.format(
                                Locale.ROOT,
                                "%.1f,%.4f,%.4f,%.1f%n",
                                i * 0.1,
                                4.15 - 1.1 * share - 0.05 * share * share,
                                -0.1,
                                22 + share));
            }
        }
    }
}
