package pentacell.desktop.plan;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import pentacell.core.cell.Chemistry;
import pentacell.core.donor.Price;
import pentacell.core.plan.facts.Board;
import pentacell.core.plan.facts.Box;
import pentacell.core.plan.facts.Charger;
import pentacell.core.plan.facts.LeadAcid;
import pentacell.core.plan.facts.Need;
import pentacell.core.plan.facts.NeedChange;
import pentacell.core.plan.facts.Packing;
import pentacell.desktop.kit.EnumWords;
import pentacell.desktop.kit.NumberField;

/// What is at hand, and what the pack stands in for: box, charger, board, block.
final class AtHandFields {
    private static final String KNOWN_NOT = "not known";
    private static final String YES = "yes";
    private static final String NO = "no";
    private static final String SEPARATE = "separate";

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
    private final NumberField blockVolts;
    private final NumberField blockAmpHours;
    private final NumberField blockKilograms;
    private final NumberField blockPrice;
    private final ComboBox<Chemistry> boardChemistry;
    private final CheckBox boardLeads = new CheckBox("Balance leads");
    private final ComboBox<String> boardProbe;
    private final ComboBox<String> boardPort;
    private final TextField currency;

    AtHandFields(TypedFields fields) {
        boxLength = fields.number("need-box-length", "Length / mm", "mm", 1, 1e5);
        boxWidth = fields.number("need-box-width", "Width / mm", "mm", 1, 1e5);
        boxHeight = fields.number("need-box-height", "Height / mm", "mm", 1, 1e5);
        boardRoom =
                fields.number("need-board-room", "Kept for the board / mm", "mm", 0, 1000)
                        .empty("0");
        between = fields.number("need-between", "Between cans / mm", "mm", 0, 100).empty("1.5");
        chargerVolts = fields.number("need-charger-volts", "Voltage / V", "volts", 0.1, 2000);
        chargerAmps = fields.number("need-charger-amps", "Current / A", "amps", 0.01, 1e4);
        supplyWatts = fields.number("need-supply", "Its supply / W", "watts", 0.1, 1e6);
        boardSeries = fields.number("need-board-series", "Groups", "groups", 1, 400).whole();
        boardAmps = fields.number("need-board-amps", "For long / A", "amps", 0.01, 1e4);
        boardPeak = fields.number("need-board-peak", "Cuts off at / A", "amps", 0.01, 1e5);
        boardBalance = fields.number("need-board-balance", "Balances / mA", "mA", 0.1, 1e6);
        blockVolts = fields.number("need-block-volts", "Voltage / V", "volts", 1, 1000);
        blockAmpHours = fields.number("need-block-amp-hours", "Rated / Ah", "Ah", 0.1, 1e5);
        blockKilograms = fields.number("need-block-kilograms", "Mass / kg", "kg", 0.1, 1e5);
        blockPrice = fields.number("need-block-price", "Price", "an amount", 0, 1e6);
        boardChemistry = fields.choice("need-board-chemistry", List.of(Chemistry.values()));
        boardChemistry.setConverter(new EnumWords<>(Chemistry::words));
        boardProbe = fields.choice("need-board-probe", List.of(KNOWN_NOT, YES, NO));
        boardPort = fields.choice("need-board-port", List.of(KNOWN_NOT, SEPARATE, "common"));
        boardLeads.setId("need-board-leads");
        boardLeads.setSelected(true);
        fields.keep(boardLeads);
        currency = fields.text("need-currency", 4);
        currency.setText("EUR");
    }

    Node boxSection() {
        return TypedFields.section(
                "Box, inside", boxLength, boxWidth, boxHeight, boardRoom, between);
    }

    Node chargerSection() {
        return TypedFields.section("Charger at hand", chargerVolts, chargerAmps, supplyWatts);
    }

    /// @param school what to do about loads above the board
    Node boardSection(Node school) {
        return TypedFields.section(
                "Protection board at hand",
                boardSeries,
                TypedFields.field("Cells", boardChemistry),
                boardAmps,
                boardPeak,
                boardBalance,
                TypedFields.field("Temperature probe", boardProbe),
                TypedFields.field("Charge port", boardPort),
                boardLeads,
                TypedFields.field("When the load exceeds the board's rating", school));
    }

    Node blockSection() {
        return TypedFields.section(
                "Lead-acid it replaces",
                blockVolts,
                blockAmpHours,
                blockKilograms,
                blockPrice,
                TypedFields.field("Currency", currency));
    }

    /// The need with what is typed here.
    NeedChange on(NeedChange need) {
        return need.replaces(block())
                .box(box())
                .packing(
                        new Packing(
                                TypedFields.value(between, Packing.USUAL.betweenMillimetres()),
                                Packing.USUAL.endMillimetres(),
                                Packing.USUAL.wallMillimetres(),
                                TypedFields.value(boardRoom, 0)))
                .charger(charger())
                .board(board());
    }

    private Optional<LeadAcid> block() {
        if (!TypedFields.areFilled(blockVolts, blockAmpHours)) return Optional.empty();
        return Optional.of(
                new LeadAcid(
                        TypedFields.value(blockVolts, 0),
                        TypedFields.value(blockAmpHours, 0),
                        blockKilograms.typed(),
                        blockPrice.isBlank()
                                ? Optional.empty()
                                : Optional.of(
                                        new Price(
                                                TypedFields.value(blockPrice, 0),
                                                currency.getText().strip()))));
    }

    private Optional<Box> box() {
        return TypedFields.areFilled(boxLength, boxWidth, boxHeight)
                ? Optional.of(
                        new Box(
                                TypedFields.value(boxLength, 0),
                                TypedFields.value(boxWidth, 0),
                                TypedFields.value(boxHeight, 0)))
                : Optional.empty();
    }

    private Optional<Charger> charger() {
        return TypedFields.areFilled(chargerVolts, chargerAmps)
                ? Optional.of(
                        new Charger(
                                TypedFields.value(chargerVolts, 0),
                                TypedFields.value(chargerAmps, 0),
                                supplyWatts.typed()))
                : Optional.empty();
    }

    private Optional<Board> board() {
        if (!TypedFields.areFilled(boardSeries, boardAmps)) return Optional.empty();
        double amps = TypedFields.value(boardAmps, 0);
        return Optional.of(
                new Board(
                        (int) TypedFields.value(boardSeries, 1),
                        boardChemistry.getValue(),
                        amps,
                        Math.max(amps, TypedFields.value(boardPeak, amps)),
                        boardLeads.isSelected(),
                        boardBalance.typed(),
                        known(boardProbe, YES),
                        known(boardPort, SEPARATE)));
    }

    private static Optional<Boolean> known(ComboBox<String> box, String yes) {
        return box.getValue().equals(KNOWN_NOT)
                ? Optional.empty()
                : Optional.of(box.getValue().equals(yes));
    }

    /// Fills the fields.
    void show(Need need) {
        boxLength.show(TypedFields.of(need.box().map(Box::lengthMillimetres)));
        boxWidth.show(TypedFields.of(need.box().map(Box::widthMillimetres)));
        boxHeight.show(TypedFields.of(need.box().map(Box::heightMillimetres)));
        boardRoom.show(
                need.packing().boardMillimetres() == 0
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(need.packing().boardMillimetres()));
        between.show(OptionalDouble.of(need.packing().betweenMillimetres()));
        chargerVolts.show(TypedFields.of(need.charger().map(Charger::volts)));
        chargerAmps.show(TypedFields.of(need.charger().map(Charger::amps)));
        supplyWatts.show(need.charger().map(Charger::supplyWatts).orElse(OptionalDouble.empty()));
        showBoard(need.board());
        showBlock(need.replaces());
    }

    private void showBoard(Optional<Board> board) {
        boardSeries.show(TypedFields.of(board.map(each -> (double) each.series())));
        board.ifPresent(each -> boardChemistry.setValue(each.chemistry()));
        boardAmps.show(TypedFields.of(board.map(Board::continuousAmps)));
        boardPeak.show(TypedFields.of(board.map(Board::peakAmps)));
        boardBalance.show(board.map(Board::balanceMilliamps).orElse(OptionalDouble.empty()));
        boardLeads.setSelected(board.map(Board::hasBalanceLeads).orElse(true));
        boardProbe.setValue(
                board.flatMap(Board::hasTemperatureProbe)
                        .map(has -> has ? YES : NO)
                        .orElse(KNOWN_NOT));
        boardPort.setValue(
                board.flatMap(Board::hasSeparatePort)
                        .map(has -> has ? SEPARATE : "common")
                        .orElse(KNOWN_NOT));
    }

    private void showBlock(Optional<LeadAcid> block) {
        blockVolts.show(TypedFields.of(block.map(LeadAcid::volts)));
        blockAmpHours.show(TypedFields.of(block.map(LeadAcid::ampHours)));
        blockKilograms.show(block.map(LeadAcid::kilograms).orElse(OptionalDouble.empty()));
        blockPrice.show(TypedFields.of(block.flatMap(LeadAcid::price).map(Price::amount)));
        block.flatMap(LeadAcid::price).ifPresent(price -> currency.setText(price.currency()));
    }
}
