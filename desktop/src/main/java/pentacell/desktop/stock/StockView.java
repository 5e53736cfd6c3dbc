package pentacell.desktop.stock;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.css.PseudoClass;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.SplitPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.cell.CellId;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.Following;
import pentacell.desktop.kit.Lazy;
import pentacell.desktop.kit.PaneTabs;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.stock.StockModel.Figures;
import pentacell.desktop.stock.StockModel.Row;

/// What Stock shows: the field of capacity against resistance, the table that follows its brush,
/// the figures of every model.
final class StockView {
    private static final PseudoClass HIDDEN = PseudoClass.getPseudoClass("off");

    private final Desk desk;
    private final StockModel model;
    private final FieldPlot field;
    private final FittedTable<Row> table =
            new FittedTable<>(
                    "stock-table",
                    "No cell to show. Log cells at Intake, or drop the brush with Esc.");
    private final FittedTable<Figures> figures =
            new FittedTable<>("stock-figures", "No figures yet.");
    private final ControlRow bar = ControlRow.of();
    private final Label count = new Label();
    private final BorderPane view = new BorderPane();
    private final BorderPane upper = new BorderPane();
    private final PaneTabs tabs = new PaneTabs(this::show);

    StockView(Desk desk) {
        this.desk = desk;
        model = new StockModel(desk);
        field = new FieldPlot(desk, model);
        view.setId("stock");
        view.getStyleClass().add("station");
        count.setId("stock-count");
        count.getStyleClass().add("caption");
        bar.getStyleClass().add("station-bar");
        Lazy<BinsPane> bins = new Lazy<>(() -> new BinsPane(model));
        tabs.add(StockStation.FIELD, () -> field).add(StockStation.BINS, bins::get);
        view.setTop(new VBox(bar, new SelectRow(desk, model, tabs.row()).node()));
        SplitPane split = new SplitPane(upper, new Following(this::lower));
        split.setOrientation(Orientation.VERTICAL);
        split.setDividerPositions(0.6);
        view.setCenter(split);
        show(StockStation.FIELD);
        table();
        figures();
        model.shownProperty().subscribe(this::show);
        desk.selection().cellProperty().subscribe(this::showSelected);
    }

    Node node() {
        return view;
    }

    /// Shows the field or the bins over the table.
    void show(String pane) {
        upper.setCenter(tabs.show(pane));
    }

    void focusField() {
        field.requestFocus();
    }

    private Node lower() {
        Following beside = new Following(() -> figures);
        beside.getStyleClass().add("stock-figures-place");
        HBox lower = new HBox(table, beside);
        lower.getStyleClass().add("stock-lower");
        HBox.setHgrow(table, Priority.ALWAYS);
        return lower;
    }

    private void show(StockModel.Shown shown) {
        table.getItems().setAll(shown.inBrush());
        table.sort();
        figures.getItems().setAll(StockModel.figures(shown));
        count.setText(
                shown.brushed().isEmpty()
                        ? Count.of(shown.rows().size(), "cell", "cells")
                                + "; drag over the field to brush"
                        : shown.inBrush().size()
                                + " of "
                                + shown.rows().size()
                                + " cells brushed; Esc drops the brush");
        showModels(shown);
        showSelected(desk.selection().cellProperty().get());
    }

    private void showModels(StockModel.Shown shown) {
        List<Node> keys = new ArrayList<>();
        int number = 0;
        for (Map.Entry<String, Integer> each : model.models().entrySet()) {
            ModelShape shape = ModelShape.of(number++);
            PlotSurface key =
                    new PlotSurface((pen, width, height) ->
                            shape.draw(pen, Hue.MEASURED, true, width / 2, height / 2, 4.5));
            key.getStyleClass().add("legend-mark");
            Button button = new Button(each.getKey() + "  " + each.getValue(), key);
            button.getStyleClass().add("quiet");
            button.setId("model-" + each.getKey().replace(' ', '-'));
            button.pseudoClassStateChanged(HIDDEN, shown.hiddenModels().contains(each.getKey()));
            button.setOnAction(pressed -> model.toggle(each.getKey()));
            keys.add(button);
        }
        keys.add(ControlRow.gap());
        keys.add(count);

        bar.getChildren().setAll(keys);
    }

    private void showSelected(Optional<CellId> selected) {
        if (selected.isEmpty()) return;
        for (int i = 0; i < table.getItems().size(); i++) {
            if (!table.getItems().get(i).cell().id().equals(selected.get())) continue;
            if (table.getSelectionModel().getSelectedIndex() != i) {
                table.getSelectionModel().clearAndSelect(i);
                table.scrollTo(Math.max(0, i - 3));
            }
            return;
        }
        table.getSelectionModel().clearSelection();
    }

    private void table() {
        table.column("Cell", row -> row.cell().idWithCans())
                .column("Model", Row::modelName)
                .column("Place", row -> row.cell().place().map(Object::toString).orElse(""))
                .measured("V", Quantity.VOLTAGE, row -> row.cell().volts())
                .measured("mAh", Quantity.CAPACITY, row -> row.cell().milliampHours())
                .measured(
                        "SoH %",
                        Quantity.PERCENT,
                        row ->
                                row.soh().isPresent()
                                        ? OptionalDouble.of(100 * row.soh().getAsDouble())
                                        : row.soh())
                .measured("mΩ", Quantity.RESISTANCE, row -> row.cell().milliohms())
                .column("Standing", row -> row.standing().words());
        table.getSelectionModel()
                .selectedItemProperty()
                .subscribe(row -> {
                    if (row != null) desk.selection().select(row.cell().id());
                });
    }

    private void figures() {
        figures.column("Model", Figures::name)
                .number("n", row -> Quantity.COUNT.number(row.capacity().count()))
                .number("mean mAh", row -> Quantity.CAPACITY.number(row.capacity().mean()))
                .number("σ", row -> Quantity.CAPACITY.number(row.capacity().sigma()))
                .number(
                        "min–max",
                        row ->
                                Quantity.CAPACITY.number(row.capacity().least())
                                        + "–"
                                        + Quantity.CAPACITY.number(row.capacity().greatest()))
                .inThisOrder();
    }
}
