package pentacell.workshop.exchange;

import de.siegmar.fastcsv.reader.CommentStrategy;
import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.FieldMismatchStrategy;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.unit.NumberText;
import pentacell.workshop.exchange.CellTable.Problem;

/// Reads small tables by the names of their columns: each good line becomes a value, each bad one a
/// problem with its place.
final class NamedTable {
    private NamedTable() {}

    /// Good values and problems of a file.
    record Read<T>(List<T> values, List<Problem> problems) {
        Read {
            values = List.copyOf(values);
            problems = List.copyOf(problems);
        }
    }

    /// Makes a value of a line.
    interface LineReader<T> {
        /// @throws BadLine when the line is not good
        T read(Line line) throws BadLine;
    }

    /// A line that is not good, and why.
    static final class BadLine extends Exception {
        private static final long serialVersionUID = 1;

        BadLine(String sentence) {
            super(sentence);
        }
    }

    static <T> Read<T> read(Path file, LineReader<T> reader) {
        String name = String.valueOf(file.getFileName());
        List<T> values = new ArrayList<>();
        List<Problem> problems = new ArrayList<>();
        try {
            if (Files.isDirectory(file)) throw new IOException("is a folder");
            TextFile text = TextFile.examine(file);
            try (CsvReader<NamedCsvRecord> csv =
                    CsvReader.builder()
                            .fieldSeparator(text.separator())
                            .commentStrategy(CommentStrategy.NONE)
                            .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
                            .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
                            .ofNamedCsvRecord(text.open())) {
                Optional<Surplus> surplus = Optional.empty();
                for (NamedCsvRecord record : csv) {
                    if (surplus.isEmpty())
                        surplus =
                                Optional.of(
                                        new Surplus(record.getHeader().size(), text.separator()));
                    try {
                        Optional<String> tooMany = surplus.get().in(record.getFields());
                        if (tooMany.isPresent()) throw new BadLine(tooMany.get());
                        values.add(reader.read(new Line(record)));
                    } catch (BadLine | IllegalArgumentException bad) {
                        problems.add(
                                new Problem(
                                        name,
                                        record.getStartingLineNumber(),
                                        String.valueOf(bad.getMessage())));
                    }
                }
                surplus.flatMap(Surplus::verdict)
                        .ifPresent(verdict -> problems.add(0, new Problem(name, 0, verdict)));
            }
        } catch (NoSuchFileException missing) {
            problems.add(new Problem(name, 0, "there is no such file"));
        } catch (IOException | CsvParseException failure) {
            problems.add(new Problem(name, 0, "could not be read: " + failure.getMessage()));
        }
        if (values.isEmpty() && problems.isEmpty())
            problems.add(new Problem(name, 0, "has no lines under its column names"));
        return new Read<>(values, problems);
    }

    /// A line with its columns by name.
    static final class Line {
        private final NamedCsvRecord record;

        private Line(NamedCsvRecord record) {
            this.record = record;
        }

        /// Where it stands in the file, from 1.
        long number() {
            return record.getStartingLineNumber();
        }

        /// @throws BadLine when more than one of these columns is filled
        void onlyOneOf(String... names) throws BadLine {
            List<String> filled = new ArrayList<>();
            for (String name : names) if (text(name).isPresent()) filled.add('"' + name + '"');
            if (filled.size() > 1)
                throw new BadLine(
                        "columns %s say the same; leave one of them out"
                                .formatted(String.join(" and ", filled)));
        }

        /// The text of a column, found by the first of its names that is there.
        Optional<String> text(String... names) {
            for (String header : record.getHeader()) {
                String plain = Headers.plain(header);
                for (String name : names)
                    if (plain.equals(name))
                        return record.findField(header)
                                .map(String::strip)
                                .filter(text -> !text.isEmpty());
            }
            return Optional.empty();
        }

        String required(String expected, String... names) throws BadLine {
            return text(names)
                    .orElseThrow(() ->
                            new BadLine(
                                    "column \""
                                            + names[0]
                                            + "\" is empty or missing, expected "
                                            + expected));
        }

        OptionalDouble number(String expected, String... names) throws BadLine {
            Optional<String> text = text(names);
            if (text.isEmpty()) return OptionalDouble.empty();
            OptionalDouble number = NumberText.parse(text.get());
            if (number.isEmpty())
                throw new BadLine(
                        "column \"%s\": \"%s\" %s, expected %s"
                                .formatted(
                                        names[0],
                                        text.get(),
                                        NumberText.whyNot(text.get()),
                                        expected));
            return number;
        }

        double requiredNumber(String expected, String... names) throws BadLine {
            required(expected, names);
            return number(expected, names).orElseThrow();
        }
    }
}
