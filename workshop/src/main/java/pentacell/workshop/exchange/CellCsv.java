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
import java.util.function.Consumer;
import java.util.regex.Pattern;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.match.Candidate;
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

    private static final Pattern THOUSANDS = Pattern.compile("[1-9]\\d?[.,]\\d{3}");

    private final String fileName;
    private final List<Problem> problems = new ArrayList<>();
    private final Consumer<CellRow> taker;
    private final Map<CellId, Integer> lineOf = new HashMap<>();
    private final Shared<Optional<String>> models = new Shared<>();
    private final Shared<Optional<String>> donors = new Shared<>();
    private final Shared<Optional<CellFormat>> sizes = new Shared<>();
    private final Shared<OptionalDouble> numbers = new Shared<>();
    private final int[] columnOf = new int[Role.values().length];
    private List<CellColumn> columns = List.of();
    private int unlisted;

    private CellCsv(String fileName, Consumer<CellRow> taker) {
        this.fileName = fileName;
        this.taker = taker;
    }

    /// Reads a file.
    public static CellTable read(Path file) {
        List<CellRow> rows = new ArrayList<>();
        return read(file, rows::add).withRows(rows);
    }

    /// Reads a file and hands each good line on, so that a long table need not be held twice.
    ///
    /// @return the table without its rows
    public static CellTable read(Path file, Consumer<CellRow> taker) {
        CellCsv csv = new CellCsv(String.valueOf(file.getFileName()), taker);
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
        return new CellTable(fileName, sha256, encoding, columns, List.of(), problems);
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
        if (lineOf.isEmpty() && problems.isEmpty())
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
        for (Role role : Role.values()) columnOf[role.ordinal()] = taken.indexOf(role);
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
        int count = line.count();
        if (line.isBad || id.isEmpty()) return;
        CellRow row =
                new CellRow(
                        record.getStartingLineNumber(),
                        id.get(),
                        numbers.of(volts),
                        numbers.of(milliohms),
                        numbers.of(capacity),
                        numbers.of(rated),
                        models.of(line.text(Role.MODEL)),
                        donors.of(line.text(Role.DONOR)),
                        chemistry,
                        sizes.of(line.text(Role.FORMAT).flatMap(CellFormat::parseAny)),
                        line.text(Role.LOCATION).orElse(""),
                        count);
        Integer before = lineOf.putIfAbsent(row.id(), (int) row.line());
        if (before == null) taker.accept(row);
        else problem(row.line(), "cell id \"" + row.id() + "\" is already in line " + before);
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
            int at = columnOf[role.ordinal()];
            return at < 0 || at >= record.getFieldCount()
                    ? Optional.empty()
                    : Optional.of(record.getField(at).strip()).filter(text -> !text.isEmpty());
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
            double read = LogNumber.parse(text.get());
            if (Double.isNaN(read)) {
                bad(
                        role,
                        text.get(),
                        NumberText.whyNot(text.get()) + ", expected " + limit.expected());
                return OptionalDouble.empty();
            }
            double value = read * column(role).factor();
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
                    && THOUSANDS.matcher(text).matches();
        }

        Optional<Chemistry> chemistry() {
            Optional<String> text = text(Role.CHEMISTRY);
            if (text.isEmpty()) return Optional.empty();
            Optional<Chemistry> chemistry = Chemistry.parse(text.get());
            if (chemistry.isEmpty())
                bad(Role.CHEMISTRY, text.get(), "is not known, expected nmc or lfp");
            return chemistry;
        }

        /// Cans of a unit, 1 where the line does not say.
        int count() {
            Optional<String> text = text(Role.COUNT);
            if (text.isEmpty()) return 1;
            double read = LogNumber.parse(text.get());
            boolean isCount = read == Math.rint(read) && read >= 1 && read <= Candidate.MOST_CANS;
            if (isCount) return (int) read;
            bad(
                    Role.COUNT,
                    text.get(),
                    "is no number of cans, expected 1 to " + Candidate.MOST_CANS);
            return 1;
        }

        private CellColumn column(Role role) {
            return columns.get(columnOf[role.ordinal()]);
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
