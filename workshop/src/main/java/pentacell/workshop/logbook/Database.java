package pentacell.workshop.logbook;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Objects;
import org.sqlite.SQLiteConfig;

/// The SQLite side of a workshop file: how it is reached, what marks it, how its tables come to be.
final class Database {
    /// "Pent" in ASCII: tells a workshop file from any other SQLite file.
    static final int APPLICATION_ID = 0x50656e74;

    /// The file format this program writes; a file with a higher number is refused.
    static final int FORMAT = 6;

    /// The first format whose acts keep digests.
    static final int SEALED_FORMAT = 5;

    /// The first format with samples of test runs.
    static final int FIRST_WITH_SAMPLES = 3;

    /// The first format whose acts seal the curves of the runs that end with them.
    static final int FIRST_WITH_CURVE_SEALS = 6;

    /// The first format whose facts say how they came into the journal.
    static final int FIRST_WITH_ORIGINS = 6;

    private static final int BUSY_MILLISECONDS = 3000;

    private Database() {}

    /// How a file is reached; a test puts a sick disk in its place.
    interface Connecting {
        /// @throws SQLException when it cannot be reached
        Connection connect(Path file) throws SQLException;
    }

    /// Reaches a file for reading and writing; makes it when it is not there.
    static Connection connect(Path file) throws SQLException {
        SQLiteConfig config = new SQLiteConfig();
        config.setJournalMode(SQLiteConfig.JournalMode.WAL);
        config.setSynchronous(SQLiteConfig.SynchronousMode.FULL);
        config.setBusyTimeout(BUSY_MILLISECONDS);
        config.enforceForeignKeys(true);
        return config.createConnection(address(file));
    }

    /// Reaches a file for reading only.
    static Connection reading(Path file) throws SQLException {
        SQLiteConfig config = new SQLiteConfig();
        config.setReadOnly(true);
        config.setBusyTimeout(BUSY_MILLISECONDS);
        return config.createConnection(address(file));
    }

    // as a URI, in which no letter of a file's name means anything else
    private static String address(Path file) {
        return "jdbc:sqlite:" + file.toUri();
    }

    /// The value of a numeric pragma.
    static long pragma(Connection database, String name) throws SQLException {
        try (Statement statement = database.createStatement();
                ResultSet row = statement.executeQuery("PRAGMA " + name)) {
            return row.next() ? row.getLong(1) : 0;
        }
    }

    /// Whether the acts of a file keep digests.
    static boolean isSealed(Connection database) throws SQLException {
        return pragma(database, "user_version") >= SEALED_FORMAT;
    }

    /// Makes an empty file a workshop file. Nothing is committed at first.
    static void create(Connection database) throws SQLException {
        database.setAutoCommit(false);
        try (Statement statement = database.createStatement()) {
            statement.execute("PRAGMA application_id = " + APPLICATION_ID);
        }
        bringUp(database, 0);
        database.commit();
    }

    /// Brings a file of an older format up to this one's, format by format; not yet committed. The
    /// journal itself never changes; each script adds to what stands around it.
    static void bringUp(Connection database, long format) throws SQLException {
        if (format >= FORMAT) return;
        try (Statement statement = database.createStatement()) {
            for (long next = format + 1; next <= FORMAT; next++)
                for (String part : schema(next).split("(?m)^--;$")) statement.execute(part);
            statement.execute("PRAGMA user_version = " + FORMAT);
        }
        if (format < SEALED_FORMAT && format > 0) JournalRows.sealAll(database);
    }

    private static String schema(long format) {
        try (InputStream in = Database.class.getResourceAsStream("schema-" + format + ".sql")) {
            return new String(Objects.requireNonNull(in).readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException failure) {
            throw new UncheckedIOException(failure);
        }
    }
}
