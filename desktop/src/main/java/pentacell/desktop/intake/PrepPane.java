package pentacell.desktop.intake;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import pentacell.core.caution.Caution;
import pentacell.core.cell.CellFact.PrepDone;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.PrepWork;
import pentacell.core.state.Draft;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.Preparation;
import pentacell.desktop.frame.CautionStrip;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Entered;
import pentacell.desktop.frame.LineQueue;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.WhenShown;
import pentacell.desktop.kit.Wrapping;

/// What must be done to cells before assembly, with check-off by typing the id.
final class PrepPane extends VBox {
    private final Desk desk;
    private final Label summary = new Label();
    private final TextField done = new TextField();
    private final ListPane<Line> list;

    /// One piece of work on one cell.
    record Line(CellId cell, PrepWork work, String place) {}

    PrepPane(Desk desk) {
        this.desk = desk;
        setId("prep-pane");
        getStyleClass().add("list-pane");
        summary.setId("prep-summary");
        summary.getStyleClass().add("list-summary");
        Wrapping.on(summary);
        done.setId("prep-done");
        done.setPromptText("id of the cell that is done, then Enter");
        done.setPrefColumnCount(24);
        LineQueue entered = new LineQueue(done, desk.notices(), this::enter);
        list =
                new ListPane<Line>(
                                desk,
                                "prep-list",
                                "Nothing to prepare. Type what is wrong with a can at the quick line: s sleeve torn, i ring missing, t tab stub, r rust.",
                                Line::cell)
                        .column("Work", line -> line.work().words())
                        .column("Cell", line -> line.cell().text())
                        .column("Place", Line::place);
        Button mark = new Button("Done");
        mark.setId("prep-mark");
        mark.setOnAction(pressed ->
                Optional.ofNullable(list.table().getSelectionModel().getSelectedItem())
                        .ifPresent(this::log));
        ControlRow row = ControlRow.of(done, mark);
        getChildren()
                .addAll(
                        summary,
                        new CautionStrip(desk, Caution.GRINDING),
                        row,
                        entered,
                        list.table());
        WhenShown.run(this, desk.ledger().stateProperty(), this::show);
    }

    private void show() {
        List<Preparation> work = Preparation.of(desk.ledger().state(), desk.ledger().judged());
        List<Line> lines = lines(work, desk.ledger().state()).toList();
        summary.setText(
                work.isEmpty()
                        ? "Nothing to prepare"
                        : work.stream()
                                .map(each -> each.work().words() + " " + each.cells().size())
                                .collect(Collectors.joining(" · ")));
        list.show(lines);
    }

    private Stream<Line> open(WorkshopState state) {
        return lines(Preparation.of(state, desk.ledger().judged().after(state)), state);
    }

    private static Stream<Line> lines(List<Preparation> work, WorkshopState state) {
        return work.stream()
                .flatMap(each ->
                        each.cells().stream()
                                .map(cell ->
                                        new Line(
                                                cell,
                                                each.work(),
                                                Cells.of(state)
                                                        .cell(cell)
                                                        .flatMap(CellRecord::place)
                                                        .map(Object::toString)
                                                        .orElse(""))));
    }

    private Entered enter(String text) {
        String typed = text.strip();
        Optional<CellId> cell =
                open(desk.ledger().expected())
                        .map(Line::cell)
                        .filter(each -> each.text().equalsIgnoreCase(typed))
                        .findFirst();
        if (cell.isEmpty())
            return new Entered.Refused(
                    "\"" + typed.toUpperCase(Locale.ROOT) + "\" has no open work.");
        CellId id = cell.get();
        Draft draft =
                before ->
                        open(before)
                                .filter(line -> line.cell().equals(id))
                                .map(line -> new PrepDone(id, line.work()))
                                .toList();
        return Entered.act(desk.ledger(), id.text(), "Done: work on " + id, draft);
    }

    private void log(Line line) {
        desk.ledger()
                .log(
                        "Done: %s %s".formatted(line.work().words(), line.cell()),
                        List.of(new PrepDone(line.cell(), line.work())),
                        () -> {});
    }
}
