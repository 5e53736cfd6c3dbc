package pentacell.workshop.exchange;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import pentacell.core.donor.Price;
import pentacell.core.plan.PartsList;
import pentacell.core.plan.facts.Part;
import pentacell.core.plan.facts.PartPrice;
import pentacell.core.unit.NumberText;
import pentacell.workshop.exchange.CellTable.Problem;

/// What parts cost, as a table: `part,unit,price,currency`.
///
/// @param prices the good lines in file order
/// @param problems what could not be read, with its place
public record PriceCsv(List<PartPrice> prices, List<Problem> problems) {
    private static final List<String> HEADER = List.of("part", "unit", "price", "currency");
    private static final String USUAL_CURRENCY = "EUR";

    public PriceCsv {
        prices = List.copyOf(prices);
        problems = List.copyOf(problems);
    }

    /// Reads a table of prices; a part without a price is passed over.
    public static PriceCsv read(Path file) {
        NamedTable.Read<Optional<PartPrice>> read = NamedTable.read(file, PriceCsv::line);
        return new PriceCsv(
                read.values().stream().flatMap(Optional::stream).toList(), read.problems());
    }

    private static Optional<PartPrice> line(NamedTable.Line line) throws NamedTable.BadLine {
        String name = line.required("a part such as strip", "part", "name");
        Part part =
                Part.parse(name)
                        .orElseThrow(() ->
                                new NamedTable.BadLine(
                                        "column \"part\": \"%s\" is not known, expected one of %s"
                                                .formatted(
                                                        name,
                                                        String.join(
                                                                ", ",
                                                                java.util.Arrays.stream(
                                                                                Part.values())
                                                                        .map(Part::code)
                                                                        .toList()))));
        if (line.text("price").isEmpty()) return Optional.empty();
        return Optional.of(
                new PartPrice(
                        part,
                        new Price(
                                line.requiredNumber("a price of one " + part.unit(), "price"),
                                line.text("currency")
                                        .map(text -> text.toUpperCase(Locale.ROOT))
                                        .orElse(USUAL_CURRENCY))));
    }

    /// A table of all parts, those without a price empty: to be filled in.
    public static String text(Map<Part, Price> prices) {
        List<List<String>> lines = new ArrayList<>();
        for (Part part : Part.values()) {
            Optional<Price> price = Optional.ofNullable(prices.get(part));
            lines.add(
                    List.of(
                            part.code(),
                            part.unit(),
                            price.map(each -> NumberText.plain(each.amount())).orElse(""),
                            price.map(Price::currency).orElse("")));
        }
        return SafeCsv.text(HEADER, lines);
    }

    /// The parts of a pack as a table.
    public static String text(PartsList parts) {
        List<List<String>> lines = new ArrayList<>();
        for (PartsList.Line line : parts.lines())
            lines.add(
                    List.of(
                            line.part().code(),
                            line.what(),
                            String.format(Locale.ROOT, "%.2f", line.amount()),
                            line.part().unit(),
                            line.price().map(each -> NumberText.plain(each.amount())).orElse(""),
                            line.cost()
                                    .map(each -> String.format(Locale.ROOT, "%.2f", each.amount()))
                                    .orElse(""),
                            line.price().map(Price::currency).orElse("")));
        return SafeCsv.text(
                List.of("part", "what", "amount", "unit", "unit_price", "cost", "currency"), lines);
    }
}
