package pentacell.desktop.frame;

import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import pentacell.core.journal.Fact;
import pentacell.core.journal.Step;
import pentacell.core.state.Chapter;
import pentacell.core.state.Draft;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.desktop.kit.Background;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.LogbookException;

/// The open workshop: facts are logged here, and every view hears of the new state once they are on
/// the disk.
public final class Ledger {
    private static final String NOTHING_OPEN =
            "No workshop is open, so nothing can be logged: New workshop or Open workshop first (Ctrl+N, Ctrl+O).";
    private static final Duration PATIENCE_AT_CLOSING = Duration.ofSeconds(30);

    private final Background writing = new Background("logbook");
    private final Notices notices;
    private final List<Chapter<?>> chapters;
    private final WorkshopState nothing;
    private final ReadOnlyObjectWrapper<WorkshopState> state;
    private final ReadOnlyObjectWrapper<Optional<Step>> undoStep =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Optional<Step>> redoStep =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyStringWrapper fileName = new ReadOnlyStringWrapper("");
    private final List<Consumer<Logbook>> onOpened = new ArrayList<>();
    private final List<Runnable> beforeClosing = new ArrayList<>();
    private final Clock clock;
    private final Pending pending = new Pending();
    private final ReadOnlyObjectWrapper<WorkshopState> expected;
    private Optional<Logbook> logbook = Optional.empty();
    private Optional<Step> durableUndo = Optional.empty();
    private Optional<Step> durableRedo = Optional.empty();
    private volatile JudgedStock judged;

    /// @param chapters what can be logged in a workshop
    Ledger(Clock clock, Notices notices, List<Chapter<?>> chapters) {
        this.clock = clock;
        this.notices = notices;
        this.chapters = List.copyOf(chapters);
        nothing = WorkshopState.empty(chapters);
        state = new ReadOnlyObjectWrapper<>(nothing);
        expected = new ReadOnlyObjectWrapper<>(nothing);
        judged = JudgedStock.of(nothing);
    }

    /// What holds now, all of it on the disk.
    public WorkshopState state() {
        return state.get();
    }

    /// What holds now, to be followed.
    public ReadOnlyObjectProperty<WorkshopState> stateProperty() {
        return state.getReadOnlyProperty();
    }

    /// What will hold once everything that was given to the disk is on it. A line that is typed is
    /// read against this; nothing else is shown of it.
    public WorkshopState expected() {
        return expected.get();
    }

    /// What will hold once everything is on the disk, to be followed.
    public ReadOnlyObjectProperty<WorkshopState> expectedProperty() {
        return expected.getReadOnlyProperty();
    }

    /// Whether something was given to the disk that is not on it yet.
    public boolean isWaiting() {
        return !pending.isEmpty();
    }

    /// What can be logged in a workshop.
    List<Chapter<?>> chapters() {
        return chapters;
    }

    /// Whether nothing has been logged yet.
    boolean isUntouched() {
        return state.get().equals(nothing);
    }

    /// How every cell of the state stands.
    public JudgedStock judged() {
        return judged;
    }

    /// What undo would take back.
    public ReadOnlyObjectProperty<Optional<Step>> undoStepProperty() {
        return undoStep.getReadOnlyProperty();
    }

    /// What redo would bring back.
    public ReadOnlyObjectProperty<Optional<Step>> redoStepProperty() {
        return redoStep.getReadOnlyProperty();
    }

    /// Name of the open file; empty while none is open.
    public ReadOnlyStringProperty fileNameProperty() {
        return fileName.getReadOnlyProperty();
    }

    /// Lets work begin with every workshop that is opened, and end before it is closed. Any number
    /// may listen.
    public void whileOpen(Consumer<Logbook> begin, Runnable end) {
        onOpened.add(begin);
        beforeClosing.add(end);
    }

    /// Puts a workshop in the place of the one before, which is closed.
    void put(Arrival.Ready arrived) {
        Logbook opened = arrived.book();
        beforeClosing.forEach(Runnable::run);
        closeAfterWriting();
        logbook = Optional.of(opened);
        pending.clear();
        fileName.set(String.valueOf(opened.file().getFileName()));
        opened.onTrouble(message -> Background.tell(() -> notices.say(message)));
        publish(Outcome.of(opened, arrived.judged()));
        for (Consumer<Logbook> begin : onOpened) begin.accept(opened);
    }

    /// Closes the open workshop; none is open then.
    void putAway() {
        beforeClosing.forEach(Runnable::run);
        closeAfterWriting();
        logbook = Optional.empty();
        pending.clear();
        fileName.set("");
        publish(new Outcome(nothing, JudgedStock.of(nothing), Optional.empty(), Optional.empty()));
    }

    private void closeAfterWriting() {
        // after what is still being written to it
        logbook.ifPresent(before ->
                writing.run(
                        () -> {
                            before.close();
                            return before;
                        },
                        closed -> {},
                        failure -> notices.say("Could not close the file: " + failure)));
    }

    private record Outcome(
            WorkshopState state, JudgedStock judged, Optional<Step> undo, Optional<Step> redo) {
        static Outcome of(Logbook book, JudgedStock judged) {
            return new Outcome(book.state(), judged, book.undoStep(), book.redoStep());
        }
    }

    private void publish(Outcome outcome) {
        durableUndo = outcome.undo();
        durableRedo = outcome.redo();
        judged = outcome.judged();
        // who hears of the state may ask for what is expected
        expect(outcome.state());
        state.set(outcome.state());
    }

    private void expect(WorkshopState durable) {
        undoStep.set(pending.last().map(Ledger::step).or(() -> durableUndo));
        redoStep.set(pending.lastWithdrawn().map(Ledger::step).or(() -> durableRedo));
        expected.set(pending.isEmpty() ? durable : pending.after(durable, clock.instant()));
    }

    private static Step step(Pending.Waiting act) {
        return new Step(act.act().orElse(0), act.words());
    }

    /// Logs what a button or a form says, as one act; `onLogged` runs on the UI thread when it is
    /// on the disk. Pressed twice before that, it is logged once.
    public void log(String words, List<? extends Fact> facts, Runnable onLogged) {
        logOnce(words, facts, onLogged, why -> {});
    }

    /// The same, for who wants to hear that it could not be written.
    ///
    /// @param onFailed takes the reason, which is said already
    public void logOnce(
            String words,
            List<? extends Fact> facts,
            Runnable onLogged,
            Consumer<String> onFailed) {
        Facts once = new Facts(facts);
        boolean isPressedTwice = pending.last().filter(act -> act.draft().equals(once)).isPresent();
        if (!isPressedTwice) log(words, once, onLogged, onFailed);
    }

    /// Facts that do not depend on what holds before.
    private record Facts(List<? extends Fact> facts) implements Draft {
        Facts {
            facts = List.copyOf(facts);
        }

        @Override
        public List<? extends Fact> from(WorkshopState before) {
            return facts;
        }
    }

    /// Logs facts as one act, as often as it is called.
    ///
    /// @param onFailed takes the reason when they could not be written; it is said already
    public void log(
            String words,
            List<? extends Fact> facts,
            Runnable onLogged,
            Consumer<String> onFailed) {
        log(words, new Facts(facts), onLogged, onFailed);
    }

    /// Logs an act whose facts follow from what holds when it is written. Acts are written in the
    /// order given; the call returns at once.
    ///
    /// @param onLogged runs on the UI thread when they are on the disk
    /// @param onFailed takes on the UI thread why they could not be written; it is said already
    public void log(String words, Draft draft, Runnable onLogged, Consumer<String> onFailed) {
        if (logbook.isEmpty()) {
            notices.say(NOTHING_OPEN);
            onFailed.accept(NOTHING_OPEN);
            return;
        }
        Pending.Waiting act = pending.add(words, draft);
        expect(state.get());
        write(
                book -> {
                    List<? extends Fact> facts = draft.from(book.state());
                    if (facts.isEmpty()) return book.state();
                    WorkshopState after = book.log(words, facts);
                    book.undoStep().ifPresent(step -> act.written(step.act()));
                    return after;
                },
                () -> pending.remove(act),
                onLogged,
                onFailed);
    }

    /// Logs facts from a thread of its own, and returns when they are on the disk.
    ///
    /// @throws LogbookException when they could not be written; nothing has changed then
    public void logFrom(Logbook book, String words, List<? extends Fact> facts)
            throws LogbookException {
        CompletableFuture<Outcome> written = new CompletableFuture<>();
        writing.run(
                () -> {
                    try {
                        Outcome outcome = written(book, each -> each.log(words, facts));
                        written.complete(outcome);
                        return outcome;
                    } catch (Throwable failure) {
                        // whatever it is, the one who waits hears of it
                        written.completeExceptionally(failure);
                        throw failure;
                    }
                },
                outcome -> publishIfOpen(book, outcome),
                failure -> say(failure));
        try {
            written.join();
        } catch (CompletionException failure) {
            if (failure.getCause() instanceof LogbookException told) throw told;
            throw failure;
        }
    }

    /// Takes back the last act: the one typed last, even when it is not on the disk yet.
    public void undo() {
        Optional<Pending.Waiting> withdrawn = pending.withdraw();
        if (withdrawn.isEmpty() && durableUndo.isEmpty()) return;
        expect(state.get());
        AtomicReference<String> said = new AtomicReference<>("");
        write(
                book -> {
                    Optional<Step> step =
                            withdrawn.isEmpty() ? book.undoStep() : written(withdrawn.get());
                    if (step.isEmpty()) return book.state();
                    said.set("Undone: " + step.get().words());
                    return book.undo(step.get());
                },
                () -> withdrawn.ifPresent(pending::undone),
                () -> sayIfAny(said.get()),
                why -> {});
    }

    /// The act as it is in the file; empty when it could not be written, so that nothing of it is
    /// to be taken back.
    private static Optional<Step> written(Pending.Waiting act) {
        return act.act().isEmpty() ? Optional.empty() : Optional.of(step(act));
    }

    /// Brings back what was taken back last.
    public void redo() {
        if (pending.bringBack().isEmpty() && durableRedo.isEmpty()) return;
        expect(state.get());
        AtomicReference<String> said = new AtomicReference<>("");
        write(
                book -> {
                    book.redoStep().ifPresent(step -> said.set("Again: " + step.words()));
                    return book.redo();
                },
                () -> {},
                () -> sayIfAny(said.get()),
                why -> {});
    }

    private void sayIfAny(String sentence) {
        if (!sentence.isEmpty()) notices.say(sentence);
    }

    private interface Writing {
        WorkshopState on(Logbook book) throws LogbookException;
    }

    private void write(Writing act, Runnable onEnded, Runnable onDone, Consumer<String> onFailed) {
        if (logbook.isEmpty()) return;
        Logbook book = logbook.get();
        writing.run(
                () -> written(book, act),
                outcome -> {
                    onEnded.run();
                    publishIfOpen(book, outcome);
                    onDone.run();
                },
                failure -> {
                    onEnded.run();
                    expect(state.get());
                    onFailed.accept(say(failure));
                });
    }

    private Outcome written(Logbook book, Writing act) throws LogbookException {
        WorkshopState after = act.on(book);
        return Outcome.of(book, judged.after(after));
    }

    /// What was written to a workshop that has been closed since is in its file, but no longer
    /// shown.
    private void publishIfOpen(Logbook book, Outcome outcome) {
        if (logbook.equals(Optional.of(book))) publish(outcome);
    }

    private String say(Throwable failure) {
        String why =
                failure instanceof LogbookException || failure instanceof Draft.NoLongerPossible
                        ? String.valueOf(failure.getMessage())
                        : "Not logged, internal error: " + failure;
        notices.say(why);
        return why;
    }

    void close() {
        beforeClosing.forEach(Runnable::run);
        Optional<Logbook> open = logbook;
        logbook = Optional.empty();
        writing.run(
                () -> {
                    open.ifPresent(Logbook::close);
                    return open;
                },
                done -> {},
                failure -> {});
        // the program may end right after: first the file is complete
        writing.finish(PATIENCE_AT_CLOSING);
    }
}
