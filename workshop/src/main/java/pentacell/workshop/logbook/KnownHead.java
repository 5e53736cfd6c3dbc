package pentacell.workshop.logbook;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// Where the journal of a workshop ended when it was last looked after, kept beside its backups: a
/// file that lost its end is not taken for a whole one.
final class KnownHead {
    private static final Pattern LINE = Pattern.compile("(\\d{1,15}) (\\d{1,15}) ([0-9a-f]{64})");

    private final Path file;

    KnownHead(Path workshop) {
        file = Backups.folder(workshop).resolve("known");
    }

    /// What is known; empty when nothing is, or it cannot be read.
    Optional<Head> read() {
        try {
            Matcher line = LINE.matcher(Files.readString(file, StandardCharsets.UTF_8).strip());
            if (!line.matches()) return Optional.empty();
            return Optional.of(
                    new Head(
                            Long.parseLong(line.group(1)),
                            Long.parseLong(line.group(2)),
                            line.group(3)));
        } catch (IOException unknown) {
            return Optional.empty();
        }
    }

    /// Keeps where a journal ends; an empty one is not worth it.
    void write(Head head) throws IOException {
        if (head.act() == 0 || read().equals(Optional.of(head))) return;
        Files.createDirectories(file.getParent());
        Path unfinished = file.resolveSibling("known.unfinished");
        Files.writeString(
                unfinished,
                head.act() + " " + head.sequence() + " " + head.digest() + "\n",
                StandardCharsets.UTF_8);
        Files.move(unfinished, file, StandardCopyOption.ATOMIC_MOVE);
    }

    /// Forgets it: what is in the file now is what counts.
    void forget() throws IOException {
        Files.deleteIfExists(file);
    }
}
