package pentacell.desktop.donor;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import pentacell.core.caution.Caution;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellId;
import pentacell.core.donor.Arrangement;
import pentacell.core.donor.Construction;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorCode;
import pentacell.core.donor.DonorFact;
import pentacell.core.donor.Donors;
import pentacell.core.donor.PackLabel;
import pentacell.core.donor.Purchases;
import pentacell.core.judgement.Reason;
import pentacell.core.state.WorkshopState;
import pentacell.core.unit.NumberText;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.EnumWords;
import pentacell.desktop.kit.Form;
import pentacell.desktop.kit.WhenShown;

/// The form that puts a donor on the bench.
public final class DonorForm {
    private static final String NOT_KNOWN = "not known";
    private static final String NO_LOT = "no lot";

    private final Desk desk;
    private final Optional<Donor> known;
    private final Form form;
    private final TextField code;
    private final TextField kind;
    private final TextField arrangement;
    private final ComboBox<String> model;
    private final ComboBox<String> lot;
    private final ComboBox<Construction> construction;
    private final TextField volts;
    private final TextField ampHours;
    private final TextField wattHours;
    private final TextField share;
    private final TextField note;

    private DonorForm(Desk desk, Optional<Donor> known) {
        this.desk = desk;
        this.known = known;
        form =
                known.isPresent()
                        ? new Form("donor-form", "Edit " + known.get().code(), "Save")
                        : new Form("donor-form", "Add a donor", "Add donor");
        code = form.text("donor-code", "Code on the cans", "HB06");
        kind = form.text("donor-kind", "Kind of pack", "hire-bicycle module");
        arrangement = form.text("donor-arrangement", "Arrangement", "3S2P");
        model = form.choice("donor-model", "Model of its cells", List.of(NOT_KNOWN));
        lot = form.choice("donor-lot", "Lot", List.of(NO_LOT));
        construction =
                form.choice("donor-construction", "Construction", List.of(Construction.values()));
        volts = form.text("donor-volts", "Label / V", "10.8");
        ampHours = form.text("donor-ah", "Label / Ah", "4.4");
        wattHours = form.text("donor-wh", "Label / Wh", "48");
        share = form.text("donor-share", "Share of the price", "even share");
        note = form.text("donor-note", "Note", "board smells burnt");
        construction.setConverter(new EnumWords<>(Construction::words));
        construction
                .valueProperty()
                .subscribe(chosen ->
                        form.say(
                                chosen == Construction.POUCH_CELLS
                                        ? Caution.POUCH_CELLS.words()
                                        : ""));
        offer(desk.ledger().state());
        known.ifPresent(this::fill);
        WhenShown.run(
                form, desk.ledger().expectedProperty(), () -> offer(desk.ledger().expected()));
        kind.textProperty().subscribe(text -> propose());
        form.onVerb(this::add);
    }

    /// A fresh form.
    public static Form create(Desk desk) {
        return new DonorForm(desk, Optional.empty()).form;
    }

    /// The form of a donor that is known, to describe it anew. Its code stays: it is on the cans.
    public static Form edit(Desk desk, Donor donor) {
        return new DonorForm(desk, Optional.of(donor)).form;
    }

    private void fill(Donor donor) {
        code.setText(donor.code());
        code.setDisable(true);
        kind.setText(donor.kind());
        donor.arrangement().ifPresent(each -> arrangement.setText(each.toString()));
        if (!donor.cellModel().isEmpty()) {
            if (!model.getItems().contains(donor.cellModel()))
                model.getItems().add(donor.cellModel());
            model.setValue(donor.cellModel());
        }
        donor.lot().filter(lot.getItems()::contains).ifPresent(lot::setValue);
        donor.construction().ifPresent(construction::setValue);
        fill(volts, donor.label().volts());
        fill(ampHours, donor.label().ampHours());
        fill(wattHours, donor.label().wattHours());
        fill(share, donor.priceShare());
        note.setText(donor.note());
    }

    private static void fill(TextField field, OptionalDouble value) {
        value.ifPresent(number -> field.setText(NumberText.plain(number)));
    }

    private void offer(WorkshopState state) {
        offer(model, NOT_KNOWN, List.copyOf(Catalogue.of(state).models().keySet()));
        offer(lot, NO_LOT, List.copyOf(Purchases.of(state).lots().keySet()));
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
        return DonorCode.propose(
                kind.getText(), Donors.of(desk.ledger().expected()).described().keySet());
    }

    private void propose() {
        code.setPromptText(proposed() + " proposed");
    }

    private void add() {
        Optional<String> what = form.required(kind, "Kind of pack");
        if (what.isEmpty()) return;
        String name = code.getText().isBlank() ? proposed() : code.getText().strip();
        Optional<String> problem = CellId.problem(name + "-01");
        if (problem.isPresent()) {
            form.complain("The code " + problem.get() + ".", code);
            return;
        }
        if (known.isEmpty() && Donors.of(desk.ledger().expected()).described().containsKey(name)) {
            form.complain(name + " is taken; leave the field empty for " + proposed() + ".", code);
            return;
        }
        Optional<Arrangement> joined = Arrangement.parse(arrangement.getText());
        if (joined.isEmpty() && !arrangement.getText().isBlank()) {
            form.complain(
                    "\"" + arrangement.getText() + "\" is not an arrangement; such as 3S2P.",
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
        if (known.isPresent()) {
            desk.ledger()
                    .log(
                            "Edit donor " + donor.code(),
                            List.of(new DonorFact.DonorAdded(donor)),
                            () -> form.say(donor.code() + " is updated. " + oddity(donor)));
            return;
        }
        desk.ledger()
                .logOnce(
                        "Add donor " + donor.code(),
                        List.of(new DonorFact.DonorAdded(donor)),
                        () -> {
                            desk.selection().selectDonor(donor.code());
                            form.say(
                                    "Donor %s is on the bench; its cells will be %s-01 and so on. %s"
                                            .formatted(donor.code(), donor.code(), oddity(donor)));
                        },
                        form.send());
    }

    private static String oddity(Donor donor) {
        return donor.label().oddity().map(Reason::sentence).orElse("");
    }
}
