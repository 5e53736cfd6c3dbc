package pentacell.desktop.plan;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.VBox;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.Chemistry;
import pentacell.core.plan.LoadText;
import pentacell.core.plan.facts.Losses;
import pentacell.core.plan.facts.MeanCell;
import pentacell.core.plan.facts.Need;
import pentacell.core.plan.facts.Window;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.EnumWords;
import pentacell.desktop.kit.NumberField;

/// A need as it is typed: what the device is like, what it draws, what is wanted, and what is at
/// hand.
final class NeedFields extends VBox {
    private final TypedFields fields;
    private final AtHandFields atHand;
    private final WiringFields wiring;
    private final ComboBox<Chemistry> chemistry;
    private final TextArea loads = new TextArea();
    private final NumberField low;
    private final NumberField high;
    private final NumberField measuredLow;
    private final NumberField measuredHigh;
    private final NumberField efficiency;
    private final NumberField idle;
    private final NumberField surge;
    private final NumberField hours;
    private final NumberField perKilometre;
    private final NumberField kilometres;
    private final NumberField coldest;
    private final NumberField spares;
    private final NumberField cellCapacity;
    private final NumberField cellMilliohms;
    private final NumberField cellAmps;
    private final NumberField cellPeak;
    private final TextField cellFormat;

    /// @param complaint hears what cannot be understood
    NeedFields(Consumer<String> complaint) {
        fields = new TypedFields(complaint);
        chemistry = fields.choice("need-chemistry", List.of(Chemistry.values()));
        chemistry.setConverter(new EnumWords<>(Chemistry::words));
        loads.setId("need-loads");
        loads.setPromptText("camera cooler 30w 60% peak 45w");
        loads.setPrefRowCount(4);
        loads.setPrefColumnCount(26);
        loads.setTooltip(
                new Tooltip(
                        "What it is, its watts, the share of the time it is on, its peak: camera cooler 30w 60% peak 45w"));
        fields.keep(loads);
        low = fields.number("need-low", "Stops under / V", "volts", 0, 2000);
        high = fields.number("need-high", "Bears at most / V", "volts", 0.1, 2000);
        measuredLow = fields.number("need-measured-low", "Stops under, measured", "volts", 0, 2000);
        measuredHigh = fields.number("need-measured-high", "At most, measured", "volts", 0.1, 2000);
        efficiency =
                fields.number("need-efficiency", "Efficiency / %", "percent", 1, 100).empty("100");
        idle = fields.number("need-idle", "Idle / W", "watts", 0, 1e6).empty("0");
        surge = fields.number("need-surge", "Starting surge / W", "watts", 0.1, 1e6);
        hours = fields.number("need-hours", "Hours", "hours", 0.01, 1e6);
        perKilometre = fields.number("need-per-kilometre", "Wh a km", "Wh", 0.1, 1e6);
        kilometres = fields.number("need-kilometres", "Kilometres", "kilometres", 0.1, 1e6);
        coldest = fields.number("need-coldest", "Coldest day / °C", "°C", -60, 60);
        spares = fields.number("need-spares", "Spares", "cells", 0, 1000).whole().empty("0");
        cellCapacity = fields.number("need-cell-capacity", "Capacity / mAh", "mAh", 1, 1e6);
        cellMilliohms = fields.number("need-cell-milliohms", "Resistance / mΩ", "mΩ", 0.01, 1e5);
        cellAmps =
                fields.number("need-cell-amps", "For long / A", "amps", 0.01, 1000).empty("0.5 C");
        cellPeak =
                fields.number("need-cell-peak", "For moments / A", "amps", 0.01, 1000).empty("1 C");
        cellFormat = fields.text("need-cell-format", 6);
        cellFormat.setPromptText("18650");
        atHand = new AtHandFields(fields);
        wiring = new WiringFields(fields);
        getStyleClass().add("need-fields");
        ControlRow sections =
                ControlRow.of(
                        TypedFields.section(
                                "Device",
                                TypedFields.field("Cells", chemistry),
                                low,
                                high,
                                measuredLow,
                                measuredHigh),
                        TypedFields.section("Loads, one a line", loads),
                        TypedFields.section(
                                "Wanted", hours, perKilometre, kilometres, coldest, spares),
                        TypedFields.section("Between pack and load", efficiency, idle, surge),
                        atHand.boxSection(),
                        atHand.chargerSection(),
                        atHand.boardSection(wiring.school()),
                        atHand.blockSection(),
                        wiring.section(),
                        TypedFields.section(
                                "Assumed cell, instead of those in stock",
                                cellCapacity,
                                cellMilliohms,
                                cellAmps,
                                cellPeak,
                                TypedFields.field("Size", cellFormat)));
        sections.getStyleClass().add("need-sections");
        getChildren().add(sections);
    }

    /// Hears of every change, and when a field was left or confirmed.
    void onChange(Runnable typed, Runnable left) {
        fields.onChange(typed, left);
    }

    /// Marks what cannot be understood.
    ///
    /// @return whether there is any
    boolean mark() {
        return fields.mark();
    }

    /// The need as typed.
    ///
    /// @throws IllegalArgumentException with what is missing or cannot be, for a person
    Need need() {
        if (!fields.areUnderstood())
            throw new IllegalArgumentException("A number cannot be read; it is marked.");
        if (high.isBlank())
            throw new IllegalArgumentException("What is the device's max voltage? Enter it first.");
        LoadText drawn = LoadText.read(loads.getText());
        if (!drawn.problems().isEmpty())
            throw new IllegalArgumentException(drawn.problems().get(0));
        if (drawn.items().isEmpty())
            throw new IllegalArgumentException(
                    "What does it draw? One load a line, such as \"lamp 12w 40%\".");
        Chemistry of = chemistry.getValue();
        return Need.of(
                        of,
                        new Window(TypedFields.value(low, 0), TypedFields.value(high, 0)),
                        drawn.items())
                .with(need ->
                        atHand.on(need)
                                .measured(measured())
                                .losses(
                                        new Losses(
                                                TypedFields.value(efficiency, 100) / 100,
                                                TypedFields.value(idle, 0)))
                                .surgeWatts(surge.typed())
                                .hours(hours.typed())
                                .wattHoursPerKilometre(perKilometre.typed())
                                .kilometres(kilometres.typed())
                                .coldestCelsius(coldest.typed())
                                .spares((int) TypedFields.value(spares, 0))
                                .cell(cell(of))
                                .wiring(wiring.wiring()));
    }

    private Optional<Window> measured() {
        return measuredLow.isBlank() && measuredHigh.isBlank()
                ? Optional.empty()
                : Optional.of(
                        new Window(
                                TypedFields.value(measuredLow, TypedFields.value(low, 0)),
                                TypedFields.value(measuredHigh, TypedFields.value(high, 0))));
    }

    private Optional<MeanCell> cell(Chemistry of) {
        if (!TypedFields.areFilled(cellCapacity, cellMilliohms)) return Optional.empty();
        String size = cellFormat.getText().isBlank() ? "18650" : cellFormat.getText();
        CellFormat format =
                CellFormat.parseAny(size)
                        .orElseThrow(() ->
                                new IllegalArgumentException(
                                        "\"%s\" is no size of a cell; expected such as 18650."
                                                .formatted(size)));
        double ampHours = TypedFields.value(cellCapacity, 0) / 1000;
        double forLong = TypedFields.value(cellAmps, MeanCell.CONTINUOUS_AN_HOUR * ampHours);
        return Optional.of(
                new MeanCell(
                        ampHours,
                        TypedFields.value(cellMilliohms, 0) / 1000,
                        forLong,
                        Math.max(
                                forLong,
                                TypedFields.value(cellPeak, MeanCell.PEAK_AN_HOUR * ampHours)),
                        format.approximateGrams(of),
                        format,
                        OptionalDouble.empty()));
    }

    /// Fills the fields.
    void show(Need need) {
        chemistry.setValue(need.chemistry());
        low.show(OptionalDouble.of(need.said().lowTripVolts()));
        high.show(OptionalDouble.of(need.said().highTripVolts()));
        measuredLow.show(TypedFields.of(need.measured().map(Window::lowTripVolts)));
        measuredHigh.show(TypedFields.of(need.measured().map(Window::highTripVolts)));
        loads.setText(LoadText.text(need.loads()));
        efficiency.show(
                need.losses().efficiency() == 1
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(100 * need.losses().efficiency()));
        idle.show(
                need.losses().idleWatts() == 0
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(need.losses().idleWatts()));
        surge.show(need.surgeWatts());
        hours.show(need.hours());
        perKilometre.show(need.wattHoursPerKilometre());
        kilometres.show(need.kilometres());
        coldest.show(need.coldestCelsius());
        spares.show(need.spares() == 0 ? OptionalDouble.empty() : OptionalDouble.of(need.spares()));
        atHand.show(need);
        wiring.show(need.wiring());
        cellCapacity.show(TypedFields.of(need.cell().map(cell -> 1000 * cell.ampHours())));
        cellMilliohms.show(TypedFields.of(need.cell().map(cell -> 1000 * cell.ohms())));
        cellAmps.show(TypedFields.of(need.cell().map(MeanCell::maxContinuousAmps)));
        cellPeak.show(TypedFields.of(need.cell().map(MeanCell::maxPeakAmps)));
        cellFormat.setText(need.cell().map(cell -> cell.format().code()).orElse(""));
    }
}
