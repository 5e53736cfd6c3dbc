package pentacell.workshop.logbook;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/// Writes the rows of a journal; nothing is committed here.
final class JournalRows {
    private JournalRows() {}

    /// Adds acts.
    ///
    /// @param heads where the journal ends after each of them
    static void insert(Connection database, List<RawAct> acts, List<Head> heads)
            throws SQLException {
        try (PreparedStatement ofAct =
                        database.prepareStatement(
                                "INSERT INTO act (act, at, words, digest, curves) VALUES (?, ?, ?, ?, ?)");
                PreparedStatement ofFact =
                        database.prepareStatement(
                                "INSERT INTO fact (sequence, act, kind, cell, body, origin) VALUES (?, ?, ?, ?, ?, ?)")) {
            for (int i = 0; i < acts.size(); i++) {
                RawAct act = acts.get(i);
                ofAct.setLong(1, act.number());
                ofAct.setString(2, act.at());
                ofAct.setString(3, act.words());
                ofAct.setString(4, heads.get(i).digest());
                ofAct.setString(5, act.curves());
                ofAct.execute();
                for (RawFact fact : act.facts()) {
                    ofFact.setLong(1, fact.sequence());
                    ofFact.setLong(2, act.number());
                    ofFact.setString(3, fact.kind());
                    ofFact.setString(4, fact.cell());
                    ofFact.setString(5, fact.body());
                    ofFact.setString(6, fact.origin());
                    ofFact.addBatch();
                }
                ofFact.executeBatch();
            }
        }
    }

    /// Number of the last fact; 0 when there is none, or no table to look into.
    static long lastSequence(Connection database) {
        try (Statement statement = database.createStatement();
                ResultSet row = statement.executeQuery("SELECT MAX(sequence) FROM fact")) {
            return row.next() ? row.getLong(1) : 0;
        } catch (SQLException unreadable) {
            // only progress is told by it; what is wrong is found by reading
            return 0;
        }
    }

    /// Gives every act of a journal that has none its digest.
    static void sealAll(Connection database) throws SQLException {
        List<RawAct> acts = new ArrayList<>();
        new JournalWalk(
                        database,
                        Database.SEALED_FORMAT - 1,
                        Optional.empty(),
                        acts::add,
                        problem -> {})
                .walk();
        try (PreparedStatement row =
                database.prepareStatement("UPDATE act SET digest = ? WHERE act = ?")) {
            for (Head each : Chain.heads(Head.START, acts)) {
                row.setString(1, each.digest());
                row.setLong(2, each.act());
                row.addBatch();
            }
            row.executeBatch();
        }
    }

    /// Where the journal in a file ends, by its last rows.
    static Head head(Connection database) throws SQLException {
        try (Statement statement = database.createStatement();
                ResultSet row =
                        statement.executeQuery(
                                "SELECT (SELECT max(act) FROM act), (SELECT max(sequence) FROM fact),"
                                        + " (SELECT digest FROM act ORDER BY act DESC LIMIT 1)")) {
            row.next();
            String digest = row.getString(3);
            return new Head(row.getLong(1), row.getLong(2), digest == null ? Chain.START : digest);
        }
    }
}
