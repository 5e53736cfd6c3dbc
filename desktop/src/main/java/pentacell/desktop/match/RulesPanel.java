package pentacell.desktop.match;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.Chemistry;
import pentacell.core.match.Candidate;
import pentacell.core.match.MatchOutcome.Infeasible;
import pentacell.core.match.MatchWords;
import pentacell.core.match.SearchWatch;
import pentacell.core.measure.InstrumentFigures;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Packs;
import pentacell.core.plan.facts.MeanCell;
import pentacell.core.plan.facts.Plans;
import pentacell.core.school.Grading;
import pentacell.core.stock.MatchableStock;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.core.unit.Sentence;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.EnumWords;
import pentacell.desktop.kit.NumberField;
import pentacell.desktop.kit.Scrolled;
import pentacell.desktop.kit.Wrapping;
import pentacell.desktop.match.MatchModel.Search;

/// The rules of a match, the buttons that search, and how the search goes.
final class RulesPanel extends VBox {
    private static final String WHOLE_STOCK = "The whole stock";

    private final Desk desk;
    private final MatchModel model;
    private final ComboBox<String> pack = new ComboBox<>();
    private final ComboBox<Chemistry> chemistry = new ComboBox<>();
    private final ComboBox<CellFormat> size = new ComboBox<>();
    private final ComboBox<String> from = new ComboBox<>();
    private final RuleFields fields;
    private final Button match = new Button("Match");
    private final Button improve = new Button("Improve from here");
    private final Button cancel = new Button("Stop here");
    private final ProgressBar progress = new ProgressBar(0);
    private final Label message = new Label();
    private final Label stock = new Label();
    private final Button nearest = new Button();
    private final VBox fromField;
    private final VBox sizeField;

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
        from.setId("rule-cells-from");
        from.setMaxWidth(Double.MAX_VALUE);
        from.getItems().setAll(WHOLE_STOCK);
        from.setValue(WHOLE_STOCK);
        stock.setId("stock-said");
        Wrapping.on(stock);
        stock.getStyleClass().add("caption");
        message.setId("match-message");
        Wrapping.on(message);
        message.getStyleClass().add("match-message");
        fields = new RuleFields(message::setText);
        match.setId("match");
        match.getStyleClass().add("primary");
        match.setMaxWidth(Double.MAX_VALUE);
        match.setOnAction(pressed -> rules().ifPresent(model::match));
        improve.setId("match-improve");
        improve.setMaxWidth(Double.MAX_VALUE);
        improve.setTooltip(
                new Tooltip("Goes on from these groups; what comes out is never worse."));
        improve.setOnAction(pressed -> rules().ifPresent(model::improve));
        cancel.setId("match-cancel");
        cancel.setOnAction(pressed -> model.cancel());
        nearest.setId("take-nearest");
        fromField = RuleFields.field("Cells from", from);
        size.setId("rule-size");
        size.setMaxWidth(Double.MAX_VALUE);
        size.setConverter(new EnumWords<>(CellFormat::code));
        size.setTooltip(
                new Tooltip("One holder takes one size; cells of unknown size count as of it."));
        sizeField = RuleFields.field("Size", size);
        VBox rules =
                new VBox(
                        RuleFields.field("Pack", pack),
                        RuleFields.field("Chemistry", chemistry),
                        sizeField,
                        fromField,
                        fields);
        rules.getStyleClass().add("rules-content");
        Scrolled scroll = new Scrolled(rules);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        // what is to be pressed and what is said of it stays in sight however many rules there are
        VBox press =
                new VBox(stock, match, improve, new HBox(8, progress, cancel), message, nearest);
        press.getStyleClass().addAll("rules-content", "rules-press");
        getChildren().addAll(scroll, press);
        follow();
    }

    private void follow() {
        model.rulesFrom(this::rules);
        desk.ledger()
                .stateProperty()
                .subscribe(state -> offer(Grading.of(state).selections().keySet()));
        model.packNameProperty()
                .subscribe(name -> {
                    pack.setValue(name);
                    sayStock();
                    // no pack was shown before, none is now: nobody hears of that
                    if (Packs.of(desk.ledger().state()).pack(name).isEmpty()) showAsPlanned();
                });
        pack.valueProperty()
                .subscribe(name -> {
                    if (name != null && !name.isBlank()) model.takeInHand(name.strip());
                });
        desk.ledger()
                .stateProperty()
                .subscribe(state -> {
                    String present = model.packNameProperty().get();
                    List<String> names =
                            Stream.concat(
                                            Packs.of(state).all().keySet().stream(),
                                            Plans.of(state).all().keySet().stream())
                                    .distinct()
                                    .toList();
                    if (!pack.getItems().equals(names)) pack.getItems().setAll(names);
                    pack.setValue(present.isEmpty() ? MatchModel.NEW_PACK : present);
                });
        model.shownProperty()
                .subscribe(shown -> {
                    shown.ifPresent(now -> show(now.pack().rules()));
                    improve.setDisable(match.isDisable() || shown.isEmpty());
                });
        model.sortsProperty().subscribe(count -> sayStock());
        desk.ledger()
                .stateProperty()
                .subscribe(state ->
                        desk.work()
                                .lane("instrument figures")
                                .run(() -> InstrumentFigures.of(state), fields::suggest));
        model.searchProperty().subscribe(this::show);
        fields.onSize(this::sayNeeded);
        chemistry.valueProperty().subscribe(value -> forgetSize());
        size.valueProperty().subscribe(value -> sayStock());
    }

    /// Offers the saved selections; without any there is nothing to choose.
    private void offer(Set<String> selections) {
        List<String> choices = new ArrayList<>(List.of(WHOLE_STOCK));
        choices.addAll(selections);
        fromField.setVisible(choices.size() > 1);
        fromField.setManaged(choices.size() > 1);
        if (choices.equals(from.getItems())) return;
        String before = from.getValue();
        from.getItems().setAll(choices);
        from.setValue(choices.contains(before) ? before : WHOLE_STOCK);
    }

    private Optional<MatchRules> rules() {
        Optional<String> selection =
                Optional.ofNullable(from.getValue()).filter(name -> !name.equals(WHOLE_STOCK));
        return fields.rules(chemistry.getValue())
                .map(rules -> rules.with(change -> change.cellsFrom(selection).format(size())));
    }

    /// What was planned of a pack that is not matched yet.
    private void showAsPlanned() {
        model.planned()
                .ifPresent(plan -> {
                    chemistry.setValue(plan.need().chemistry());
                    plan.need().cell().map(MeanCell::format).ifPresent(this::want);
                    plan.chosen()
                            .ifPresent(pack ->
                                    fields.showSize(
                                            pack.series(), pack.parallel(), plan.need().spares()));
                });
    }

    private void show(MatchRules rules) {
        rules.chemistry().ifPresent(chemistry::setValue);
        forgetSize();
        rules.format().ifPresent(this::want);
        from.setValue(rules.cellsFrom().filter(from.getItems()::contains).orElse(WHOLE_STOCK));
        fields.show(rules);
    }

    /// The size in hand; empty while the stock knows of none.
    private Optional<CellFormat> size() {
        return Optional.ofNullable(size.getValue());
    }

    /// Goes back to the size that most cells of the chemistry have.
    private void forgetSize() {
        size.setValue(null);
        size.getItems().clear();
        sayStock();
    }

    /// A size that was asked for, also when the stock has none of it.
    private void want(CellFormat wanted) {
        if (!size.getItems().contains(wanted)) size.getItems().add(wanted);
        size.setValue(wanted);
        showSizes();
    }

    /// Offers the sizes of the stock; with one alone there is nothing to choose.
    private void offerSizes(List<CellFormat> sizes) {
        CellFormat before = size.getValue();
        List<CellFormat> choices = new ArrayList<>(sizes);
        if (before != null && !choices.contains(before)) choices.add(before);
        if (!choices.equals(size.getItems())) size.getItems().setAll(choices);
        size.setValue(before == null && !sizes.isEmpty() ? sizes.get(0) : before);
        showSizes();
    }

    private void showSizes() {
        sizeField.setVisible(size.getItems().size() > 1);
        sizeField.setManaged(size.getItems().size() > 1);
    }

    private void sayNeeded() {
        OptionalDouble cells = fields.cells();
        match.setText(
                cells.isPresent()
                        ? "Match %s cells".formatted(Quantity.COUNT.number(cells.getAsDouble()))
                        : "Match");
    }

    private void sayStock() {
        MatchableStock sorted = model.stock();
        List<Candidate> alike =
                sorted.candidates().stream()
                        .filter(cell -> cell.chemistry().equals(Optional.of(chemistry.getValue())))
                        .toList();
        offerSizes(Candidate.formats(alike));
        int usable = Candidate.cans(alike.stream().filter(cell -> cell.mayBeOf(size())).toList());
        stock.setText(
                "%s usable; %d not measured, %d out, %d in other packs"
                        .formatted(
                                Count.of(usable, "cell", "cells"),
                                sorted.notMeasured(),
                                sorted.out(),
                                sorted.inOtherPacks()));
    }

    private void show(Search search) {
        boolean running = search instanceof Search.Running;
        match.setDisable(running);
        improve.setDisable(running || model.shownProperty().get().isEmpty());
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
        message.setText(Sentence.whole(MatchWords.sentence(infeasible.why())));
        Optional<NumberField> field = fields.fieldOf(infeasible.limit());
        boolean canTake = field.isPresent() && infeasible.nearest().isPresent();
        nearest.setVisible(canTake);
        nearest.setManaged(canTake);
        if (!canTake) return;
        String value = NumberField.plain(infeasible.nearest().getAsDouble());
        nearest.setText("Use " + value + " and match");
        nearest.setOnAction(pressed -> {
            field.get().show(value);
            rules().ifPresent(model::match);
        });
    }
}
