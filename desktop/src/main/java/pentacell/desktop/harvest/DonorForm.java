package pentacell.desktop.harvest;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import pentacell.core.cell.CellId;
import pentacell.core.donor.Arrangement;
import pentacell.core.donor.Construction;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorCode;
import pentacell.core.donor.PackLabel;
import pentacell.core.fact.Fact;
import pentacell.core.fact.WorkshopState;
import pentacell.core.judgement.Reason;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.EnumWords;
import pentacell.desktop.kit.Form;

/// The form that puts a donor on the bench.
public final class DonorForm {
    private static final String NOT_KNOWN = "not known";
    private static final String NO_LOT = "no lot";

    private final Desk desk;
    private final Form form = new Form("donor-form", "Add a donor", "Add donor");
    private final TextField code = form.text("donor-code", "Code on the cans", "HB06");
    private final TextField kind = form.text("donor-kind", "What it was", "hire-bicycle module");
    private final TextField arrangement = form.text("donor-arrangement", "Arrangement", "3S2P");
    private final ComboBox<String> model =
            form.choice("donor-model", "Model of its cells", List.of(NOT_KNOWN));
    private final ComboBox<String> lot = form.choice("donor-lot", "Lot", List.of(NO_LOT));
    private final ComboBox<Construction> construction =
            form.choice("donor-construction", "Put together as", List.of(Construction.values()));
    private final TextField volts = form.text("donor-volts", "Label / V", "10.8");
    private final TextField ampHours = form.text("donor-ah", "Label / Ah", "4.4");
    private final TextField wattHours = form.text("donor-wh", "Label / Wh", "48");
    private final TextField share =
            form.text("donor-share", "Own share of the price", "even share");
    private final TextField note = form.text("donor-note", "Note", "board smells burnt");

    private DonorForm(Desk desk) {
        this.desk = desk;
        construction.setConverter(new EnumWords<>(Construction::words));
        desk.stateProperty().subscribe(this::offer);
        kind.textProperty().subscribe(text -> propose());
        form.onVerb(this::add);
    }

    /// A fresh form.
    public static Form create(Desk desk) {
        return new DonorForm(desk).form;
    }

    private void offer(WorkshopState state) {
        offer(model, NOT_KNOWN, List.copyOf(state.models().keySet()));
        offer(lot, NO_LOT, List.copyOf(state.lots().keySet()));
        propose();
    }

    private static void offer(ComboBox<String> box, String none, List<String> names) {
        String chosen = box.getValue();
        List<String> all = new ArrayList<>(List.of(none));
        all.addAll(names);
        if (!box.getItems().equals(all)) box.getItems().setAll(all);
        box.setValue(chosen == null ? none : chosen);
    }

    private String proposed() {
        return DonorCode.propose(kind.getText(), desk.state().donors().keySet());
    }

    private void propose() {
        code.setPromptText(proposed() + " proposed");
    }

    private void add() {
        Optional<String> what = form.required(kind, "What it was");
        if (what.isEmpty()) return;
        String name = code.getText().isBlank() ? proposed() : code.getText().strip();
        Optional<String> problem = CellId.problem(name + "-01");
        if (problem.isPresent()) {
            form.complain("The code " + problem.get() + ".", code);
            return;
        }
        if (desk.state().donors().containsKey(name)) {
            form.complain(name + " is taken; leave the field empty for " + proposed() + ".", code);
            return;
        }
        Optional<Arrangement> joined = Arrangement.parse(arrangement.getText());
        if (joined.isEmpty() && !arrangement.getText().isBlank()) {
            form.complain(
                    "\"" + arrangement.getText() + "\" is no arrangement; such as 3S2P.",
                    arrangement);
            return;
        }
        Optional<OptionalDouble> labelVolts = optional(volts, "a voltage in V");
        if (labelVolts.isEmpty()) return;
        Optional<OptionalDouble> labelAmpHours = optional(ampHours, "a capacity in Ah");
        if (labelAmpHours.isEmpty()) return;
        Optional<OptionalDouble> labelWattHours = optional(wattHours, "an energy in Wh");
        if (labelWattHours.isEmpty()) return;
        Optional<OptionalDouble> price = optional(share, "an amount of money");
        if (price.isEmpty()) return;
        try {
            PackLabel label =
                    new PackLabel(labelVolts.get(), labelAmpHours.get(), labelWattHours.get());
            log(
                    new Donor(
                            name,
                            what.get(),
                            NOT_KNOWN.equals(model.getValue()) ? "" : model.getValue(),
                            note.getText().strip(),
                            Optional.of(lot.getValue()).filter(each -> !NO_LOT.equals(each)),
                            joined,
                            Optional.of(construction.getValue()),
                            label.equals(PackLabel.NONE) ? Optional.empty() : Optional.of(label),
                            price.get()));
        } catch (IllegalArgumentException wrong) {
            form.complain(wrong.getMessage() + ".", volts);
        }
    }

    /// The number in a field that may stay empty; nothing after complaining.
    private Optional<OptionalDouble> optional(TextField field, String expected) {
        if (field.getText().isBlank()) return Optional.of(OptionalDouble.empty());
        OptionalDouble number = form.number(field, expected + ", or nothing");
        return number.isEmpty() ? Optional.empty() : Optional.of(number);
    }

    private void log(Donor donor) {
        desk.log(
                "Add donor " + donor.code(),
                List.of(new Fact.DonorAdded(donor)),
                () -> {
                    form.clear();
                    desk.selectDonor(donor.code());
                    form.say(
                            "Donor %s is on the bench; its cells will be %s-01 and so on. %s"
                                    .formatted(
                                            donor.code(),
                                            donor.code(),
                                            donor.label()
                                                    .oddity()
                                                    .map(Reason::sentence)
                                                    .orElse("")));
                });
    }
}
