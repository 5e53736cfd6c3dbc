package pentacell.workshop.logbook;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;

/// Reads what can be read of a table of a damaged file.
final class TableScan {
    /// So many keys in a row that lead nowhere are the end.
    static final int GIVEN_UP_AFTER = 20_000;

    private TableScan() {}

    /// Takes a row that could be read.
    interface Row {
        void take(ResultSet row) throws SQLException;
    }

    /// Reads a table in the order of its key; behind a row that cannot be read it goes on key by
    /// key, and in one go again as soon as one can be.
    ///
    /// @return whether all of it could be read
    static boolean read(Connection database, String select, String key, long atLeastTo, Row taker)
            throws SQLException {
        boolean isWhole = true;
        long next = 1;
        long failures = 0;
        try (PreparedStatement onwards =
                        database.prepareStatement(
                                select + " WHERE " + key + " >= ? ORDER BY " + key);
                PreparedStatement single =
                        database.prepareStatement(select + " WHERE " + key + " = ?")) {
            while (true) {
                long[] read = {next - 1};
                if (readOn(onwards, next, taker, read)) return isWhole;
                isWhole = false;
                if (read[0] >= next) failures = 0;
                next = read[0] + 1;
                while (!readOne(single, next, taker)) {
                    next++;
                    if (++failures > GIVEN_UP_AFTER && next > atLeastTo) return false;
                }
                next++;
            }
        }
    }

    /// @param read the last key that was read, kept up to date
    /// @return whether the end was reached
    private static boolean readOn(PreparedStatement query, long from, Row taker, long[] read) {
        try {
            query.setLong(1, from);
            try (ResultSet row = query.executeQuery()) {
                while (row.next()) {
                    taker.take(row);
                    read[0] = row.getLong(1);
                }
                return true;
            }
        } catch (SQLException unreadable) {
            return false;
        }
    }

    private static boolean readOne(PreparedStatement query, long key, Row taker) {
        try {
            query.setLong(1, key);
            try (ResultSet row = query.executeQuery()) {
                if (!row.next()) return false;
                taker.take(row);
                return true;
            }
        } catch (SQLException unreadable) {
            return false;
        }
    }
}
