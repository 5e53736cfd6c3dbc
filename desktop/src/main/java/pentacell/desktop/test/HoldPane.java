package pentacell.desktop.test;

import java.time.LocalDateTime;
import java.util.OptionalDouble;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.cell.Place;
import pentacell.core.judgement.Reason;
import pentacell.core.measure.HoldShelf;
import pentacell.core.measure.HoldTest;
import pentacell.core.school.HoldSchool;
import pentacell.core.school.SchoolFact;
import pentacell.core.school.Schools;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.SchoolChooser;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.When;
import pentacell.desktop.kit.WhenShown;
import pentacell.desktop.kit.Wrapping;

/// The hold shelf by due date: what each cell lost, and what follows.
final class HoldPane extends VBox {
    private final Desk desk;
    private final Label summary = new Label();
    private final Label why = new Label();
    private final FittedTable<HoldShelf.Row> table =
            new FittedTable<>(
                    "hold-table",
                    "Nothing lies on the hold shelf. A cell comes here full, when its test is done; then type its id and its voltage below.");
    private final SchoolChooser<HoldSchool> school;

    HoldPane(Desk desk) {
        this.desk = desk;
        setId("hold-pane");
        getStyleClass().add("list-pane");
        summary.setId("hold-summary");
        summary.getStyleClass().add("list-summary");
        Wrapping.on(summary);
        why.setId("hold-why");
        Wrapping.on(why);
        school =
                new SchoolChooser<>(
                        desk,
                        "hold-school",
                        new SchoolChooser.Question<>(
                                HoldSchool.SHIPPED,
                                HoldSchool::name,
                                state -> Schools.of(state).hold(),
                                SchoolFact.HoldChosen::new,
                                "Hold test",
                                chosen -> "Hold test: " + chosen.name()));
        Label caption = new Label("School");
        caption.getStyleClass().add("caption");
        ControlRow head = ControlRow.of(summary, ControlRow.gap(), caption, school);
        VBox.setVgrow(table, Priority.ALWAYS);
        table.column("Cell", row -> row.test().cell().id().text());
        table.column("Place", row -> row.test().cell().place().map(Place::toString).orElse("–"));
        table.column("Due", row -> due(row.test()));
        table.column(
                "Verdict",
                row ->
                        row.suspicion().isPresent() && row.test().verdict() != HoldTest.Verdict.OUT
                                ? "▲ suspect"
                                : (row.test().verdict() == HoldTest.Verdict.OUT ? "■ " : "")
                                        + row.test().verdict().words());
        table.number(
                "First V",
                row ->
                        Quantity.VOLTAGE.number(
                                row.test().first().map(each -> each.volts()).orElse(Double.NaN)));
        table.number(
                "Last V",
                row ->
                        Quantity.VOLTAGE.number(
                                row.test().last().map(each -> each.volts()).orElse(Double.NaN)));
        table.number("Lost mV", row -> number(Quantity.MILLIVOLTS, row.test().lostMillivolts()));
        table.number(
                "mV/day", row -> number(Quantity.MILLIVOLTS_A_DAY, row.test().millivoltsADay()));
        table.number("%/month", row -> number(Quantity.PERCENT_A_MONTH, row.percentAMonth()));
        table.number("z", row -> number(Quantity.PERCENT, row.robustZ()));
        table.column("Since", row -> When.DAY.words(TestModel.local(row.test().began())));
        table.column("Model", row -> row.test().cell().model().orElse(""));
        table.getSelectionModel()
                .selectedItemProperty()
                .subscribe(row -> {
                    if (row == null) return;
                    desk.selection().select(row.test().cell().id());
                    why.setText(words(row));
                });
        getChildren().addAll(head, why, table);
        WhenShown.run(this, desk.ledger().stateProperty(), this::show);
    }

    private static String words(HoldShelf.Row row) {
        String reasons =
                row.test().reasons().stream()
                        .map(Reason::sentence)
                        .reduce("", (one, other) -> one + " " + other)
                        .strip();
        return row.suspicion().map(each -> reasons + " " + each.sentence()).orElse(reasons);
    }

    private String due(HoldTest test) {
        return test.dueAt()
                .map(at -> at.isAfter(desk.now()) ? When.DAY.words(TestModel.local(at)) : "now")
                .orElse("–");
    }

    private static String number(Quantity quantity, OptionalDouble value) {
        return quantity.number(value.orElse(Double.NaN));
    }

    private void show() {
        HoldShelf shelf = HoldShelf.of(desk.ledger().state());
        LocalDateTime now = TestModel.local(desk.now());
        long due =
                shelf.open().stream()
                        .filter(row ->
                                row.test()
                                        .dueAt()
                                        .filter(at -> !TestModel.local(at).isAfter(now))
                                        .isPresent())
                        .count();
        summary.setText(
                "%d on the shelf · %d to read now · room for %d more"
                        .formatted(shelf.open().size(), due, shelf.free()));
        if (!table.getItems().equals(shelf.rows())) table.getItems().setAll(shelf.rows());
        school.showInForce();
    }
}
