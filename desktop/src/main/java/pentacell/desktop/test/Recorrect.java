package pentacell.desktop.test;

import java.util.ArrayList;
import java.util.DoubleSummaryStatistics;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import pentacell.core.fact.Cell;
import pentacell.core.fact.WorkshopState;
import pentacell.core.measure.InstrumentFigures;
import pentacell.core.measure.Recorrection;
import pentacell.core.measure.Recorrection.Change;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.Background;
import pentacell.instruments.bench.Keeper;
import pentacell.workshop.logbook.LogbookException;

/// Carries the capacities of earlier runs over to today's gains and standard conditions, as one act
/// that can be undone. A second press while it reads stops it, and nothing is logged.
final class Recorrect {
    private static final int TELL_EVERY = 20;
    private static final String WORDS = "Correct earlier capacities anew";

    private final Desk desk;
    private final TestModel model;
    private final Consumer<String> remark;
    private final Button button = new Button(WORDS);
    private final Background reading = new Background("earlier capacities");
    private volatile boolean goesOn;

    Recorrect(Desk desk, TestModel model, Consumer<String> remark) {
        this.desk = desk;
        this.model = model;
        this.remark = remark;
        button.setId("recorrect");
        button.setOnAction(pressed -> pressed());
    }

    Button button() {
        return button;
    }

    private void pressed() {
        if (goesOn) {
            goesOn = false;
            return;
        }
        Optional<Keeper> keeper = model.bench().keeper();
        if (keeper.isEmpty()) return;
        goesOn = true;
        button.setText("Stop reading");
        WorkshopState state = desk.state();
        reading.run(
                () -> changes(state, keeper.get()),
                changes -> {
                    boolean isWhole = goesOn;
                    ended();
                    if (isWhole) log(changes);
                    else remark.accept("Stopped; no capacity was changed.");
                },
                failure -> {
                    ended();
                    remark.accept(String.valueOf(failure.getMessage()));
                });
    }

    private void ended() {
        goesOn = false;
        button.setText(WORDS);
    }

    private List<Change> changes(WorkshopState state, Keeper keeper) throws LogbookException {
        List<Change> changes = new ArrayList<>();
        InstrumentFigures figures = InstrumentFigures.of(state);
        int read = 0;
        for (Cell cell : state.cells().values()) {
            if (!goesOn) break;
            Optional<String> run = Recorrection.runOf(cell);
            if (run.isEmpty()) continue;
            Recorrection.of(state, figures, cell, keeper.samples(run.get()))
                    .ifPresent(changes::add);
            read++;
            if (read % TELL_EVERY == 0) {
                String sofar = "%d runs read, %d capacities change".formatted(read, changes.size());
                Background.tell(() -> remark.accept(sofar));
            }
        }
        return changes;
    }

    private void log(List<Change> changes) {
        if (changes.isEmpty()) {
            remark.accept("Every capacity is at today's gains and standard conditions already.");
            return;
        }
        DoubleSummaryStatistics shares =
                changes.stream().mapToDouble(Change::share).summaryStatistics();
        String words =
                "%s corrected anew, by %s to %s"
                        .formatted(
                                changes.size() == 1 ? "1 capacity" : changes.size() + " capacities",
                                Quantity.PERCENT.text(100 * shares.getMin()),
                                Quantity.PERCENT.text(100 * shares.getMax()));
        desk.log(
                words,
                changes.stream().map(Change::fact).toList(),
                () -> remark.accept(words + ". Undo brings the earlier ones back."));
    }
}
