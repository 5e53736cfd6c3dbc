package pentacell.workshop.exchange;

import de.siegmar.fastcsv.reader.CommentStrategy;
import de.siegmar.fastcsv.reader.CsvCallbackHandler;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.FieldMismatchStrategy;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;

/// The text of a long log: numbers and column names are ASCII in every encoding a log comes in, so
/// it is read byte for byte, once.
///
/// @param separator between its fields
record LogText(Path file, char separator) {
    /// So many lines may stand over the names of the columns.
    static final int MOST_PREAMBLE = 60;

    /// Looks at a file.
    ///
    /// @throws IOException when it cannot be read so
    static LogText of(Path file) throws IOException {
        if (Files.isDirectory(file)) throw new IOException("is a folder");
        if (TextFile.isUtf16(file))
            throw new IOException(
                    "it is UTF-16; save it as UTF-8 or as plain CSV, then read it again");
        try (BufferedReader reader = Files.newBufferedReader(file, StandardCharsets.ISO_8859_1)) {
            return new LogText(file, Separator.of(reader.lines().limit(MOST_PREAMBLE).toList()));
        }
    }

    /// Its rows; to be closed.
    <R> CsvReader<R> rows(CsvCallbackHandler<R> handler) throws IOException {
        return CsvReader.builder()
                .fieldSeparator(separator)
                .commentStrategy(CommentStrategy.SKIP)
                .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
                .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
                .build(handler, afterMark(Files.newInputStream(file)));
    }

    private static Reader afterMark(InputStream in) throws IOException {
        BufferedReader reader =
                new BufferedReader(new InputStreamReader(in, StandardCharsets.ISO_8859_1), 1 << 16);
        reader.mark(3);
        char[] mark = new char[3];
        boolean isMark =
                reader.read(mark) == 3 && mark[0] == 0xEF && mark[1] == 0xBB && mark[2] == 0xBF;
        if (!isMark) reader.reset();
        return reader;
    }
}
