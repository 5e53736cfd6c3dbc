package pentacell.desktop.harvest;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import pentacell.core.donor.Price;
import pentacell.core.donor.PurchaseFact;
import pentacell.core.donor.Purchases;
import pentacell.core.harvest.HarvestYield;
import pentacell.core.harvest.HarvestYield.By;
import pentacell.core.unit.NumberText;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Saving;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.EnumWords;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.PlainButton;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.SentFields;
import pentacell.desktop.kit.WhenShown;
import pentacell.reports.DonorReport;
import pentacell.reports.Paper;
import pentacell.workshop.exchange.HarvestFiles;

/// Yield and cost: what a lot or a kind of donor gave and what a good watt-hour cost, against new
/// cells.
final class YieldPane extends VBox {
    private final Desk desk;
    private final FileAsk files;
    private final ComboBox<By> by = new ComboBox<>();
    private final FittedTable<HarvestYield> table =
            new FittedTable<>("yield-table", "No donor yet.");
    private final YieldPlot plot = new YieldPlot();
    private final PlotSurface surface = new PlotSurface(plot::paint);
    private final TextField newPrice = new TextField();
    private final TextField newWattHours = new TextField();
    private final SentFields sent = new SentFields(List.of(newPrice, newWattHours));
    private final Label newCell = new Label();

    YieldPane(Desk desk, FileAsk files) {
        this.desk = desk;
        this.files = files;
        setId("yield-pane");
        getStyleClass().add("harvest-pane");
        by.setId("yield-by");
        by.getItems().setAll(By.values());
        by.setValue(By.KIND);
        by.setConverter(new EnumWords<>(YieldPane::words));
        by.valueProperty().subscribe(chosen -> show());
        columns();
        surface.setId("yield-plot");
        surface.getStyleClass().add("yield-plot");
        VBox.setVgrow(table, Priority.ALWAYS);
        getChildren().addAll(bar(), surface, table);
        WhenShown.run(this, desk.ledger().stateProperty(), this::show);
    }

    private static String words(By by) {
        return switch (by) {
            case LOT -> "by lot";
            case KIND -> "by kind of donor";
            case DONOR -> "by donor";
        };
    }

    private Node bar() {
        newPrice.setId("new-price");
        newPrice.setPromptText("3.20 EUR");
        newPrice.setPrefColumnCount(7);
        newWattHours.setId("new-wh");
        newWattHours.setPromptText("Wh");
        newWattHours.setPrefColumnCount(4);
        Button set = new Button("Set new price");
        set.setId("set-new-price");
        set.setMinWidth(Region.USE_PREF_SIZE);
        set.setOnAction(pressed -> setNewPrice());
        newPrice.setOnAction(enter -> setNewPrice());
        newWattHours.setOnAction(enter -> setNewPrice());
        newCell.getStyleClass().add("caption");
        newCell.setMinWidth(Region.USE_PREF_SIZE);
        newCell.setText("A new cell costs");
        Button csv = new Button("Write CSV");
        csv.setId("yield-csv");
        csv.setMinWidth(Region.USE_PREF_SIZE);
        csv.setOnAction(pressed -> writeCsv());
        Button report = PlainButton.of("Donor report", "donor-report", this::writeReport);
        return ControlRow.of(
                by, ControlRow.gap(), newCell, newPrice, newWattHours, set, csv, report);
    }

    private void columns() {
        table.column("What", HarvestYield::name);
        table.number("Cells", each -> String.valueOf(each.cells()));
        table.number("Good", each -> String.valueOf(each.good()));
        table.number("Wh", each -> amount(OptionalDouble.of(each.goodWattHours()), 0));
        table.number("Cost", each -> (amount(each.cost(), 2) + " " + each.currency()).strip());
        table.number("/ cell", each -> amount(each.pricePerCell(), 2));
        table.number("/ good", each -> amount(each.pricePerGoodCell(), 2));
        table.number("/ Wh", each -> amount(each.pricePerGoodWattHour(), 3));
        table.number("min each", each -> amount(each.minutesPerCell(), 1));
        table.number(
                "Hours",
                each ->
                        each.minutes() == 0
                                ? ""
                                : amount(OptionalDouble.of(each.minutes() / 60), 1));
    }

    private static String amount(OptionalDouble value, int digits) {
        return value.isEmpty() ? "" : Quantity.COUNT.number(value.getAsDouble(), digits);
    }

    private void show() {
        List<HarvestYield> yields =
                HarvestYield.of(desk.ledger().state(), desk.ledger().judged(), by.getValue());
        table.getItems().setAll(yields);
        plot.show(yields, Purchases.of(desk.ledger().state()).newCell());
        surface.repaint();
        Purchases.of(desk.ledger().state())
                .newCell()
                .ifPresent(priced -> {
                    newPrice.setPromptText(
                            Quantity.COUNT.number(priced.price().amount(), 2)
                                    + " "
                                    + priced.price().currency());
                    newWattHours.setPromptText(Quantity.ENERGY.text(priced.wattHours()));
                });
    }

    /// The lot that is marked, while the table is by lot.
    Optional<String> markedLot() {
        return Optional.ofNullable(table.getSelectionModel().getSelectedItem())
                .map(HarvestYield::name)
                .filter(name ->
                        by.getValue() == By.LOT
                                && Purchases.of(desk.ledger().state()).lots().containsKey(name));
    }

    private void setNewPrice() {
        String[] words = newPrice.getText().strip().split("\\s+");
        OptionalDouble amount = NumberText.parse(words[0]);
        OptionalDouble wattHours = NumberText.parse(newWattHours.getText());
        if (amount.isEmpty() || wattHours.isEmpty()) {
            desk.notices()
                    .say(
                            "Type what a new cell costs, such as 3.20 EUR, and how many Wh it holds, such as 9.4.");
            (amount.isEmpty() ? newPrice : newWattHours).requestFocus();
            return;
        }
        String currency =
                words.length > 1
                        ? words[1].toUpperCase(Locale.ROOT)
                        : desk.settings().get("currency").orElse("EUR");
        try {
            PurchaseFact priced =
                    new PurchaseFact.NewCellPriced(
                            new Price(amount.getAsDouble(), currency), wattHours.getAsDouble());
            Runnable comeBack = sent.send();
            desk.ledger()
                    .logOnce("New cell price", List.of(priced), () -> {}, why -> comeBack.run());
        } catch (IllegalArgumentException wrong) {
            desk.notices().say(wrong.getMessage() + ".");
        }
    }

    private void writeCsv() {
        Saving.saveText(
                desk,
                files,
                "Write yield and cost",
                "yield.csv",
                HarvestFiles.csv(table.getItems()));
    }

    private void writeReport() {
        Saving.save(
                desk,
                files,
                "Write the donor report",
                "donors.pdf",
                () ->
                        DonorReport.of(
                                        desk.ledger().state(),
                                        desk.ledger().judged(),
                                        LocalDate.ofInstant(desk.now(), ZoneId.systemDefault())
                                                .toString())
                                .pdf(Paper.A4),
                () -> {});
    }
}
