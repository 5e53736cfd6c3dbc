package pentacell.desktop.plan;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.donor.Price;
import pentacell.core.plan.PartsList;
import pentacell.core.plan.facts.LeadAcid;
import pentacell.core.plan.facts.PartPrice;
import pentacell.core.unit.Count;
import pentacell.core.unit.NumberText;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Saving;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.PlainButton;
import pentacell.desktop.kit.Wrapping;
import pentacell.workshop.exchange.CellTable.Problem;
import pentacell.workshop.exchange.PriceCsv;

/// What the pack is made of and what it costs, with prices of one's own.
final class PartsPane extends VBox {
    private final Desk desk;
    private final FileAsk files;
    private final PlanModel model;
    private final Label meaning = new Label();
    private final Label beside = new Label();
    private final Label problems = new Label();
    private final TextField price = new TextField();
    private final Button set = new Button("Price it");
    private final FittedTable<PartsList.Line> table =
            new FittedTable<>(
                    "parts-table", "Nothing is planned yet: say under Need what it must power.");

    PartsPane(Desk desk, FileAsk files, PlanModel model) {
        this.desk = desk;
        this.files = files;
        this.model = model;
        setId("parts-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("parts-meaning");
        meaning.getStyleClass().add("meaning");
        beside.setId("parts-beside");
        problems.setId("parts-problems");
        for (Label each : List.of(meaning, beside, problems)) Wrapping.on(each);
        table.column("Part", line -> line.part().words())
                .sentence("", PartsList.Line::what)
                .number("Amount", line -> amount(line))
                .column("", line -> line.part().unit())
                .number("Of one", line -> line.price().map(PartsPane::money).orElse("–"))
                .number("Cost", line -> line.cost().map(PartsPane::money).orElse("–"))
                .inThisOrder();
        VBox.setVgrow(table, Priority.ALWAYS);
        price.setId("part-price");
        price.setPrefColumnCount(8);
        price.setPromptText("1.40 EUR");
        price.setOnAction(enter -> set());
        set.setId("part-price-set");
        set.setOnAction(pressed -> set());
        table.getSelectionModel().selectedItemProperty().subscribe(this::showSelected);
        getChildren()
                .addAll(
                        meaning,
                        beside,
                        table,
                        ControlRow.of(
                                new Label("Price of the part that is selected:"),
                                price,
                                set,
                                ControlRow.gap(),
                                PlainButton.of("Save prices", "prices-save", this::savePrices),
                                PlainButton.of(
                                        "Import prices", "prices-import", this::importPrices)),
                        problems);
        model.judgedProperty().subscribe(this::show);
    }

    private static String amount(PartsList.Line line) {
        int digits = line.part().unit().equals("piece") ? 0 : 2;
        return Quantity.COUNT.number(line.amount(), digits);
    }

    static String money(Price price) {
        return Quantity.COUNT.number(price.amount(), 2) + "\u00a0" + price.currency();
    }

    private void show(Optional<JudgedPlan> judged) {
        Optional<PartsList.Line> before =
                Optional.ofNullable(table.getSelectionModel().getSelectedItem());
        table.getItems().setAll(judged.map(now -> now.parts().lines()).orElse(List.of()));
        before.flatMap(line ->
                        table.getItems().stream()
                                .filter(each -> each.part() == line.part())
                                .findFirst())
                .ifPresent(table.getSelectionModel()::select);
        meaning.setText(judged.map(PartsPane::meaning).orElse(""));
        beside.setText(judged.map(PartsPane::beside).orElse(""));
        showSelected(table.getSelectionModel().getSelectedItem());
    }

    private static String meaning(JudgedPlan judged) {
        PartsList parts = judged.parts();
        String mass = Quantity.MASS.text(judged.option().kilograms(), 1);
        String without =
                parts.withoutPrice() == 0
                        ? ""
                        : " without %s that have no price yet"
                                .formatted(Count.of(parts.withoutPrice(), "part", "parts"));
        return parts.total()
                .map(total ->
                        "%s costs %s%s and weighs about %s."
                                .formatted(
                                        judged.option().arrangement(),
                                        money(total),
                                        parts.withoutPrice() == 1
                                                ? " without one part that has no price yet"
                                                : without,
                                        mass))
                .orElseGet(() ->
                        "%s weighs about %s. No part has a price yet, or prices are of different currencies: select a part and price it."
                                .formatted(judged.option().arrangement(), mass));
    }

    private static String beside(JudgedPlan judged) {
        String prices =
                judged.perKilowattHour().stream()
                        .map(each -> "%s %s".formatted(money(each.price()), each.of()))
                        .collect(Collectors.joining("; "));
        String block =
                judged.proposal()
                        .need()
                        .replaces()
                        .map(replaced -> blockWords(judged, replaced))
                        .orElse("");
        return (prices.isEmpty() ? "" : "A kWh: " + prices + ". ") + block;
    }

    private static String blockWords(JudgedPlan judged, LeadAcid block) {
        String mass =
                block.kilograms().isPresent()
                        ? " and weighs %s"
                                .formatted(Quantity.MASS.text(block.kilograms().getAsDouble(), 0))
                        : "";
        return "The block it replaces gives %s at half its rating%s; this gives %s."
                .formatted(
                        Quantity.ENERGY.text(block.usedWattHours(), 0),
                        mass,
                        Quantity.ENERGY.text(judged.option().usableWattHours(), 0));
    }

    private void showSelected(PartsList.@org.jspecify.annotations.Nullable Line line) {
        boolean isNothing = line == null;
        price.setDisable(isNothing);
        set.setDisable(isNothing);
        price.setText(
                line == null
                        ? ""
                        : line.price()
                                .map(each ->
                                        NumberText.plain(each.amount()) + " " + each.currency())
                                .orElse(""));
    }

    private void set() {
        PartsList.Line line = table.getSelectionModel().getSelectedItem();
        if (line == null) return;
        String[] words = price.getText().strip().split("\\s+");
        try {
            double amount =
                    NumberText.parse(words[0])
                            .orElseThrow(() ->
                                    new IllegalArgumentException(
                                            "\"%s\" is no price; expected such as 1.40 EUR"
                                                    .formatted(price.getText())));
            String currency =
                    words.length > 1
                            ? words[1].toUpperCase(Locale.ROOT)
                            : line.price().map(Price::currency).orElse("EUR");
            model.price(List.of(new PartPrice(line.part(), new Price(amount, currency))));
            problems.setText("");
        } catch (IllegalArgumentException wrong) {
            problems.setText(wrong.getMessage() + ".");
        }
    }

    private void savePrices() {
        Saving.saveText(desk, files, "Save prices", "prices.csv", PriceCsv.text(model.prices()));
    }

    private void importPrices() {
        Optional<Path> file = files.which("Import prices", "Prices of parts", "*.csv");
        if (file.isEmpty()) return;
        desk.work().lane("files").run(() -> PriceCsv.read(file.get()), this::take);
    }

    private void take(PriceCsv read) {
        problems.setText(
                read.problems().stream()
                        .limit(4)
                        .map(Problem::text)
                        .collect(Collectors.joining("\n")));
        List<PartPrice> changed =
                read.prices().stream()
                        .filter(each -> !each.price().equals(model.prices().get(each.part())))
                        .toList();
        if (!changed.isEmpty()) model.price(changed);
        desk.notices()
                .say(
                        changed.isEmpty()
                                ? "No price is other than before."
                                : "Took %s."
                                        .formatted(Count.of(changed.size(), "price", "prices")));
    }
}
