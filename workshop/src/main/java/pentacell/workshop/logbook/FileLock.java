package pentacell.workshop.logbook;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;

/// Keeps a second Pentacell off a workshop file, by a lock on a small file beside it. The system
/// lets go of it when the program ends, however it ends, so a crash never locks anyone out.
final class FileLock implements AutoCloseable {
    private final Path file;
    private final FileChannel channel;

    private FileLock(Path file, FileChannel channel) {
        this.file = file;
        this.channel = channel;
    }

    /// Takes the lock of a workshop file; empty when another program has it.
    static Optional<FileLock> take(Path workshop) throws IOException {
        Path file = workshop.resolveSibling(workshop.getFileName() + "-lock");
        FileChannel channel =
                FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        try {
            if (channel.tryLock() != null) return Optional.of(new FileLock(file, channel));
        } catch (OverlappingFileLockException heldByThisProgram) {
            // another window of this very program has it: same answer
        }
        channel.close();
        return Optional.empty();
    }

    /// What is said of a file that another program has.
    static String taken(Path workshop) {
        return workshop + " is already open in another Pentacell. Go on there, or close it first.";
    }

    @Override
    public void close() throws IOException {
        // deleted while still held, so that nobody locks a file that is about to go
        Files.deleteIfExists(file);
        channel.close();
    }
}
