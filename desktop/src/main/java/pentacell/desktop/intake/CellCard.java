package pentacell.desktop.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellFact.CellDecided;
import pentacell.core.cell.CellFact.CellNamed;
import pentacell.core.cell.CellFact.Decision;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.judgement.Judged;
import pentacell.core.judgement.Reason;
import pentacell.core.school.GradePolicy;
import pentacell.core.school.Grading;
import pentacell.core.school.Schools;
import pentacell.core.stock.Grader;
import pentacell.core.stock.Standing;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.CardContent;
import pentacell.desktop.frame.DecisionRow;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Figures;
import pentacell.desktop.kit.CellMark;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.Wrapping;

/// The card of the selected cell: big id, mark, verdict with its reasons, figures, life line.
final class CellCard extends VBox {
    private final Desk desk;
    private final Label id = new Label();
    private final PlotSurface mark =
            new PlotSurface((pen, width, height) -> drawMark(pen, width, height));
    private final Label verdict = new Label();
    private final Label origin = new Label();
    private final VBox reasons = new VBox();
    private final Figures figures = new Figures();
    private final LifeLineView lifeLine;
    private final CardContent content;
    private final ComboBox<String> modelChoice = new ComboBox<>();
    private Optional<Shown> shown = Optional.empty();

    CellCard(Desk desk) {
        this.desk = desk;
        lifeLine = new LifeLineView(desk);
        id.setId("card-id");
        id.getStyleClass().add("card-id");
        verdict.setId("card-verdict");
        verdict.getStyleClass().add("card-verdict");
        origin.getStyleClass().add("card-origin");
        Wrapping.on(origin);
        mark.getStyleClass().add("card-mark");
        reasons.getStyleClass().add("reasons");
        reasons.setId("card-reasons");
        VBox names = new VBox(id, verdict);
        HBox head = new HBox(mark, names);
        head.getStyleClass().add("card-head");
        Label lifeLineTitle = new Label("Life line");
        lifeLineTitle.getStyleClass().add("section");
        content =
                new CardContent(
                        this,
                        head,
                        origin,
                        figures,
                        reasons,
                        modelRow(),
                        decisionRow(),
                        lifeLineTitle,
                        lifeLine);
        desk.selection().cellProperty().subscribe(selected -> show());
        desk.ledger().stateProperty().subscribe(state -> show());
    }

    private void show() {
        Optional<CellRecord> selected = desk.selection().cell();
        content.setVisible(selected.isPresent());
        selected.ifPresent(this::show);
    }

    /// All that the card depends on: what is logged elsewhere does not build it anew.
    private record Shown(
            CellRecord cell,
            Optional<CellModel> model,
            Schools schools,
            GradePolicy policy,
            CellMark mark,
            Set<String> models) {}

    private void show(CellRecord cell) {
        Optional<CellModel> model = Catalogue.of(desk.ledger().state()).modelOf(cell);
        Shown now =
                new Shown(
                        cell,
                        model,
                        Schools.of(desk.ledger().state()),
                        Grading.of(desk.ledger().state()).policy(),
                        CellMark.of(cell, desk.ledger().state()),
                        Set.copyOf(Catalogue.of(desk.ledger().state()).models().keySet()));
        if (shown.equals(Optional.of(now))) return;
        shown = Optional.of(now);
        Judged<Standing> judged = Grader.judge(cell, model, now.schools(), now.policy());
        mark.repaint();
        id.setText(cell.idWithCans());
        verdict.setText(judged.verdict().words());
        origin.setText(
                String.join(
                        " · ",
                        parts(
                                cell.place().map(Object::toString),
                                cell.donor().map(code -> "from " + code))));
        showModels(cell);
        figures.clear();
        figures.add("First V", Quantity.VOLTAGE, cell.firstVolts().orElse(Double.NaN));
        figures.add("Last V", Quantity.VOLTAGE, cell.volts().orElse(Double.NaN));
        figures.add("Capacity", Quantity.CAPACITY, cell.milliampHours().orElse(Double.NaN));
        figures.add("Of rated", Quantity.PERCENT, 100 * Grader.soh(cell, model).orElse(Double.NaN));
        boolean isDcOnly = cell.acMilliohms().isEmpty() && cell.dcMilliohms().isPresent();
        if (!isDcOnly)
            figures.add("IR (AC)", Quantity.RESISTANCE, cell.acMilliohms().orElse(Double.NaN));
        if (cell.dcMilliohms().isPresent())
            figures.add("IR (DC)", Quantity.RESISTANCE, cell.dcMilliohms().getAsDouble());
        reasons.getChildren().setAll(judged.reasons().stream().map(CellCard::reasonLine).toList());
        lifeLine.show(cell);
    }

    @SafeVarargs
    private static List<String> parts(Optional<String>... parts) {
        List<String> present = new ArrayList<>();
        for (Optional<String> part : parts) part.ifPresent(present::add);
        return present;
    }

    private static Node reasonLine(Reason reason) {
        Label line = new Label(reason.sentence());
        Wrapping.on(line);
        line.getStyleClass().add("reason");
        return line;
    }

    /// The model can be named or corrected here: most cells get it from their donor, some labels
    /// lie.
    private Node modelRow() {
        modelChoice.setId("card-model");
        modelChoice.setMaxWidth(Double.MAX_VALUE);
        modelChoice.setPromptText("model not known");
        modelChoice.setOnAction(chosen ->
                desk.selection()
                        .cell()
                        .filter(cell -> modelChoice.getValue() != null)
                        .filter(cell -> !cell.model().equals(Optional.of(modelChoice.getValue())))
                        .ifPresent(cell ->
                                desk.ledger()
                                        .log(
                                                "Name model of " + cell.id(),
                                                List.of(
                                                        new CellNamed(
                                                                cell.id(),
                                                                cell.donor(),
                                                                Optional.of(
                                                                        modelChoice.getValue()))),
                                                () -> {})));
        Label caption = new Label("Model");
        caption.getStyleClass().add("caption");
        return new VBox(caption, modelChoice);
    }

    private void showModels(CellRecord cell) {
        List<String> names = List.copyOf(Catalogue.of(desk.ledger().state()).models().keySet());
        if (!modelChoice.getItems().equals(names)) modelChoice.getItems().setAll(names);
        // a name without a definition is shown as not known, so that it can be given one
        modelChoice.setValue(cell.model().filter(names::contains).orElse(null));
    }

    private Node decisionRow() {
        return new DecisionRow<>(
                "decision",
                List.of(Decision.values()),
                Decision.OUT,
                Decision.BY_FIGURES,
                CellCard::words,
                (choice, reason, onFailed) ->
                        desk.selection()
                                .cell()
                                .ifPresent(cell ->
                                        desk.ledger()
                                                .logOnce(
                                                        "Decide " + cell.id(),
                                                        List.of(
                                                                new CellDecided(
                                                                        cell.id(), choice, reason)),
                                                        () -> {},
                                                        why -> onFailed.run())));
    }

    private static String words(Decision decision) {
        return switch (decision) {
            case USE -> "use";
            case OUT -> "out";
            case BY_FIGURES -> "by figures";
        };
    }

    private void drawMark(pentacell.desktop.kit.Pen pen, double width, double height) {
        shown.map(Shown::mark)
                .ifPresent(cell ->
                        cell.draw(pen, width / 2, height / 2, Math.min(width, height) / 2 - 1));
    }
}
