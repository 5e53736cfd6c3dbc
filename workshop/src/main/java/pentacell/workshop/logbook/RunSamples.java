package pentacell.workshop.logbook;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.DataFormatException;
import pentacell.core.measure.SampleLog;

/// The samples of test runs in the workshop file, in blocks as they came in.
final class RunSamples {
    private static final int MOST_IN_BLOCK = 1 << 17;

    private final Connection database;

    RunSamples(Connection database) {
        this.database = database;
    }

    /// Adds samples to runs; not yet committed.
    ///
    /// @param grown for each run its log so far, and
    /// @param kept how many of its samples are in the file already
    void append(Map<String, SampleLog> grown, Map<String, Integer> kept) throws SQLException {
        for (Map.Entry<String, SampleLog> each : grown.entrySet()) {
            int from = kept.getOrDefault(each.getKey(), 0);
            if (each.getValue().size() > from) insert(each.getKey(), each.getValue(), from);
        }
    }

    /// Long logs are kept in blocks, so that packing one takes little room.
    private void insert(String run, SampleLog log, int first) throws SQLException {
        try (PreparedStatement row =
                database.prepareStatement(
                        "INSERT INTO run_samples (run, first, count, columns) VALUES (?, ?, ?, ?)")) {
            for (int from = first; from < log.size(); from += MOST_IN_BLOCK) {
                int until = Math.min(log.size(), from + MOST_IN_BLOCK);
                row.setString(1, run);
                row.setInt(2, from);
                row.setInt(3, until - from);
                row.setBytes(4, SampleColumns.pack(log, from, until));
                row.execute();
            }
        }
    }

    /// Joins the blocks of a run; not yet committed.
    void join(String run) throws SQLException {
        SampleLog log = read(run);
        try (PreparedStatement row =
                database.prepareStatement("DELETE FROM run_samples WHERE run = ?")) {
            row.setString(1, run);
            row.execute();
        }
        if (log.size() > 0) insert(run, log, 0);
    }

    /// Puts the whole log of a run that has none yet; not yet committed.
    void put(String run, SampleLog log) throws SQLException {
        if (log.size() > 0) insert(run, log, 0);
    }

    /// The runs that have samples.
    List<String> runs() throws SQLException {
        List<String> runs = new ArrayList<>();
        try (Statement statement = database.createStatement();
                ResultSet rows =
                        statement.executeQuery(
                                "SELECT DISTINCT run FROM run_samples ORDER BY run")) {
            while (rows.next()) runs.add(rows.getString(1));
        }
        return runs;
    }

    /// Samples that are missing between the blocks of a run, in words; empty when none are.
    Optional<String> gap(String run) throws SQLException {
        try (PreparedStatement query =
                database.prepareStatement(
                        "SELECT first, count FROM run_samples WHERE run = ? ORDER BY first")) {
            query.setString(1, run);
            try (ResultSet row = query.executeQuery()) {
                long next = 0;
                while (row.next()) {
                    if (row.getLong(1) != next)
                        return Optional.of(
                                "samples %d to %d are missing".formatted(next, row.getLong(1) - 1));
                    next += row.getLong(2);
                }
            }
        }
        return Optional.empty();
    }

    /// What the acts of the file say of the curves of their runs.
    List<CurveSeal> seals() throws SQLException {
        List<CurveSeal> seals = new ArrayList<>();
        try (Statement statement = database.createStatement();
                ResultSet rows =
                        statement.executeQuery(
                                "SELECT curves FROM act WHERE curves IS NOT NULL ORDER BY act")) {
            while (rows.next()) seals.addAll(CurveSeal.parse(rows.getString(1)));
        }
        return seals;
    }

    SampleLog read(String run) throws SQLException {
        SampleLog.Builder builder = new SampleLog.Builder();
        try (PreparedStatement query =
                database.prepareStatement(
                        "SELECT count, columns FROM run_samples WHERE run = ? ORDER BY first")) {
            query.setString(1, run);
            try (ResultSet row = query.executeQuery()) {
                while (row.next()) SampleColumns.unpack(row.getBytes(2), row.getInt(1), builder);
            }
        } catch (DataFormatException | IllegalArgumentException damaged) {
            throw new SQLException("the samples of run " + run + " are damaged", damaged);
        }
        return builder.build();
    }
}
