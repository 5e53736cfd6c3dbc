package pentacell.workshop.logbook;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.sqlite.SQLiteConfig;
import pentacell.core.journal.Act;
import pentacell.core.journal.Entry;
import pentacell.core.state.Chapter;
import pentacell.workshop.logbook.Opening.Opened;
import pentacell.workshop.logbook.Opening.Refused;

/// Opens a workshop file: checks that it is one, locks it, backs it up, reads its journal.
final class LogbookFile {
    /// "Pent" in ASCII: tells a workshop file from any other SQLite file.
    static final int APPLICATION_ID = 0x50656e74;

    /// The file format this program writes; a file with a higher number is refused.
    static final int FORMAT = 4;

    private static final Logger LOG = LoggerFactory.getLogger(LogbookFile.class);
    private static final byte[] SQLITE_HEADER =
            "SQLite format 3\0".getBytes(StandardCharsets.US_ASCII);

    private final Path file;
    private final Clock clock;
    private final List<Chapter<?>> chapters;

    LogbookFile(Path file, Clock clock, List<Chapter<?>> chapters) {
        this.file = file;
        this.clock = clock;
        this.chapters = chapters;
    }

    Opening open() {
        Optional<String> obstacle = obstacle();
        if (obstacle.isPresent()) return new Refused(obstacle.get());
        Optional<FileLock> lock;
        try {
            lock = FileLock.take(file);
        } catch (IOException failure) {
            return new Refused(
                    "Cannot write in "
                            + file.getParent()
                            + " ("
                            + failure.getMessage()
                            + "). Choose another folder.");
        }
        if (lock.isEmpty()) return new Refused(FileLock.taken(file));
        Opening opening = openLocked(lock.get());
        if (opening instanceof Refused) release(lock.get());
        return opening;
    }

    private Optional<String> obstacle() {
        Path folder = file.getParent();
        if (folder == null || !Files.isDirectory(folder))
            return Optional.of("There is no folder " + folder + ".");
        if (Files.isDirectory(file))
            return Optional.of(file + " is a folder, not a workshop file.");
        if (!Files.exists(file)) return Optional.empty();
        if (!Files.isReadable(file))
            return Optional.of(file + " cannot be read. Check its rights.");
        if (!Files.isWritable(file))
            return Optional.of(
                    file + " cannot be written. Change its rights, or copy it and open the copy.");
        try (InputStream in = Files.newInputStream(file)) {
            byte[] head = in.readNBytes(SQLITE_HEADER.length);
            return head.length == 0 || Arrays.equals(head, SQLITE_HEADER)
                    ? Optional.empty()
                    : Optional.of(file + " is not a workshop file.");
        } catch (IOException failure) {
            return Optional.of("Cannot read " + file + ": " + failure.getMessage());
        }
    }

    private Opening openLocked(FileLock lock) {
        Connection database = null;
        try {
            database = connect();
            Optional<String> foreign = prepare(database);
            if (foreign.isPresent()) {
                database.close();
                return new Refused(foreign.get());
            }
            List<Act> journal = journal(database);
            backUp(database, journal.size());
            bringUp(database, pragma(database, "user_version"));
            return new Opened(new Logbook(file, database, lock, clock, chapters, journal));
        } catch (SQLException failure) {
            closeQuietly(database);
            return new Refused(Faults.opening(file, failure));
        } catch (UnreadableFactException | DateTimeException failure) {
            closeQuietly(database);
            LOG.error("unreadable journal in {}", file, failure);
            return new Refused(
                    file
                            + " holds an entry that cannot be read ("
                            + failure.getMessage()
                            + "). Copies from earlier days are in "
                            + Backups.folder(file)
                            + ".");
        }
    }

    private Connection connect() throws SQLException {
        SQLiteConfig config = new SQLiteConfig();
        config.setJournalMode(SQLiteConfig.JournalMode.WAL);
        config.setSynchronous(SQLiteConfig.SynchronousMode.FULL);
        config.setBusyTimeout(3000);
        config.enforceForeignKeys(true);
        return config.createConnection("jdbc:sqlite:" + file);
    }

    /// Makes a new file a workshop file; says what is wrong with one that is none.
    private Optional<String> prepare(Connection database) throws SQLException {
        long applicationId = pragma(database, "application_id");
        long format = pragma(database, "user_version");
        boolean isNew =
                applicationId == 0 && format == 0 && pragma(database, "schema_version") == 0;
        if (isNew) {
            create(database);
        } else if (applicationId != APPLICATION_ID) {
            return Optional.of(file + " is a database of another program, not a workshop file.");
        } else if (format > FORMAT) {
            return Optional.of(
                    "%s was written by a newer Pentacell (file format %d, this one knows %d). Update Pentacell to open it."
                            .formatted(file, format, FORMAT));
        }
        database.setAutoCommit(false);
        return Optional.empty();
    }

    private static void create(Connection database) throws SQLException {
        database.setAutoCommit(false);
        try (Statement statement = database.createStatement()) {
            statement.execute("PRAGMA application_id = " + APPLICATION_ID);
        }
        bringUp(database, 0);
    }

    /// Brings a file of an older format up to this one's, format by format, all or nothing. The
    /// journal itself never changes; each script adds to what stands around it.
    private static void bringUp(Connection database, long format) throws SQLException {
        if (format >= FORMAT) return;
        try (Statement statement = database.createStatement()) {
            for (long next = format + 1; next <= FORMAT; next++)
                for (String part : schema(next).split("(?m)^--;$")) statement.execute(part);
            statement.execute("PRAGMA user_version = " + FORMAT);
        }
        database.commit();
    }

    private static String schema(long format) {
        try (InputStream in = LogbookFile.class.getResourceAsStream("schema-" + format + ".sql")) {
            return new String(Objects.requireNonNull(in).readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException failure) {
            throw new UncheckedIOException(failure);
        }
    }

    private static long pragma(Connection database, String name) throws SQLException {
        try (Statement statement = database.createStatement();
                ResultSet row = statement.executeQuery("PRAGMA " + name)) {
            return row.next() ? row.getLong(1) : 0;
        }
    }

    private List<Act> journal(Connection database) throws SQLException {
        FactCodec codec = new FactCodec(chapters);
        List<Act> acts = new ArrayList<>();
        try (Statement statement = database.createStatement();
                ResultSet row =
                        statement.executeQuery(
                                "SELECT act.act, at, words, sequence, kind, body FROM act JOIN fact USING (act) ORDER BY act.act, sequence")) {
            List<Entry> entries = new ArrayList<>();
            boolean more = row.next();
            while (more) {
                long number = row.getLong(1);
                Instant at = Instant.parse(row.getString(2));
                String words = row.getString(3);
                entries.clear();
                while (more && row.getLong(1) == number) {
                    entries.add(
                            new Entry(
                                    row.getLong(4),
                                    codec.fact(row.getString(5), row.getString(6))));
                    more = row.next();
                }
                acts.add(new Act(number, at, words, entries));
            }
        }
        return acts;
    }

    private void backUp(Connection database, long acts) {
        try {
            database.commit();
            database.setAutoCommit(true);
            Backups.rotate(database, file, acts, clock.instant());
        } catch (SQLException | IOException failure) {
            // work can go on without a copy
            LOG.warn("could not back up {}", file, failure);
        } finally {
            try {
                database.setAutoCommit(false);
            } catch (SQLException failure) {
                LOG.warn("could not begin a transaction on {}", file, failure);
            }
        }
    }

    private static void release(FileLock lock) {
        try {
            lock.close();
        } catch (IOException failure) {
            LOG.warn("could not release the lock", failure);
        }
    }

    private static void closeQuietly(@org.jspecify.annotations.Nullable Connection database) {
        if (database == null) return;
        try {
            database.close();
        } catch (SQLException failure) {
            LOG.warn("could not close the file", failure);
        }
    }
}
