package pentacell.desktop.stock;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.css.PseudoClass;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.SplitPane;
import javafx.scene.control.TableView;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import pentacell.core.cell.CellId;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.Columns;
import pentacell.desktop.kit.Following;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.stock.StockModel.Figures;
import pentacell.desktop.stock.StockModel.Row;

/// What Stock shows: the field of capacity against resistance, the table that follows its brush,
/// the figures of every model.
final class StockView {
    private static final PseudoClass HIDDEN = PseudoClass.getPseudoClass("off");

    private static final double FIGURES_WIDTH = 336;

    private final Desk desk;
    private final StockModel model;
    private final FieldPlot field;
    private final TableView<Row> table = new TableView<>();
    private final TableView<Figures> figures = new TableView<>();
    private final FlowPane models = new FlowPane();
    private final Label count = new Label();
    private final BorderPane view = new BorderPane();

    StockView(Desk desk) {
        this.desk = desk;
        model = new StockModel(desk);
        field = new FieldPlot(desk, model);
        view.setId("stock");
        view.getStyleClass().add("station");
        models.getStyleClass().add("models");
        count.setId("stock-count");
        count.getStyleClass().add("caption");
        HBox bar = new HBox(models, count);
        HBox.setHgrow(models, Priority.ALWAYS);
        bar.getStyleClass().add("station-bar");
        view.setTop(bar);
        SplitPane split = new SplitPane(field, new Following(this::lower));
        split.setOrientation(Orientation.VERTICAL);
        split.setDividerPositions(0.6);
        view.setCenter(split);
        table();
        figures();
        model.shownProperty().subscribe(this::show);
        desk.selection().cellProperty().subscribe(this::showSelected);
    }

    Node node() {
        return view;
    }

    void focusField() {
        field.requestFocus();
    }

    private Node lower() {
        Following beside = new Following(() -> figures);
        beside.setMinWidth(FIGURES_WIDTH);
        beside.setPrefWidth(FIGURES_WIDTH);
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
                        ? shown.rows().size() + " cells; drag over the field to brush"
                        : shown.inBrush().size()
                                + " of "
                                + shown.rows().size()
                                + " cells brushed; Esc drops the brush");
        showModels(shown);
        showSelected(desk.selection().cellProperty().get());
    }

    private void showModels(StockModel.Shown shown) {
        models.getChildren().clear();
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
            models.getChildren().add(button);
        }
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
        table.setId("stock-table");
        table.setPlaceholder(
                new Label("No cell to show. Log cells at Intake, or drop the brush with Esc."));
        table.getColumns().add(Columns.of("Cell", 68, row -> row.cell().id()));
        table.getColumns().add(Columns.of("Model", 96, Row::modelName));
        table.getColumns()
                .add(
                        Columns.of(
                                "Place",
                                66,
                                row -> row.cell().place().map(Object::toString).orElse("")));
        table.getColumns()
                .add(Columns.measured("V", 50, Quantity.VOLTAGE, row -> row.cell().volts()));
        table.getColumns()
                .add(
                        Columns.measured(
                                "mAh", 50, Quantity.CAPACITY, row -> row.cell().milliampHours()));
        table.getColumns()
                .add(
                        Columns.measured(
                                "SoH %",
                                50,
                                Quantity.PERCENT,
                                row ->
                                        row.soh().isPresent()
                                                ? OptionalDouble.of(100 * row.soh().getAsDouble())
                                                : row.soh()));
        table.getColumns()
                .add(
                        Columns.measured(
                                "mΩ", 50, Quantity.RESISTANCE, row -> row.cell().milliohms()));
        table.getColumns().add(Columns.of("Standing", 80, row -> row.standing().words()));
        table.getSelectionModel()
                .selectedItemProperty()
                .subscribe(row -> {
                    if (row != null) desk.selection().select(row.cell().id());
                });
    }

    private void figures() {
        figures.setId("stock-figures");
        figures.setPlaceholder(new Label("No figures yet."));
        figures.getColumns().add(Columns.of("Model", 102, Figures::name));
        figures.getColumns()
                .add(Columns.number("n", 34, row -> Quantity.COUNT.number(row.capacity().count())));
        figures.getColumns()
                .add(
                        Columns.number(
                                "mean mAh",
                                66,
                                row -> Quantity.CAPACITY.number(row.capacity().mean())));
        figures.getColumns()
                .add(
                        Columns.number(
                                "σ", 44, row -> Quantity.CAPACITY.number(row.capacity().sigma())));
        figures.getColumns()
                .add(
                        Columns.number(
                                "min–max",
                                86,
                                row ->
                                        Quantity.CAPACITY.number(row.capacity().least())
                                                + "–"
                                                + Quantity.CAPACITY.number(
                                                        row.capacity().greatest())));
        figures.getColumns().forEach(column -> column.setSortable(false));
    }
}
