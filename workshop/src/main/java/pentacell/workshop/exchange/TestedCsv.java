package pentacell.workshop.exchange;

import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import pentacell.core.cell.CellId;
import pentacell.workshop.exchange.CellTable.Problem;

/// Reads under what the capacities of a cell table were measured:
/// `cell_id,test_amps,test_end_volts` beside its other columns; lines without them are passed over.
///
/// @param tests by cell
/// @param problems what is wrong with the file
public record TestedCsv(Map<CellId, Test> tests, List<Problem> problems) {
    public TestedCsv {
        tests = Map.copyOf(tests);
        problems = List.copyOf(problems);
    }

    /// A discharge from full.
    public record Test(double amps, double endVolts) {}

    /// Reads a file.
    public static TestedCsv read(Path file) {
        Map<CellId, Test> tests = new LinkedHashMap<>();
        NamedTable.Read<Boolean> read = NamedTable.read(file, line -> line(line, tests));
        return new TestedCsv(tests, read.problems());
    }

    private static boolean line(NamedTable.Line line, Map<CellId, Test> tests)
            throws NamedTable.BadLine {
        OptionalDouble amps = line.number("a current in A", "test_amps");
        OptionalDouble volts = line.number("a voltage in V", "test_end_volts");
        if (amps.isEmpty() && volts.isEmpty()) return true;
        if (amps.isEmpty() || volts.isEmpty())
            throw new NamedTable.BadLine("test_amps and test_end_volts belong together");
        if (!(amps.getAsDouble() > 0 && amps.getAsDouble() < 1000))
            throw new NamedTable.BadLine("column \"test_amps\" must be above 0 and under 1000 A");
        line.text("cell_id", "id")
                .filter(id -> CellId.problem(id).isEmpty())
                .ifPresent(id ->
                        tests.put(
                                new CellId(id), new Test(amps.getAsDouble(), volts.getAsDouble())));
        return true;
    }
}
