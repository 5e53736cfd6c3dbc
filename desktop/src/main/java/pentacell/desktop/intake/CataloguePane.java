package pentacell.desktop.intake;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CatalogueFact;
import pentacell.core.cell.CellModel;
import pentacell.core.journal.Origin;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Saving;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.WhenShown;
import pentacell.desktop.kit.Wrapping;
import pentacell.workshop.exchange.CellTable.Problem;
import pentacell.workshop.exchange.ModelCsv;

/// The workshop's own catalogue of models, in and out as CSV.
final class CataloguePane extends VBox {
    private final Desk desk;
    private final FileAsk files;
    private final FittedTable<CellModel> table =
            new FittedTable<>(
                    "catalogue", "No model yet: Define model, or import a catalogue from CSV.");
    private final Label problems = new Label();

    CataloguePane(Desk desk, FileAsk files, Runnable define) {
        this.desk = desk;
        this.files = files;
        setId("catalogue-pane");
        getStyleClass().add("list-pane");
        VBox.setVgrow(table, Priority.ALWAYS);
        table.column("Model", CellModel::name);
        table.column(
                "Format",
                model ->
                        model.format().code()
                                + ", "
                                + Quantity.LENGTH.number(model.format().diameterMillimetres(), 0)
                                + " × "
                                + Quantity.LENGTH.text(model.format().lengthMillimetres()));
        table.column("Chemistry", model -> model.chemistry().words());
        table.number(
                "Rated mAh", model -> Quantity.CAPACITY.number(model.ratedMinimumMilliampHours()));
        table.number("Charge V", model -> Quantity.VOLTAGE.number(model.limits().chargeVolts()));
        table.number("End V", model -> Quantity.VOLTAGE.number(model.limits().endVolts()));
        table.number("Charge A", model -> Quantity.CURRENT.number(model.limits().chargeAmps()));
        table.number(
                "Discharge A", model -> Quantity.CURRENT.number(model.limits().dischargeAmps()));
        Button defineModel = new Button("Define model");
        defineModel.setId("catalogue-define");
        defineModel.setOnAction(pressed -> define.run());
        Button in = new Button("Import CSV");
        in.setId("catalogue-import");
        in.setOnAction(pressed -> importCsv());
        Button out = new Button("Write CSV");
        out.setId("catalogue-export");
        out.setOnAction(pressed -> exportCsv());
        ControlRow row = ControlRow.of(defineModel, in, out);
        problems.setId("catalogue-problems");
        Wrapping.on(problems);
        getChildren().addAll(row, problems, table);
        WhenShown.run(
                this,
                desk.ledger().stateProperty(),
                () ->
                        table.getItems()
                                .setAll(Catalogue.of(desk.ledger().state()).models().values()));
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
                        "Import " + Count.of(facts.size(), "model", "models"),
                        Origin.IMPORTED.mark(facts),
                        () ->
                                desk.notices()
                                        .say(
                                                Count.of(facts.size(), "model", "models")
                                                        + " imported into the catalogue."));
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
