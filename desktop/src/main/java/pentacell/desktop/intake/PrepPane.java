package pentacell.desktop.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
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
import pentacell.core.shelf.Preparation;
import pentacell.desktop.frame.CautionStrip;
import pentacell.desktop.frame.Desk;
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
        done.setOnAction(enter -> checkOff(done.getText().strip()));
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
                        .ifPresent(line -> log(List.of(line))));
        ControlRow row = ControlRow.of(done, mark);
        getChildren().addAll(summary, new CautionStrip(desk, Caution.GRINDING), row, list.table());
        WhenShown.run(this, desk.ledger().stateProperty(), this::show);
    }

    private void show() {
        List<Preparation> work = Preparation.of(desk.ledger().state(), desk.ledger().judged());
        summary.setText(
                work.isEmpty()
                        ? "Nothing to prepare"
                        : work.stream()
                                .map(each -> each.work().words() + " " + each.cells().size())
                                .collect(Collectors.joining(" · ")));
        List<Line> lines = new ArrayList<>();
        for (Preparation each : work)
            for (CellId cell : each.cells())
                lines.add(
                        new Line(
                                cell,
                                each.work(),
                                Cells.of(desk.ledger().state())
                                        .cell(cell)
                                        .flatMap(CellRecord::place)
                                        .map(Object::toString)
                                        .orElse("")));
        list.show(lines);
    }

    private void checkOff(String typed) {
        List<Line> lines =
                list.table().getItems().stream()
                        .filter(line -> line.cell().text().equalsIgnoreCase(typed))
                        .toList();
        if (lines.isEmpty()) {
            desk.notices().say("\"" + typed.toUpperCase(Locale.ROOT) + "\" has no open work.");
            done.selectAll();
            return;
        }
        log(lines);
    }

    private void log(List<Line> lines) {
        List<PrepDone> facts =
                lines.stream().map(line -> new PrepDone(line.cell(), line.work())).toList();
        String words =
                lines.stream().map(line -> line.work().words()).collect(Collectors.joining(", "));
        desk.ledger().log("Done: " + words + " " + lines.get(0).cell(), facts, done::clear);
    }
}
