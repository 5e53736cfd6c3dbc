package pentacell.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import pentacell.core.cell.CellId;
import pentacell.core.circuit.CircuitCell;
import pentacell.core.circuit.VoltageCurve;
import pentacell.workshop.exchange.CellCsv;
import pentacell.workshop.exchange.CellRow;
import pentacell.workshop.exchange.CellTable;
import pentacell.workshop.exchange.CellTable.Problem;
import pentacell.workshop.exchange.LockCsv;
import pentacell.workshop.exchange.TestedCsv;

/// The cells of a grouping as parts of a circuit, from a table of groups and a table of cells.
///
/// @param groups the units of each group
/// @param lot what each unit is, can by can
/// @param problems what is wrong with the files
/// @param notes what was taken for granted
record GroupedLot(
        List<List<CellId>> groups,
        Map<CellId, List<CircuitCell>> lot,
        List<Problem> problems,
        List<String> notes) {
    /// Reads both tables.
    ///
    /// @param curve the rest curve of the cells
    static GroupedLot read(Path groupsFile, Path cells, VoltageCurve curve) {
        List<Problem> problems = new ArrayList<>();
        List<String> notes = new ArrayList<>();
        LockCsv grouping = LockCsv.read(groupsFile);
        problems.addAll(grouping.problems());
        Map<CellId, List<CircuitCell>> lot = lot(cells, curve, grouping, problems, notes);
        return new GroupedLot(groups(groupsFile, grouping, problems), lot, problems, notes);
    }

    /// Every can of a unit is a cell of the circuit.
    List<List<CircuitCell>> circuit() {
        return groups.stream()
                .map(group -> group.stream().flatMap(id -> cans(id).stream()).toList())
                .toList();
    }

    /// The unit that each can belongs to.
    List<List<CellId>> cans() {
        return groups.stream()
                .map(group ->
                        group.stream().flatMap(id -> cans(id).stream().map(each -> id)).toList())
                .toList();
    }

    private List<CircuitCell> cans(CellId id) {
        return lot.getOrDefault(id, List.of());
    }

    /// The cells of the groups as parts of a circuit.
    private static Map<CellId, List<CircuitCell>> lot(
            Path cells,
            VoltageCurve curve,
            LockCsv grouping,
            List<Problem> problems,
            List<String> notes) {
        Map<CellId, CellRow> rows = new HashMap<>();
        CellTable table =
                CellCsv.read(
                        cells,
                        row -> {
                            if (grouping.locks().containsKey(row.id())) rows.put(row.id(), row);
                        });
        notes.addAll(table.notes());
        problems.addAll(table.problems());
        if (!table.problems().isEmpty()) return Map.of();
        TestedCsv tested = TestedCsv.read(cells);
        problems.addAll(tested.problems());
        String name = String.valueOf(cells.getFileName());
        Map<CellId, List<CircuitCell>> lot = new HashMap<>();
        for (CellId id : grouping.locks().keySet()) {
            Optional<CellRow> row = Optional.ofNullable(rows.get(id));
            if (row.isEmpty()) {
                problems.add(new Problem(name, 0, "cell " + id + " is in a group but not here"));
                continue;
            }
            if (row.get().milliampHours().isEmpty() || row.get().milliohms().isEmpty()) {
                problems.add(
                        new Problem(
                                name,
                                row.get().line(),
                                "cell %s has no %s, expected a value"
                                        .formatted(
                                                id,
                                                row.get().milliampHours().isEmpty()
                                                        ? "capacity_mah"
                                                        : "ir_mohm")));
                continue;
            }
            double ampHours = row.get().milliampHours().getAsDouble() / 1000;
            double ohms = row.get().milliohms().getAsDouble() / 1000;
            try {
                TestedCsv.Test test = tested.tests().get(id);
                CircuitCell whole =
                        test == null
                                ? new CircuitCell(ampHours, ohms)
                                : CircuitCell.measured(
                                        curve, ampHours, ohms, test.amps(), test.endVolts());
                lot.put(id, whole.cans(row.get().count()));
            } catch (IllegalArgumentException wrong) {
                problems.add(
                        new Problem(
                                name, row.get().line(), "cell " + id + ": " + wrong.getMessage()));
            }
        }
        return lot;
    }

    private static List<List<CellId>> groups(
            Path groupsFile, LockCsv grouping, List<Problem> problems) {
        int count = grouping.locks().values().stream().mapToInt(each -> each + 1).max().orElse(0);
        List<List<CellId>> groups =
                IntStream.range(0, count).<List<CellId>>mapToObj(g -> new ArrayList<>()).toList();
        grouping.locks().keySet().stream()
                .sorted()
                .forEach(id -> groups.get(grouping.locks().getOrDefault(id, 0)).add(id));
        for (int g = 0; g < count; g++)
            if (groups.get(g).isEmpty())
                problems.add(
                        new Problem(
                                String.valueOf(groupsFile.getFileName()),
                                0,
                                "group %d has no cell; groups count from 1 to %d"
                                        .formatted(g + 1, count)));
        return groups;
    }
}
