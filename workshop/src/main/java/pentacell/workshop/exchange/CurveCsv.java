package pentacell.workshop.exchange;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import pentacell.core.circuit.VoltageCurve;
import pentacell.workshop.exchange.CellTable.Problem;

/// Reads a rest curve: `soc,volts`, soc rising from 0 to 1, straight between its points.
///
/// @param curve the curve; empty when something is wrong with the file
/// @param problems what is wrong with it
public record CurveCsv(Optional<VoltageCurve> curve, List<Problem> problems) {
    public CurveCsv {
        problems = List.copyOf(problems);
    }

    private record Point(double share, double volts) {}

    /// Reads a file.
    public static CurveCsv read(Path file) {
        NamedTable.Read<Point> read = NamedTable.read(file, CurveCsv::point);
        if (!read.problems().isEmpty()) return new CurveCsv(Optional.empty(), read.problems());
        List<Point> points = read.values();
        List<Problem> problems = new ArrayList<>();
        String name = String.valueOf(file.getFileName());
        if (points.get(0).share() != 0 || points.getLast().share() != 1)
            problems.add(
                    new Problem(
                            name,
                            0,
                            "soc goes from %s to %s, expected from 0 to 1"
                                    .formatted(points.get(0).share(), points.getLast().share())));
        try {
            if (problems.isEmpty())
                return new CurveCsv(
                        Optional.of(
                                VoltageCurve.straight(
                                        points.stream().mapToDouble(Point::share).toArray(),
                                        points.stream().mapToDouble(Point::volts).toArray())),
                        List.of());
        } catch (IllegalArgumentException wrong) {
            problems.add(new Problem(name, 0, String.valueOf(wrong.getMessage())));
        }
        return new CurveCsv(Optional.empty(), problems);
    }

    private static Point point(NamedTable.Line line) throws NamedTable.BadLine {
        return new Point(
                line.requiredNumber("a state of charge from 0 to 1", "soc"),
                line.requiredNumber("a voltage in V", "volts", "voltage_v", "ocv_v"));
    }
}
