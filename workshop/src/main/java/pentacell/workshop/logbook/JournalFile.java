package pentacell.workshop.logbook;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/// The write side of an open workshop file. After a write that failed the file is reached anew and
/// asked how far it came, so that nothing stands half in it and the next write begins from what is
/// there. Methods may be called from any thread.
final class JournalFile implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(JournalFile.class);

    private final Path file;
    private final Database.Connecting connecting;
    private final FileLock lock;
    private final Optional<Object> key;
    private Optional<Connection> database;
    private Head head;

    /// Where the journal ended when the file was reached last.
    private Head found;

    private boolean isCheckpointed = true;
    private boolean isClosed;
    private long writtenAt = System.nanoTime();

    /// @param database the open file, with no transaction begun
    JournalFile(
            Path file,
            Database.Connecting connecting,
            Connection database,
            FileLock lock,
            Head head) {
        this.file = file;
        this.connecting = connecting;
        this.lock = lock;
        this.database = Optional.of(database);
        this.head = head;
        this.found = head;
        this.key = key(file);
    }

    /// Work on the file within one transaction.
    interface Writing {
        void on(Connection database) throws SQLException;
    }

    Path file() {
        return file;
    }

    /// Where the journal ends.
    synchronized Head head() {
        return head;
    }

    /// How long nothing was written.
    synchronized Duration idleFor() {
        return Duration.ofNanos(System.nanoTime() - writtenAt);
    }

    /// What tells this file from another of the same name; empty where the system has no such
    /// thing, or the file is gone.
    private static Optional<Object> key(Path file) {
        try {
            return Optional.ofNullable(
                    Files.readAttributes(file, BasicFileAttributes.class).fileKey());
        } catch (IOException gone) {
            return Optional.empty();
        }
    }

    /// What is the matter when the name of the file leads elsewhere by now.
    Optional<String> gone() {
        Optional<Object> there = key(file);
        if (there.equals(key) && (there.isPresent() || Files.exists(file))) return Optional.empty();
        return Optional.of(
                "%s was %s while it was open. Nothing is logged until it is back in its place: put it back under this name, or close it and open it where it is now."
                        .formatted(
                                file,
                                Files.exists(file)
                                        ? "replaced by another file"
                                        : "moved, renamed or deleted"));
    }

    /// Adds acts behind the last one; they are on the disk before this returns.
    ///
    /// @throws LogbookException when they could not be written; nothing of them is in the file then
    synchronized void add(List<RawAct> acts) throws LogbookException {
        List<Head> heads = Chain.heads(head, acts);
        Head after = heads.isEmpty() ? head : heads.get(heads.size() - 1);
        try {
            write(open -> JournalRows.insert(open, acts, heads));
        } catch (LogbookException failure) {
            // a commit can fail after the acts were safe
            if (!found.equals(after)) throw failure;
        }
        head = after;
        found = after;
    }

    /// Writes within one transaction; it is on the disk before this returns.
    ///
    /// @throws LogbookException when it could not be written; nothing has changed then
    synchronized void write(Writing writing) throws LogbookException {
        if (isClosed)
            throw new LogbookException(file + " was closed. Nothing more is logged in it.", null);
        Optional<String> gone = gone();
        if (gone.isPresent()) throw new LogbookException(gone.get(), null);
        try {
            Connection open = open();
            if (!found.equals(head))
                throw new LogbookException(
                        file
                                + " is not as it was left: something else wrote to it. Nothing is logged until it is opened again.",
                        null);
            isCheckpointed = false;
            writtenAt = System.nanoTime();
            writing.on(open);
            open.commit();
        } catch (SQLException failure) {
            LOG.warn("could not write to {}", file, failure);
            reachAnew();
            throw new LogbookException(Faults.writing(file, failure), failure);
        }
    }

    /// The file, reached again when that failed before.
    private Connection open() throws SQLException {
        if (database.isPresent()) return database.get();
        if (isClosed) throw new SQLException(file + " was closed");
        Connection open = connecting.connect(file);
        try {
            open.setAutoCommit(false);
            found = JournalRows.head(open);
            open.commit();
        } catch (SQLException failure) {
            closeQuietly(open);
            throw failure;
        }
        database = Optional.of(open);
        return open;
    }

    private void reachAnew() {
        database.ifPresent(JournalFile::closeQuietly);
        database = Optional.empty();
        try {
            open();
        } catch (SQLException later) {
            LOG.warn("{} cannot be reached for now", file, later);
        }
    }

    /// Reads from the file.
    ///
    /// @throws LogbookException when it cannot be read
    synchronized <T> T read(Reading<T> reading) throws LogbookException {
        try {
            Connection open = open();
            T result = reading.on(open);
            // ends the reading, which would keep the log of changes from being taken up
            open.commit();
            return result;
        } catch (SQLException failure) {
            reachAnew();
            throw new LogbookException(Faults.opening(file, failure), failure);
        }
    }

    /// Something read from the file.
    interface Reading<T> {
        T on(Connection database) throws SQLException;
    }

    /// Takes what lies in the log of changes up into the file itself, so that a copy of the file
    /// alone holds everything.
    ///
    /// @return whether there was something
    synchronized boolean checkpoint() {
        if (isCheckpointed || database.isEmpty() || gone().isPresent()) return false;
        Connection open = database.get();
        try {
            open.setAutoCommit(true);
            try (Statement statement = open.createStatement()) {
                statement.execute("PRAGMA wal_checkpoint(TRUNCATE)");
            } finally {
                open.setAutoCommit(false);
            }
            isCheckpointed = true;
            return true;
        } catch (SQLException failure) {
            LOG.warn("could not take up the changes of {}", file, failure);
            reachAnew();
            return false;
        }
    }

    static void closeQuietly(Connection database) {
        try {
            database.close();
        } catch (SQLException failure) {
            LOG.warn("could not close the file", failure);
        }
    }

    /// Lets go of the file.
    @Override
    public synchronized void close() {
        checkpoint();
        isClosed = true;
        database.ifPresent(JournalFile::closeQuietly);
        database = Optional.empty();
        try {
            lock.close();
        } catch (IOException failure) {
            LOG.warn("could not let go of {}", file, failure);
        }
    }
}
