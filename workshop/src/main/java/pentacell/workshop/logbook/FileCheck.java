package pentacell.workshop.logbook;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import pentacell.core.cell.Cells;
import pentacell.core.state.Chapter;
import pentacell.core.state.WorkshopState;
import pentacell.workshop.logbook.Problem.Kind;

/// Whether a workshop file is whole, and what is in it.
///
/// @param format the file format; empty when it is no workshop
/// @param acts acts that can be read
/// @param facts facts that stand in the file
/// @param cells cells that follow from them
/// @param state digest of all that holds, whatever acts it was logged with and when; empty when it
///   is no workshop
/// @param problems what is wrong; empty for a whole file
/// @param backups its copies, latest first
public record FileCheck(
        OptionalLong format,
        long acts,
        long facts,
        int cells,
        Optional<String> state,
        List<Problem> problems,
        List<CheckedCopy> backups) {
    public FileCheck {
        problems = List.copyOf(problems);
        backups = List.copyOf(backups);
    }

    /// A copy of the file.
    ///
    /// @param isWhole whether it can be read from its first act to its last
    /// @param acts acts it should have by its name
    public record CheckedCopy(Path file, boolean isWhole, long acts) {}

    /// Nothing is missing, changed or out of order.
    public boolean isWhole() {
        return problems.isEmpty();
    }

    /// Looks at a file to its last page, without changing it; it may be open meanwhile.
    ///
    /// @throws IOException when it cannot be read at all
    public static FileCheck of(Path named, List<Chapter<?>> chapters) throws IOException {
        Path file = LogbookFile.real(named);
        List<CheckedCopy> copies =
                new Backups(file)
                        .all().stream()
                                .map(each ->
                                        new CheckedCopy(
                                                each.file(), Backups.isWhole(each), each.acts()))
                                .toList();
        if (Files.size(file) == 0)
            return nothing(new Problem(Kind.EMPTY, "file", "it is empty"), copies);
        try (Snapshot snapshot = Snapshot.of(file);
                Connection database = Database.reading(snapshot.file())) {
            return of(database, new KnownHead(file).read(), chapters, copies);
        } catch (SQLException unreadable) {
            return nothing(
                    Faults.isDamage(unreadable)
                            ? new Problem(
                                    Kind.NOT_A_WORKSHOP,
                                    "file",
                                    "it cannot be read as a workshop ("
                                            + Faults.plain(unreadable)
                                            + ")")
                            : new Problem(Kind.UNREADABLE_PAGES, "file", Faults.plain(unreadable)),
                    copies);
        }
    }

    private static FileCheck nothing(Problem problem, List<CheckedCopy> copies) {
        return new FileCheck(
                OptionalLong.empty(), 0, 0, 0, Optional.empty(), List.of(problem), copies);
    }

    private static FileCheck of(
            Connection database,
            Optional<Head> known,
            List<Chapter<?>> chapters,
            List<CheckedCopy> copies)
            throws SQLException {
        if (Database.pragma(database, "application_id") != Database.APPLICATION_ID)
            return nothing(
                    new Problem(Kind.NOT_A_WORKSHOP, "file", "it is not a workshop file"), copies);
        long format = Database.pragma(database, "user_version");
        if (format > Database.FORMAT || format < 1) {
            FileCheck nothing =
                    nothing(
                            new Problem(
                                    Kind.NEWER_FORMAT,
                                    "file",
                                    "a newer Pentacell wrote it (file format %d, this one knows %d)"
                                            .formatted(format, Database.FORMAT)),
                            copies);
            return new FileCheck(
                    OptionalLong.of(format), 0, 0, 0, Optional.empty(), nothing.problems(), copies);
        }
        List<Problem> problems = new ArrayList<>(Wholeness.deep(database));
        Map<Long, RawFact> raw = new HashMap<>();
        FactCodec codec = new FactCodec(chapters);
        JournalReading journal =
                JournalReading.of(
                        database,
                        format,
                        known,
                        codec,
                        act -> act.facts().forEach(fact -> raw.put(fact.sequence(), fact)));
        problems.addAll(journal.problems());
        if (format >= Database.FIRST_WITH_SAMPLES)
            problems.addAll(Wholeness.samples(database, format));
        return new FileCheck(
                OptionalLong.of(format),
                journal.acts().size(),
                journal.facts(),
                Cells.of(WorkshopState.of(chapters, journal.acts())).all().size(),
                Optional.of(HoldingDigest.of(journal.acts(), raw, codec)),
                problems,
                copies);
    }
}
