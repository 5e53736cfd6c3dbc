package pentacell.desktop.frame;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import pentacell.core.grade.JudgedStock;
import pentacell.core.journal.Fact;
import pentacell.core.journal.Step;
import pentacell.core.state.Chapter;
import pentacell.core.state.WorkshopState;
import pentacell.desktop.kit.Background;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.LogbookException;

/// The open workshop: facts are logged here, and every view hears of the new state once they are on
/// the disk.
public final class Ledger {
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
    private Optional<Logbook> logbook = Optional.empty();
    private volatile JudgedStock judged;

    /// @param chapters what can be logged in a workshop
    Ledger(Notices notices, List<Chapter<?>> chapters) {
        this.notices = notices;
        this.chapters = List.copyOf(chapters);
        nothing = WorkshopState.empty(chapters);
        state = new ReadOnlyObjectWrapper<>(nothing);
        judged = JudgedStock.of(nothing);
    }

    /// What holds now.
    public WorkshopState state() {
        return state.get();
    }

    /// What holds now, to be followed.
    public ReadOnlyObjectProperty<WorkshopState> stateProperty() {
        return state.getReadOnlyProperty();
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
        // after what is still being written to it
        logbook.ifPresent(before ->
                writing.run(
                        () -> {
                            before.close();
                            return before;
                        },
                        closed -> {},
                        failure -> notices.say("Could not close the file: " + failure)));
        logbook = Optional.of(opened);
        fileName.set(String.valueOf(opened.file().getFileName()));
        opened.onTrouble(message -> Background.tell(() -> notices.say(message)));
        publish(Outcome.of(opened, arrived.judged()));
        for (Consumer<Logbook> begin : onOpened) begin.accept(opened);
    }

    private record Outcome(
            WorkshopState state, JudgedStock judged, Optional<Step> undo, Optional<Step> redo) {
        static Outcome of(Logbook book, JudgedStock judged) {
            return new Outcome(book.state(), judged, book.undoStep(), book.redoStep());
        }
    }

    private void publish(Outcome outcome) {
        undoStep.set(outcome.undo());
        redoStep.set(outcome.redo());
        judged = outcome.judged();
        state.set(outcome.state());
    }

    /// Logs facts as one act; `onLogged` runs on the UI thread when they are on the disk.
    public void log(String words, List<? extends Fact> facts, Runnable onLogged) {
        log(words, facts, onLogged, () -> {});
    }

    /// Logs facts as one act.
    ///
    /// @param onFailed runs when they could not be written; the message already says why
    public void log(
            String words, List<? extends Fact> facts, Runnable onLogged, Runnable onFailed) {
        List<? extends Fact> copy = List.copyOf(facts);
        write(book -> book.log(words, copy), onLogged, onFailed);
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

    /// Takes back the last act.
    public void undo() {
        undoStep.get()
                .ifPresent(step ->
                        write(
                                Logbook::undo,
                                () -> notices.say("Undone: " + step.words()),
                                () -> {}));
    }

    /// Brings back what was taken back last.
    public void redo() {
        redoStep.get()
                .ifPresent(step ->
                        write(
                                Logbook::redo,
                                () -> notices.say("Again: " + step.words()),
                                () -> {}));
    }

    private interface Writing {
        WorkshopState on(Logbook book) throws LogbookException;
    }

    private void write(Writing act, Runnable onDone, Runnable onFailed) {
        if (logbook.isEmpty()) {
            notices.say(
                    "No workshop is open, so nothing can be logged: New workshop or Open workshop first (Ctrl+N, Ctrl+O).");
            onFailed.run();
            return;
        }
        Logbook book = logbook.get();
        writing.run(
                () -> written(book, act),
                outcome -> {
                    publishIfOpen(book, outcome);
                    onDone.run();
                },
                failure -> {
                    say(failure);
                    onFailed.run();
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

    private void say(Throwable failure) {
        notices.say(
                failure instanceof LogbookException
                        ? String.valueOf(failure.getMessage())
                        : "Not logged, internal error: " + failure);
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
