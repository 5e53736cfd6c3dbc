package pentacell.instruments.protocol;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.util.Optional;

/// Reads lines from a line whose other end may never end one: memory does not grow with it.
public final class LineReader implements AutoCloseable {
    /// No message of the protocol is longer, in characters.
    public static final int LONGEST = 1 << 20;

    private final Reader in;

    /// The other end does not end its line.
    public static final class EndlessLineException extends IOException {
        private static final long serialVersionUID = 1;

        EndlessLineException() {
            super("sent more than %d characters without an end of line".formatted(LONGEST));
        }
    }

    /// @param in UTF-8
    public LineReader(InputStream in) {
        this.in = new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8));
    }

    /// The next line without its end; empty when there are no more.
    ///
    /// @throws EndlessLineException when the line is longer than any message
    /// @throws IOException when the line is gone
    public Optional<String> next() throws IOException {
        StringBuilder line = new StringBuilder();
        for (int letter = in.read(); letter >= 0; letter = in.read()) {
            if (letter == '\n') return Optional.of(line.toString());
            if (letter == '\r') continue;
            if (line.length() == LONGEST) throw new EndlessLineException();
            line.append((char) letter);
        }
        return line.isEmpty() ? Optional.empty() : Optional.of(line.toString());
    }

    @Override
    public void close() throws IOException {
        in.close();
    }
}
