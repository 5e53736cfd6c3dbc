package pentacell.workshop.exchange;

import java.nio.file.Path;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import pentacell.core.cell.CellId;
import pentacell.workshop.exchange.CellTable.Problem;

/// Reads which cells are locked to which group: `cell_id,group` with groups from 1. A groups file
/// of an earlier match will do.
///
/// @param locks group of each locked cell, counted from 0
/// @param problems what is wrong with the file
public record LockCsv(Map<CellId, Integer> locks, List<Problem> problems) {
    public LockCsv {
        locks = Map.copyOf(locks);
        problems = List.copyOf(problems);
    }

    /// Reads a file.
    public static LockCsv read(Path file) {
        Map<CellId, Integer> locks = new LinkedHashMap<>();
        Map<CellId, Long> lineOf = new HashMap<>();
        NamedTable.Read<Boolean> read = NamedTable.read(file, line -> line(line, locks, lineOf));
        return new LockCsv(locks, read.problems());
    }

    private static boolean line(
            NamedTable.Line line, Map<CellId, Integer> locks, Map<CellId, Long> lineOf)
            throws NamedTable.BadLine {
        String id = line.required("the id of a cell", "cell_id");
        String group = line.required("a group number from 1", "group");
        Optional<String> problem = CellId.problem(id);
        if (problem.isPresent())
            throw new NamedTable.BadLine("column \"cell_id\": \"" + id + "\" " + problem.get());
        if (!group.matches("[1-9]\\d{0,3}"))
            throw new NamedTable.BadLine(
                    "column \"group\": \"" + group + "\" is not a group number from 1");
        Long before = lineOf.putIfAbsent(new CellId(id), line.number());
        if (before != null)
            throw new NamedTable.BadLine("cell id \"" + id + "\" is already in line " + before);
        locks.put(new CellId(id), Integer.parseInt(group) - 1);
        return true;
    }
}
