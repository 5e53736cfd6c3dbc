package pentacell.desktop.match;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.cell.Chemistry;
import pentacell.core.match.MatchOutcome.Limit;
import pentacell.core.measure.InstrumentFigures;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.RescuedCells;
import pentacell.core.pack.Selection;
import pentacell.core.unit.Count;
import pentacell.core.unit.NumberText;
import pentacell.core.unit.Quantity;

/// The rules of a match as they are typed.
final class RuleFields extends VBox {
    private static final PseudoClass WRONG = PseudoClass.getPseudoClass("wrong");

    private final TextField series = number("rule-series", "7");
    private final TextField parallel = number("rule-parallel", "10");
    private final ToggleGroup selection = new ToggleGroup();
    private final TextField irSpread = number("rule-ir-spread", "");
    private final TextField minSoh = number("rule-min-soh", "80");
    private final TextField repeatability =
            number("rule-repeatability", plain(100 * InstrumentFigures.USUAL_REPEATABILITY));
    private final CheckBox rescued = new CheckBox("Rescued cells too");
    private final Consumer<String> complaint;
    private String suggested = repeatability.getText();

    /// @param complaint hears what is wrong with a field
    RuleFields(Consumer<String> complaint) {
        this.complaint = complaint;
        getStyleClass().add("rule-fields");
        irSpread.setPromptText("no limit");
        getChildren()
                .addAll(
                        new HBox(8, field("In series", series), field("In parallel", parallel)),
                        selectionChoice(),
                        field("IR spread in a group ≤ / mΩ", irSpread),
                        new HBox(
                                8,
                                field("Health ≥ / %", minSoh),
                                field("Repeats ± / %", repeatability)),
                        rescued);
        rescued.setId("rule-rescued");
        rescued.setSelected(true);
        rescued.setTooltip(
                new Tooltip(
                        "Cells that were deeply discharged once and held their charge; some builders never use them."));
    }

    /// Hears when the number of cells may have changed.
    void onSize(Runnable changed) {
        for (TextField each : List.of(series, parallel))
            each.textProperty().subscribe(text -> changed.run());
    }

    /// How many cells the rules ask for; empty while that cannot be read.
    OptionalDouble cells() {
        OptionalDouble groups = NumberText.parse(series.getText());
        OptionalDouble cells = NumberText.parse(parallel.getText());
        return groups.isPresent() && cells.isPresent()
                ? OptionalDouble.of(groups.getAsDouble() * cells.getAsDouble())
                : OptionalDouble.empty();
    }

    /// Takes what the bench's own repeats say, unless another figure was typed.
    void suggest(InstrumentFigures figures) {
        repeatability.setTooltip(
                new Tooltip(
                        figures.repeats() == 0
                                ? "Common practice, until the bench has repeats of its own."
                                : "One standard deviation of %s on this bench."
                                        .formatted(
                                                Count.of(figures.repeats(), "repeat", "repeats"))));
        boolean isUntouched = repeatability.getText().equals(suggested);
        // finer than a tenth of a percent no charger of this trade repeats
        suggested = Quantity.PERCENT.number(Math.max(0.1, 100 * figures.repeatability()));
        if (isUntouched) repeatability.setText(suggested);
    }

    void limitIrSpread(double milliohms) {
        irSpread.setText(Quantity.RESISTANCE.number(milliohms));
    }

    private Node selectionChoice() {
        VBox choice = new VBox();
        choice.getStyleClass().add("choice");
        Label caption = new Label("Which cells");
        caption.getStyleClass().add("caption");
        choice.getChildren().add(caption);
        for (Selection each : List.of(Selection.STRONGEST, Selection.TIGHTEST, Selection.ALL)) {
            RadioButton button = new RadioButton(words(each));
            button.setId("rule-" + each.name().toLowerCase(Locale.ROOT));
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

    static VBox field(String caption, Node field) {
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
    Optional<MatchRules> rules(Chemistry chemistry) {
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
                MatchRules.of(groups.getAsInt(), cells.getAsInt(), chosen)
                        .with(rules ->
                                rules.maxIrSpreadMilliohms(spread)
                                        .minSohShare(health.getAsDouble() / 100)
                                        .repeatabilityShare(repeats.getAsDouble() / 100)
                                        .chemistry(Optional.of(chemistry))
                                        .rescued(
                                                rescued.isSelected()
                                                        ? RescuedCells.ALLOWED
                                                        : RescuedCells.BARRED)));
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
        complaint.accept(sentence);
    }

    void show(MatchRules rules) {
        series.setText(String.valueOf(rules.series()));
        parallel.setText(String.valueOf(rules.groupSizes().get(0)));
        irSpread.setText(
                rules.maxIrSpreadMilliohms().isPresent()
                        ? Quantity.RESISTANCE.number(rules.maxIrSpreadMilliohms().getAsDouble())
                        : "");
        rescued.setSelected(!rules.barsRescued());
        minSoh.setText(plain(100 * rules.minSohShare()));
        repeatability.setText(plain(100 * rules.repeatabilityShare()));
        selection.getToggles().stream()
                .filter(toggle -> rules.selection().equals(toggle.getUserData()))
                .forEach(selection::selectToggle);
    }

    static String plain(double value) {
        return new BigDecimal(value)
                .setScale(3, RoundingMode.HALF_EVEN)
                .stripTrailingZeros()
                .toPlainString();
    }

    Optional<TextField> fieldOf(Limit limit) {
        return switch (limit) {
            case CELLS -> Optional.of(parallel);
            case MIN_SOH -> Optional.of(minSoh);
            case MAX_IR_SPREAD -> Optional.of(irSpread);
            case MAX_IR, MAX_MODELS, LOCKS, SCHOOL, TARGET, SPARES -> Optional.empty();
        };
    }
}
