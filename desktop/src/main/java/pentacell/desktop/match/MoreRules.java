package pentacell.desktop.match;

import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Consumer;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import pentacell.core.pack.EveningWeights;
import pentacell.core.pack.MatchRules;
import pentacell.desktop.kit.NumberField;
import pentacell.desktop.kit.NumberField.NotUnderstood;
import pentacell.desktop.kit.Wrapping;

/// Rules that most matches do without, folded away until one is set: a capacity wanted, spares,
/// models and IR, and what is evened out below the meter's noise.
final class MoreRules extends VBox {
    private final Hyperlink fold = new Hyperlink();
    private final VBox fields = new VBox();
    private final NumberField target;
    private final NumberField spares;
    private final NumberField blanks;
    private final NumberField models;
    private final NumberField milliohms;
    private final NumberField resistance;
    private final NumberField donors;
    private final NumberField sameModels;

    MoreRules(Consumer<String> complaint) {
        getStyleClass().add("rule-fields");
        target =
                new NumberField("rule-target", "Wanted / mAh", "", "mAh", 1, 1e8, complaint)
                        .empty("all there is");
        spares =
                new NumberField(
                                "rule-spares",
                                "Spares",
                                "",
                                "spares",
                                0,
                                MatchRules.MOST_SPARES,
                                complaint)
                        .empty("none");
        blanks =
                new NumberField("rule-blanks", "Blank places", "", "places", 0, 2000, complaint)
                        .empty("none");
        models =
                new NumberField("rule-models", "Models ≤", "", "models", 1, 100, complaint)
                        .empty("no limit");
        milliohms =
                new NumberField("rule-max-ir", "IR of a cell ≤ / mΩ", "", "mΩ", 0, 1e5, complaint)
                        .empty("no limit");
        resistance = weight("rule-even-resistance", "Group R", complaint);
        donors = weight("rule-even-donors", "Donors", complaint);
        sameModels = weight("rule-even-models", "Models", complaint);
        Label below = new Label("Below the meter’s noise, weight of even");
        below.getStyleClass().add("caption");
        Wrapping.on(below);
        tip(
                target,
                "What the smallest group must have. The strongest cells that are not needed for it stay on the shelf.");
        tip(
                spares,
                "Cells held back for repairs: those that would do best in the place of whichever cell fails.");
        tip(
                blanks,
                "Places of the pack that stay empty, one in each group from the last group on; the weakest cells are left out.");
        tip(models, "Most different models in a group.");
        fields.getStyleClass().add("rule-fields");
        fields.getChildren()
                .addAll(
                        new HBox(8, target, spares),
                        new HBox(8, blanks, models),
                        milliohms,
                        below,
                        new HBox(8, resistance, donors, sameModels));
        fold.setId("more-rules");
        fold.setOnAction(pressed -> unfold(!fields.isVisible()));
        getChildren().addAll(fold, fields);
        show(EveningWeights.USUAL);
        unfold(false);
    }

    private static NumberField weight(String id, String caption, Consumer<String> complaint) {
        return new NumberField(id, caption, "", "a weight", 0, 100, complaint);
    }

    private static void tip(NumberField field, String text) {
        field.field().setTooltip(new Tooltip(text));
    }

    void unfold(boolean open) {
        fields.setVisible(open);
        fields.setManaged(open);
        fold.setText(open ? "Fewer rules" : "More rules");
    }

    NumberField target() {
        return target;
    }

    NumberField spares() {
        return spares;
    }

    NumberField blanks() {
        return blanks;
    }

    NumberField models() {
        return models;
    }

    NumberField milliohms() {
        return milliohms;
    }

    private void show(EveningWeights weights) {
        resistance.show(NumberField.plain(weights.resistance()));
        donors.show(NumberField.plain(weights.donors()));
        sameModels.show(NumberField.plain(weights.models()));
    }

    void show(MatchRules rules) {
        target.show(rules.targetMilliampHours());
        spares.show(number(rules.spares()));
        int places = rules.series() * Collections.max(rules.groupSizes());
        int empty = places - rules.cellsNeeded();
        blanks.show(empty == 0 ? OptionalDouble.empty() : OptionalDouble.of(empty));
        models.show(number(rules.maxModels()));
        milliohms.show(rules.maxMilliohms());
        show(rules.eveningInUse());
        boolean isAnySet =
                empty > 0
                        || rules.targetMilliampHours().isPresent()
                        || rules.spares().isPresent()
                        || rules.maxModels().isPresent()
                        || rules.maxMilliohms().isPresent()
                        || rules.evening().isPresent();
        if (isAnySet) unfold(true);
    }

    private static OptionalDouble number(OptionalInt value) {
        return value.isPresent() ? OptionalDouble.of(value.getAsInt()) : OptionalDouble.empty();
    }

    /// Sizes of the groups when so many places of equal ones stay empty.
    ///
    /// @throws NotUnderstood after marking the field
    List<Integer> sizes(int series, int parallel) throws NotUnderstood {
        int empty = blanks.isBlank() ? 0 : blanks.count();
        if (empty > series * (parallel - 1))
            throw blanks.complain(
                    "%dS%dP has %d places, and every group needs a cell."
                            .formatted(series, parallel, series * parallel));
        int[] sizes = new int[series];
        Arrays.fill(sizes, parallel);
        for (int i = 0; i < empty; i++) sizes[series - 1 - i % series]--;
        return Arrays.stream(sizes).boxed().toList();
    }

    /// @throws NotUnderstood after marking a field
    MatchRules.Change on(MatchRules.Change rules) throws NotUnderstood {
        OptionalInt most = models.isBlank() ? OptionalInt.empty() : OptionalInt.of(models.count());
        return rules.targetMilliampHours(target.number())
                .spares(spares.isBlank() ? 0 : spares.count())
                .maxModels(most)
                .maxMilliohms(milliohms.number())
                .evening(
                        new EveningWeights(
                                resistance.required(), donors.required(), sameModels.required()));
    }
}
