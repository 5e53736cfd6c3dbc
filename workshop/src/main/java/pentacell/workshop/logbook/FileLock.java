package pentacell.workshop.logbook;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/// Keeps a second Pentacell off a workshop file: by a lock on a small file beside it, and by one on
/// the file's identity, for a file can have several names (hard links). The system lets go of both
/// when the program ends, however it ends, so a crash never locks anyone out.
final class FileLock implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(FileLock.class);

    private final List<Held> held = new ArrayList<>();

    private record Held(Path file, FileChannel channel) {}

    /// Takes the lock of a workshop file; empty when another program has it.
    static Optional<FileLock> take(Path workshop) throws IOException {
        FileLock lock = new FileLock();
        boolean isTaken =
                lock.hold(workshop.resolveSibling(workshop.getFileName() + "-lock"))
                        && lock.takeIdentity(workshop);
        if (isTaken) return Optional.of(lock);
        lock.close();
        return Optional.empty();
    }

    /// Locks a file whatever it is called; to be called again when the file has just been made.
    ///
    /// @return whether nobody else has it under another name
    boolean takeIdentity(Path workshop) throws IOException {
        if (!Files.exists(workshop)) return true;
        Object key = Files.readAttributes(workshop, BasicFileAttributes.class).fileKey();
        if (key == null) return true;
        Path named =
                identities().resolve(key.toString().replaceAll("[^A-Za-z0-9]+", "-") + ".lock");
        if (held.stream().anyMatch(each -> each.file().equals(named))) return true;
        try {
            Files.createDirectories(identities());
            return hold(named);
        } catch (FileSystemException noRoom) {
            // the lock beside the file still keeps others of the same name away
            LOG.warn("{} is locked by its name only", workshop, noRoom);
            return true;
        }
    }

    private static Path identities() {
        return Path.of(
                System.getProperty("java.io.tmpdir"),
                "pentacell-locks-" + System.getProperty("user.name"));
    }

    private boolean hold(Path file) throws IOException {
        FileChannel channel =
                FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        try {
            if (channel.tryLock() != null) {
                held.add(new Held(file, channel));
                return true;
            }
        } catch (OverlappingFileLockException heldByThisProgram) {
            // another window of this very program has it: same answer
        }
        channel.close();
        return false;
    }

    /// What is said of a file that another program has.
    static String taken(Path workshop) {
        return workshop
                + " is already open in another Pentacell, under this name or another. Go on there, or close it first.";
    }

    @Override
    public void close() throws IOException {
        for (Held each : held) {
            // deleted while still held, so that nobody locks a file that is about to go
            Files.deleteIfExists(each.file());
            each.channel().close();
        }
        held.clear();
    }
}
