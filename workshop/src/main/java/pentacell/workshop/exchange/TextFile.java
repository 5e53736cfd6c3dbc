package pentacell.workshop.exchange;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;

/// A text file of unknown encoding: UTF-16 when it says so, UTF-8 when it is that without fault,
/// else Windows-1252. Read as a stream, whatever its size.
final class TextFile {
    private final Path file;
    private final Charset charset;
    private final String sha256;
    private final String firstLine;

    private TextFile(Path file, Charset charset, String sha256, String firstLine) {
        this.file = file;
        this.charset = charset;
        this.sha256 = sha256;
        this.firstLine = firstLine;
    }

    /// Looks at a file once from end to end.
    static TextFile examine(Path file) throws IOException {
        MessageDigest digest = sha256();
        Optional<Charset> marked = utf16(file);
        Charset charset = marked.orElse(StandardCharsets.UTF_8);
        try (InputStream in = new DigestInputStream(Files.newInputStream(file), digest)) {
            Reader reader =
                    new InputStreamReader(
                            in,
                            charset.newDecoder()
                                    .onMalformedInput(CodingErrorAction.REPORT)
                                    .onUnmappableCharacter(CodingErrorAction.REPORT));
            char[] buffer = new char[1 << 16];
            try {
                while (reader.read(buffer) >= 0) {}
            } catch (CharacterCodingException notThat) {
                if (marked.isEmpty()) charset = Charset.forName("windows-1252");
            }
            in.transferTo(java.io.OutputStream.nullOutputStream());
        }
        String sum = hex(digest);
        try (BufferedReader reader = new BufferedReader(open(file, charset))) {
            String first = reader.readLine();
            while (first != null && first.isBlank()) first = reader.readLine();
            return new TextFile(file, charset, sum, first == null ? "" : first);
        }
    }

    /// Whether a file says at its beginning that it is UTF-16.
    static boolean isUtf16(Path file) throws IOException {
        return utf16(file).isPresent();
    }

    private static Optional<Charset> utf16(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            byte[] mark = in.readNBytes(2);
            if (mark.length < 2) return Optional.empty();
            if (mark[0] == (byte) 0xFF && mark[1] == (byte) 0xFE)
                return Optional.of(StandardCharsets.UTF_16LE);
            if (mark[0] == (byte) 0xFE && mark[1] == (byte) 0xFF)
                return Optional.of(StandardCharsets.UTF_16BE);
            return Optional.empty();
        }
    }

    static String hex(MessageDigest digest) {
        return HexFormat.of().formatHex(digest.digest());
    }

    /// The text from its beginning, without a byte order mark.
    Reader open() throws IOException {
        return open(file, charset);
    }

    private static Reader open(Path file, Charset charset) throws IOException {
        BufferedReader reader =
                new BufferedReader(new InputStreamReader(Files.newInputStream(file), charset));
        reader.mark(1);
        if (reader.read() != '\ufeff') reader.reset();
        return reader;
    }

    /// The first line with something in it, empty when there is none.
    String firstLine() {
        return firstLine;
    }

    String encoding() {
        return charset.displayName();
    }

    String fingerprint() {
        return sha256;
    }

    /// What separates its fields.
    char separator() {
        return Separator.of(List.of(firstLine));
    }

    static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException missing) {
            throw new IllegalStateException("every Java has SHA-256", missing);
        }
    }
}
