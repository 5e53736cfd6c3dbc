package pentacell.workshop.logbook;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;

/// Makes a file of this format one of an older format, as its program would have left it.
final class Downgrade {
    private static final List<String> VIEWS_SINCE_FORMAT_1 =
            List.of(
                    "lots",
                    "group_readings",
                    "blemishes",
                    "test_runs",
                    "corrected_capacities",
                    "holds",
                    "oddities");

    private Downgrade() {}

    /// Takes out what formats 5 and 6 added.
    static void toFormat4(Path file) throws SQLException, IOException {
        try (Connection database = Database.connect(file);
                Statement statement = database.createStatement()) {
            toFormat4(statement);
        }
        forgetDigest(file);
    }

    /// Takes out what all later formats added.
    static void toFormat1(Path file) throws SQLException, IOException {
        try (Connection database = Database.connect(file);
                Statement statement = database.createStatement()) {
            for (String view : VIEWS_SINCE_FORMAT_1) statement.execute("DROP VIEW " + view);
            statement.execute("DROP TABLE run_samples");
            toFormat4(statement);
            statement.execute("PRAGMA user_version = 1");
        }
        forgetDigest(file);
    }

    // it is of a journal with origins
    private static void forgetDigest(Path file) throws IOException {
        Files.deleteIfExists(Backups.folder(file).resolve("known"));
    }

    private static void toFormat4(Statement statement) throws SQLException {
        statement.execute("DROP VIEW holding_fact");
        // the others lean on it
        statement.execute(
                "CREATE VIEW holding_fact AS"
                        + " SELECT sequence, sequence AS rank, '' AS at, kind, cell, body FROM fact");
        statement.execute("ALTER TABLE fact DROP COLUMN origin");
        statement.execute("DROP TRIGGER act_is_fixed");
        statement.execute("ALTER TABLE act DROP COLUMN curves");
        statement.execute("ALTER TABLE act DROP COLUMN digest");
        statement.execute("PRAGMA user_version = 4");
    }
}
