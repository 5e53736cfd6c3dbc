package pentacell.desktop.match;

import java.util.function.Consumer;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import pentacell.core.pack.MatchPolicy;
import pentacell.core.pack.MatchSchool;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.EnumWords;
import pentacell.desktop.kit.NumberField;
import pentacell.desktop.kit.NumberField.NotUnderstood;
import pentacell.desktop.kit.Wrapping;

/// The school of matching, what it means in two sentences, and its figure where it has one.
final class SchoolField extends VBox {
    private final ComboBox<MatchSchool> school = new ComboBox<>();
    private final Label meaning = new Label();
    private final NumberField figure;

    SchoolField(Consumer<String> complaint) {
        getStyleClass().add("rule-fields");
        figure = new NumberField("rule-figure", "", "", "a number", 0.1, 10_000, complaint);
        school.setId("rule-school");
        school.getItems().setAll(MatchSchool.values());
        school.setConverter(new EnumWords<>(SchoolField::name));
        school.setMaxWidth(Double.MAX_VALUE);
        meaning.setId("rule-school-means");
        meaning.getStyleClass().add("caption");
        Wrapping.on(meaning);
        getChildren().addAll(RuleFields.field("School", school), meaning, figure);
        school.valueProperty()
                .subscribe(chosen -> {
                    if (chosen != null) show(MatchPolicy.of(chosen));
                });
        school.setValue(MatchSchool.EQUAL_SUMS);
    }

    void show(MatchPolicy policy) {
        if (school.getValue() != policy.school()) {
            school.setValue(policy.school());
        }
        boolean hasFigure = policy.figure() > 0;
        figure.setVisible(hasFigure);
        figure.setManaged(hasFigure);
        figure.caption(
                policy.school() == MatchSchool.NARROW_BINS
                        ? "Width of the bin / mAh"
                        : "Within ± σ of the mean");
        figure.show(NumberField.plain(policy.figure()));
        meaning.setText(meaning(policy.school()));
    }

    /// @throws NotUnderstood after marking the figure
    MatchPolicy policy() throws NotUnderstood {
        MatchSchool chosen = school.getValue();
        if (MatchPolicy.of(chosen).figure() == 0) return MatchPolicy.of(chosen);
        double number = figure.required();
        try {
            return new MatchPolicy(chosen, number);
        } catch (IllegalArgumentException wrong) {
            throw figure.complain(
                    chosen == MatchSchool.NARROW_BINS
                            ? "A bin is %s to %s wide."
                                    .formatted(
                                            Quantity.COUNT.number(1),
                                            Quantity.CAPACITY.text(10_000))
                            : "A population keeps within 0.1 to 6 σ.");
        }
    }

    NumberField figure() {
        return figure;
    }

    static String name(MatchSchool school) {
        return switch (school) {
            case EQUAL_SUMS -> "Equal sums";
            case RESISTANCE_FIRST -> "Resistance first";
            case NARROW_BINS -> "Narrow bins";
            case TIGHT_POPULATION -> "Tight population";
            case AS_THEY_COME -> "As they come";
        };
    }

    private static String meaning(MatchSchool school) {
        return switch (school) {
            case EQUAL_SUMS ->
                    "Groups of equal capacity from whichever cells reach it, under the limits below. The default, for a pack gives what its smallest group gives.";
            case RESISTANCE_FIRST ->
                    "In each group cells as alike in IR as this stock allows, then equal capacity. Currents are shared fairly; the trade-off shows what that costs.";
            case NARROW_BINS ->
                    "All cells of the pack from one bin of capacity, the strongest bin that holds enough. Cells worn alike go on wearing alike; the others wait for their own pack.";
            case TIGHT_POPULATION ->
                    "Only cells near the mean of the stock: within ±2 σ as a rule, ±1 for the best packs. What is odd stays out, strong or weak.";
            case AS_THEY_COME ->
                    "Group after group in the order of their ids, nothing sorted. Some do it with many like cells; here it is to compare with.";
        };
    }
}
