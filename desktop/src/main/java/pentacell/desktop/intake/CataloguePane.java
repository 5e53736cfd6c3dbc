package pentacell.desktop.intake;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TableView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CatalogueFact;
import pentacell.core.cell.CellModel;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Saving;
import pentacell.desktop.kit.Columns;
import pentacell.desktop.kit.WhenShown;
import pentacell.workshop.exchange.CellTable.Problem;
import pentacell.workshop.exchange.ModelCsv;

/// The workshop's own catalogue of models, in and out as CSV.
final class CataloguePane extends VBox {
    private final Desk desk;
    private final FileAsk files;
    private final TableView<CellModel> table = new TableView<>();
    private final Label problems = new Label();

    CataloguePane(Desk desk, FileAsk files, Runnable define) {
        this.desk = desk;
        this.files = files;
        setId("catalogue-pane");
        getStyleClass().add("list-pane");
        table.setId("catalogue");
        table.setPlaceholder(
                new Label("No model yet: Define model, or import a catalogue from CSV."));
        VBox.setVgrow(table, Priority.ALWAYS);
        column("Model", 150, CellModel::name);
        column(
                "Format",
                180,
                model ->
                        model.format().code()
                                + ", "
                                + Quantity.LENGTH.number(model.format().diameterMillimetres(), 0)
                                + " × "
                                + Quantity.LENGTH.text(model.format().lengthMillimetres()));
        column("Chemistry", 120, model -> model.chemistry().words());
        number("Rated mAh", model -> Quantity.CAPACITY.number(model.ratedMinimumMilliampHours()));
        number("Charge V", model -> Quantity.VOLTAGE.number(model.limits().chargeVolts()));
        number("End V", model -> Quantity.VOLTAGE.number(model.limits().endVolts()));
        number("Charge A", model -> Quantity.CURRENT.number(model.limits().chargeAmps()));
        number("Discharge A", model -> Quantity.CURRENT.number(model.limits().dischargeAmps()));
        Button defineModel = new Button("Define model");
        defineModel.setId("catalogue-define");
        defineModel.setOnAction(pressed -> define.run());
        Button in = new Button("Import CSV");
        in.setId("catalogue-import");
        in.setOnAction(pressed -> importCsv());
        Button out = new Button("Write CSV");
        out.setId("catalogue-export");
        out.setOnAction(pressed -> exportCsv());
        HBox row = new HBox(defineModel, in, out);
        row.getStyleClass().add("school-row");
        problems.setId("catalogue-problems");
        problems.setWrapText(true);
        getChildren().addAll(row, problems, table);
        WhenShown.run(
                this,
                desk.ledger().stateProperty(),
                () ->
                        table.getItems()
                                .setAll(Catalogue.of(desk.ledger().state()).models().values()));
    }

    private void column(
            String title, double width, java.util.function.Function<CellModel, String> value) {
        table.getColumns().add(Columns.of(title, width, value));
    }

    private void number(String title, java.util.function.Function<CellModel, String> value) {
        table.getColumns().add(Columns.number(title, 78, value));
    }

    private void importCsv() {
        Optional<Path> file = files.which("Import catalogue", "Catalogues of models", "*.csv");
        if (file.isEmpty()) return;
        desk.work().lane("files").run(() -> ModelCsv.read(file.get()), this::take);
    }

    private void take(ModelCsv read) {
        problems.setText(
                read.problems().stream()
                        .limit(6)
                        .map(Problem::text)
                        .collect(Collectors.joining("\n")));
        List<CatalogueFact.ModelDefined> facts =
                read.models().stream()
                        .filter(model ->
                                !model.equals(
                                        Catalogue.of(desk.ledger().state())
                                                .models()
                                                .get(model.name())))
                        .map(CatalogueFact.ModelDefined::new)
                        .toList();
        if (facts.isEmpty()) {
            desk.notices()
                    .say(
                            read.models().isEmpty()
                                    ? "No model was imported."
                                    : "Every model of the file is in the catalogue already.");
            return;
        }
        desk.ledger()
                .log(
                        "Import " + facts.size() + " models",
                        facts,
                        () ->
                                desk.notices()
                                        .say(
                                                facts.size()
                                                        + " models imported into the catalogue."));
    }

    private void exportCsv() {
        Saving.saveText(
                desk,
                files,
                "Write catalogue",
                "models.csv",
                ModelCsv.text(Catalogue.of(desk.ledger().state()).models().values()));
    }
}
