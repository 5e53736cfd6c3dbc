package pentacell.workshop.logbook;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.DoubleConsumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import pentacell.core.Chapters;
import pentacell.core.cell.RunFact;
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

    private final JournalFile file;
    private final Clock clock;
    private final List<Chapter<?>> chapters;
    private final FactCodec codec;
    private final List<Act> journal;
    private final Caretaker caretaker;
    private volatile Consumer<String> trouble = message -> LOG.warn("{}", message);
    private volatile WorkshopState state;

    Logbook(JournalFile file, Clock clock, List<Chapter<?>> chapters, List<Act> journal) {
        this.file = file;
        this.clock = clock;
        this.chapters = List.copyOf(chapters);
        this.codec = new FactCodec(chapters);
        this.journal = new ArrayList<>(journal);
        this.state = WorkshopState.of(chapters, journal);
        caretaker = new Caretaker(file, clock, message -> trouble.accept(message));
        caretaker.begin();
    }

    /// Opens a workshop file, or makes it when it is not there.
    public static Opening open(Path file, Clock clock) {
        return open(file, clock, Chapters.ALL, share -> {});
    }

    /// Opens a workshop file with chapters of one's own choice; a file that holds facts of others
    /// is refused.
    ///
    /// @param progress told, from this thread, which share of the file has been read, 0 to 1
    public static Opening open(
            Path file, Clock clock, List<Chapter<?>> chapters, DoubleConsumer progress) {
        return new LogbookFile(file, clock, chapters, Database::connect).open(progress);
    }

    /// Puts a copy of a closed workshop file in the place of another, which is lost together with
    /// its copies.
    ///
    /// @throws IOException when somebody has the other file open, or it could not be copied
    public static void replace(Path file, Path original) throws IOException {
        Recovery.inPlaceOf(
                file,
                real -> {
                    Recovery.forget(real);
                    Files.copy(original, real, StandardCopyOption.REPLACE_EXISTING);
                });
    }

    /// Where the file lies.
    public Path file() {
        return file.file();
    }

    /// Lets somebody hear what is the matter with the file while it is open, from a thread of its
    /// own.
    ///
    /// @param trouble takes a message for a person
    public void onTrouble(Consumer<String> trouble) {
        this.trouble = trouble;
    }

    Caretaker caretaker() {
        return caretaker;
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
        Head head = file.head();
        long sequence = head.sequence();
        for (Draft draft : drafts) {
            List<Entry> entries = new ArrayList<>();
            for (Fact fact : draft.facts()) entries.add(new Entry(++sequence, fact));
            acts.add(new Act(head.act() + acts.size() + 1L, draft.at(), draft.words(), entries));
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
        file.write(database -> new RunSamples(database).append(grown, kept));
    }

    /// Joins the blocks in which the samples of an ended run came in.
    public synchronized void joinSamples(String run) throws LogbookException {
        file.write(database -> new RunSamples(database).join(run));
    }

    /// The samples of a run; empty when it has none.
    public synchronized SampleLog samples(String run) throws LogbookException {
        return file.read(database -> new RunSamples(database).read(run));
    }

    /// Takes back the last act that holds; does nothing when there is none.
    public synchronized WorkshopState undo() throws LogbookException {
        Optional<Step> step = undoStep();
        return step.isPresent() ? undo(step.get()) : state;
    }

    /// Takes back an act of this journal, whatever was logged after it; does nothing when it does
    /// not hold.
    public synchronized WorkshopState undo(Step step) throws LogbookException {
        if (History.of(journal).canUndo(step.act()))
            turn("Undo: " + step.words(), new Amendment.ActUndone(step.act()));
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
        Head head = file.head();
        List<Entry> entries = new ArrayList<>(facts.size());
        for (Fact fact : facts) entries.add(new Entry(head.sequence() + entries.size() + 1, fact));
        Act act = new Act(head.act() + 1, clock.instant(), words, entries);
        commit(List.of(act));
        return act;
    }

    private void commit(List<Act> acts) throws LogbookException {
        List<RawAct> raw = new ArrayList<>(acts.size());
        for (Act act : acts) raw.add(codec.raw(act, seals(act)));
        file.add(raw);
        journal.addAll(acts);
    }

    /// Seals of the runs that an act ends; of a run without samples there is none.
    private List<CurveSeal> seals(Act act) throws LogbookException {
        List<CurveSeal> seals = new ArrayList<>();
        for (Entry each : act.entries())
            if (each.fact() instanceof RunFact.RunEnded ended) {
                SampleLog log = samples(ended.run());
                if (log.size() > 0) seals.add(CurveSeal.of(ended.run(), log));
            }
        return seals;
    }

    /// Lets go of the file; what is under way in the background is waited for.
    @Override
    public synchronized void close() {
        caretaker.close();
        file.close();
    }
}
