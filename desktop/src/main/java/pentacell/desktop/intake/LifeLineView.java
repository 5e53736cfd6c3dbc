package pentacell.desktop.intake;

import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.cell.Blemish;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.CellRecord.Fate;
import pentacell.core.cell.CellRecord.LifeLineEntry;
import pentacell.core.cell.RunFact;
import pentacell.core.journal.Amendment;
import pentacell.core.journal.Fact;
import pentacell.core.unit.NumberText;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.InlineEdit;
import pentacell.desktop.frame.RunWords;
import pentacell.desktop.kit.When;
import pentacell.desktop.kit.Wrapping;

/// Every entry ever logged of a cell, newest first. A wrong one is corrected in its line; it stays
/// to be seen, struck through.
final class LifeLineView extends VBox {
    private final Desk desk;

    LifeLineView(Desk desk) {
        this.desk = desk;
        setId("life-line");
        getStyleClass().add("life-line");
    }

    void show(CellRecord cell) {
        getChildren()
                .setAll(
                        cell.lifeLine().reversed().stream()
                                .map(entry -> line(cell, entry))
                                .toList());
    }

    private Node line(CellRecord cell, LifeLineEntry entry) {
        Label at = new Label(When.DAY.words(entry.at().atZone(ZoneId.systemDefault())));
        at.getStyleClass().add("life-at");
        Label what = new Label(words(entry.fact()) + originWords(entry) + fateWords(entry.fate()));
        Wrapping.on(what);
        what.getStyleClass().add(entry.isKept() ? "life-what" : "life-gone");
        HBox.setHgrow(what, Priority.ALWAYS);
        what.setMaxWidth(Double.MAX_VALUE);
        HBox row = new HBox(at, what);
        row.getStyleClass().add("life-row");
        if (entry.fate() == Fate.SET_ASIDE) row.getStyleClass().add("hatched");
        if (entry.fate() == Fate.STANDING && !(entry.fact() instanceof CellFact.CellDecided)) {
            Button correct = new Button(isReading(entry.fact()) ? "Correct" : "Strike");
            correct.setId("correct-" + entry.sequence());
            correct.getStyleClass().addAll("quiet", "small");
            correct.setOnAction(pressed -> edit(row, cell, entry));
            row.getChildren().add(correct);
        }
        return row;
    }

    private void edit(HBox row, CellRecord cell, LifeLineEntry entry) {
        boolean isReading = isReading(entry.fact());
        (isReading ? InlineEdit.CORRECT : InlineEdit.STRIKE)
                .begin(
                        row,
                        isReading ? number(entry.fact()) : "",
                        typed -> {
                            Optional<Fact> fact = correction(entry, typed);
                            fact.ifPresent(each ->
                                    desk.ledger()
                                            .log("Correct " + cell.id(), List.of(each), () -> {}));
                            return fact.isPresent();
                        },
                        () -> show(cell));
    }

    private static Optional<Fact> correction(LifeLineEntry entry, String text) {
        if (!isReading(entry.fact())) {
            return text.isBlank()
                    ? Optional.empty()
                    : Optional.of(new Amendment.EntryStruck(entry.sequence(), text.strip()));
        }
        OptionalDouble number = NumberText.parse(text);
        if (number.isEmpty()) return Optional.empty();
        try {
            return Optional.of(
                    new Amendment.EntryCorrected(
                            entry.sequence(), with(entry.fact(), number.getAsDouble())));
        } catch (IllegalArgumentException outOfRange) {
            return Optional.empty();
        }
    }

    private static CellFact with(CellFact fact, double value) {
        return switch (fact) {
            case CellFact.VoltageRead read -> new CellFact.VoltageRead(read.cell(), value);
            case CellFact.ResistanceRead read ->
                    new CellFact.ResistanceRead(
                            read.cell(), value, read.method(), read.bay(), read.celsius());
            case CellFact.CapacityMeasured measured ->
                    new CellFact.CapacityMeasured(measured.cell(), value, measured.conditions());
            case RunFact run -> run;
            case CellFact.CellNamed named -> named;
            case CellFact.CansCounted counted -> counted;
            case CellFact.CellPlaced placed -> placed;
            case CellFact.CellNoted noted -> noted;
            case CellFact.BlemishesSeen seen -> seen;
            case CellFact.PrepDone done -> done;
            case CellFact.LabelPrinted printed -> printed;
            case CellFact.HandedOver gone -> gone;
            case CellFact.CellDecided decided -> decided;
        };
    }

    private static boolean isReading(CellFact fact) {
        return !number(fact).isEmpty();
    }

    private static String number(CellFact fact) {
        return switch (fact) {
            case CellFact.VoltageRead read -> Quantity.VOLTAGE.number(read.volts());
            case CellFact.ResistanceRead read -> Quantity.RESISTANCE.number(read.milliohms());
            case CellFact.CapacityMeasured measured ->
                    Quantity.CAPACITY.number(measured.milliampHours());
            default -> "";
        };
    }

    private static String words(CellFact fact) {
        return switch (fact) {
            case CellFact.VoltageRead read -> Quantity.VOLTAGE.text(read.volts());
            case CellFact.ResistanceRead read ->
                    Quantity.RESISTANCE.text(read.milliohms())
                            + (read.method() == CellFact.ResistanceMethod.DC ? " DC" : " AC");
            case CellFact.CapacityMeasured measured ->
                    Quantity.CAPACITY.text(measured.milliampHours())
                            + (measured.conditions().dischargeAmps().isPresent()
                                    ? " at "
                                            + Quantity.CURRENT.text(
                                                    measured.conditions()
                                                            .dischargeAmps()
                                                            .getAsDouble(),
                                                    1)
                                            + " to "
                                            + Quantity.VOLTAGE.text(
                                                    measured.conditions()
                                                            .endVolts()
                                                            .orElse(Double.NaN),
                                                    2)
                                    : "");
            case CellFact.CellNamed named ->
                    "named"
                            + named.model().map(model -> ", " + model).orElse("")
                            + named.donor().map(d -> ", from " + d).orElse("");
            case RunFact run -> RunWords.of(run);
            case CellFact.CansCounted counted ->
                    counted.count() == 1
                            ? "a single can"
                            : counted.count() + " cans that stay together";
            case CellFact.CellPlaced placed -> "laid in " + placed.place();
            case CellFact.CellNoted noted -> noted.note();
            case CellFact.BlemishesSeen seen ->
                    seen.blemishes().stream().map(Blemish::words).collect(Collectors.joining(", "));
            case CellFact.PrepDone done -> "done: " + done.work().words();
            case CellFact.LabelPrinted printed -> "label printed";
            case CellFact.HandedOver gone -> "handed over to " + gone.to();
            case CellFact.CellDecided decided ->
                    switch (decided.decision()) {
                                case USE -> "decided: use. ";
                                case OUT -> "decided: out. ";
                                case BY_FIGURES -> "decided: by figures again. ";
                            }
                            + decided.reason();
        };
    }

    /// What was typed is the usual.
    private static String originWords(LifeLineEntry entry) {
        return switch (entry.origin()) {
            case UNKNOWN, TYPED -> "";
            case IMPORTED, INSTRUMENT, STAND_IN -> " · " + entry.origin().code();
        };
    }

    private static String fateWords(Fate fate) {
        return switch (fate) {
            case STANDING -> "";
            case SET_ASIDE -> ", does not count";
            case CORRECTED -> " (corrected)";
            case STRUCK -> " (struck)";
        };
    }
}
