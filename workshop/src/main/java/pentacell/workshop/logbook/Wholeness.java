package pentacell.workshop.logbook;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import pentacell.workshop.logbook.Problem.Kind;

/// Whether what lies around the journal of a file is whole: its pages, its indexes, its samples.
final class Wholeness {
    private Wholeness() {}

    /// What is wrong with the pages of a file; the indexes are not compared with their tables.
    static List<Problem> structure(Connection database) {
        return pragma(database, "quick_check");
    }

    /// What is wrong with the pages of a file or its indexes.
    static List<Problem> deep(Connection database) {
        return pragma(database, "integrity_check");
    }

    private static List<Problem> pragma(Connection database, String check) {
        List<Problem> problems = new ArrayList<>();
        try (Statement statement = database.createStatement();
                ResultSet rows = statement.executeQuery("PRAGMA " + check)) {
            while (rows.next()) {
                String said = String.valueOf(rows.getString(1)).strip();
                if (!said.equals("ok"))
                    problems.add(new Problem(Kind.UNREADABLE_PAGES, "pages", said));
            }
        } catch (SQLException failure) {
            problems.add(new Problem(Kind.UNREADABLE_PAGES, "pages", Faults.plain(failure)));
        }
        return problems;
    }

    /// Runs whose samples cannot be read.
    static List<Problem> samples(Connection database) {
        List<Problem> problems = new ArrayList<>();
        RunSamples samples = new RunSamples(database);
        try {
            for (String run : samples.runs()) {
                try {
                    samples.read(run);
                } catch (SQLException damaged) {
                    problems.add(
                            new Problem(
                                    Kind.UNREADABLE_SAMPLES, "run " + run, Faults.plain(damaged)));
                }
            }
        } catch (SQLException failure) {
            problems.add(new Problem(Kind.UNREADABLE_SAMPLES, "samples", Faults.plain(failure)));
        }
        return problems;
    }
}
