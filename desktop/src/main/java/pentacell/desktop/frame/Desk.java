package pentacell.desktop.frame;

import java.time.Clock;
import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import java.util.function.IntConsumer;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import pentacell.core.caution.Caution;
import pentacell.core.cell.CellId;
import pentacell.core.fact.Cell;
import pentacell.core.fact.DonorRecord;
import pentacell.core.fact.Fact;
import pentacell.core.fact.Step;
import pentacell.core.fact.WorkshopState;
import pentacell.core.grade.JudgedStock;
import pentacell.desktop.kit.Background;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.LogbookException;

/// What all stations share: the state of the open workshop, the cell that is selected, the last
/// thing that was said. A view never writes state: it logs facts here, and hears of the new state
/// once they are on the disk.
public final class Desk implements AutoCloseable {
    private final Background logging = new Background("logbook");
    private final Background computing = new Background("computing");
    private final ReadOnlyObjectWrapper<WorkshopState> state =
            new ReadOnlyObjectWrapper<>(WorkshopState.empty());
    private final ReadOnlyObjectWrapper<Optional<CellId>> selected =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Optional<String>> selectedDonor =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Set<Caution>> cautionsSeen;
    private final ReadOnlyIntegerWrapper found = new ReadOnlyIntegerWrapper(0);
    private final Clock clock;
    private final Settings settings;
    private IntConsumer goToStation = number -> {};
    private final ReadOnlyObjectWrapper<Optional<Step>> undoStep =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Optional<Step>> redoStep =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyStringWrapper message = new ReadOnlyStringWrapper("");
    private final ReadOnlyStringWrapper fileName = new ReadOnlyStringWrapper("");
    private Optional<Logbook> logbook = Optional.empty();
    private Consumer<Logbook> onOpened = book -> {};
    private Runnable beforeClosing = () -> {};
    private volatile JudgedStock judged = JudgedStock.of(WorkshopState.empty());

    public Desk(Clock clock, Settings settings) {
        this.clock = clock;
        this.settings = settings;
        cautionsSeen = new ReadOnlyObjectWrapper<>(CautionStrip.putAway(settings));
    }

    /// The time by the desk's clock.
    public Instant now() {
        return clock.instant();
    }

    /// What the person has set.
    public Settings settings() {
        return settings;
    }

    /// Goes to a station by its number.
    public void goTo(int station) {
        goToStation.accept(station);
    }

    void onGoTo(IntConsumer go) {
        goToStation = go;
    }

    /// The cautions that were seen: notices for good, dangers until the next start.
    public ReadOnlyObjectProperty<Set<Caution>> cautionsSeenProperty() {
        return cautionsSeen.getReadOnlyProperty();
    }

    void cautionSeen(Caution caution) {
        Set<Caution> seen = EnumSet.of(caution);
        seen.addAll(cautionsSeen.get());
        cautionsSeen.set(seen);
        settings.put(
                "cautions-seen",
                seen.stream()
                        .filter(each -> each.severity() == Caution.Severity.NOTICE)
                        .map(Caution::name)
                        .collect(Collectors.joining(",")));
    }

    void showAllCautions() {
        cautionsSeen.set(EnumSet.noneOf(Caution.class));
        settings.put("cautions-seen", "");
    }

    /// Work that goes on by itself begins with a workshop and ends before it is closed.
    public void whileOpen(Consumer<Logbook> begin, Runnable end) {
        onOpened = begin;
        beforeClosing = end;
    }

    /// Logs facts from a thread of its own, and returns when they are on the disk.
    public void logFrom(Logbook book, String words, List<? extends Fact> facts)
            throws LogbookException {
        CompletableFuture<Optional<LogbookException>> written = new CompletableFuture<>();
        logging.run(
                () -> {
                    try {
                        WorkshopState after = book.log(words, facts);
                        written.complete(Optional.empty());
                        return new Outcome(
                                after, judged.after(after), book.undoStep(), book.redoStep());
                    } catch (LogbookException failure) {
                        written.complete(Optional.of(failure));
                        throw failure;
                    }
                },
                outcome -> {
                    if (logbook.equals(Optional.of(book))) publish(outcome);
                },
                failure -> say(String.valueOf(failure.getMessage())));
        Optional<LogbookException> failure = written.join();
        if (failure.isPresent()) throw failure.get();
    }

    /// Puts a workshop on the desk; the one before is closed.
    public void put(Logbook opened) {
        beforeClosing.run();
        logbook.ifPresent(Logbook::close);
        logbook = Optional.of(opened);
        fileName.set(String.valueOf(opened.file().getFileName()));
        selected.set(Optional.empty());
        selectedDonor.set(Optional.empty());
        publish(
                new Outcome(
                        opened.state(),
                        JudgedStock.of(opened.state()),
                        opened.undoStep(),
                        opened.redoStep()));
        onOpened.accept(opened);
    }

    private record Outcome(
            WorkshopState state, JudgedStock judged, Optional<Step> undo, Optional<Step> redo) {}

    private void publish(Outcome outcome) {
        undoStep.set(outcome.undo());
        redoStep.set(outcome.redo());
        judged = outcome.judged();
        state.set(outcome.state());
    }

    /// Logs facts as one act; `onLogged` runs on the UI thread when they are on the disk.
    public void log(String words, List<? extends Fact> facts, Runnable onLogged) {
        List<? extends Fact> copy = List.copyOf(facts);
        write(book -> book.log(words, copy), onLogged, () -> {});
    }

    /// Logs facts as one act.
    ///
    /// @param onFailed runs when they could not be written; the message already says why
    public void log(
            String words, List<? extends Fact> facts, Runnable onLogged, Runnable onFailed) {
        List<? extends Fact> copy = List.copyOf(facts);
        write(book -> book.log(words, copy), onLogged, onFailed);
    }

    /// Takes back the last act.
    public void undo() {
        undoStep.get()
                .ifPresent(step ->
                        write(Logbook::undo, () -> say("Taken back: " + step.words()), () -> {}));
    }

    /// Brings back what was taken back last.
    public void redo() {
        redoStep.get()
                .ifPresent(step ->
                        write(Logbook::redo, () -> say("Again: " + step.words()), () -> {}));
    }

    private interface Writing {
        WorkshopState on(Logbook book) throws LogbookException;
    }

    private void write(Writing writing, Runnable onDone, Runnable onFailed) {
        if (logbook.isEmpty()) {
            say(
                    "No workshop is open, so nothing can be logged: New workshop or Open workshop first (Ctrl+N, Ctrl+O).");
            onFailed.run();
            return;
        }
        Logbook book = logbook.get();
        logging.run(
                () -> {
                    WorkshopState after = writing.on(book);
                    return new Outcome(
                            after, judged.after(after), book.undoStep(), book.redoStep());
                },
                outcome -> {
                    publish(outcome);
                    onDone.run();
                },
                failure -> {
                    say(String.valueOf(failure.getMessage()));
                    onFailed.run();
                });
    }

    /// Computes something away from the UI thread.
    public <T> void compute(Callable<T> work, Consumer<? super T> onUi) {
        computing.run(
                work, onUi, failure -> say("That failed, and it is a fault of ours: " + failure));
    }

    /// Shows a sentence in the due line.
    public void say(String sentence) {
        message.set(sentence);
    }

    /// Selects a cell.
    public void select(CellId cell) {
        selectedDonor.set(Optional.empty());
        selected.set(Optional.of(cell));
    }

    /// Selects a cell that somebody looks for: its place shows itself.
    public void find(CellId cell) {
        select(cell);
        found.set(found.get() + 1);
    }

    /// Counts the times a cell was looked for.
    public ReadOnlyIntegerProperty foundProperty() {
        return found.getReadOnlyProperty();
    }

    /// Selects a donor.
    public void selectDonor(String code) {
        selected.set(Optional.empty());
        selectedDonor.set(Optional.of(code));
    }

    /// The selected donor as it is now.
    public Optional<DonorRecord> selectedDonor() {
        return selectedDonor.get().flatMap(state.get()::donorRecord);
    }

    public ReadOnlyObjectProperty<Optional<String>> selectedDonorProperty() {
        return selectedDonor.getReadOnlyProperty();
    }

    /// Selects nothing.
    public void selectNothing() {
        selectedDonor.set(Optional.empty());
        selected.set(Optional.empty());
    }

    /// The selected cell as it is now.
    public Optional<Cell> selectedCell() {
        return selected.get().flatMap(state.get()::cell);
    }

    /// How every cell of the state stands.
    public JudgedStock judged() {
        return judged;
    }

    public WorkshopState state() {
        return state.get();
    }

    public ReadOnlyObjectProperty<WorkshopState> stateProperty() {
        return state.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<Optional<CellId>> selectedProperty() {
        return selected.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<Optional<Step>> undoStepProperty() {
        return undoStep.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<Optional<Step>> redoStepProperty() {
        return redoStep.getReadOnlyProperty();
    }

    public ReadOnlyStringProperty messageProperty() {
        return message.getReadOnlyProperty();
    }

    public ReadOnlyStringProperty fileNameProperty() {
        return fileName.getReadOnlyProperty();
    }

    @Override
    public void close() {
        beforeClosing.run();
        logging.run(
                () -> {
                    logbook.ifPresent(Logbook::close);
                    return Optional.empty();
                },
                done -> {},
                failure -> {});
        logging.close();
        computing.close();
    }
}
