package pentacell.workshop.exchange;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
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
        String name = String.valueOf(file.getFileName());
        Map<CellId, Integer> locks = new LinkedHashMap<>();
        List<Problem> problems = new ArrayList<>();
        try {
            TextFile text = TextFile.examine(file);
            try (CsvReader<NamedCsvRecord> csv =
                    CsvReader.builder()
                            .fieldSeparator(text.separator())
                            .ofNamedCsvRecord(text.open())) {
                for (NamedCsvRecord line : csv) {
                    Optional<String> id = line.findField("cell_id").map(String::strip);
                    Optional<String> group = line.findField("group").map(String::strip);
                    boolean good =
                            id.isPresent()
                                    && CellId.problem(id.get()).isEmpty()
                                    && group.isPresent()
                                    && group.get().matches("[1-9]\\d{0,3}");
                    if (good) locks.put(new CellId(id.get()), Integer.parseInt(group.get()) - 1);
                    else
                        problems.add(
                                new Problem(
                                        name,
                                        line.getStartingLineNumber(),
                                        "expected columns cell_id and group (a number from 1), read "
                                                + line.getFields()));
                }
            }
        } catch (IOException | CsvParseException failure) {
            problems.add(new Problem(name, 0, "could not be read: " + failure.getMessage()));
        }
        return new LockCsv(locks, problems);
    }
}
