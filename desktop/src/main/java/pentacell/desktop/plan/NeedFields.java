package pentacell.desktop.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.VBox;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.Chemistry;
import pentacell.core.conductor.Material;
import pentacell.core.donor.Price;
import pentacell.core.need.Board;
import pentacell.core.need.BoardSchool;
import pentacell.core.need.Box;
import pentacell.core.need.CellFuse;
import pentacell.core.need.Charger;
import pentacell.core.need.LeadAcid;
import pentacell.core.need.Losses;
import pentacell.core.need.MeanCell;
import pentacell.core.need.Need;
import pentacell.core.need.Packing;
import pentacell.core.need.Window;
import pentacell.core.need.Wiring;
import pentacell.core.plan.LoadText;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.EnumWords;
import pentacell.desktop.kit.NumberField;

/// A need as it is typed: what the device is like, what it draws, what is wanted, and what is at
/// hand.
final class NeedFields extends VBox {
    private static final String KNOWN_NOT = "not known";
    private static final String YES = "yes";
    private static final String NO = "no";

    private final Consumer<String> complaint;
    private final List<NumberField> numbers = new ArrayList<>();
    private final List<Control> controls = new ArrayList<>();

    private final ComboBox<Chemistry> chemistry =
            choice("need-chemistry", List.of(Chemistry.values()));
    private final NumberField low;
    private final NumberField high;
    private final NumberField measuredLow;
    private final NumberField measuredHigh;
    private final TextArea loads = new TextArea();
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
    private final TextField cellFormat = new TextField();
    private final NumberField boxLength;
    private final NumberField boxWidth;
    private final NumberField boxHeight;
    private final NumberField boardRoom;
    private final NumberField between;
    private final NumberField chargerVolts;
    private final NumberField chargerAmps;
    private final NumberField supplyWatts;
    private final NumberField boardSeries;
    private final NumberField boardAmps;
    private final NumberField boardPeak;
    private final NumberField boardBalance;
    private final ComboBox<Chemistry> boardChemistry =
            choice("need-board-chemistry", List.of(Chemistry.values()));
    private final CheckBox boardLeads = new CheckBox("Balance leads");
    private final ComboBox<String> boardProbe =
            choice("need-board-probe", List.of(KNOWN_NOT, YES, NO));
    private final ComboBox<String> boardPort =
            choice("need-board-port", List.of(KNOWN_NOT, "separate", "common"));
    private final ComboBox<BoardSchool> school =
            choice("need-board-school", List.of(BoardSchool.values()));
    private final NumberField blockVolts;
    private final NumberField blockAmpHours;
    private final NumberField blockKilograms;
    private final NumberField blockPrice;
    private final TextField currency = new TextField("EUR");
    private final ComboBox<Material> strip = choice("need-strip", List.of(Material.values()));
    private final NumberField stripWidth;
    private final NumberField stripThickness;
    private final NumberField bridges;
    private final NumberField leadArea;
    private final NumberField leadMetres;
    private final NumberField connector;
    private final NumberField fuseWire;
    private final NumberField fuseAmps;

    /// @param complaint hears what cannot be understood
    NeedFields(Consumer<String> complaint) {
        this.complaint = complaint;
        low = number("need-low", "Stops under / V", "volts", 0, 2000);
        high = number("need-high", "Bears at most / V", "volts", 0.1, 2000);
        measuredLow = number("need-measured-low", "Stops under, measured", "volts", 0, 2000);
        measuredHigh = number("need-measured-high", "At most, measured", "volts", 0.1, 2000);
        efficiency = number("need-efficiency", "Efficiency / %", "percent", 1, 100).empty("100");
        idle = number("need-idle", "Idle / W", "watts", 0, 1e6).empty("0");
        surge = number("need-surge", "Starting surge / W", "watts", 0.1, 1e6);
        hours = number("need-hours", "Hours", "hours", 0.01, 1e6);
        perKilometre = number("need-per-kilometre", "Wh a km", "Wh", 0.1, 1e6);
        kilometres = number("need-kilometres", "Kilometres", "kilometres", 0.1, 1e6);
        coldest = number("need-coldest", "Coldest day / °C", "°C", -60, 60);
        spares = number("need-spares", "Spares", "cells", 0, 1000).empty("0");
        cellCapacity = number("need-cell-capacity", "Capacity / mAh", "mAh", 1, 1e6);
        cellMilliohms = number("need-cell-milliohms", "Resistance / mΩ", "mΩ", 0.01, 1e5);
        cellAmps = number("need-cell-amps", "For long / A", "amps", 0.01, 1000).empty("0.5 C");
        cellPeak = number("need-cell-peak", "For moments / A", "amps", 0.01, 1000).empty("1 C");
        boxLength = number("need-box-length", "Length / mm", "mm", 1, 1e5);
        boxWidth = number("need-box-width", "Width / mm", "mm", 1, 1e5);
        boxHeight = number("need-box-height", "Height / mm", "mm", 1, 1e5);
        boardRoom = number("need-board-room", "Kept for the board / mm", "mm", 0, 1000).empty("0");
        between = number("need-between", "Between cans / mm", "mm", 0, 100).empty("1.5");
        chargerVolts = number("need-charger-volts", "Voltage / V", "volts", 0.1, 2000);
        chargerAmps = number("need-charger-amps", "Current / A", "amps", 0.01, 1e4);
        supplyWatts = number("need-supply", "Its supply / W", "watts", 0.1, 1e6);
        boardSeries = number("need-board-series", "Groups", "groups", 1, 400);
        boardAmps = number("need-board-amps", "For long / A", "amps", 0.01, 1e4);
        boardPeak = number("need-board-peak", "Cuts off at / A", "amps", 0.01, 1e5);
        boardBalance = number("need-board-balance", "Balances / mA", "mA", 0.1, 1e6);
        blockVolts = number("need-block-volts", "Voltage / V", "volts", 1, 1000);
        blockAmpHours = number("need-block-amp-hours", "Rated / Ah", "Ah", 0.1, 1e5);
        blockKilograms = number("need-block-kilograms", "Mass / kg", "kg", 0.1, 1e5);
        blockPrice = number("need-block-price", "Price", "an amount", 0, 1e6);
        stripWidth = number("need-strip-width", "Width / mm", "mm", 0.1, 1000);
        stripThickness = number("need-strip-thickness", "Thickness / mm", "mm", 0.01, 100);
        bridges =
                number("need-bridges", "Bridges", "bridges from group to group", 1, 2000)
                        .empty("as compact");
        leadArea = number("need-lead-area", "Leads / mm²", "mm²", 0.01, 1e4).empty("smallest");
        leadMetres = number("need-lead-metres", "Each / m", "metres", 0.01, 1000);
        connector = number("need-connector", "Connector / A", "amps", 0.1, 1e5);
        fuseWire = number("need-fuse-wire", "Cell fuse, copper wire / mm", "mm", 0.01, 10);
        fuseAmps = number("need-fuse-amps", "or opens at / A", "amps", 0.1, 1000);
        dress();
        getStyleClass().add("need-fields");
        ControlRow sections =
                ControlRow.of(
                        section(
                                "Device",
                                field("Cells", chemistry),
                                low,
                                high,
                                measuredLow,
                                measuredHigh),
                        section("Loads, one a line", loads),
                        section("Wanted", hours, perKilometre, kilometres, coldest, spares),
                        section("Between pack and load", efficiency, idle, surge),
                        section("Box, inside", boxLength, boxWidth, boxHeight, boardRoom, between),
                        section("Charger at hand", chargerVolts, chargerAmps, supplyWatts),
                        section(
                                "Protection board at hand",
                                boardSeries,
                                field("Cells", boardChemistry),
                                boardAmps,
                                boardPeak,
                                boardBalance,
                                field("Temperature probe", boardProbe),
                                field("Charge port", boardPort),
                                boardLeads,
                                field("When the load is more than it bears", school)),
                        section(
                                "Lead-acid it replaces",
                                blockVolts,
                                blockAmpHours,
                                blockKilograms,
                                blockPrice,
                                field("Currency", currency)),
                        section(
                                "Strips, leads, fuses",
                                field("Strip", strip),
                                stripWidth,
                                stripThickness,
                                bridges,
                                leadArea,
                                leadMetres,
                                connector,
                                fuseWire,
                                fuseAmps),
                        section(
                                "Assumed cell, instead of those in stock",
                                cellCapacity,
                                cellMilliohms,
                                cellAmps,
                                cellPeak,
                                field("Size", cellFormat)));
        sections.getStyleClass().add("need-sections");
        getChildren().add(sections);
    }

    private void dress() {
        loads.setId("need-loads");
        loads.setPromptText("camera cooler 30w 60% peak 45w");
        loads.setPrefRowCount(4);
        loads.setPrefColumnCount(26);
        loads.setTooltip(
                new Tooltip(
                        "What it is, its watts, the share of the time it is on, its peak: camera cooler 30w 60% peak 45w"));
        cellFormat.setId("need-cell-format");
        cellFormat.setPrefColumnCount(6);
        cellFormat.setPromptText("18650");
        currency.setId("need-currency");
        currency.setPrefColumnCount(4);
        boardLeads.setId("need-board-leads");
        boardLeads.setSelected(true);
        chemistry.setConverter(new EnumWords<>(Chemistry::words));
        boardChemistry.setConverter(new EnumWords<>(Chemistry::words));
        strip.setConverter(new EnumWords<>(each -> each.code().replace('-', ' ')));
        school.setConverter(
                new EnumWords<>(each ->
                        switch (each) {
                            case BIGGER_BOARD -> "A larger board or a contactor";
                            case PAST_THE_BOARD -> "Led past it, with an alarm";
                        }));
        controls.add(loads);
        controls.add(cellFormat);
        controls.add(currency);
        controls.add(boardLeads);
    }

    private <T> ComboBox<T> choice(String id, List<T> items) {
        ComboBox<T> box = new ComboBox<>();
        box.setId(id);
        box.getItems().setAll(items);
        box.getSelectionModel().selectFirst();
        controls.add(box);
        return box;
    }

    private NumberField number(
            String id, String caption, String expected, double least, double most) {
        NumberField field = new NumberField(id, caption, "", expected, least, most, complaint);
        field.field().setPrefColumnCount(6);
        numbers.add(field);
        controls.add(field.field());
        return field;
    }

    private static Node field(String caption, Node node) {
        Label label = new Label(caption);
        label.setLabelFor(node);
        label.getStyleClass().add("caption");
        return new VBox(label, node);
    }

    private static Node section(String title, Node... fields) {
        Label heading = new Label(title);
        heading.getStyleClass().add("section");
        ControlRow row = ControlRow.tight(fields);
        row.getStyleClass().add("form-fields");
        return new VBox(heading, row);
    }

    /// Hears of every change, and when a field was left or confirmed.
    void onChange(Runnable typed, Runnable left) {
        for (Control control : controls) {
            switch (control) {
                case TextField field -> {
                    field.textProperty().subscribe((before, now) -> typed.run());
                    field.setOnAction(enter -> left.run());
                }
                case TextArea area -> area.textProperty().subscribe((before, now) -> typed.run());
                case ComboBox<?> box ->
                        box.valueProperty()
                                .subscribe((before, now) -> {
                                    typed.run();
                                    left.run();
                                });
                case CheckBox box ->
                        box.selectedProperty()
                                .subscribe((before, now) -> {
                                    typed.run();
                                    left.run();
                                });
                default -> {}
            }
            control.focusedProperty()
                    .subscribe((before, now) -> {
                        if (before && !now) left.run();
                    });
        }
    }

    /// Puts the caret where a need begins.
    void begin() {
        low.field().requestFocus();
    }

    /// Says what cannot be understood; false when all can.
    boolean mark() {
        boolean isWrong = false;
        for (NumberField each : numbers) if (each.mark()) isWrong = true;
        return isWrong;
    }

    /// The need as typed.
    ///
    /// @throws IllegalArgumentException with what is missing or cannot be, for a person
    Need need() {
        if (numbers.stream().anyMatch(field -> !field.isUnderstood()))
            throw new IllegalArgumentException("A number cannot be read; it is marked.");
        if (high.isBlank())
            throw new IllegalArgumentException(
                    "What voltage does the device bear at most? A need begins with it.");
        LoadText drawn = LoadText.read(loads.getText());
        if (!drawn.problems().isEmpty())
            throw new IllegalArgumentException(drawn.problems().get(0));
        if (drawn.items().isEmpty())
            throw new IllegalArgumentException(
                    "What does it draw? One load a line, such as \"lamp 12w 40%\".");
        Chemistry of = chemistry.getValue();
        return Need.of(of, new Window(value(low, 0), value(high, 0)), drawn.items())
                .with(need ->
                        need.measured(measured())
                                .losses(new Losses(value(efficiency, 100) / 100, value(idle, 0)))
                                .surgeWatts(surge.typed())
                                .hours(hours.typed())
                                .wattHoursPerKilometre(perKilometre.typed())
                                .kilometres(kilometres.typed())
                                .coldestCelsius(coldest.typed())
                                .spares((int) value(spares, 0))
                                .replaces(block())
                                .box(box())
                                .packing(
                                        new Packing(
                                                value(between, Packing.USUAL.betweenMillimetres()),
                                                Packing.USUAL.endMillimetres(),
                                                Packing.USUAL.wallMillimetres(),
                                                value(boardRoom, 0)))
                                .charger(charger())
                                .board(board())
                                .cell(cell(of))
                                .wiring(wiring()));
    }

    private static double value(NumberField field, double otherwise) {
        return field.typed().orElse(otherwise);
    }

    private static boolean areFilled(NumberField... fields) {
        for (NumberField each : fields) if (each.isBlank()) return false;
        return true;
    }

    private Optional<Window> measured() {
        return measuredLow.isBlank() && measuredHigh.isBlank()
                ? Optional.empty()
                : Optional.of(
                        new Window(
                                value(measuredLow, value(low, 0)),
                                value(measuredHigh, value(high, 0))));
    }

    private Optional<LeadAcid> block() {
        if (!areFilled(blockVolts, blockAmpHours)) return Optional.empty();
        return Optional.of(
                new LeadAcid(
                        value(blockVolts, 0),
                        value(blockAmpHours, 0),
                        blockKilograms.typed(),
                        blockPrice.isBlank()
                                ? Optional.empty()
                                : Optional.of(
                                        new Price(
                                                value(blockPrice, 0),
                                                currency.getText().strip()))));
    }

    private Optional<Box> box() {
        return areFilled(boxLength, boxWidth, boxHeight)
                ? Optional.of(new Box(value(boxLength, 0), value(boxWidth, 0), value(boxHeight, 0)))
                : Optional.empty();
    }

    private Optional<Charger> charger() {
        return areFilled(chargerVolts, chargerAmps)
                ? Optional.of(
                        new Charger(
                                value(chargerVolts, 0), value(chargerAmps, 0), supplyWatts.typed()))
                : Optional.empty();
    }

    private Optional<Board> board() {
        if (!areFilled(boardSeries, boardAmps)) return Optional.empty();
        double amps = value(boardAmps, 0);
        return Optional.of(
                new Board(
                        (int) value(boardSeries, 1),
                        boardChemistry.getValue(),
                        amps,
                        Math.max(amps, value(boardPeak, amps)),
                        boardLeads.isSelected(),
                        boardBalance.typed(),
                        known(boardProbe, YES),
                        known(boardPort, "separate")));
    }

    private static Optional<Boolean> known(ComboBox<String> box, String yes) {
        return box.getValue().equals(KNOWN_NOT)
                ? Optional.empty()
                : Optional.of(box.getValue().equals(yes));
    }

    private Optional<MeanCell> cell(Chemistry of) {
        if (!areFilled(cellCapacity, cellMilliohms)) return Optional.empty();
        String size = cellFormat.getText().isBlank() ? "18650" : cellFormat.getText();
        CellFormat format =
                CellFormat.parseAny(size)
                        .orElseThrow(() ->
                                new IllegalArgumentException(
                                        "\"%s\" is no size of a cell; expected such as 18650."
                                                .formatted(size)));
        double ampHours = value(cellCapacity, 0) / 1000;
        double forLong = value(cellAmps, MeanCell.CONTINUOUS_AN_HOUR * ampHours);
        return Optional.of(
                new MeanCell(
                        ampHours,
                        value(cellMilliohms, 0) / 1000,
                        forLong,
                        Math.max(forLong, value(cellPeak, MeanCell.PEAK_AN_HOUR * ampHours)),
                        format.approximateGrams(of),
                        format,
                        OptionalDouble.empty()));
    }

    private Wiring wiring() {
        Wiring usual = Wiring.USUAL;
        Optional<CellFuse> fuse =
                fuseWire.isBlank()
                        ? fuseAmps.isBlank()
                                ? Optional.empty()
                                : Optional.of(
                                        new CellFuse(
                                                CellFuse.Kind.OPENS_AT_AMPS, value(fuseAmps, 0)))
                        : Optional.of(new CellFuse(CellFuse.Kind.COPPER_WIRE, value(fuseWire, 0)));
        return new Wiring(
                strip.getValue(),
                value(stripWidth, usual.stripWidthMillimetres()),
                value(stripThickness, usual.stripThicknessMillimetres()),
                bridges.isBlank() ? OptionalInt.empty() : OptionalInt.of((int) value(bridges, 1)),
                leadArea.typed(),
                value(leadMetres, usual.leadMetres()),
                connector.typed(),
                fuse,
                school.getValue());
    }

    /// Fills the fields.
    void show(Need need) {
        chemistry.setValue(need.chemistry());
        low.show(OptionalDouble.of(need.said().lowTripVolts()));
        high.show(OptionalDouble.of(need.said().highTripVolts()));
        measuredLow.show(of(need.measured().map(Window::lowTripVolts)));
        measuredHigh.show(of(need.measured().map(Window::highTripVolts)));
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
        boxLength.show(of(need.box().map(Box::lengthMillimetres)));
        boxWidth.show(of(need.box().map(Box::widthMillimetres)));
        boxHeight.show(of(need.box().map(Box::heightMillimetres)));
        boardRoom.show(
                need.packing().boardMillimetres() == 0
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(need.packing().boardMillimetres()));
        between.show(OptionalDouble.of(need.packing().betweenMillimetres()));
        chargerVolts.show(of(need.charger().map(Charger::volts)));
        chargerAmps.show(of(need.charger().map(Charger::amps)));
        supplyWatts.show(need.charger().map(Charger::supplyWatts).orElse(OptionalDouble.empty()));
        showBoard(need.board());
        showBlock(need.replaces());
        showWiring(need.wiring());
        cellCapacity.show(of(need.cell().map(cell -> 1000 * cell.ampHours())));
        cellMilliohms.show(of(need.cell().map(cell -> 1000 * cell.ohms())));
        cellAmps.show(of(need.cell().map(MeanCell::maxContinuousAmps)));
        cellPeak.show(of(need.cell().map(MeanCell::maxPeakAmps)));
        cellFormat.setText(need.cell().map(cell -> cell.format().code()).orElse(""));
    }

    private void showBoard(Optional<Board> board) {
        boardSeries.show(of(board.map(each -> (double) each.series())));
        board.ifPresent(each -> boardChemistry.setValue(each.chemistry()));
        boardAmps.show(of(board.map(Board::continuousAmps)));
        boardPeak.show(of(board.map(Board::peakAmps)));
        boardBalance.show(board.map(Board::balanceMilliamps).orElse(OptionalDouble.empty()));
        boardLeads.setSelected(board.map(Board::hasBalanceLeads).orElse(true));
        boardProbe.setValue(
                board.flatMap(Board::hasTemperatureProbe)
                        .map(has -> has ? YES : NO)
                        .orElse(KNOWN_NOT));
        boardPort.setValue(
                board.flatMap(Board::hasSeparatePort)
                        .map(has -> has ? "separate" : "common")
                        .orElse(KNOWN_NOT));
    }

    private void showBlock(Optional<LeadAcid> block) {
        blockVolts.show(of(block.map(LeadAcid::volts)));
        blockAmpHours.show(of(block.map(LeadAcid::ampHours)));
        blockKilograms.show(block.map(LeadAcid::kilograms).orElse(OptionalDouble.empty()));
        blockPrice.show(of(block.flatMap(LeadAcid::price).map(Price::amount)));
        block.flatMap(LeadAcid::price).ifPresent(price -> currency.setText(price.currency()));
    }

    private void showWiring(Wiring wiring) {
        strip.setValue(wiring.strip());
        stripWidth.show(OptionalDouble.of(wiring.stripWidthMillimetres()));
        stripThickness.show(OptionalDouble.of(wiring.stripThicknessMillimetres()));
        bridges.show(
                wiring.bridges().isPresent() ? String.valueOf(wiring.bridges().getAsInt()) : "");
        leadArea.show(wiring.leadSquareMillimetres());
        leadMetres.show(OptionalDouble.of(wiring.leadMetres()));
        connector.show(wiring.connectorAmps());
        school.setValue(wiring.school());
        fuseWire.show(of(fuse(wiring, CellFuse.Kind.COPPER_WIRE)));
        fuseAmps.show(of(fuse(wiring, CellFuse.Kind.OPENS_AT_AMPS)));
    }

    private static Optional<Double> fuse(Wiring wiring, CellFuse.Kind kind) {
        return wiring.cellFuse().filter(fuse -> fuse.kind() == kind).map(CellFuse::figure);
    }

    private static OptionalDouble of(Optional<Double> value) {
        return value.isPresent() ? OptionalDouble.of(value.get()) : OptionalDouble.empty();
    }
}
