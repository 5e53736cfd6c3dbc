package pentacell.workshop.exchange;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import java.io.IOException;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
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

    /// Values of a line; the groups follow.
    private static final int TIME = 0;

    private static final int CURRENT = 1;

    private static final Pattern GROUP =
            Pattern.compile("(?:group|cell|g|c|v|s)_?(\\d{1,3})(?:_(v|mv|volts?|voltage))?");

    private static final Pattern PROBE =
            Pattern.compile(
                    "(?:temperature|temp|probe|ntc)_?\\d{0,2}(?:_.*)?|t_?\\d{1,2}(?:_[cf])?|t_[cf]");

    private static final Pattern TIME_NAME =
            Pattern.compile(
                    "(?:time|date|timestamp|datetime|elapsed|seconds).*|t(?:_(?:s|sec|ms|min|h))?");

    private final String name;
    private final List<Problem> problems = new ArrayList<>();
    private final List<String> notes = new ArrayList<>();
    private Optional<LogTimeline> timeline = Optional.empty();
    private double ampFactor = 1;
    private int groups;
    private int probes;
    private double[] sample = {};
    private double voltFactor;
    private final LogCelsius celsius = new LogCelsius();
    private final BitSet fahrenheit = new BitSet();
    private int names;
    private int tooMany;
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
            NumberRows rows = new NumberRows();
            LogText text = LogText.of(file);
            try (CsvReader<NumberRows.Row> csv = text.rows(rows)) {
                Iterator<NumberRows.Row> lines = csv.iterator();
                if (lines.hasNext() && reader.header(lines.next(), rows))
                    ReadAhead.forEach(lines, reader::line);
            }
            reader.sayIfAllHaveTooMany(text.separator());
        } catch (NoSuchFileException missing) {
            reader.problem(0, "there is no such file");
        } catch (IOException | CsvParseException failure) {
            reader.problem(0, "could not be read: " + failure.getMessage());
        }
        return reader.finish();
    }

    /// Finds the columns; false when not all are there.
    private boolean header(NumberRows.Row line, NumberRows rows) {
        TreeMap<Integer, Integer> found = new TreeMap<>();
        List<Integer> probe = new ArrayList<>();
        int time = -1;
        int current = -1;
        double timeFactor = 1;
        for (int i = 0; i < line.texts.size(); i++) {
            String plain = Headers.plain(line.texts.get(i));
            Matcher group = GROUP.matcher(plain);
            if (group.matches()) {
                found.putIfAbsent(Integer.parseInt(group.group(1)), i);
                if (group.group(2) != null) voltFactor = "mv".equals(group.group(2)) ? 0.001 : 1;
            } else if (PROBE.matcher(plain).matches()) {
                probe.add(i);
                if (plain.matches(".*_(f|fahrenheit)")) fahrenheit.set(probe.size() - 1);
            } else if (time < 0 && TIME_NAME.matcher(plain).matches()) {
                time = i;
                timeFactor =
                        plain.endsWith("_ms")
                                ? 0.001
                                : plain.endsWith("_min") ? 60 : plain.endsWith("_h") ? 3600 : 1;
            } else if (current < 0 && plain.matches("(current|amps?|i)(_.*)?")) {
                current = i;
                if (plain.endsWith("_ma")) ampFactor = 0.001;
            }
        }
        if (time < 0 || current < 0 || found.isEmpty()) {
            problem(
                    line.line,
                    "columns for time, current and groups were not all found, expected time_s, current_a, group_1_v …");
            return false;
        }
        groups = found.lastKey();
        if (found.firstKey() < 1 || found.size() != groups) {
            problem(
                    line.line,
                    "columns of groups were found for %s; expected group_1_v to group_%d_v"
                            .formatted(found.keySet(), groups));
            return false;
        }
        names = line.fields;
        probes = probe.size();
        int[] fields = new int[2 + groups + probes];
        fields[TIME] = time;
        fields[CURRENT] = current;
        int next = CURRENT + 1;
        for (int field : found.values()) fields[next++] = field;
        for (int field : probe) fields[next++] = field;
        rows.know(fields, TIME, timeFactor);
        sample = new double[1 + groups + probes + 1];
        timeline = Optional.of(new LogTimeline(sample.length, this::problem, notes::add));
        return true;
    }

    private void line(NumberRows.Row line) {
        if (line.isBlank()) return;
        if (line.filled > names) {
            tooMany++;
            problem(line.line, Surplus.sentence(line.filled, names));
            return;
        }
        for (int value = 0; value <= CURRENT + groups; value++)
            if (!Double.isFinite(line.values[value])) {
                problem(
                        line.line,
                        "%s \"%s\" is not a number".formatted(name(value), line.odd(value)));
                return;
            }
        sample[0] = LogNumber.scaled(line.values[CURRENT], ampFactor);
        for (int g = 1; g <= groups; g++) sample[g] = line.values[CURRENT + g];
        for (int p = 0; p < probes; p++) {
            double read = line.values[CURRENT + 1 + groups + p];
            sample[1 + groups + p] = celsius.of(fahrenheit.get(p) ? (read - 32) / 1.8 : read);
        }
        sample[1 + groups + probes] = line.line;
        LogTimeline into = timeline.orElseThrow();
        into.take(line.line, line.values[TIME], sample);
    }

    private void sayIfAllHaveTooMany(char separator) {
        if (tooMany > 0 && timeline.filter(read -> read.size() > 0).isEmpty())
            problems.add(0, new Problem(name, 0, Surplus.verdict(separator, true)));
    }

    private static String name(int value) {
        return switch (value) {
            case TIME -> "time";
            case CURRENT -> "current";
            default -> "group " + (value - CURRENT);
        };
    }

    private void problem(long line, String sentence) {
        skipped++;
        if (problems.size() < MOST_PROBLEMS) problems.add(new Problem(name, line, sentence));
    }

    private Read finish() {
        timeline.ifPresent(LogTimeline::end);
        if (hasDeadColumns())
            return new Read(Optional.empty(), List.copyOf(problems), skipped, List.copyOf(notes));
        Optional<GroupLog> log = timeline.filter(read -> read.size() > 0).map(this::log);
        if (log.filter(each -> each.size() > 0).isEmpty()) {
            if (problems.isEmpty()) problem(0, "has no lines under its column names");
            return new Read(Optional.empty(), List.copyOf(problems), skipped, List.copyOf(notes));
        }
        celsius.say(notes::add);
        return new Read(log, List.copyOf(problems), skipped, List.copyOf(notes));
    }

    /// A column that never holds a voltage is not a group: its lead is off, or it is not used.
    private boolean hasDeadColumns() {
        if (timeline.filter(read -> read.size() > 0).isEmpty()) return false;
        boolean isAny = false;
        for (int g = 1; g <= groups; g++) {
            Column volts = timeline.get().column(g);
            if (volts.most() > 0) continue;
            isAny = true;
            problem(
                    0,
                    "group %d reads %s in every line, expected a voltage: leave the column out if there is no such group, or read its lead again"
                            .formatted(
                                    g,
                                    volts.most() == volts.least()
                                            ? LogNumber.text(volts.most()) + " V"
                                            : "0 V or less"));
        }
        return isAny;
    }

    private GroupLog log(LogTimeline read) {
        double factor = LogUnits.ofVolts(voltFactor, read.column(1), notes::add);
        List<Column> volts = new ArrayList<>();
        for (int g = 1; g <= groups; g++)
            volts.add(
                    factor == 1
                            ? read.column(g)
                            : read.column(g).map((i, each) -> LogNumber.scaled(each, factor)));
        List<Column> warm = new ArrayList<>();
        for (int p = 1; p <= probes; p++) warm.add(read.column(groups + p));
        GroupLog all = new GroupLog(read.seconds(), read.column(0), volts, warm);
        SortedMap<Integer, String> slips = all.slips();
        Column lines = read.column(1 + groups + probes);
        slips.forEach((moment, wrong) -> problem((long) lines.get(moment), wrong));
        GroupLog rest = all.without(slips);
        return GroupLog.of(rest.seconds(), rest.amps(), rest.volts(), rest.celsius());
    }
}
