package pentacell.workshop.logbook;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.FileTime;
import org.slf4j.LoggerFactory;

/// A workshop file with its log of changes, copied elsewhere to be looked at: whatever is done to
/// it, the file itself is not touched.
final class Snapshot implements AutoCloseable {
    private static final int TRIES = 5;

    private final Path folder;
    private final Path file;

    private Snapshot(Path folder, Path file) {
        this.folder = folder;
        this.file = file;
    }

    /// Copies a file as it stands; again when it was written to meanwhile.
    static Snapshot of(Path workshop) throws IOException {
        Path folder = Files.createTempDirectory("pentacell-look");
        Snapshot snapshot = new Snapshot(folder, folder.resolve("workshop.pentacell"));
        try {
            for (int tried = 1; ; tried++) {
                Object before = stamp(workshop);
                Files.deleteIfExists(snapshot.file);
                Files.copy(workshop, snapshot.file);
                Path changes = changes(workshop);
                Files.deleteIfExists(changes(snapshot.file));
                if (Files.exists(changes)) Files.copy(changes, changes(snapshot.file));
                if (before.equals(stamp(workshop)) || tried == TRIES) return snapshot;
            }
        } catch (IOException failure) {
            snapshot.close();
            throw failure;
        }
    }

    /// Lets a copy whose end is gone be read as far as it goes: its header says a number of pages,
    /// and nothing is read of a file that has fewer (SQLite file format, database header: page size
    /// at 16, change counter at 24, pages at 28, valid for which change at 92).
    void admitThatItsEndIsGone() throws IOException {
        try (FileChannel channel =
                FileChannel.open(file, StandardOpenOption.READ, StandardOpenOption.WRITE)) {
            ByteBuffer header = ByteBuffer.allocate(100);
            if (channel.read(header, 0) < 100) return;
            int size = header.getShort(16) & 0xffff;
            long pageSize = size == 1 ? 1 << 16 : size;
            if (pageSize < 512) return;
            long pages = (channel.size() + pageSize - 1) / pageSize;
            if ((header.getInt(28) & 0xffffffffL) <= pages && channel.size() % pageSize == 0)
                return;
            long missing = pages * pageSize - channel.size();
            if (missing > 0) channel.write(ByteBuffer.allocate((int) missing), channel.size());
            channel.write(ByteBuffer.allocate(4).putInt((int) pages).flip(), 28);
            channel.write(ByteBuffer.allocate(4).putInt(header.getInt(24)).flip(), 92);
        }
    }

    /// The log of changes that lies beside a file while it is open.
    static Path changes(Path workshop) {
        return workshop.resolveSibling(workshop.getFileName() + "-wal");
    }

    private record Stamp(FileTime time, long size, FileTime changesTime, long changesSize) {}

    private static Object stamp(Path workshop) throws IOException {
        Path changes = changes(workshop);
        boolean has = Files.exists(changes);
        return new Stamp(
                Files.getLastModifiedTime(workshop),
                Files.size(workshop),
                has ? Files.getLastModifiedTime(changes) : FileTime.fromMillis(0),
                has ? Files.size(changes) : 0);
    }

    Path file() {
        return file;
    }

    @Override
    public void close() {
        try (var files = Files.list(folder)) {
            for (Path each : files.toList()) Files.delete(each);
            Files.delete(folder);
        } catch (IOException failure) {
            LoggerFactory.getLogger(Snapshot.class).warn("could not clear {}", folder, failure);
        }
    }
}
