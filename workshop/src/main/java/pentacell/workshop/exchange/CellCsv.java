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
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.unit.Limit;
import pentacell.core.unit.NumberText;
import pentacell.workshop.exchange.CellColumn.Role;
import pentacell.workshop.exchange.CellTable.Problem;

/// Reads a table of cells from CSV (RFC 4180): comma, semicolon or tab, decimal point or comma,
/// header matched by name with units, order free. Never throws for what is in the file: a bad line
/// becomes a problem, good ones are kept.
public final class CellCsv {
    /// More problems than this are counted, not listed.
    static final int MOST_PROBLEMS = 1000;

    private final String fileName;
    private final List<Problem> problems = new ArrayList<>();
    private final List<CellRow> rows = new ArrayList<>();
    private final Map<CellId, Long> lineOf = new HashMap<>();
    private List<CellColumn> columns = List.of();
    private int unlisted;

    private CellCsv(String fileName) {
        this.fileName = fileName;
    }

    /// Reads a file.
    public static CellTable read(Path file) {
        CellCsv csv = new CellCsv(String.valueOf(file.getFileName()));
        try {
            if (Files.isDirectory(file)) return csv.unreadable("is a folder");
            TextFile text = TextFile.examine(file);
            csv.read(text);
            return csv.table(text.fingerprint(), text.encoding());
        } catch (NoSuchFileException missing) {
            return csv.unreadable("there is no such file");
        } catch (IOException failure) {
            return csv.unreadable("could not be read: " + failure.getMessage());
        }
    }

    private CellTable unreadable(String why) {
        problem(0, why);
        return table("", "");
    }

    private CellTable table(String sha256, String encoding) {
        if (unlisted > 0)
            problems.add(new Problem(fileName, 0, "and " + unlisted + " more problems like these"));
        return new CellTable(fileName, sha256, encoding, columns, rows, problems);
    }

    private void read(TextFile text) throws IOException {
        if (text.firstLine().isEmpty()) {
            problem(
                    0,
                    "is empty; expected a line of column names such as cell_id, voltage_v, ir_mohm, capacity_mah");
            return;
        }
        if (text.firstLine().indexOf('\0') >= 0) {
            problem(0, "is not a text file");
            return;
        }
        try (CsvReader<CsvRecord> csv =
                CsvReader.builder()
                        .fieldSeparator(text.separator())
                        .commentStrategy(CommentStrategy.NONE)
                        .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
                        .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
                        .skipEmptyLines(true)
                        .ofCsvRecord(text.open())) {
            Iterator<CsvRecord> lines = csv.iterator();
            if (!takeHeader(lines.next())) return;
            Surplus surplus = new Surplus(columns.size(), text.separator());
            while (lines.hasNext()) takeLine(lines.next(), surplus);
            surplus.verdict()
                    .ifPresent(verdict -> problems.add(0, new Problem(fileName, 0, verdict)));
        } catch (CsvParseException broken) {
            problem(0, "is not a table from here on: " + broken.getMessage());
        }
        if (rows.isEmpty() && problems.isEmpty())
            problem(0, "has column names but no lines under them");
    }

    private boolean takeHeader(CsvRecord header) {
        List<CellColumn> found = CellColumn.allOf(header.getFields());
        Optional<String> ambiguity = CellColumn.ambiguity(found);
        if (ambiguity.isPresent()) {
            columns = found;
            problem(header.getStartingLineNumber(), ambiguity.get());
            return false;
        }
        found = CellColumn.oneOfEach(found);
        List<Role> taken = found.stream().map(CellColumn::role).toList();
        columns = List.copyOf(found);
        boolean somethingToLog =
                taken.contains(Role.VOLTAGE)
                        || taken.contains(Role.RESISTANCE)
                        || taken.contains(Role.CAPACITY);
        if (taken.contains(Role.CELL_ID) && somethingToLog) return true;
        problem(
                header.getStartingLineNumber(),
                "%s; the columns are %s; expected cell_id and at least one of voltage_v, ir_mohm, capacity_mah"
                        .formatted(
                                taken.contains(Role.CELL_ID)
                                        ? "no column holds a reading"
                                        : "no column holds the cell's id",
                                quoted(found)));
        return false;
    }

    private static String quoted(List<CellColumn> columns) {
        List<String> shown =
                columns.stream()
                        .limit(8)
                        .map(column ->
                                '"'
                                        + shortened(column.header())
                                        + '"'
                                        + column.why().map(why -> " (" + why + ")").orElse(""))
                        .toList();
        return String.join(", ", shown) + (columns.size() > 8 ? " …" : "");
    }

    private static String shortened(String text) {
        return text.length() > 40 ? text.substring(0, 40) + "…" : text;
    }

    private void takeLine(CsvRecord record, Surplus surplus) {
        Optional<String> tooMany = surplus.in(record.getFields());
        if (tooMany.isPresent()) {
            problem(record.getStartingLineNumber(), tooMany.get());
            return;
        }
        Line line = new Line(record);
        Optional<CellId> id = line.id();
        OptionalDouble volts = line.number(Role.VOLTAGE, Limit.VOLTAGE);
        OptionalDouble milliohms = line.number(Role.RESISTANCE, Limit.RESISTANCE);
        OptionalDouble capacity = line.number(Role.CAPACITY, Limit.CAPACITY);
        OptionalDouble rated = line.number(Role.RATED, Limit.CAPACITY);
        Optional<Chemistry> chemistry = line.chemistry();
        if (line.isBad || id.isEmpty()) return;
        Long before = lineOf.putIfAbsent(id.get(), record.getStartingLineNumber());
        if (before != null) {
            problem(
                    record.getStartingLineNumber(),
                    "cell id \"" + id.get() + "\" stands already in line " + before);
            return;
        }
        rows.add(
                new CellRow(
                        record.getStartingLineNumber(),
                        id.get(),
                        volts,
                        milliohms,
                        capacity,
                        rated,
                        line.text(Role.MODEL),
                        line.text(Role.DONOR),
                        chemistry,
                        line.text(Role.LOCATION).orElse("")));
    }

    private void problem(long line, String sentence) {
        if (problems.size() < MOST_PROBLEMS) problems.add(new Problem(fileName, line, sentence));
        else unlisted++;
    }

    /// One line while it is being read; bad as soon as one of its fields is.
    private final class Line {
        private final CsvRecord record;
        private boolean isBad;

        Line(CsvRecord record) {
            this.record = record;
        }

        Optional<String> text(Role role) {
            for (int i = 0; i < columns.size() && i < record.getFieldCount(); i++)
                if (columns.get(i).role() == role)
                    return Optional.of(record.getField(i).strip()).filter(text -> !text.isEmpty());
            return Optional.empty();
        }

        Optional<CellId> id() {
            Optional<String> text = text(Role.CELL_ID);
            String problem = text.isEmpty() ? "is empty" : CellId.problem(text.get()).orElse("");
            if (problem.isEmpty()) return text.map(CellId::new);
            bad(Role.CELL_ID, text.orElse(""), problem);
            return Optional.empty();
        }

        OptionalDouble number(Role role, Limit limit) {
            Optional<String> text = text(role);
            if (text.isEmpty()) return OptionalDouble.empty();
            OptionalDouble number = NumberText.parse(text.get());
            if (number.isEmpty()) {
                bad(
                        role,
                        text.get(),
                        NumberText.whyNot(text.get()) + ", expected " + limit.expected());
                return number;
            }
            double value = number.getAsDouble() * column(role).factor();
            if (couldBeThousands(role, text.get())) {
                bad(
                        role,
                        text.get(),
                        "could be %s or %s; write it without a thousands mark"
                                .formatted(
                                        text.get().strip().replaceAll("[.,]", ""),
                                        text.get().strip().replace(',', '.')));
                return OptionalDouble.empty();
            }
            if (limit.holds(value)) return OptionalDouble.of(value);
            bad(role, text.get(), "cannot be, expected " + limit.expected());
            return OptionalDouble.empty();
        }

        /// No capacity in mAh has three decimals: such a mark parts thousands more likely.
        private boolean couldBeThousands(Role role, String text) {
            return (role == Role.CAPACITY || role == Role.RATED)
                    && column(role).factor() == 1
                    && text.strip().matches("[1-9]\\d?[.,]\\d{3}");
        }

        Optional<Chemistry> chemistry() {
            Optional<String> text = text(Role.CHEMISTRY);
            if (text.isEmpty()) return Optional.empty();
            Optional<Chemistry> chemistry = Chemistry.parse(text.get());
            if (chemistry.isEmpty())
                bad(Role.CHEMISTRY, text.get(), "is not known, expected nmc or lfp");
            return chemistry;
        }

        private CellColumn column(Role role) {
            return columns.stream()
                    .filter(column -> column.role() == role)
                    .findFirst()
                    .orElseThrow();
        }

        private void bad(Role role, String read, String why) {
            isBad = true;
            CellColumn column = column(role);
            problem(
                    record.getStartingLineNumber(),
                    "column %d \"%s\": \"%s\" %s"
                            .formatted(
                                    columns.indexOf(column) + 1,
                                    column.header().strip(),
                                    shortened(read),
                                    why));
        }
    }
}
