package pentacell.desktop.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import pentacell.core.cell.CatalogueFact;
import pentacell.core.cell.CellDesignation;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellLimits;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.Tray;
import pentacell.core.cell.TrayFact;
import pentacell.core.unit.NumberText;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.EnumWords;
import pentacell.desktop.kit.Form;
import pentacell.workshop.demo.TarnHollow;

/// The forms of Intake: a new model of cell, a new tray.
final class IntakeForms {
    private IntakeForms() {}

    static Form model(Desk desk) {
        Form form = new Form("model-form", "Define a model of cell", "Define model");
        ComboBox<String> example = form.choice("model-example", "Start with", exampleNames());
        TextField name = form.text("model-name", "Maker and type", "Halvorn HX26");
        TextField format = form.text("model-format", "Format", "18650");
        ComboBox<Chemistry> chemistry =
                form.choice("model-chemistry", "Chemistry", List.of(Chemistry.values()));
        chemistry.setConverter(new EnumWords<>(Chemistry::words));
        TextField least = form.text("model-rated", "Rated minimum / mAh", "such as 2500");
        TextField nominal = form.text("model-nominal", "Rated nominal / mAh", "same");
        TextField chargeVolts = form.text("model-charge-v", "Charge limit / V", "usual");
        TextField endVolts = form.text("model-end-v", "End voltage / V", "usual");
        TextField charge = form.text("model-charge-a", "Max charge / A", "0.5 C");
        TextField discharge = form.text("model-discharge-a", "Max discharge / A", "1 C");
        example.setOnAction(chosen ->
                TarnHollow.models().stream()
                        .filter(model -> model.name().equals(example.getValue()))
                        .findFirst()
                        .ifPresent(model -> {
                            name.setText(model.name());
                            format.setText(model.format().code());
                            chemistry.setValue(model.chemistry());
                            least.setText(NumberText.plain(model.ratedMinimumMilliampHours()));
                            nominal.setText(NumberText.plain(model.ratedNominalMilliampHours()));
                            chargeVolts.setText(NumberText.plain(model.limits().chargeVolts()));
                            endVolts.setText(NumberText.plain(model.limits().endVolts()));
                            charge.setText(NumberText.plain(model.limits().chargeAmps()));
                            discharge.setText(NumberText.plain(model.limits().dischargeAmps()));
                        }));
        form.onVerb(() -> {
            Optional<String> text = form.required(name, "A name");
            if (text.isEmpty()) return;
            Optional<CellFormat> size = CellFormat.parseAny(format.getText());
            if (size.isEmpty()) {
                form.complain(
                        "A format has five digits, such as 18650 (18 mm × 65.0 mm), or is a designation such as ICR19/66.",
                        format);
                return;
            }
            Optional<Chemistry> designated =
                    CellDesignation.parse(format.getText()).flatMap(CellDesignation::chemistry);
            if (designated.filter(each -> each != chemistry.getValue()).isPresent()) {
                form.complain(
                        "%s is a designation of the %s; choose that chemistry, or correct the format."
                                .formatted(format.getText().strip(), designated.get().words()),
                        format);
                return;
            }
            OptionalDouble rated = form.number(least, "mAh");
            if (rated.isEmpty()) return;
            CellLimits careful = CellLimits.careful(chemistry.getValue(), rated.getAsDouble());
            OptionalDouble typical = orElse(form, nominal, rated.getAsDouble());
            OptionalDouble chargeLimit = orElse(form, chargeVolts, careful.chargeVolts());
            OptionalDouble end = orElse(form, endVolts, careful.endVolts());
            OptionalDouble maxCharge = orElse(form, charge, careful.chargeAmps());
            OptionalDouble maxDischarge = orElse(form, discharge, careful.dischargeAmps());
            if (typical.isEmpty()
                    || chargeLimit.isEmpty()
                    || end.isEmpty()
                    || maxCharge.isEmpty()
                    || maxDischarge.isEmpty()) return;
            try {
                CellLimits limits =
                        new CellLimits(
                                chargeLimit.getAsDouble(),
                                end.getAsDouble(),
                                maxCharge.getAsDouble(),
                                maxDischarge.getAsDouble());
                CellModel model =
                        new CellModel(
                                text.get(),
                                size.get(),
                                chemistry.getValue(),
                                rated.getAsDouble(),
                                typical.getAsDouble(),
                                limits);
                desk.ledger()
                        .logOnce(
                                "Define " + model.name(),
                                List.of(new CatalogueFact.ModelDefined(model)),
                                () -> form.say(model.name() + " can be chosen now."),
                                form.send());
            } catch (IllegalArgumentException wrong) {
                form.complain(String.valueOf(wrong.getMessage()) + ".", least);
            }
        });
        return form;
    }

    private static List<String> exampleNames() {
        List<String> names = new ArrayList<>();
        names.add("an empty form");
        TarnHollow.models().forEach(model -> names.add(model.name()));
        return names;
    }

    static Form tray(Desk desk, IntakeModel intake) {
        Form form = new Form("tray-form", "Add a tray", "Add tray");
        TextField name = form.text("tray-name", "Name on the box", "T4");
        TextField rows = form.text("tray-rows", "Rows", "6");
        TextField columns = form.text("tray-columns", "Columns", "12");
        form.onVerb(() -> {
            Optional<String> text = form.required(name, "A name");
            if (text.isEmpty()) return;
            OptionalInt down = form.whole(rows, "a number of rows");
            if (down.isEmpty()) return;
            OptionalInt across = form.whole(columns, "a number of columns");
            if (across.isEmpty()) return;
            try {
                Tray tray = new Tray(text.get(), down.getAsInt(), across.getAsInt());
                desk.ledger()
                        .logOnce(
                                "Add tray " + tray.name(),
                                List.of(new TrayFact.TrayAdded(tray)),
                                () -> {
                                    intake.showTray(tray);
                                    form.say(
                                            "Tray %s has %d places."
                                                    .formatted(tray.name(), tray.size()));
                                },
                                form.send());
            } catch (IllegalArgumentException wrong) {
                form.complain(String.valueOf(wrong.getMessage()) + ".", name);
            }
        });
        return form;
    }

    private static OptionalDouble orElse(Form form, TextField field, double usual) {
        return field.getText().isBlank()
                ? OptionalDouble.of(usual)
                : form.number(field, "a number, or nothing for the usual");
    }
}
