package pentacell.desktop.prove;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.prove.PackChargeEnd;
import pentacell.core.prove.ProvedPack;
import pentacell.core.prove.facts.ChargeRun;
import pentacell.core.prove.facts.ProofFact;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.NumberField;
import pentacell.desktop.kit.NumberField.NotUnderstood;
import pentacell.desktop.kit.OnlyWhenSaid;
import pentacell.desktop.kit.PlainButton;
import pentacell.desktop.kit.Wrapping;

/// The end of a charge: how far groups stand apart without balancing, what a balancer has to do,
/// and how charger and supply did.
final class ChargePane extends VBox {
    private final ProveModel model;
    private final Label meaning = Wrapping.on(new Label());
    private final Label charger = Wrapping.on(new Label());
    private final Label message = Wrapping.on(new Label());
    private final NumberField volts;
    private final NumberField endAmps;
    private final RadioButton held = new RadioButton("supply held");
    private final RadioButton tripped = new RadioButton("supply tripped");
    private final FittedTable<PackChargeEnd.Taken> table =
            new FittedTable<>(
                    "charge-groups",
                    "Charge without balancing, then read every group, such as: full g3 4.18");

    private Optional<Filled> filled = Optional.empty();

    /// What the fields were filled from.
    private record Filled(String pack, Optional<ChargeRun> seen) {}

    ChargePane(ProveModel model) {
        this.model = model;
        setId("charge-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("charge-meaning");
        meaning.getStyleClass().add("meaning");
        charger.setId("charge-charger");
        message.setId("charge-message");
        message.getStyleClass().add("match-message");
        volts =
                new NumberField(
                        "charge-volts",
                        "Charger ends at / V",
                        "",
                        "volts",
                        1,
                        1000,
                        message::setText);
        endAmps =
                new NumberField(
                        "charge-end-amps", "Stops at / A", "", "amps", 0, 1000, message::setText);
        ToggleGroup supply = new ToggleGroup();
        held.setId("charge-held");
        tripped.setId("charge-tripped");
        held.setToggleGroup(supply);
        tripped.setToggleGroup(supply);
        held.setSelected(true);
        table.count("Group", row -> row.group() + 1)
                .measured("Full / V", Quantity.VOLTAGE, row -> OptionalDouble.of(row.volts()))
                .measured(
                        "Over the lowest / mV",
                        Quantity.MILLIVOLTS,
                        row -> OptionalDouble.of(1000 * (row.volts() - lowest())))
                .measured(
                        "To take / mAh",
                        Quantity.CAPACITY,
                        row -> OptionalDouble.of(1000 * row.ampHours()))
                .sentence("", this::word)
                .inThisOrder();
        VBox.setVgrow(table, Priority.ALWAYS);
        getChildren()
                .addAll(
                        meaning,
                        table,
                        ControlRow.of(
                                volts,
                                endAmps,
                                held,
                                tripped,
                                PlainButton.of("Log the charge", "charge-log", this::log)),
                        message,
                        charger);
        OnlyWhenSaid.of(message, charger);
        model.judgedProperty().subscribe(this::show);
    }

    private Optional<PackChargeEnd> end() {
        return model.judgedProperty().get().flatMap(now -> now.pack().chargeEnd());
    }

    private double lowest() {
        return end().stream()
                .flatMap(end -> end.toTake().stream())
                .mapToDouble(PackChargeEnd.Taken::volts)
                .min()
                .orElse(0);
    }

    private String word(PackChargeEnd.Taken row) {
        if (end().isEmpty() || end().get().spreadVolts() <= PackChargeEnd.GOOD_VOLTS) return "";
        if (row.group() == end().get().highest()) return "▲ full first";
        return row.group() == end().get().lowest() ? "▲ full last" : "";
    }

    private void log() {
        String pack = model.inHand().name();
        if (model.judgedProperty().get().isEmpty()) return;
        try {
            ProofFact.ChargeSeen seen =
                    new ProofFact.ChargeSeen(
                            pack,
                            new ChargeRun(
                                    volts.number(),
                                    endAmps.number(),
                                    tripped.isSelected()
                                            ? ChargeRun.Supply.TRIPPED
                                            : ChargeRun.Supply.HELD));
            message.setText("");
            model.log("Charge of " + pack, seen);
        } catch (NotUnderstood said) {
            // the field says what was expected
        }
    }

    private void show(Optional<ProveModel.Judged> judged) {
        table.getItems().setAll(end().map(PackChargeEnd::toTake).orElse(List.of()));
        Optional<ChargeRun> seen = judged.flatMap(now -> now.pack().said().charge());
        fill(new Filled(model.inHand().name(), seen));
        charger.setText(judged.map(now -> charger(now.pack(), seen)).orElse(""));
        meaning.setText(
                judged.isEmpty()
                        ? "Match a pack first (Ctrl+6)."
                        : end().map(ChargePane::meaning)
                                .orElse(
                                        "Read the groups at the end of a charge with the balancer off: they should be within 20 mV."));
    }

    /// What is typed and not logged yet stays until something else is known of the charge.
    private void fill(Filled now) {
        if (filled.equals(Optional.of(now))) return;
        filled = Optional.of(now);
        volts.show(now.seen().map(ChargeRun::volts).orElse(OptionalDouble.empty()));
        endAmps.show(now.seen().map(ChargeRun::endAmps).orElse(OptionalDouble.empty()));
        boolean hasTripped =
                now.seen().map(each -> each.supply() == ChargeRun.Supply.TRIPPED).orElse(false);
        tripped.setSelected(hasTripped);
        held.setSelected(!hasTripped);
    }

    private static String meaning(PackChargeEnd end) {
        String apart = Quantity.MILLIVOLTS.text(1000 * end.spreadVolts());
        if (end.spreadVolts() <= PackChargeEnd.GOOD_VOLTS)
            return "Full, the groups stand %s apart: good.".formatted(apart);
        double most =
                1000
                        * end.toTake().stream()
                                .mapToDouble(PackChargeEnd.Taken::ampHours)
                                .max()
                                .orElse(0);
        return "Full, the groups stand %s apart: group %d is full first. %s must be taken from it%s."
                .formatted(
                        apart,
                        end.highest() + 1,
                        Quantity.CAPACITY.text(most),
                        end.balancingHours().isPresent()
                                ? ", %s by the board's balancer"
                                        .formatted(
                                                Quantity.HOURS.text(
                                                        end.balancingHours().getAsDouble()))
                                : "");
    }

    private static String charger(ProvedPack pack, Optional<ChargeRun> seen) {
        if (seen.isEmpty() || seen.get().volts().isEmpty()) return "";
        int series = pack.built().groups().size();
        double each = seen.get().volts().getAsDouble() / series;
        return "The charger ends at %s a group; the limit is %s."
                .formatted(
                        Quantity.VOLTAGE.text(each),
                        Quantity.VOLTAGE.text(pack.built().chemistry().chargeLimitVolts(), 2));
    }
}
