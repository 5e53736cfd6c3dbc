package pentacell.workshop.logbook;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import pentacell.core.state.Chapter;
import pentacell.core.state.WorkshopState;

/// Reads what a workshop holds without writing anything: no lock, no copy, no log of changes. So a
/// file in a read-only folder can be read, and one that is open in a window.
public final class WorkshopReading {
    private WorkshopReading() {}

    /// What a workshop holds.
    ///
    /// @throws IOException when it is not a workshop, or is damaged; the message is for a person
    public static WorkshopState of(Path named, List<Chapter<?>> chapters) throws IOException {
        Path file = LogbookFile.real(named);
        if (!Files.exists(file)) throw new IOException(named + " is not there.");
        if (!Files.isRegularFile(file))
            throw new IOException(named + " is a folder or a device, not a workshop file.");
        try (Snapshot snapshot = Snapshot.of(file);
                Connection database = Database.reading(snapshot.file())) {
            long format = Database.pragma(database, "user_version");
            if (Database.pragma(database, "application_id") != Database.APPLICATION_ID)
                throw new IOException(named + " is not a workshop file.");
            if (format > Database.FORMAT || format < 1)
                throw new IOException(
                        "%s was written by a newer Pentacell (file format %d, this one knows %d). Update Pentacell to read it."
                                .formatted(named, format, Database.FORMAT));
            JournalReading journal =
                    JournalReading.of(
                            database, format, new KnownHead(file).read(), new FactCodec(chapters));
            if (!journal.problems().isEmpty()) {
                Problem first = journal.problems().get(0);
                throw new IOException(
                        "%s is not whole (%s: %s). Look at it with: ./pentacell check %s"
                                .formatted(named, first.where(), first.sentence(), named));
            }
            return WorkshopState.of(chapters, journal.acts());
        } catch (SQLException unreadable) {
            throw new IOException(
                    "%s is not a workshop file, or is damaged (%s)."
                            .formatted(named, Faults.plain(unreadable)),
                    unreadable);
        }
    }
}
