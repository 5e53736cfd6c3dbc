package pentacell.workshop.exchange;

import de.siegmar.fastcsv.reader.CommentStrategy;
import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import de.siegmar.fastcsv.reader.FieldMismatchStrategy;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import pentacell.core.measure.Column;
import pentacell.core.prove.GroupLog;
import pentacell.workshop.exchange.CellTable.Problem;

/// Reads the log of a whole pack: time, current and the voltage of every group, by the names of
/// their columns. Good lines are taken, bad ones told with their place.
public final class GroupLogCsv {
    private static final int MOST_PROBLEMS = 20;

    private static final Pattern GROUP =
            Pattern.compile("(?:group|cell|g|c|v|s)_?(\\d{1,3})(?:_(v|mv|volts?|voltage))?");

    private final String name;
    private final List<Problem> problems = new ArrayList<>();
    private final List<String> notes = new ArrayList<>();
    private Optional<LogTimeline> timeline = Optional.empty();
    private int time = -1;
    private double timeFactor = 1;
    private int current = -1;
    private double ampFactor = 1;
    private int[] groups = {};
    private double voltFactor = 1;
    private int skipped;

    private GroupLogCsv(String name) {
        this.name = name;
    }

    /// A log as it was read.
    ///
    /// @param log empty when nothing could be read
    /// @param problems lines that could not, with their place; no more than twenty
    /// @param skipped how many there were
    /// @param notes what was taken for granted
    public record Read(
            Optional<GroupLog> log, List<Problem> problems, int skipped, List<String> notes) {}

    /// Reads a log.
    public static Read read(Path file) {
        GroupLogCsv reader = new GroupLogCsv(String.valueOf(file.getFileName()));
        try {
            if (Files.isDirectory(file)) throw new IOException("is a folder");
            TextFile text = TextFile.examine(file);
            try (CsvReader<CsvRecord> csv =
                    CsvReader.builder()
                            .fieldSeparator(text.separator())
                            .commentStrategy(CommentStrategy.SKIP)
                            .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
                            .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
                            .ofCsvRecord(text.open())) {
                for (CsvRecord line : csv) {
                    if (reader.time < 0) reader.header(line);
                    else reader.line(line);
                    if (reader.time < 0) break;
                }
            }
        } catch (NoSuchFileException missing) {
            reader.problem(0, "there is no such file");
        } catch (IOException | CsvParseException failure) {
            reader.problem(0, "could not be read: " + failure.getMessage());
        }
        return reader.finish();
    }

    private void header(CsvRecord line) {
        TreeMap<Integer, Integer> found = new TreeMap<>();
        int timeAt = -1;
        for (int i = 0; i < line.getFieldCount(); i++) {
            String plain = Headers.plain(line.getField(i));
            Matcher group = GROUP.matcher(plain);
            if (group.matches()) {
                found.putIfAbsent(Integer.parseInt(group.group(1)), i);
                if ("mv".equals(group.group(2))) voltFactor = 0.001;
            } else if (timeAt < 0
                    && plain.matches("(time|t|date|timestamp|datetime|elapsed|seconds).*")) {
                timeAt = i;
                timeFactor =
                        plain.endsWith("_ms")
                                ? 0.001
                                : plain.endsWith("_min") ? 60 : plain.endsWith("_h") ? 3600 : 1;
            } else if (current < 0 && plain.matches("(current|amps?|i)(_.*)?")) {
                current = i;
                if (plain.endsWith("_ma")) ampFactor = 0.001;
            }
        }
        if (timeAt < 0 || current < 0 || found.isEmpty()) {
            problem(
                    line.getStartingLineNumber(),
                    "columns for time, current and groups were not all found, expected time_s, current_a, group_1_v …");
            return;
        }
        int series = found.lastKey();
        if (found.firstKey() < 1 || found.size() != series) {
            problem(
                    line.getStartingLineNumber(),
                    "columns of groups were found for %s; expected group_1_v to group_%d_v"
                            .formatted(found.keySet(), series));
            return;
        }
        time = timeAt;
        groups = found.values().stream().mapToInt(each -> each).toArray();
        timeline = Optional.of(new LogTimeline(1 + series, this::problem, notes::add));
    }

    private void line(CsvRecord line) {
        long number = line.getStartingLineNumber();
        if (line.getFieldCount() == 1 && line.getField(0).isBlank()) return;
        double second = value(line, time, true);
        double[] values = new double[1 + groups.length];
        values[0] = LogNumber.scaled(value(line, current, false), ampFactor);
        for (int g = 0; g < groups.length; g++)
            values[1 + g] = LogNumber.scaled(value(line, groups[g], false), voltFactor);
        if (isBad(line, "time", time, second) || isBad(line, "current", current, values[0])) return;
        for (int g = 0; g < groups.length; g++)
            if (isBad(line, "group " + (g + 1), groups[g], values[1 + g])) return;
        timeline.ifPresent(each -> each.take(number, second, values));
    }

    private boolean isBad(CsvRecord line, String what, int column, double value) {
        if (Double.isFinite(value)) return false;
        problem(
                line.getStartingLineNumber(),
                "%s \"%s\" is not a number"
                        .formatted(
                                what, column < line.getFieldCount() ? line.getField(column) : ""));
        return true;
    }

    private double value(CsvRecord line, int column, boolean isTime) {
        if (column >= line.getFieldCount()) return Double.NaN;
        String text = line.getField(column).strip();
        return isTime ? LogNumber.time(text, timeFactor) : LogNumber.parse(text);
    }

    private void problem(long line, String sentence) {
        skipped++;
        if (problems.size() < MOST_PROBLEMS) problems.add(new Problem(name, line, sentence));
    }

    private Read finish() {
        timeline.ifPresent(LogTimeline::end);
        if (timeline.map(LogTimeline::size).orElse(0) == 0) {
            if (problems.isEmpty()) problem(0, "has no lines under its column names");
            return new Read(Optional.empty(), List.copyOf(problems), skipped, List.copyOf(notes));
        }
        return new Read(
                timeline.map(this::log), List.copyOf(problems), skipped, List.copyOf(notes));
    }

    private GroupLog log(LogTimeline read) {
        List<Column> volts = new ArrayList<>();
        for (int g = 0; g < groups.length; g++) volts.add(read.column(1 + g));
        return GroupLog.of(read.seconds(), read.column(0), volts);
    }
}
