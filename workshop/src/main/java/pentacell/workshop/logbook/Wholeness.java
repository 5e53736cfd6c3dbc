package pentacell.workshop.logbook;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import pentacell.core.measure.SampleLog;
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

    /// Runs whose samples cannot be read, or are not those they ended with.
    static List<Problem> samples(Connection database, long format) {
        List<Problem> problems = new ArrayList<>();
        RunSamples samples = new RunSamples(database);
        try {
            List<CurveSeal> seals =
                    format >= Database.FIRST_WITH_CURVE_SEALS ? samples.seals() : List.of();
            Set<String> runs = new LinkedHashSet<>(samples.runs());
            seals.forEach(seal -> runs.add(seal.run()));
            for (String run : runs) {
                List<CurveSeal> own =
                        seals.stream().filter(each -> each.run().equals(run)).toList();
                problemOf(samples, run, own)
                        .ifPresent(sentence ->
                                problems.add(
                                        new Problem(
                                                Kind.UNREADABLE_SAMPLES, "run " + run, sentence)));
            }
        } catch (SQLException failure) {
            problems.add(new Problem(Kind.UNREADABLE_SAMPLES, "samples", Faults.plain(failure)));
        }
        return problems;
    }

    /// What is wrong with the samples of a run; empty when nothing is.
    ///
    /// @param seals what acts say of it
    static Optional<String> problemOf(RunSamples samples, String run, List<CurveSeal> seals) {
        try {
            SampleLog log = samples.read(run);
            Optional<String> gap = samples.gap(run);
            if (gap.isPresent()) return gap;
            return seals.stream()
                    .filter(seal -> !seal.holds(log))
                    .findFirst()
                    .map(seal ->
                            log.size() < seal.samples()
                                    ? "%d of its %d samples are missing"
                                            .formatted(seal.samples() - log.size(), seal.samples())
                                    : "its samples are not those it ended with");
        } catch (SQLException damaged) {
            return Optional.of(Faults.plain(damaged));
        }
    }
}
