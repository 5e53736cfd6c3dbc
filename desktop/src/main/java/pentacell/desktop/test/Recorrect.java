package pentacell.desktop.test;

import java.util.ArrayList;
import java.util.DoubleSummaryStatistics;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.measure.InstrumentFigures;
import pentacell.core.measure.Recorrection;
import pentacell.core.measure.Recorrection.Change;
import pentacell.core.state.WorkshopState;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Job;
import pentacell.instruments.bench.Keeper;
import pentacell.workshop.logbook.LogbookException;

/// Carries the capacities of earlier runs over to today's gains and standard conditions, as one act
/// that can be undone. A second press while it reads stops it, and nothing is logged.
final class Recorrect {
    private static final int TELL_EVERY = 20;
    private static final String WORDS = "Recalculate earlier capacities";

    private final Desk desk;
    private final TestModel model;
    private final Consumer<String> remark;
    private final Button button = new Button(WORDS);
    private Optional<Job> reading = Optional.empty();

    Recorrect(Desk desk, TestModel model, Consumer<String> remark) {
        this.desk = desk;
        this.model = model;
        this.remark = remark;
        button.setId("recorrect");
        button.setOnAction(pressed -> pressed());
        desk.ledger().whileOpen(opened -> ended(), () -> {});
    }

    Button button() {
        return button;
    }

    private void pressed() {
        if (reading.isPresent()) {
            reading.get().cancel();
            return;
        }
        Optional<Keeper> keeper = model.bench().keeper();
        if (keeper.isEmpty()) return;
        button.setText("Stop reading");
        WorkshopState state = desk.ledger().state();
        Job job =
                desk.work()
                        .lane("earlier capacities")
                        .run(
                                at -> changes(at, state, keeper.get()),
                                changes -> {
                                    boolean isWhole = !reading.map(Job::isCancelled).orElse(true);
                                    ended();
                                    if (isWhole) log(changes);
                                    else remark.accept("Stopped; no capacity was changed.");
                                },
                                failure -> {
                                    ended();
                                    remark.accept(String.valueOf(failure.getMessage()));
                                });
        reading = Optional.of(job);
        job.progressProperty()
                .subscribe(told -> told.ifPresent(sofar -> remark.accept(sofar.toString())));
    }

    private void ended() {
        reading = Optional.empty();
        button.setText(WORDS);
    }

    private List<Change> changes(Job job, WorkshopState state, Keeper keeper)
            throws LogbookException {
        List<Change> changes = new ArrayList<>();
        InstrumentFigures figures = InstrumentFigures.of(state);
        int read = 0;
        for (CellRecord cell : Cells.of(state).all().values()) {
            if (job.isCancelled()) break;
            Optional<String> run = Recorrection.runOf(cell);
            if (run.isEmpty()) continue;
            Recorrection.of(state, figures, cell, keeper.samples(run.get()))
                    .ifPresent(changes::add);
            read++;
            if (read % TELL_EVERY == 0) {
                job.tell(
                        "%d runs read, %s"
                                .formatted(
                                        read,
                                        Count.of(
                                                changes.size(),
                                                "capacity changes",
                                                "capacities change")));
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
                "%s recalculated, by %s to %s"
                        .formatted(
                                changes.size() == 1 ? "1 capacity" : changes.size() + " capacities",
                                Quantity.PERCENT.text(100 * shares.getMin()),
                                Quantity.PERCENT.text(100 * shares.getMax()));
        desk.ledger()
                .log(
                        words,
                        changes.stream().map(each -> each.origin().mark(each.fact())).toList(),
                        () -> remark.accept(words + ". Undo brings the earlier ones back."));
    }
}
