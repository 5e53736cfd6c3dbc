package pentacell.workshop.exchange;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.harvest.TableReading;
import pentacell.workshop.exchange.CellTable.Problem;

/// Reads the voltages of a pack's groups: `group,voltage_v` (or `voltage_mv`), groups from 1, in
/// any order.
///
/// @param readings the good lines in file order
/// @param problems what is wrong with the file
public record ReadingsCsv(List<TableReading> readings, List<Problem> problems) {
    public ReadingsCsv {
        readings = List.copyOf(readings);
        problems = List.copyOf(problems);
    }

    /// Reads a file.
    public static ReadingsCsv read(Path file) {
        NamedTable.Read<TableReading> read = NamedTable.read(file, ReadingsCsv::line);
        return new ReadingsCsv(read.values(), read.problems());
    }

    private static TableReading line(NamedTable.Line line) throws NamedTable.BadLine {
        String group = line.required("a group number from 1", "group", "group_no", "no", "g");
        if (!group.matches("[1-9]\\d{0,2}"))
            throw new NamedTable.BadLine(
                    "column \"group\": \"" + group + "\" is not a group number from 1 to 200");
        line.onlyOneOf("voltage_mv", "mv", "voltage_v", "voltage", "v", "volts");
        Optional<String> millivolts = line.text("voltage_mv", "mv");
        OptionalDouble volts =
                millivolts.isPresent()
                        ? line.number("a voltage in mV", "voltage_mv", "mv")
                        : line.number("a voltage in V", "voltage_v", "voltage", "v", "volts");
        if (volts.isEmpty())
            throw new NamedTable.BadLine(
                    "column \"voltage_v\" is empty or missing, expected a voltage in V");
        return new TableReading(
                Integer.parseInt(group),
                volts.getAsDouble() * (millivolts.isPresent() ? 0.001 : 1));
    }
}
