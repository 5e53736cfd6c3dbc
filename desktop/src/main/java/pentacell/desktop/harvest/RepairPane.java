package pentacell.desktop.harvest;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.VBox;
import pentacell.core.caution.Caution;
import pentacell.core.donor.DonorFact;
import pentacell.core.donor.DonorRecord;
import pentacell.core.harvest.Diagnosis;
import pentacell.core.harvest.Repair;
import pentacell.core.harvest.RepairPlan;
import pentacell.core.school.RepairSchool;
import pentacell.core.school.SchoolFact;
import pentacell.core.school.Schools;
import pentacell.core.unit.NumberText;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.CautionStrip;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Entered;
import pentacell.desktop.frame.LineQueue;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.When;
import pentacell.desktop.kit.WhenShown;
import pentacell.desktop.kit.Wrapping;

/// Repair or harvest: what each school does, the plan for each low group, whether it held.
final class RepairPane extends VBox {
    private final Desk desk;
    private final HarvestModel model;
    private final VBox plans = new VBox();
    private Shown shown = new Shown(Optional.empty(), List.of(), true);
    private final CautionStrip cautions;
    private final RadioButton repairFirst = new RadioButton("Repair first");
    private final RadioButton harvestAlways = new RadioButton("Harvest always");

    RepairPane(Desk desk, HarvestModel model) {
        this.desk = desk;
        this.model = model;
        setId("repair-pane");
        getStyleClass().add("harvest-pane");
        cautions = new CautionStrip(desk, Caution.CHARGING);
        plans.getStyleClass().add("plans");
        getChildren().addAll(schools(), cautions, plans);
        WhenShown.run(this, desk.ledger().stateProperty(), this::show);
        desk.selection().donorProperty().subscribe(code -> show());
    }

    /// What the plans depend on.
    private record Shown(Optional<DonorRecord> record, List<RepairPlan> plans, boolean isRepair) {}

    private Node schools() {
        ToggleGroup group = new ToggleGroup();
        repairFirst.setToggleGroup(group);
        harvestAlways.setToggleGroup(group);
        repairFirst.setId("repair-first");
        harvestAlways.setId("harvest-always");
        repairFirst.setOnAction(chosen -> choose(RepairSchool.REPAIR_FIRST));
        harvestAlways.setOnAction(chosen -> choose(RepairSchool.HARVEST_ALWAYS));
        Label caption = new Label("School");
        caption.getStyleClass().add("caption");
        return ControlRow.of(caption, repairFirst, harvestAlways);
    }

    private void choose(RepairSchool policy) {
        if (!Schools.of(desk.ledger().state()).repair().equals(policy))
            model.log("School: " + policy.name(), new SchoolFact.RepairChosen(policy));
    }

    private void show() {
        boolean isRepair =
                Schools.of(desk.ledger().state()).repair().way() == RepairSchool.Way.REPAIR;
        repairFirst.setSelected(isRepair);
        harvestAlways.setSelected(!isRepair);
        Optional<DonorRecord> record = model.donor();
        List<RepairPlan> computed = record.map(model::plans).orElse(List.of());
        // a field that is being typed into stays while something else is logged
        Shown now = new Shown(record, computed, isRepair);
        if (now.equals(shown)) return;
        shown = now;
        plans.getChildren().clear();
        cautions.show(computed.isEmpty() ? List.of() : List.of(Caution.CHARGING));
        if (record.isEmpty()) return;
        for (DonorRecord.Charge charge : record.get().charges())
            plans.getChildren().add(charged(record.get(), charge));
        for (RepairPlan plan : computed) plans.getChildren().add(plan(record.get(), plan));
        if (computed.isEmpty() && record.get().charges().isEmpty())
            plans.getChildren().add(sentence(whyNoPlan(record.get())));
    }

    private String whyNoPlan(DonorRecord record) {
        if (record.decision().isPresent()) return "Decided by hand, see the card.";
        Optional<Diagnosis> diagnosis = model.diagnosis(record);
        if (diagnosis.isEmpty())
            return "Read the groups first, the pack may need no harvest: type "
                    + record.donor().code()
                    + " and the voltage of each group, from the pack's negative.";
        return switch (diagnosis.get().advice()) {
            case USE ->
                    "Nothing to repair: the groups are alike. Use it whole, or open it all the same.";
            case HARVEST, SCRAP ->
                    "Repair is not advised: "
                            + diagnosis.get().reasons().stream()
                                    .filter(RepairPane::speaksAgainst)
                                    .map(reason -> reason.sentence())
                                    .findFirst()
                                    .orElse(diagnosis.get().sentence());
            case READ_AGAIN -> diagnosis.get().reasons().get(0).sentence();
            case REPAIR -> "The groups are near enough to their level; nothing to charge.";
        };
    }

    private static boolean speaksAgainst(pentacell.core.judgement.Reason reason) {
        return switch (reason.rule()) {
            case UNDER_RECOVERY_FLOOR,
                    SIGN_FORBIDS_REPAIR,
                    SCHOOL_HARVESTS,
                    DRIFTS_AGAIN,
                    GROUP_OVERCHARGED,
                    GROUP_DEAD ->
                    true;
            default -> false;
        };
    }

    private static Label sentence(String words) {
        Label label = new Label(words);
        Wrapping.on(label);
        label.setId("repair-words");
        return label;
    }

    private Node charged(DonorRecord record, DonorRecord.Charge charge) {
        Repair.Hold hold = model.hold(record, charge);
        String due = When.WEEKDAY_AND_DAY.words(model.dueAt(charge).atZone(ZoneId.systemDefault()));
        double pass = model.passVolts(record, charge);
        String words =
                "Group %d came off the supply at %s. "
                                .formatted(charge.group(), Quantity.VOLTAGE.text(charge.volts()))
                        + switch (hold) {
                            case WAITS ->
                                    "Read all groups again from %s; it passes at %s or more."
                                            .formatted(due, Quantity.VOLTAGE.text(pass));
                            case DUE ->
                                    "▲ Its wait is over: read all groups again now; it passes at %s or more."
                                            .formatted(Quantity.VOLTAGE.text(pass));
                            case HELD -> "It held: use the pack, and look again in a month.";
                            case FELL -> "■ It fell: harvest the pack.";
                        };
        return sentence(words);
    }

    private Node plan(DonorRecord record, RepairPlan plan) {
        Label title =
                new Label(
                        "Bring up group %d, now at %s"
                                .formatted(plan.group(), Quantity.VOLTAGE.text(plan.fromVolts())));
        title.getStyleClass().add("section");
        Wrapping.on(title);
        ControlRow figures = ControlRow.of();
        figures.getStyleClass().add("plan-figures");
        figures.getChildren()
                .addAll(
                        figure("Set first", Quantity.VOLTAGE, OptionalDouble.of(plan.setVolts())),
                        figure(
                                "Current limit",
                                Quantity.CURRENT,
                                OptionalDouble.of(plan.limitAmps())),
                        figure("Goes in", Quantity.CHARGE, plan.ampHours()),
                        figure("Full current", Quantity.HOURS, plan.bulkHours()),
                        figure("Taper", Quantity.HOURS, plan.taperHours()),
                        figure("Then rest", Quantity.HOURS, OptionalDouble.of(plan.restHours())),
                        figure("Passes at", Quantity.VOLTAGE, OptionalDouble.of(plan.passVolts())));
        VBox box = new VBox(title, figures, sentence(words(plan)), offRow(record, plan));
        box.getStyleClass().add("plan");
        return box;
    }

    private static String words(RepairPlan plan) {
        List<String> parts = new ArrayList<>();
        parts.add(
                "Set %s and %s on the bench supply with nothing connected. Meter the polarity of group %d, then clip on and stay with it."
                        .formatted(
                                Quantity.VOLTAGE.text(plan.setVolts()),
                                Quantity.CURRENT.text(plan.limitAmps()),
                                plan.group()));
        parts.add(
                "Take it off under %s, or at once when it gets warm."
                        .formatted(Quantity.CURRENT.text(plan.stopAmps())));
        if (plan.ampHours().isEmpty())
            parts.add(
                    "No time can be given: the capacity of a group is not known (model and arrangement, or Ah on the label).");
        return String.join(" ", parts);
    }

    private static Node figure(String caption, Quantity quantity, OptionalDouble value) {
        Label name = new Label(caption);
        name.getStyleClass().add("caption");
        Label number = new Label(quantity.text(value.orElse(Double.NaN)));
        number.getStyleClass().add("plan-figure");
        return new VBox(name, number);
    }

    private Node offRow(DonorRecord record, RepairPlan plan) {
        TextField volts = new TextField();
        volts.setId("off-volts-" + plan.group());
        volts.setPromptText("V off the supply");
        volts.setPrefColumnCount(9);
        Button log = new Button("Log off-supply voltage");
        log.setId("log-off-" + plan.group());
        log.getStyleClass().add("primary");
        LineQueue lines =
                new LineQueue(
                        volts, desk.notices(), text -> enter(record.donor().code(), plan, text));
        log.setOnAction(pressed -> lines.enter());
        return new VBox(ControlRow.of(volts, log), lines);
    }

    private Entered enter(String code, RepairPlan plan, String text) {
        OptionalDouble read = NumberText.parse(text);
        if (!(Math.abs(read.orElse(Double.NaN)) <= 10))
            return new Entered.Refused(
                    "\"%s\" is not a group voltage; type what it reads off the supply, such as %s."
                            .formatted(text, Quantity.VOLTAGE.number(plan.setVolts())));
        DonorFact charged = new DonorFact.GroupCharged(code, plan.group(), read.getAsDouble());
        return Entered.fact(
                desk.ledger(), text, "Charge " + code + " group " + plan.group(), charged);
    }
}
