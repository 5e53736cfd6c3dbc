package pentacell.workshop.logbook;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import pentacell.core.Chapters;
import pentacell.core.cell.CellId;
import pentacell.core.journal.Act;
import pentacell.core.journal.Amendment;
import pentacell.core.journal.Entry;
import pentacell.core.journal.Fact;
import pentacell.core.journal.History;
import pentacell.core.journal.Step;
import pentacell.core.measure.SampleLog;
import pentacell.core.state.Chapter;
import pentacell.core.state.WorkshopState;

/// An open workshop file: its journal and what follows from it.
///
/// An act is on the disk before [#log] returns. Methods may be called from any thread; they follow
/// one another.
public final class Logbook implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Logbook.class);

    private final Path file;
    private final Connection database;
    private final FileLock lock;
    private final Clock clock;
    private final List<Chapter<?>> chapters;
    private final FactCodec codec;
    private final List<Act> journal;
    private final RunSamples samples;
    private long lastSequence;
    private volatile WorkshopState state;

    Logbook(
            Path file,
            Connection database,
            FileLock lock,
            Clock clock,
            List<Chapter<?>> chapters,
            List<Act> journal) {
        this.file = file;
        this.database = database;
        this.lock = lock;
        this.clock = clock;
        this.chapters = List.copyOf(chapters);
        this.codec = new FactCodec(chapters);
        this.journal = new ArrayList<>(journal);
        this.samples = new RunSamples(database);
        this.lastSequence =
                journal.stream()
                        .flatMap(act -> act.entries().stream())
                        .mapToLong(Entry::sequence)
                        .max()
                        .orElse(0);
        this.state = WorkshopState.of(chapters, journal);
    }

    /// Opens a workshop file, or makes it when it is not there.
    public static Opening open(Path file, Clock clock) {
        return open(file, clock, Chapters.ALL);
    }

    /// Opens a workshop file with chapters of one's own choice; a file that holds facts of others
    /// is refused.
    public static Opening open(Path file, Clock clock, List<Chapter<?>> chapters) {
        return new LogbookFile(file.toAbsolutePath().normalize(), clock, chapters).open();
    }

    /// Puts a copy of a closed workshop file in the place of another, which is lost.
    ///
    /// @throws IOException when somebody has the other file open, or it could not be copied
    public static void replace(Path file, Path original) throws IOException {
        Optional<FileLock> lock = FileLock.take(file);
        if (lock.isEmpty()) throw new IOException(FileLock.taken(file));
        try {
            // what is left of the one before would be taken for part of the new one
            for (String beside : List.of("-wal", "-shm"))
                Files.deleteIfExists(file.resolveSibling(file.getFileName() + beside));
            Files.copy(original, file, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            lock.get().close();
        }
    }

    /// Where the file lies.
    public Path file() {
        return file;
    }

    /// What holds now.
    public WorkshopState state() {
        return state;
    }

    /// What undo would take back.
    public synchronized Optional<Step> undoStep() {
        return History.of(journal).undo();
    }

    /// What redo would bring back.
    public synchronized Optional<Step> redoStep() {
        return History.of(journal).redo();
    }

    /// Logs facts as one act.
    ///
    /// @param words what a person would call it, shown by undo
    /// @return the state with the act in it
    /// @throws LogbookException when it could not be written; nothing has changed then
    /// @throws IllegalArgumentException when there are no facts
    public synchronized WorkshopState log(String words, List<? extends Fact> facts)
            throws LogbookException {
        if (facts.isEmpty()) throw new IllegalArgumentException("an act has at least one fact");
        facts.forEach(codec::kind);
        Act act = write(words, facts);
        state = state.plus(act);
        return state;
    }

    /// Logs acts that were made elsewhere, all of them or none, in one transaction.
    ///
    /// @param drafts acts in the order they were made, each with at least one fact; none undoes or
    ///   redoes
    public synchronized WorkshopState logAll(List<Draft> drafts) throws LogbookException {
        List<Act> acts = new ArrayList<>();
        long sequence = lastSequence;
        for (Draft draft : drafts) {
            draft.facts().forEach(codec::kind);
            List<Entry> entries = new ArrayList<>();
            for (Fact fact : draft.facts()) entries.add(new Entry(++sequence, fact));
            acts.add(
                    new Act(journal.size() + acts.size() + 1L, draft.at(), draft.words(), entries));
        }
        commit(acts);
        state = WorkshopState.of(chapters, journal);
        return state;
    }

    /// An act before it is in the journal.
    ///
    /// @param at when it was made
    /// @param words what a person would call it
    /// @param facts what it logs
    public record Draft(Instant at, String words, List<? extends Fact> facts) {
        public Draft {
            facts = List.copyOf(facts);
        }
    }

    /// Keeps the samples of runs; they are on the disk before this returns.
    ///
    /// @param grown for each run its log so far
    /// @param kept for each run how many of its samples are in the file already
    public synchronized void keepSamples(Map<String, SampleLog> grown, Map<String, Integer> kept)
            throws LogbookException {
        writing(() -> samples.append(grown, kept));
    }

    /// Joins the blocks in which the samples of an ended run came in.
    public synchronized void joinSamples(String run) throws LogbookException {
        writing(() -> samples.join(run));
    }

    /// The samples of a run; empty when it has none.
    public synchronized SampleLog samples(String run) throws LogbookException {
        try {
            return samples.read(run);
        } catch (SQLException failure) {
            throw new LogbookException(Faults.opening(file, failure), failure);
        }
    }

    private interface Writing {
        void run() throws SQLException;
    }

    private void writing(Writing writing) throws LogbookException {
        try {
            writing.run();
            database.commit();
        } catch (SQLException failure) {
            rollBack();
            throw new LogbookException(Faults.writing(file, failure), failure);
        }
    }

    /// Takes back the last act that holds; does nothing when there is none.
    public synchronized WorkshopState undo() throws LogbookException {
        Optional<Step> step = undoStep();
        if (step.isPresent())
            turn("Undo: " + step.get().words(), new Amendment.ActUndone(step.get().act()));
        return state;
    }

    /// Brings back the act that was taken back last; does nothing when there is none.
    public synchronized WorkshopState redo() throws LogbookException {
        Optional<Step> step = redoStep();
        if (step.isPresent())
            turn("Redo: " + step.get().words(), new Amendment.ActRedone(step.get().act()));
        return state;
    }

    private void turn(String words, Fact fact) throws LogbookException {
        write(words, List.of(fact));
        state = WorkshopState.of(chapters, journal);
    }

    private Act write(String words, List<? extends Fact> facts) throws LogbookException {
        List<Entry> entries = new ArrayList<>(facts.size());
        for (Fact fact : facts) entries.add(new Entry(lastSequence + entries.size() + 1, fact));
        Act act = new Act(journal.size() + 1L, clock.instant(), words, entries);
        commit(List.of(act));
        return act;
    }

    private void commit(List<Act> acts) throws LogbookException {
        writing(() -> {
            for (Act act : acts) insert(act);
        });
        journal.addAll(acts);
        for (Act act : acts) lastSequence += act.entries().size();
    }

    private void insert(Act act) throws SQLException {
        try (PreparedStatement row =
                database.prepareStatement("INSERT INTO act (act, at, words) VALUES (?, ?, ?)")) {
            row.setLong(1, act.number());
            row.setString(2, act.at().toString());
            row.setString(3, act.words());
            row.execute();
        }
        try (PreparedStatement row =
                database.prepareStatement(
                        "INSERT INTO fact (sequence, act, kind, cell, body) VALUES (?, ?, ?, ?, ?)")) {
            for (Entry entry : act.entries()) {
                row.setLong(1, entry.sequence());
                row.setLong(2, act.number());
                row.setString(3, codec.kind(entry.fact()));
                row.setString(4, FactCodec.cell(entry.fact()).map(CellId::text).orElse(null));
                row.setString(5, codec.body(entry.fact()));
                row.addBatch();
            }
            row.executeBatch();
        }
    }

    private void rollBack() {
        try {
            database.rollback();
        } catch (SQLException failure) {
            LOG.warn("could not roll back", failure);
        }
    }

    /// Lets go of the file.
    @Override
    public synchronized void close() {
        try (database) {
            lock.close();
        } catch (SQLException | IOException failure) {
            LOG.warn("could not close {}", file, failure);
        }
    }
}
