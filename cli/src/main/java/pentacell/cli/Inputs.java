package pentacell.cli;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;

/// What a command reads. A stream (`-`, `/dev/stdin`, `<(…)`, a FIFO) is read once, to its end, so
/// that a command may look at it as often as at a file.
final class Inputs {
    /// A stream may be so long, in bytes; a file may be longer.
    static final long LONGEST_STREAM = 1L << 30;

    private static final Path STANDARD_INPUT = Path.of("-");
    private static final int BLOCK = 1 << 16;

    private Inputs() {}

    /// A file that can be read more than once.
    ///
    /// @throws IOException when a stream cannot be read, is too long or is not text
    static Path readable(Path named) throws IOException {
        boolean isStandardInput = named.equals(STANDARD_INPUT);
        if (!isStandardInput
                && (!Files.exists(named) || Files.isRegularFile(named) || Files.isDirectory(named)))
            return named;
        Path folder = Files.createTempDirectory("pentacell-in");
        folder.toFile().deleteOnExit();
        Path copy =
                folder.resolve(
                        isStandardInput ? "standard-input" : String.valueOf(named.getFileName()));
        copy.toFile().deleteOnExit();
        try (InputStream in = isStandardInput ? System.in : Files.newInputStream(named);
                OutputStream out = Files.newOutputStream(copy)) {
            copy(named, in, out);
        }
        return copy;
    }

    private static void copy(Path named, InputStream in, OutputStream out) throws IOException {
        byte[] block = new byte[BLOCK];
        long copied = 0;
        for (int length = in.read(block); length >= 0; length = in.read(block)) {
            copied += length;
            if (copied > LONGEST_STREAM)
                throw new IOException(
                        "%s: more than %d MiB were read of a stream, which is the limit. Write it to a file first."
                                .formatted(named, LONGEST_STREAM >> 20));
            for (int at = 0; at < length; at++)
                if (block[at] == 0)
                    throw new IOException(
                            "%s: byte %d is 0, so this is not a text. Expected a table or JSON."
                                    .formatted(named, copied - length + at + 1));
            out.write(block, 0, length);
        }
    }
}
