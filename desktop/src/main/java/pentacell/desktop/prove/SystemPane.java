package pentacell.desktop.prove;

import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import pentacell.core.plan.facts.Need;
import pentacell.core.plan.facts.PlanFact;
import pentacell.core.plan.facts.Planned;
import pentacell.core.plan.facts.Window;
import pentacell.core.prove.ProveWords;
import pentacell.core.prove.ProvedPack;
import pentacell.core.prove.SystemRun;
import pentacell.core.prove.facts.DeviceTrip;
import pentacell.core.prove.facts.EnergyRun;
import pentacell.core.prove.facts.ProofFact;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.NumberField;
import pentacell.desktop.kit.NumberField.NotUnderstood;
import pentacell.desktop.kit.OnlyWhenSaid;
import pentacell.desktop.kit.PlainButton;
import pentacell.desktop.kit.Wrapping;

/// What becomes of the energy between supply, pack and load, and where the device really trips.
final class SystemPane extends VBox {
    private final ProveModel model;
    private final Label meaning = Wrapping.on(new Label());
    private final Label parts = Wrapping.on(new Label());
    private final Label trip = Wrapping.on(new Label());
    private final Label message = Wrapping.on(new Label());
    private final NumberField ofPack = field("system-pack", "From the pack / Wh");
    private final NumberField out = field("system-out", "At the load / Wh");
    private final NumberField back = field("system-back", "Put back / Wh");
    private final NumberField kilometres = field("system-km", "Gone / km");
    private final NumberField tripVolts = field("system-trip", "Trips at / V");
    private final NumberField springVolts = field("system-spring", "Sprang back to / V");
    private final Button handOver =
            PlainButton.of("Hand the trip to the plan", "system-to-plan", this::toPlan);

    private Optional<Filled> filled = Optional.empty();

    /// What the fields were filled from.
    private record Filled(String pack, Optional<EnergyRun> seen, Optional<DeviceTrip> let) {}

    SystemPane(ProveModel model) {
        this.model = model;
        setId("system-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("system-meaning");
        meaning.getStyleClass().add("meaning");
        parts.setId("system-parts");
        trip.setId("system-trip-words");
        message.setId("system-message");
        message.getStyleClass().add("match-message");
        getChildren()
                .addAll(
                        meaning,
                        ControlRow.of(
                                ofPack,
                                out,
                                back,
                                kilometres,
                                PlainButton.of("Log the run", "system-log", this::log)),
                        parts,
                        heading("The device"),
                        ControlRow.of(
                                tripVolts,
                                springVolts,
                                PlainButton.of("Log the trip", "system-log-trip", this::logTrip),
                                handOver),
                        trip,
                        message);
        OnlyWhenSaid.of(parts, trip, message);
        model.judgedProperty().subscribe(this::show);
    }

    private NumberField field(String id, String caption) {
        return new NumberField(
                id, caption, "", "a figure above 0", 0.001, 1e6, text -> message.setText(text));
    }

    private static Label heading(String words) {
        Label label = new Label(words);
        label.getStyleClass().add("section");
        return label;
    }

    private void log() {
        if (model.judgedProperty().get().isEmpty()) return;
        String pack = model.inHand().name();
        try {
            ProofFact.SystemSeen seen =
                    new ProofFact.SystemSeen(
                            pack,
                            new EnergyRun(
                                    ofPack.number(),
                                    out.number(),
                                    back.number(),
                                    kilometres.number()));
            message.setText("");
            model.log("Run of " + pack, seen);
        } catch (NotUnderstood said) {
            // the field says what was expected
        }
    }

    private void logTrip() {
        if (model.judgedProperty().get().isEmpty()) return;
        String pack = model.inHand().name();
        try {
            ProofFact.TripSeen seen =
                    new ProofFact.TripSeen(
                            pack, new DeviceTrip(tripVolts.required(), springVolts.number()));
            message.setText("");
            model.log("Trip of the device on " + pack, seen);
        } catch (NotUnderstood said) {
            // the field says what was expected
        }
    }

    private Optional<Need> needToChange() {
        Optional<ProvedPack> pack = model.judgedProperty().get().map(ProveModel.Judged::pack);
        Optional<Double> seen = pack.flatMap(now -> now.said().trip()).map(each -> each.volts());
        return pack.flatMap(now -> now.built().planned())
                .map(Planned::need)
                .filter(need ->
                        seen.isPresent()
                                && need.window().lowTripVolts() != seen.get()
                                && need.window().highTripVolts() > seen.get())
                .map(need ->
                        need.with(change ->
                                change.measured(
                                        Optional.of(
                                                new Window(
                                                        seen.orElseThrow(),
                                                        need.window().highTripVolts())))));
    }

    private void toPlan() {
        String pack = model.inHand().name();
        needToChange()
                .ifPresent(need ->
                        model.log(
                                "Trip measured for " + pack, new PlanFact.NeedStated(pack, need)));
    }

    private void show(Optional<ProveModel.Judged> judged) {
        Optional<EnergyRun> seen = judged.flatMap(now -> now.pack().said().system());
        Optional<DeviceTrip> let = judged.flatMap(now -> now.pack().said().trip());
        fill(new Filled(model.inHand().name(), seen, let));
        handOver.setDisable(needToChange().isEmpty());
        Optional<SystemRun> run = seen.map(SystemRun::of);
        meaning.setText(
                judged.isEmpty()
                        ? "Match a pack first (Ctrl+6)."
                        : run.map(SystemPane::meaning)
                                .orElse(
                                        "Read the energy meters over a whole run: what the pack gave, what arrived, what the charger put back."));
        parts.setText(run.map(ProveWords::lost).orElse(""));
        trip.setText(judged.map(now -> ProveWords.trip(now.pack())).orElse(""));
    }

    /// What is typed and not logged yet stays until something else is known.
    private void fill(Filled now) {
        if (filled.equals(Optional.of(now))) return;
        filled = Optional.of(now);
        ofPack.show(now.seen().map(EnergyRun::wattHoursOfPack).orElse(OptionalDouble.empty()));
        out.show(now.seen().map(EnergyRun::wattHoursOut).orElse(OptionalDouble.empty()));
        back.show(now.seen().map(EnergyRun::wattHoursBack).orElse(OptionalDouble.empty()));
        kilometres.show(now.seen().map(EnergyRun::kilometres).orElse(OptionalDouble.empty()));
        tripVolts.show(
                now.let()
                        .map(each -> OptionalDouble.of(each.volts()))
                        .orElse(OptionalDouble.empty()));
        springVolts.show(now.let().map(DeviceTrip::springBackVolts).orElse(OptionalDouble.empty()));
    }

    private static String meaning(SystemRun run) {
        if (run.roundTrip().isPresent())
            return "%s of what is put back arrives at the load."
                    .formatted(Quantity.PERCENT.text(100 * run.roundTrip().getAsDouble(), 0));
        if (run.pack().isPresent())
            return "The pack gives %s of what is put back."
                    .formatted(Quantity.PERCENT.text(100 * run.pack().getAsDouble(), 0));
        if (run.inverter().isPresent())
            return "%s of what the pack gives arrives at the load."
                    .formatted(Quantity.PERCENT.text(100 * run.inverter().getAsDouble(), 0));
        return run.wattHoursPerKilometre().isPresent()
                ? "A kilometre takes %s."
                        .formatted(Quantity.ENERGY.text(run.wattHoursPerKilometre().getAsDouble()))
                : "One more figure is needed to tell what is lost.";
    }
}
