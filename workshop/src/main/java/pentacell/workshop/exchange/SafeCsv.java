package pentacell.workshop.exchange;

import de.siegmar.fastcsv.writer.CsvWriter;
import de.siegmar.fastcsv.writer.LineDelimiter;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.util.List;

/// Writes CSV (RFC 4180) that a spreadsheet opens as what it is: a text that would begin a formula
/// gets an apostrophe before it.
public final class SafeCsv {
    private SafeCsv() {}

    /// A table as text.
    public static String text(List<String> header, Iterable<List<String>> lines) {
        StringWriter out = new StringWriter();
        try {
            table(out, header, lines);
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return out.toString();
    }

    /// Writes a table line by line, however long it is.
    public static void table(Writer out, List<String> header, Iterable<List<String>> lines)
            throws IOException {
        CsvWriter csv = CsvWriter.builder().lineDelimiter(LineDelimiter.CRLF).build(out);
        csv.writeRecord(header);
        for (List<String> line : lines) csv.writeRecord(line.stream().map(SafeCsv::safe).toList());
        csv.flush();
    }

    private static String safe(String text) {
        if (!couldBeginFormula(text)) return text;
        boolean isNumber = text.matches("[+-]?\\d+(\\.\\d+)?");
        return isNumber ? text : "'" + text;
    }

    /// A spreadsheet passes over what cannot be seen at the beginning, and some take the full-width
    /// signs for the plain ones.
    private static boolean couldBeginFormula(String text) {
        if (!text.isEmpty() && "\t\r\n".indexOf(text.charAt(0)) >= 0) return true;
        String seen = text.replaceFirst("^[\\s\\p{Z}\\p{C}]+", "");
        return !seen.isEmpty() && "=+-@＝＋－＠−".indexOf(seen.charAt(0)) >= 0;
    }
}
