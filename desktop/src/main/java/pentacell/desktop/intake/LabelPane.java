package pentacell.desktop.intake;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import pentacell.core.cell.CellFact.LabelPrinted;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.ShelfLists;
import pentacell.core.stock.Standing;
import pentacell.core.unit.Count;
import pentacell.core.unit.NumberText;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Saving;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.EnumWords;
import pentacell.desktop.kit.WhenShown;
import pentacell.desktop.kit.Wrapping;
import pentacell.reports.CellLabel;
import pentacell.reports.LabelLayout;
import pentacell.reports.LabelPdf;

/// Labels: which cells need one, on what paper; only what is new is printed unless asked otherwise.
final class LabelPane extends VBox {
    private static final String LAYOUT = "label-layout";
    private static final String ONLY_NEW = "only what is new";
    private static final String EVERY = "every cell";
    private static final String SELECTED = "the selected cell";

    private final Desk desk;
    private final FileAsk files;
    private final ComboBox<LabelLayout> layout = new ComboBox<>();
    private final ComboBox<String> which = new ComboBox<>();
    private final TextField skip = new TextField();
    private final TextField own = new TextField();
    private final Label summary = new Label();
    private final ListPane<CellRecord> list;

    LabelPane(Desk desk, FileAsk files) {
        this.desk = desk;
        this.files = files;
        setId("label-pane");
        getStyleClass().add("list-pane");
        summary.setId("label-summary");
        summary.getStyleClass().add("list-summary");
        Wrapping.on(summary);
        layout.setId("label-layout");
        layout.getItems().setAll(LabelLayout.shipped());
        layout.setConverter(new EnumWords<>(LabelLayout::name));
        layout.setValue(kept());
        layout.valueProperty()
                .subscribe(chosen -> {
                    if (chosen != null) desk.settings().put(LAYOUT, chosen.text());
                });
        which.setId("label-which");
        which.getItems().setAll(ONLY_NEW, EVERY, SELECTED);
        which.setValue(ONLY_NEW);
        skip.setId("label-skip");
        skip.setPromptText("0");
        skip.setPrefColumnCount(3);
        own.setId("label-own");
        own.setPromptText("own grid, such as A4 4x10 48.5x25.4");
        own.setPrefColumnCount(24);
        own.setOnAction(enter -> takeOwn());
        list =
                new ListPane<CellRecord>(
                                desk,
                                "label-list",
                                "No label is due: every cell has one with its last figures.",
                                CellRecord::id)
                        .column("Cell", cell -> cell.id().text())
                        .column("Place", cell -> cell.place().map(Object::toString).orElse(""))
                        .number("V", cell -> Quantity.VOLTAGE.number(value(cell.firstVolts())))
                        .number(
                                "mAh",
                                cell -> Quantity.CAPACITY.number(value(cell.milliampHours())))
                        .number("mΩ", cell -> Quantity.RESISTANCE.number(value(cell.milliohms())));
        Button print = new Button("Print labels (PDF)");
        print.setId("print-labels");
        print.getStyleClass().add("primary");
        print.setOnAction(pressed -> print());
        ControlRow row = ControlRow.of(which, layout, own, new Label("leave free"), skip, print);
        getChildren().addAll(summary, row, list.table());
        which.valueProperty().subscribe(chosen -> show());
        WhenShown.run(this, desk.ledger().stateProperty(), this::show);
        desk.selection()
                .cellProperty()
                .subscribe(selected -> {
                    if (SELECTED.equals(which.getValue())) show();
                });
    }

    private LabelLayout kept() {
        Optional<LabelLayout> kept = desk.settings().get(LAYOUT).flatMap(LabelLayout::parse);
        kept.filter(each -> !layout.getItems().contains(each)).ifPresent(layout.getItems()::add);
        return kept.orElse(layout.getItems().get(0));
    }

    private void takeOwn() {
        Optional<LabelLayout> written = LabelLayout.parse(own.getText());
        if (written.isEmpty()) {
            desk.notices()
                    .say(
                            "\"%s\" is not a grid that fits its paper; use one such as A4 4x10 48.5x25.4 (columns × rows, width × height in mm) or roll 62x29."
                                    .formatted(own.getText()));
            return;
        }
        if (!layout.getItems().contains(written.get())) layout.getItems().add(written.get());
        layout.setValue(written.get());
        own.clear();
    }

    private static double value(OptionalDouble value) {
        return value.orElse(Double.NaN);
    }

    private List<CellRecord> chosen() {
        WorkshopState state = desk.ledger().state();
        boolean isAsked = EVERY.equals(which.getValue()) || SELECTED.equals(which.getValue());
        return (isAsked ? Cells.of(state).all().values() : ShelfLists.toLabel(state))
                .stream()
                        .filter(cell -> cell.handedOver().isEmpty())
                        // what is out goes into the recycle box, not into a pack
                        .filter(cell ->
                                SELECTED.equals(which.getValue())
                                        || desk.ledger().judged().standing(cell.id())
                                                != Standing.OUT)
                        .filter(cell ->
                                switch (which.getValue()) {
                                    case EVERY -> true;
                                    case SELECTED ->
                                            desk.selection()
                                                    .cellProperty()
                                                    .get()
                                                    .equals(Optional.of(cell.id()));
                                    default -> true;
                                })
                        .toList();
    }

    private void show() {
        List<CellRecord> cells = chosen();
        summary.setText(cells.size() + (cells.size() == 1 ? " label" : " labels"));
        list.show(cells);
    }

    private void print() {
        List<CellRecord> cells = chosen();
        if (cells.isEmpty()) {
            desk.notices().say("There is no label to print.");
            return;
        }
        OptionalDouble left =
                skip.getText().isBlank() ? OptionalDouble.of(0) : NumberText.parse(skip.getText());
        if (left.isEmpty() || left.getAsDouble() < 0 || left.getAsDouble() > 1000) {
            desk.notices()
                    .say(
                            "\""
                                    + skip.getText()
                                    + "\" is not a number of labels already used on the first sheet.");
            return;
        }
        String date = LocalDate.ofInstant(desk.now(), ZoneId.systemDefault()).toString();
        List<CellLabel> labels = cells.stream().map(cell -> CellLabel.of(cell, date)).toList();
        LabelLayout paper = layout.getValue();
        Saving.save(
                desk,
                files,
                "Print labels",
                "labels.pdf",
                () -> LabelPdf.bytes(labels, paper, (int) left.getAsDouble()),
                () -> printed(cells));
    }

    private void printed(List<CellRecord> cells) {
        List<LabelPrinted> facts =
                cells.stream()
                        .map(cell ->
                                new LabelPrinted(
                                        cell.id(),
                                        cell.firstVolts(),
                                        cell.milliampHours(),
                                        cell.milliohms()))
                        .toList();
        desk.ledger().log("Print " + Count.of(cells.size(), "label", "labels"), facts, () -> {});
    }
}
