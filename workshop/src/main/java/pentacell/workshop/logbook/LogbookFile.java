package pentacell.workshop.logbook;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.DoubleConsumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import pentacell.core.journal.Act;
import pentacell.core.state.Chapter;
import pentacell.workshop.logbook.Damage.MissingAct;
import pentacell.workshop.logbook.Damage.WholeCopy;
import pentacell.workshop.logbook.Opening.Damaged;
import pentacell.workshop.logbook.Opening.Opened;
import pentacell.workshop.logbook.Opening.Refused;
import pentacell.workshop.logbook.Problem.Kind;

/// Opens a workshop file: checks that it is one, locks it, reads its journal and looks whether it
/// is whole.
final class LogbookFile {
    private static final Logger LOG = LoggerFactory.getLogger(LogbookFile.class);
    private static final byte[] SQLITE_HEADER =
            "SQLite format 3\0".getBytes(StandardCharsets.US_ASCII);
    private static final int MISSING_NAMED = 5;

    /// Progress is told each so many acts.
    private static final int ACTS_BETWEEN = 64;

    private final Path file;
    private final Clock clock;
    private final List<Chapter<?>> chapters;
    private final Database.Connecting connecting;
    private final KnownHead known;
    private final Backups backups;

    LogbookFile(
            Path named, Clock clock, List<Chapter<?>> chapters, Database.Connecting connecting) {
        this.file = real(named);
        this.clock = clock;
        this.chapters = chapters;
        this.connecting = connecting;
        this.known = new KnownHead(file);
        this.backups = new Backups(file);
    }

    /// The file behind a name: one file has one lock and one place for its copies, whatever links
    /// lead to it.
    static Path real(Path named) {
        Path plain = named.toAbsolutePath().normalize();
        try {
            return plain.toRealPath();
        } catch (IOException notThere) {
            Path folder = plain.getParent();
            Path name = plain.getFileName();
            if (folder == null || name == null) return plain;
            try {
                return Files.isSymbolicLink(plain)
                        ? real(folder.resolve(Files.readSymbolicLink(plain)))
                        : folder.toRealPath().resolve(name);
            } catch (IOException noFolder) {
                return plain;
            }
        }
    }

    /// @param progress told which share of the journal has been read
    Opening open(DoubleConsumer progress) {
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
        Optional<Opening> opening = Optional.empty();
        try {
            opening = Optional.of(openLocked(lock.get(), progress));
            return opening.get();
        } finally {
            // whatever happened: who does not have the file open does not keep others from it
            if (opening.filter(Opened.class::isInstance).isEmpty()) release(lock.get());
        }
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
        try {
            return isDatabaseOrEmpty() || isKnown()
                    ? Optional.empty()
                    : Optional.of(file + " is not a workshop file.");
        } catch (IOException failure) {
            return Optional.of("Cannot read " + file + ": " + failure.getMessage());
        }
    }

    private boolean isDatabaseOrEmpty() throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            byte[] head = in.readNBytes(SQLITE_HEADER.length);
            return head.length == 0 || Arrays.equals(head, SQLITE_HEADER);
        }
    }

    /// Whether there was a workshop of this name.
    private boolean isKnown() throws IOException {
        return known.read().isPresent() || !backups.all().isEmpty();
    }

    private Opening openLocked(FileLock lock, DoubleConsumer progress) {
        Connection database = null;
        try {
            if ((!Files.exists(file) || Files.size(file) == 0) && isKnown())
                return damaged(empty());
            database = connecting.connect(file);
            Optional<Opening> obstacle = prepare(database);
            // a new file has an identity only now
            if (!lock.takeIdentity(file)) return new Refused(FileLock.taken(file));
            Opening opening =
                    obstacle.isPresent() ? obstacle.get() : openPrepared(database, lock, progress);
            if (!(opening instanceof Opened)) JournalFile.closeQuietly(database);
            return opening;
        } catch (SQLException failure) {
            if (database != null) JournalFile.closeQuietly(database);
            LOG.warn("could not open {}", file, failure);
            return Faults.isDamage(failure)
                    ? damaged(
                            List.of(
                                    new Problem(
                                            Kind.UNREADABLE_PAGES,
                                            "pages",
                                            "the file cannot be read ("
                                                    + Faults.plain(failure)
                                                    + ")")))
                    : new Refused(Faults.opening(file, failure));
        } catch (IOException failure) {
            if (database != null) JournalFile.closeQuietly(database);
            return new Refused("Cannot read " + file + ": " + failure.getMessage());
        }
    }

    private List<Problem> empty() {
        return List.of(
                new Problem(
                        Kind.EMPTY,
                        "file",
                        Files.exists(file)
                                ? "it is empty, but there was a workshop in it once"
                                : "it is gone, but there was a workshop of this name here once"));
    }

    /// Makes a new file a workshop file; says what is wrong with one that is none.
    private Optional<Opening> prepare(Connection database) throws SQLException, IOException {
        long applicationId = Database.pragma(database, "application_id");
        long format = Database.pragma(database, "user_version");
        boolean isNew =
                applicationId == 0
                        && format == 0
                        && Database.pragma(database, "schema_version") == 0;
        if (isNew && isKnown())
            return Optional.of(
                    damaged(
                            List.of(
                                    new Problem(
                                            Kind.EMPTY,
                                            "file",
                                            "it is empty, but there was a workshop in it once"))));
        if (isNew) {
            Database.create(database);
        } else if (applicationId != Database.APPLICATION_ID) {
            return Optional.of(
                    new Refused(file + " is a database of another program, not a workshop file."));
        } else if (format > Database.FORMAT || format < 1) {
            return Optional.of(
                    new Refused(
                            "%s was written by a newer Pentacell (file format %d, this one knows %d). Update Pentacell to open it."
                                    .formatted(file, format, Database.FORMAT)));
        }
        return Optional.empty();
    }

    private Opening openPrepared(Connection database, FileLock lock, DoubleConsumer progress)
            throws SQLException {
        List<Problem> problems = new ArrayList<>(Wholeness.structure(database));
        long format = Database.pragma(database, "user_version");
        database.setAutoCommit(false);
        JournalReading journal =
                JournalReading.of(
                        database,
                        format,
                        known.read(),
                        new FactCodec(chapters),
                        told(progress, JournalRows.lastSequence(database)));
        database.commit();
        problems.addAll(journal.problems());
        if (!problems.isEmpty())
            return problems.stream().allMatch(each -> each.kind() == Kind.UNKNOWN_KIND)
                    ? ofAnother(problems)
                    : damaged(problems);
        Head head = journal.head();
        if (format < Database.FORMAT) {
            // before anything is changed in it
            backUp(database, head);
            Database.bringUp(database, format);
            database.commit();
            head = JournalRows.head(database);
            database.commit();
        }
        List<Act> acts = journal.acts();
        JournalFile journalFile = new JournalFile(file, connecting, database, lock, head);
        return new Opened(new Logbook(journalFile, clock, chapters, acts));
    }

    private static Consumer<RawAct> told(DoubleConsumer progress, long last) {
        return act -> {
            if (act.number() % ACTS_BETWEEN == 0 && !act.facts().isEmpty())
                progress.accept((double) act.facts().getLast().sequence() / Math.max(1, last));
        };
    }

    /// Nothing is the matter with the file, only this program does not know enough.
    private Refused ofAnother(List<Problem> problems) {
        return new Refused(
                "%s was written by a Pentacell that knows more (%s: %s). Update Pentacell to open it."
                        .formatted(file, problems.get(0).where(), problems.get(0).sentence()));
    }

    private void backUp(Connection database, Head head) throws SQLException {
        database.setAutoCommit(true);
        try {
            backups.add(database, head, clock.instant());
        } catch (SQLException | IOException failure) {
            // work can go on without a copy
            LOG.warn("could not back up {}", file, failure);
        } finally {
            database.setAutoCommit(false);
        }
    }

    private Damaged damaged(List<Problem> problems) {
        boolean isSound =
                problems.stream()
                        .allMatch(each ->
                                each.kind() == Kind.SHORTER_THAN_KNOWN
                                        || each.kind() == Kind.OTHER_HISTORY);
        Optional<WholeCopy> copy = Optional.empty();
        try {
            copy = backups.newestWhole().map(this::described);
        } catch (IOException failure) {
            LOG.warn("could not look through the copies of {}", file, failure);
        }
        return new Damaged(new Damage(file, problems, copy, isSound));
    }

    private WholeCopy described(Backups.Copy copy) {
        List<MissingAct> missing = new ArrayList<>();
        long[] last = {known.read().map(Head::act).orElse(0L)};
        if (Files.exists(file) && !isEmpty())
            try (Snapshot snapshot = Snapshot.of(file);
                    Connection database = Database.reading(snapshot.file())) {
                new JournalWalk(
                                database,
                                Database.pragma(database, "user_version"),
                                Optional.empty(),
                                act -> {
                                    last[0] = Math.max(last[0], act.number());
                                    if (act.number() > copy.acts())
                                        missing.add(new MissingAct(act.words(), time(act)));
                                },
                                problem -> {})
                        .walk();
            } catch (SQLException | IOException unreadable) {
                LOG.info("cannot tell what the copy of {} lacks", file, unreadable);
            }
        int named = Math.min(MISSING_NAMED, missing.size());
        return new WholeCopy(
                copy.file(),
                copy.at(),
                copy.acts(),
                missing.subList(0, named),
                Math.max(0, last[0] - copy.acts()));
    }

    private boolean isEmpty() {
        try {
            return Files.size(file) == 0;
        } catch (IOException unreadable) {
            return true;
        }
    }

    private static Optional<Instant> time(RawAct act) {
        try {
            return Optional.of(Instant.parse(act.at()));
        } catch (DateTimeException odd) {
            return Optional.empty();
        }
    }

    private static void release(FileLock lock) {
        try {
            lock.close();
        } catch (IOException failure) {
            LOG.warn("could not release the lock", failure);
        }
    }
}
