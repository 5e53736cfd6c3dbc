package pentacell.workshop.exchange;

import java.util.List;

/// A cell table as it was read: what each column was taken for, the good lines, and every bad one.
///
/// @param fileName name of the file
/// @param sha256 fingerprint of its bytes
/// @param encoding what it was decoded as
/// @param columns in file order
/// @param rows the good lines
/// @param problems what is wrong, in file order; with no rows it says why nothing could be taken
public record CellTable(
        String fileName,
        String sha256,
        String encoding,
        List<CellColumn> columns,
        List<CellRow> rows,
        List<Problem> problems) {
    public CellTable {
        columns = List.copyOf(columns);
        rows = List.copyOf(rows);
        problems = List.copyOf(problems);
    }

    CellTable withRows(List<CellRow> some) {
        return new CellTable(fileName, sha256, encoding, columns, some, problems);
    }

    /// What was taken for something its header does not plainly say, or not taken for a reason.
    public List<String> notes() {
        return columns.stream()
                .filter(column -> column.factor() != 1 || column.why().isPresent())
                .map(column ->
                        "%s: column \"%s\": %s"
                                .formatted(fileName, column.header().strip(), column.words()))
                .toList();
    }

    /// Something wrong in a file.
    ///
    /// @param fileName the file
    /// @param line the line from 1, 0 for the file as a whole
    /// @param sentence column, what was read, what was expected
    public record Problem(String fileName, long line, String sentence) {
        /// The problem as printed: `tray.csv:17: column 3 "IR": "5O.2" is not a number (letter
        /// O?)`.
        public String text() {
            String text =
                    line > 0 ? fileName + ":" + line + ": " + sentence : fileName + ": " + sentence;
            // what a file holds must not act on a terminal
            return text.replaceAll("\\p{Cntrl}", "\ufffd");
        }
    }
}
