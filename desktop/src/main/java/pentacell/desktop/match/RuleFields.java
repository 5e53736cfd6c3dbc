package pentacell.desktop.match;

import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
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
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.NumberField;
import pentacell.desktop.kit.NumberField.NotUnderstood;

/// The rules of a match as they are typed.
final class RuleFields extends VBox {
    private final NumberField series;
    private final NumberField parallel;
    private final ToggleGroup selection = new ToggleGroup();
    private final SchoolField school;
    private final NumberField irSpread;
    private final NumberField minSoh;
    private final NumberField repeatability;
    private final CheckBox rescued = new CheckBox("Rescued cells too");
    private final MoreRules more;
    private String suggested = NumberField.plain(100 * InstrumentFigures.USUAL_REPEATABILITY);

    /// @param complaint hears what is wrong with a field
    RuleFields(Consumer<String> complaint) {
        series =
                new NumberField(
                        "rule-series", "In series", "7", "groups in series", 1, 400, complaint);
        parallel =
                new NumberField(
                        "rule-parallel",
                        "In parallel",
                        "10",
                        "cells in parallel",
                        1,
                        2000,
                        complaint);
        irSpread =
                new NumberField(
                                "rule-ir-spread",
                                "IR spread in a group ≤ / mΩ",
                                "",
                                "mΩ, or nothing for no limit",
                                0,
                                1e5,
                                complaint)
                        .empty("no limit");
        minSoh =
                new NumberField(
                        "rule-min-soh",
                        "Health ≥ / %",
                        "80",
                        "percent of rated",
                        0,
                        200,
                        complaint);
        repeatability =
                new NumberField(
                        "rule-repeatability",
                        "Repeats ± / %",
                        suggested,
                        "percent",
                        0,
                        20,
                        complaint);
        school = new SchoolField(complaint);
        more = new MoreRules(complaint);
        getStyleClass().add("rule-fields");
        getChildren()
                .addAll(
                        new HBox(8, series, parallel),
                        selectionChoice(),
                        school,
                        irSpread,
                        new HBox(8, minSoh, repeatability),
                        rescued,
                        more);
        rescued.setId("rule-rescued");
        rescued.setSelected(true);
        rescued.setTooltip(
                new Tooltip(
                        "Cells that were deeply discharged once and held their charge; some builders never use them."));
    }

    /// Hears when the number of cells may have changed.
    void onSize(Runnable changed) {
        for (NumberField each : List.of(series, parallel, more.blanks()))
            each.field().textProperty().subscribe(text -> changed.run());
    }

    /// How many cells the rules ask for; empty while that cannot be read.
    OptionalDouble cells() {
        OptionalDouble groups = series.typed();
        OptionalDouble cells = parallel.typed();
        return groups.isPresent() && cells.isPresent()
                ? OptionalDouble.of(
                        groups.getAsDouble() * cells.getAsDouble()
                                - more.blanks().typed().orElse(0))
                : OptionalDouble.empty();
    }

    /// Takes what the bench's own repeats say, unless another figure was typed.
    void suggest(InstrumentFigures figures) {
        repeatability
                .field()
                .setTooltip(
                        new Tooltip(
                                figures.repeats() == 0
                                        ? "Common practice, until the bench has repeats of its own."
                                        : "One standard deviation of %s on this bench."
                                                .formatted(
                                                        Count.of(
                                                                figures.repeats(),
                                                                "repeat",
                                                                "repeats"))));
        boolean isUntouched = repeatability.field().getText().equals(suggested);
        // finer than a tenth of a percent no charger of this trade repeats
        suggested =
                NumberField.plain(Math.max(0.1, Math.rint(1000 * figures.repeatability()) / 10));
        if (isUntouched) repeatability.show(suggested);
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

    /// The rules as typed; empty after marking the field that cannot be understood.
    Optional<MatchRules> rules(Chemistry chemistry) {
        try {
            Selection chosen = (Selection) selection.getSelectedToggle().getUserData();
            MatchRules.Change rules =
                    MatchRules.of(more.sizes(series.count(), parallel.count()), chosen)
                            .change()
                            .maxIrSpreadMilliohms(irSpread.number())
                            .minSohShare(minSoh.required() / 100)
                            .repeatabilityShare(repeatability.required() / 100)
                            .chemistry(Optional.of(chemistry))
                            .policy(school.policy())
                            .rescued(
                                    rescued.isSelected()
                                            ? RescuedCells.ALLOWED
                                            : RescuedCells.BARRED);
            return Optional.of(more.on(rules).rules());
        } catch (NotUnderstood marked) {
            return Optional.empty();
        }
    }

    /// A size that was planned; the other rules stay as they are.
    void showSize(int groups, int cells, int spares) {
        series.show(String.valueOf(groups));
        parallel.show(String.valueOf(cells));
        more.spares().show(spares == 0 ? "" : String.valueOf(spares));
    }

    void show(MatchRules rules) {
        series.show(String.valueOf(rules.series()));
        parallel.show(String.valueOf(Collections.max(rules.groupSizes())));
        irSpread.show(
                rules.maxIrSpreadMilliohms().isPresent()
                        ? Quantity.RESISTANCE.number(rules.maxIrSpreadMilliohms().getAsDouble(), 2)
                        : "");
        rescued.setSelected(!rules.barsRescued());
        minSoh.show(NumberField.plain(100 * rules.minSohShare()));
        repeatability.show(NumberField.plain(100 * rules.repeatabilityShare()));
        school.show(rules.policyInUse());
        more.show(rules);
        selection.getToggles().stream()
                .filter(toggle -> rules.selection().equals(toggle.getUserData()))
                .forEach(selection::selectToggle);
    }

    /// The field of a limit that stands in the way.
    Optional<NumberField> fieldOf(Limit limit) {
        return switch (limit) {
            case CELLS -> Optional.of(parallel);
            case MIN_SOH -> Optional.of(minSoh);
            case MAX_IR_SPREAD -> Optional.of(irSpread);
            case SCHOOL -> Optional.of(school.figure());
            case TARGET -> Optional.of(more.target());
            case SPARES -> Optional.of(more.spares());
            case MAX_MODELS -> Optional.of(more.models());
            case MAX_IR -> Optional.of(more.milliohms());
            case LOCKS -> Optional.empty();
        };
    }
}
