package pentacell.workshop.exchange;

import de.siegmar.fastcsv.reader.CommentStrategy;
import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.FieldMismatchStrategy;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import pentacell.core.measure.CurrentSign;
import pentacell.core.measure.SampleLog;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.workshop.exchange.CellTable.Problem;

/// Reads the log of an instrument: time, voltage, current and perhaps temperature, by the names of
/// their columns or, without any, in that order.
///
/// Good lines are taken, bad ones told with their place. Where the file leaves something open (the
/// unit, what the sign of a current means) the numbers decide, and a note says what was taken.
public final class RunLogCsv {
    /// A header is looked for in so many lines.
    private static final int MOST_PREAMBLE = 60;

    /// So many lines in a row that begin again at an earlier time are a clock that was started
    /// anew.
    private static final int CLOCK_RESTART_LINES = 5;

    /// Seconds since 1970 in the year 2286.
    private static final double LAST_DATE = 1e10;

    /// A middle value over this has no unit but mV or mA.
    private static final double SURELY_MILLI = 60;

    private final String name;
    private final Columns columns = new Columns();
    private final List<Problem> problems = new ArrayList<>();
    private final List<String> notes = new ArrayList<>();
    private final List<double[]> pending = new ArrayList<>();
    private int skipped;
    private int names;
    private int tooMany;
    private int oddTemperatures;

    /// A sample far ahead of the one before: the next one shows whether it is a gap or a slip.
    private Optional<double[]> suspect = Optional.empty();

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
            if (Files.isDirectory(file)) throw new IOException("is a folder");
            if (TextFile.isUtf16(file))
                throw new IOException(
                        "it is UTF-16; save it as UTF-8 or as plain CSV, then read it again");
            char separator = separator(file);
            CompletableFuture<String> fingerprint = fingerprinting.get();
            LogRows rows = new LogRows();
            // numbers and column names are ASCII in every encoding a log comes in
            try (Reader text = afterMark(Files.newInputStream(file));
                    CsvReader<LogRows.Row> csv =
                            CsvReader.builder()
                                    .fieldSeparator(separator)
                                    .commentStrategy(CommentStrategy.SKIP)
                                    .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
                                    .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
                                    .build(rows, text)) {
                reader.lines(csv, rows, separator);
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

    private static Reader afterMark(InputStream in) throws IOException {
        BufferedReader reader =
                new BufferedReader(new InputStreamReader(in, StandardCharsets.ISO_8859_1), 1 << 16);
        reader.mark(3);
        char[] mark = new char[3];
        boolean isMark =
                reader.read(mark) == 3 && mark[0] == 0xEF && mark[1] == 0xBB && mark[2] == 0xBF;
        if (!isMark) reader.reset();
        return reader;
    }

    private static char separator(Path file) throws IOException {
        try (BufferedReader reader = Files.newBufferedReader(file, StandardCharsets.ISO_8859_1)) {
            return Separator.of(reader.lines().limit(MOST_PREAMBLE).toList());
        }
    }

    private void lines(CsvReader<LogRows.Row> csv, LogRows rows, char separator) {
        Optional<LogColumns> known = Optional.empty();
        int preamble = 0;
        for (LogRows.Row row : csv) {
            if (known.isEmpty()) {
                known = LogColumns.of(row.texts);
                if (known.isEmpty() && ++preamble > MOST_PREAMBLE) break;
                if (known.isEmpty()) continue;
                rows.know(known.get());
                names = row.fields;
                if (known.get().isHeader()) continue;
                notes.add("no column names: taken as time in s, voltage, current");
                first(row, known.get());
            }
            line(row, known.get());
        }
        flushPending();
        acceptSuspect();
        flushPending();
        if (tooMany > 0 && columns.size == 0)
            problems.add(0, new Problem(name, 0, Surplus.verdict(separator, true)));
        if (known.isEmpty())
            problem(
                    1,
                    "no columns for time, voltage and current were found, expected names such as time_s, voltage_v, current_a");
        known.ifPresent(this::units);
    }

    /// The first line of a table without a header was read before its columns were known.
    private static void first(LogRows.Row row, LogColumns at) {
        row.seconds = LogNumber.parse(row.texts.get(at.time()));
        row.volts = LogNumber.parse(row.texts.get(at.volts()));
        row.amps = LogNumber.parse(row.texts.get(at.amps()));
    }

    private void line(LogRows.Row row, LogColumns at) {
        if (row.isBlank) return;
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
        if (isBad(row.line, "time", row.timeText, row.seconds)
                || isBad(row.line, "voltage", row.voltsText, row.volts)
                || isBad(row.line, "current", row.ampsText, row.amps)) return;
        take(row.line, row.seconds, row.volts, row.amps, celsius(row));
    }

    private double celsius(LogRows.Row row) {
        boolean canBe = SampleLog.canBeCelsius(row.celsius);
        if (!canBe && !Double.isNaN(row.celsius)) oddTemperatures++;
        return canBe ? row.celsius : Double.NaN;
    }

    private boolean isBad(long line, String what, String text, double value) {
        if (Double.isFinite(value)) return false;
        problem(
                line,
                "%s \"%s\" is not a number, expected one such as 3.684".formatted(what, text));
        return true;
    }

    /// Takes a sample whose time rises; one that goes back waits until it is clear whether the
    /// clock was started anew.
    private void take(long line, double seconds, double volts, double amps, double celsius) {
        if (columns.size == 0) columns.isCalendar = seconds > SampleLog.MOST_SECONDS;
        if (Math.abs(seconds) > (columns.isCalendar ? LAST_DATE : SampleLog.MOST_SECONDS)) {
            problem(line, "time %s is out of place; left out".formatted(text(seconds)));
            return;
        }
        if (suspect.isPresent()) judgeSuspect(seconds + columns.offset);
        double shifted = seconds + columns.offset;
        if (columns.size == 0 || shifted > columns.seconds[columns.size - 1]) {
            flushPending();
            if (columns.isFarAhead(shifted)) {
                suspect = Optional.of(new double[] {line, shifted, volts, amps, celsius});
                return;
            }
            columns.add(line, shifted, volts, amps, celsius);
            return;
        }
        boolean isSame = shifted == columns.seconds[columns.size - 1];
        if (isSame) {
            problem(line, "time %s stands twice; the first was kept".formatted(text(seconds)));
            return;
        }
        if (!pending.isEmpty() && !(seconds > pending.get(pending.size() - 1)[1])) flushPending();
        pending.add(new double[] {line, seconds, volts, amps, celsius});
        if (pending.size() < CLOCK_RESTART_LINES) return;
        double usual =
                (pending.get(pending.size() - 1)[1] - pending.get(0)[1]) / (pending.size() - 1);
        columns.offset = columns.seconds[columns.size - 1] + usual - pending.get(0)[1];
        notes.add(
                "time starts anew at line %d: carried on from there"
                        .formatted((long) pending.get(0)[0]));
        for (double[] each : pending)
            columns.add((long) each[0], each[1] + columns.offset, each[2], each[3], each[4]);
        pending.clear();
    }

    /// A sample far ahead is a slip when the next one is before it and behind the last, else there
    /// is a gap.
    private void judgeSuspect(double next) {
        double[] ahead = suspect.orElseThrow();
        boolean isSlip = next < ahead[1] && next > columns.seconds[columns.size - 1];
        if (!isSlip) {
            acceptSuspect();
            return;
        }
        suspect = Optional.empty();
        problem(
                (long) ahead[0],
                "time %s stands between %s and %s; left out"
                        .formatted(
                                text(ahead[1] - columns.offset),
                                text(columns.seconds[columns.size - 1] - columns.offset),
                                text(next - columns.offset)));
    }

    private void acceptSuspect() {
        suspect.ifPresent(
                ahead -> columns.add((long) ahead[0], ahead[1], ahead[2], ahead[3], ahead[4]));
        suspect = Optional.empty();
    }

    private void flushPending() {
        for (double[] each : pending)
            problem(
                    (long) each[0],
                    "time goes back to %s after %s"
                            .formatted(
                                    text(each[1]),
                                    text(columns.seconds[columns.size - 1] - columns.offset)));
        pending.clear();
    }

    private static String text(double seconds) {
        return seconds == Math.rint(seconds)
                ? Quantity.SECONDS.number(seconds) + " s"
                : seconds + " s";
    }

    private void problem(long line, String what) {
        skipped++;
        if (problems.size() < RunLog.MOST_PROBLEMS) problems.add(new Problem(name, line, what));
    }

    private void units(LogColumns at) {
        columns.scaleVolts(factor(at.voltFactor(), columns.volts, "voltage", "mV", "V"));
        columns.scaleAmps(factor(at.ampFactor(), columns.amps, "current", "mA", "A"));
    }

    private double factor(double named, double[] values, String what, String milli, String whole) {
        // a cell mostly rests at 0 A, but never at 0 V
        double middle = typical(values, what.equals("voltage") ? 0.5 : 0.9);
        boolean isMilli = middle > SURELY_MILLI;
        if (named == 0) {
            if (isMilli) notes.add("%s without a unit: taken as %s".formatted(what, milli));
            return isMilli ? 0.001 : 1;
        }
        if (named == 1 && isMilli && what.equals("voltage")) {
            notes.add("%s is named in %s but its values are %s".formatted(what, whole, milli));
            return 0.001;
        }
        return named;
    }

    /// A value that stands for a column.
    ///
    /// @param rank share of the values under it
    private double typical(double[] values, double rank) {
        double[] some = new double[Math.min(columns.size, 2000)];
        for (int i = 0; i < some.length; i++)
            some[i] = Math.abs(values[(int) ((long) i * columns.size / some.length)]);
        Arrays.sort(some);
        return some.length == 0 ? 0 : some[(int) (some.length * rank)];
    }

    private RunLog finish(String sha256) {
        SampleLog.Builder builder = new SampleLog.Builder();
        double[] volts = Arrays.copyOf(columns.volts, columns.size);
        double[] raw = Arrays.copyOf(columns.amps, columns.size);
        CurrentSign.Convention convention = CurrentSign.of(volts, raw);
        double[] amps = CurrentSign.settled(volts, raw, convention);
        switch (convention) {
            case DISCHARGE_NEGATIVE -> {}
            case DISCHARGE_POSITIVE -> notes.add("discharge is written as current over 0");
            case NONE -> notes.add("currents have no sign: told by the voltage");
        }
        for (int i = 0; i < columns.size; i++) {
            boolean isAbsurd = !SampleLog.canBe(volts[i], amps[i]);
            if (isAbsurd)
                problem(
                        columns.lines[i],
                        "%s V, %s A is no reading of a single cell".formatted(volts[i], amps[i]));
            else builder.add(columns.seconds[i], volts[i], amps[i], columns.celsius[i]);
        }
        if (oddTemperatures > 0)
            notes.add(
                    "%s left out, for no can is so cold or so hot"
                            .formatted(
                                    Count.of(
                                            oddTemperatures,
                                            "temperature was",
                                            "temperatures were")));
        if (columns.size == 0 && problems.isEmpty()) problem(0, "has no samples");
        return new RunLog(name, sha256, builder.build(), problems, skipped, notes);
    }

    /// The columns while they grow.
    private static final class Columns {
        private static final double FAR_SECONDS = 60;
        private static final double FAR_INTERVALS = 20;

        private long[] lines = new long[256];
        private double[] seconds = new double[256];
        private double[] volts = new double[256];
        private double[] amps = new double[256];
        private double[] celsius = new double[256];
        private int size;
        private double offset;
        private boolean isCalendar;

        /// Whether a time is so far from the last sample that it may be a slip: over a minute and
        /// over twenty times the interval before.
        boolean isFarAhead(double second) {
            if (size < 2) return false;
            double interval = seconds[size - 1] - seconds[size - 2];
            double ahead = second - seconds[size - 1];
            return ahead > FAR_SECONDS && ahead > FAR_INTERVALS * interval;
        }

        void add(long line, double second, double volt, double amp, double degree) {
            if (size == lines.length) grow();
            lines[size] = line;
            seconds[size] = second;
            volts[size] = volt;
            amps[size] = amp;
            celsius[size] = degree;
            size++;
        }

        private void grow() {
            int longer = 2 * size;
            lines = Arrays.copyOf(lines, longer);
            seconds = Arrays.copyOf(seconds, longer);
            volts = Arrays.copyOf(volts, longer);
            amps = Arrays.copyOf(amps, longer);
            celsius = Arrays.copyOf(celsius, longer);
        }

        void scaleVolts(double factor) {
            if (factor != 1) for (int i = 0; i < size; i++) volts[i] *= factor;
        }

        void scaleAmps(double factor) {
            if (factor != 1) for (int i = 0; i < size; i++) amps[i] *= factor;
        }
    }
}
