package pentacell.workshop.exchange;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import pentacell.core.measure.Column;
import pentacell.core.measure.CurrentSign;
import pentacell.core.measure.LogSlips;
import pentacell.core.measure.SampleLog;
import pentacell.workshop.exchange.CellTable.Problem;

/// Reads the log of an instrument: time, voltage, current and perhaps temperature, by the names of
/// their columns or, without any, in that order.
///
/// Good lines are taken, bad ones told with their place. Where the file leaves something open (the
/// unit, what the sign of a current means) the numbers decide, and a note says what was taken.
public final class RunLogCsv {
    /// Where a sample's values stand on the timeline.
    private static final int VOLTS = 0;

    private static final int AMPS = 1;
    private static final int CELSIUS = 2;
    private static final int LINE = 3;

    /// Which value of a row is its time; those of the sample come before it.
    private static final int TIME = 3;

    private final String name;
    private final List<Problem> problems = new ArrayList<>();
    private final List<String> notes = new ArrayList<>();
    private final LogTimeline timeline = new LogTimeline(4, this::problem, notes::add);
    private final double[] sample = new double[4];
    private double voltFactor = 1;
    private double ampFactor = 1;
    private int skipped;
    private int names;
    private int tooMany;
    private final LogCelsius celsius = new LogCelsius();

    private RunLogCsv(String name) {
        this.name = name;
    }

    /// Reads a log; what could not be read is in its problems. It has no fingerprint.
    public static RunLog read(Path file) {
        return read(file, () -> CompletableFuture.completedFuture(""));
    }

    /// Reads a log that is to be taken in, with its fingerprint, so that the same file twice is
    /// noticed.
    public static RunLog readForImport(Path file) {
        // the fingerprint takes as long as the reading: side by side
        return read(file, () -> CompletableFuture.supplyAsync(() -> fingerprint(file)));
    }

    private static RunLog read(Path file, Supplier<CompletableFuture<String>> fingerprinting) {
        RunLogCsv reader = new RunLogCsv(String.valueOf(file.getFileName()));
        String sha256 = "";
        try {
            LogText text = LogText.of(file);
            CompletableFuture<String> fingerprint = fingerprinting.get();
            NumberRows rows = new NumberRows();
            try (CsvReader<NumberRows.Row> csv = text.rows(rows)) {
                reader.lines(csv, rows, text.separator());
            }
            sha256 = fingerprint.join();
        } catch (NoSuchFileException missing) {
            reader.problem(0, "there is no such file");
        } catch (IOException | CsvParseException failure) {
            reader.problem(0, "could not be read: " + failure.getMessage());
        }
        return reader.finish(sha256);
    }

    private static String fingerprint(Path file) {
        MessageDigest digest = TextFile.sha256();
        try (InputStream in = new DigestInputStream(Files.newInputStream(file), digest)) {
            byte[] buffer = new byte[1 << 16];
            while (in.read(buffer) >= 0) {}
            return TextFile.hex(digest);
        } catch (IOException unreadable) {
            // the reading itself says so
            return "";
        }
    }

    private void lines(CsvReader<NumberRows.Row> csv, NumberRows rows, char separator) {
        Optional<LogColumns> known = Optional.empty();
        Iterator<NumberRows.Row> all = csv.iterator();
        for (int above = 0; known.isEmpty() && above <= LogText.MOST_PREAMBLE; above++) {
            if (!all.hasNext()) break;
            NumberRows.Row row = all.next();
            known = LogColumns.of(row.texts);
            if (known.isEmpty()) continue;
            LogColumns at = known.get();
            names = row.fields;
            know(rows, at);
            if (!at.isHeader()) {
                notes.add("no column names: taken as time in s, voltage, current");
                line(rows.anew(row), at);
            }
            ReadAhead.forEach(all, each -> line(each, at));
        }
        timeline.end();
        if (tooMany > 0 && timeline.size() == 0)
            problems.add(0, new Problem(name, 0, Surplus.verdict(separator, true)));
        if (known.isEmpty())
            problem(
                    1,
                    "no columns for time, voltage and current were found, expected names such as time_s, voltage_v, current_a");
        known.ifPresent(this::units);
    }

    private static void know(NumberRows rows, LogColumns at) {
        int[] fields = new int[TIME + 1];
        fields[VOLTS] = at.volts();
        fields[AMPS] = at.amps();
        fields[CELSIUS] = at.celsius();
        fields[TIME] = at.time();
        rows.know(fields, TIME, at.timeFactor());
    }

    private void line(NumberRows.Row row, LogColumns at) {
        if (row.isBlank()) return;
        if (row.filled > names) {
            tooMany++;
            problem(row.line, Surplus.sentence(row.filled, names));
            return;
        }
        if (row.fields <= Math.max(at.time(), Math.max(at.volts(), at.amps()))) {
            problem(
                    row.line,
                    "has %d columns, too few for time, voltage and current".formatted(row.fields));
            return;
        }
        if (isBad(row, "time", TIME) || isBad(row, "voltage", VOLTS) || isBad(row, "current", AMPS))
            return;
        sample[VOLTS] = row.values[VOLTS];
        sample[AMPS] = row.values[AMPS];
        sample[CELSIUS] = celsius.of(row.values[CELSIUS]);
        sample[LINE] = row.line;
        timeline.take(row.line, row.values[TIME], sample);
    }

    private boolean isBad(NumberRows.Row row, String what, int value) {
        if (Double.isFinite(row.values[value])) return false;
        problem(
                row.line,
                "%s \"%s\" is not a number, expected one such as 3.684"
                        .formatted(what, row.odd(value)));
        return true;
    }

    private void problem(long line, String what) {
        skipped++;
        if (problems.size() < RunLog.MOST_PROBLEMS) problems.add(new Problem(name, line, what));
    }

    private void units(LogColumns at) {
        voltFactor = LogUnits.ofVolts(at.voltFactor(), timeline.column(VOLTS), notes::add);
        ampFactor = LogUnits.ofAmps(at.ampFactor(), timeline.column(AMPS), notes::add);
    }

    private static Column scaled(Column column, double factor) {
        return factor == 1 ? column : column.map((i, each) -> LogNumber.scaled(each, factor));
    }

    private RunLog finish(String sha256) {
        Column volts = scaled(timeline.column(VOLTS), voltFactor);
        Column raw = scaled(timeline.column(AMPS), ampFactor);
        CurrentSign.Convention convention = CurrentSign.of(timeline.seconds(), volts::get, raw);
        Column amps = CurrentSign.settled(volts::get, raw, convention);
        switch (convention) {
            case DISCHARGE_NEGATIVE -> {}
            case DISCHARGE_POSITIVE -> notes.add("discharge is written as current over 0");
            case NONE -> notes.add("currents have no sign: told by the voltage");
        }
        SampleLog log = possible(volts, amps);
        celsius.say(notes::add);
        if (timeline.size() == 0 && problems.isEmpty()) problem(0, "has no samples");
        return new RunLog(name, sha256, log, problems, skipped, notes);
    }

    /// The samples that can be those of a single cell; the others are told.
    private SampleLog possible(Column volts, Column amps) {
        SortedMap<Integer, String> bad = LogSlips.ofCell(amps, volts);
        if (!SampleLog.canBe(volts.least(), amps.least())
                || !SampleLog.canBe(volts.most(), amps.most()))
            for (int i = 0; i < volts.size(); i++)
                if (!SampleLog.canBe(volts.get(i), amps.get(i)))
                    bad.put(
                            i,
                            "%s V, %s A is not a reading of a single cell"
                                    .formatted(volts.get(i), amps.get(i)));
        Column lines = timeline.column(LINE);
        bad.forEach((sample, wrong) -> problem((long) lines.get(sample), wrong));
        UnaryOperator<Column> rest = each -> LogSlips.without(each, bad);
        return SampleLog.of(
                rest.apply(timeline.seconds()),
                rest.apply(volts),
                rest.apply(amps),
                rest.apply(timeline.column(CELSIUS)));
    }
}
