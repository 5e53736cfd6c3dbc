package pentacell.desktop.match;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.RadioButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.cell.Chemistry;
import pentacell.core.grade.MatchableStock;
import pentacell.core.match.MatchOutcome.Infeasible;
import pentacell.core.match.MatchOutcome.Limit;
import pentacell.core.match.MatchRules;
import pentacell.core.match.SearchWatch;
import pentacell.core.match.Selection;
import pentacell.core.unit.NumberText;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.EnumWords;
import pentacell.desktop.match.MatchModel.Search;

/// The rules of a match, the button that searches, how the search goes, and the trade-off curve.
final class RulesPanel extends VBox {
    private static final javafx.css.PseudoClass WRONG =
            javafx.css.PseudoClass.getPseudoClass("wrong");

    private final Desk desk;
    private final MatchModel model;
    private final ComboBox<String> pack = new ComboBox<>();
    private final ComboBox<Chemistry> chemistry = new ComboBox<>();
    private final TextField series = number("rule-series", "7");
    private final TextField parallel = number("rule-parallel", "10");
    private final ToggleGroup selection = new ToggleGroup();
    private final TextField irSpread = number("rule-ir-spread", "");
    private final TextField minSoh = number("rule-min-soh", "80");
    private final TextField repeatability = number("rule-repeatability", "1");
    private final Button match = new Button("Match");
    private final Button cancel = new Button("Stop here");
    private final ProgressBar progress = new ProgressBar(0);
    private final Label message = new Label();
    private final Label stock = new Label();
    private final Button nearest = new Button();

    RulesPanel(Desk desk, MatchModel model) {
        this.desk = desk;
        this.model = model;
        setId("rules");
        getStyleClass().add("rules");
        pack.setId("pack-name");
        pack.setEditable(true);
        pack.setMaxWidth(Double.MAX_VALUE);
        chemistry.setId("rule-chemistry");
        chemistry.getItems().setAll(Chemistry.values());
        chemistry.getSelectionModel().selectFirst();
        chemistry.setConverter(new EnumWords<>(Chemistry::words));
        chemistry.setMaxWidth(Double.MAX_VALUE);
        stock.setId("stock-said");
        stock.setWrapText(true);
        stock.getStyleClass().add("caption");
        message.setId("match-message");
        message.setWrapText(true);
        message.getStyleClass().add("match-message");
        match.setId("match");
        match.getStyleClass().add("primary");
        match.setMaxWidth(Double.MAX_VALUE);
        match.setOnAction(pressed -> rules().ifPresent(model::match));
        cancel.setId("match-cancel");
        cancel.setOnAction(pressed -> model.cancel());
        nearest.setId("take-nearest");
        VBox rules =
                new VBox(
                        field("Pack", pack),
                        field("Chemistry", chemistry),
                        new HBox(8, field("In series", series), field("In parallel", parallel)),
                        selectionChoice(),
                        field("IR spread in a group ≤ / mΩ", irSpread),
                        new HBox(
                                8,
                                field("Health ≥ / %", minSoh),
                                field("Repeats ± / %", repeatability)),
                        stock,
                        match,
                        new HBox(8, progress, cancel),
                        message,
                        nearest,
                        curve());
        rules.getStyleClass().add("rules-content");
        irSpread.setPromptText("no limit");
        ScrollPane scroll = new ScrollPane(rules);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().add(scroll);
        follow();
    }

    private void follow() {
        model.packNameProperty()
                .subscribe(name -> {
                    pack.setValue(name);
                    sayStock();
                });
        pack.valueProperty()
                .subscribe(name -> {
                    if (name != null && !name.isBlank()) model.takeInHand(name.strip());
                });
        desk.stateProperty()
                .subscribe(state -> {
                    String present = model.packNameProperty().get();
                    List<String> names = List.copyOf(state.packs().keySet());
                    if (!pack.getItems().equals(names)) pack.getItems().setAll(names);
                    pack.setValue(present.isEmpty() ? MatchModel.NEW_PACK : present);
                    sayStock();
                });
        model.shownProperty().subscribe(shown -> shown.ifPresent(now -> show(now.pack().rules())));
        model.searchProperty().subscribe(this::show);
        for (TextField each : List.of(series, parallel))
            each.textProperty().subscribe(text -> sayNeeded());
        chemistry.valueProperty().subscribe(value -> sayStock());
    }

    private Node selectionChoice() {
        VBox choice = new VBox();
        choice.getStyleClass().add("choice");
        Label caption = new Label("Which cells");
        caption.getStyleClass().add("caption");
        choice.getChildren().add(caption);
        for (Selection each : List.of(Selection.STRONGEST, Selection.TIGHTEST, Selection.ALL)) {
            RadioButton button = new RadioButton(words(each));
            button.setId("rule-" + each.name().toLowerCase(java.util.Locale.ROOT));
            button.setUserData(each);
            button.setToggleGroup(selection);
            button.setSelected(each == Selection.STRONGEST);
            choice.getChildren().add(button);
        }
        return choice;
    }

    private static String words(Selection selection) {
        return switch (selection) {
            case STRONGEST -> "Strongest (most capacity)";
            case TIGHTEST -> "Tightest (least spread)";
            case ALL -> "All (every usable cell)";
        };
    }

    private Node curve() {
        TradeOffPlot plot =
                new TradeOffPlot(
                        model, limit -> irSpread.setText(Quantity.RESISTANCE.number(limit)));
        Button draw = new Button("Draw trade-off");
        draw.setId("draw-trade-off");
        draw.setOnAction(pressed -> rules().ifPresent(model::drawCurve));
        Label caption = new Label("Capacity against IR limit; a click takes the limit");
        caption.setWrapText(true);
        caption.getStyleClass().add("caption");
        return new VBox(4, caption, draw, plot);
    }

    private static VBox field(String caption, Node field) {
        Label label = new Label(caption);
        label.setLabelFor(field);
        label.getStyleClass().add("caption");
        VBox box = new VBox(label, field);
        HBox.setHgrow(box, Priority.ALWAYS);
        return box;
    }

    private static TextField number(String id, String text) {
        TextField field = new TextField(text);
        field.setId(id);
        field.setPrefColumnCount(4);
        field.textProperty().subscribe(typed -> field.pseudoClassStateChanged(WRONG, false));
        return field;
    }

    /// The rules as typed; empty after marking the field that cannot be understood.
    private Optional<MatchRules> rules() {
        OptionalInt groups = whole(series, 1, 400, "groups in series");
        OptionalInt cells = whole(parallel, 1, 2000, "cells in parallel");
        if (groups.isEmpty() || cells.isEmpty()) return Optional.empty();
        OptionalDouble spread =
                irSpread.getText().isBlank()
                        ? OptionalDouble.empty()
                        : decimal(irSpread, 0, 1e5, "mΩ, or nothing for no limit");
        OptionalDouble health = decimal(minSoh, 0, 200, "percent of rated");
        OptionalDouble repeats = decimal(repeatability, 0, 20, "percent");
        boolean wrong =
                health.isEmpty()
                        || repeats.isEmpty()
                        || spread.isEmpty() && !irSpread.getText().isBlank();
        if (wrong) return Optional.empty();
        Selection chosen = (Selection) selection.getSelectedToggle().getUserData();
        return Optional.of(
                new MatchRules(
                        java.util.Collections.nCopies(groups.getAsInt(), cells.getAsInt()),
                        chosen,
                        spread,
                        OptionalInt.empty(),
                        health.getAsDouble() / 100,
                        OptionalDouble.empty(),
                        repeats.getAsDouble() / 100,
                        Optional.of(chemistry.getValue())));
    }

    private OptionalInt whole(TextField field, int least, int most, String what) {
        OptionalDouble number = decimal(field, least, most, what);
        if (number.isPresent() && number.getAsDouble() == Math.rint(number.getAsDouble()))
            return OptionalInt.of((int) number.getAsDouble());
        if (number.isPresent())
            complain(field, "\"" + field.getText() + "\" is not a whole number of " + what + ".");
        return OptionalInt.empty();
    }

    private OptionalDouble decimal(TextField field, double least, double most, String expected) {
        OptionalDouble number = NumberText.parse(field.getText());
        if (number.isPresent() && number.getAsDouble() >= least && number.getAsDouble() <= most)
            return number;
        complain(
                field,
                "\""
                        + field.getText()
                        + "\": expected "
                        + expected
                        + ", "
                        + Quantity.COUNT.number(least)
                        + " to "
                        + Quantity.COUNT.number(most)
                        + ".");
        return OptionalDouble.empty();
    }

    private void complain(TextField field, String sentence) {
        field.pseudoClassStateChanged(WRONG, true);
        field.requestFocus();
        message.setText(sentence);
    }

    private void show(MatchRules rules) {
        series.setText(String.valueOf(rules.series()));
        parallel.setText(String.valueOf(rules.groupSizes().get(0)));
        rules.chemistry().ifPresent(chemistry::setValue);
        irSpread.setText(
                rules.maxIrSpreadMilliohms().isPresent()
                        ? Quantity.RESISTANCE.number(rules.maxIrSpreadMilliohms().getAsDouble())
                        : "");
        minSoh.setText(plain(100 * rules.minSohShare()));
        repeatability.setText(plain(100 * rules.repeatabilityShare()));
        selection.getToggles().stream()
                .filter(toggle -> rules.selection().equals(toggle.getUserData()))
                .forEach(selection::selectToggle);
    }

    private static String plain(double value) {
        return new java.math.BigDecimal(value)
                .setScale(3, java.math.RoundingMode.HALF_EVEN)
                .stripTrailingZeros()
                .toPlainString();
    }

    private void sayNeeded() {
        OptionalDouble groups = NumberText.parse(series.getText());
        OptionalDouble cells = NumberText.parse(parallel.getText());
        boolean known = groups.isPresent() && cells.isPresent();
        match.setText(
                known
                        ? "Match %.0f cells".formatted(groups.getAsDouble() * cells.getAsDouble())
                        : "Match");
    }

    private void sayStock() {
        MatchableStock sorted = model.stock();
        long usable =
                sorted.candidates().stream()
                        .filter(cell -> cell.chemistry().equals(Optional.of(chemistry.getValue())))
                        .count();
        stock.setText(
                "%d cells usable; %d not measured, %d out, %d in other packs"
                        .formatted(
                                usable, sorted.notMeasured(), sorted.out(), sorted.inOtherPacks()));
    }

    private void show(Search search) {
        boolean running = search instanceof Search.Running;
        match.setDisable(running);
        progress.setVisible(running);
        cancel.setVisible(running);
        progress.getParent().setManaged(running);
        nearest.setVisible(false);
        nearest.setManaged(false);
        switch (search) {
            case Search.Idle idle -> message.setText("");
            case Search.Running now ->
                    now.progress()
                            .ifPresentOrElse(
                                    this::show,
                                    () -> {
                                        progress.setProgress(ProgressBar.INDETERMINATE_PROGRESS);
                                        message.setText("Dealing …");
                                    });
            case Search.NoSolution none -> show(none.infeasible());
        }
    }

    private void show(SearchWatch.Progress now) {
        progress.setProgress((double) now.round() / now.rounds());
        message.setText(
                "Round %d of %d: usable %s, spread %s"
                        .formatted(
                                now.round(),
                                now.rounds(),
                                Quantity.CAPACITY.text(now.usableMilliampHours()),
                                Quantity.CAPACITY.text(now.spreadMilliampHours())));
    }

    private void show(Infeasible infeasible) {
        String sentence = infeasible.sentence();
        message.setText(
                sentence.substring(0, 1).toUpperCase(java.util.Locale.ROOT)
                        + sentence.substring(1)
                        + ".");
        Optional<TextField> field = fieldOf(infeasible.limit());
        boolean canTake = field.isPresent() && infeasible.nearest().isPresent();
        nearest.setVisible(canTake);
        nearest.setManaged(canTake);
        if (!canTake) return;
        String value = plain(infeasible.nearest().getAsDouble());
        nearest.setText("Use " + value + " and match");
        nearest.setOnAction(pressed -> {
            field.get().setText(value);
            rules().ifPresent(model::match);
        });
    }

    private Optional<TextField> fieldOf(Limit limit) {
        return switch (limit) {
            case CELLS -> Optional.of(parallel);
            case MIN_SOH -> Optional.of(minSoh);
            case MAX_IR_SPREAD -> Optional.of(irSpread);
            case MAX_IR, MAX_MODELS, LOCKS -> Optional.empty();
        };
    }
}
