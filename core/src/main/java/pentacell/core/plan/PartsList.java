package pentacell.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.donor.Price;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.facts.CellFuse;
import pentacell.core.plan.facts.Need;
import pentacell.core.plan.facts.Part;
import pentacell.core.plan.facts.Wiring;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;

/// What a planned pack is made of, and what that costs.
///
/// @param lines part by part
/// @param currency of the costs; empty while no part has a price, or where prices are of more than
///   one currency and cannot be added
public record PartsList(List<Line> lines, Optional<String> currency) {
    /// For ends, folds and what is cut off.
    private static final double CUT = 1.1;

    /// Balance wire for each lead, in m.
    private static final double BALANCE_METRES = 0.3;

    public PartsList {
        lines = List.copyOf(lines);
    }

    /// A part.
    ///
    /// @param what which kind of it
    /// @param amount in the part's unit
    /// @param price of one unit, when known
    public record Line(Part part, String what, double amount, Optional<Price> price) {
        public Optional<Price> cost() {
            return price.map(each -> new Price(amount * each.amount(), each.currency()));
        }
    }

    /// What all parts with a price cost together; empty while there is none.
    public Optional<Price> total() {
        return currency.map(code ->
                new Price(
                        lines.stream()
                                .flatMap(line -> line.cost().stream())
                                .mapToDouble(Price::amount)
                                .sum(),
                        code));
    }

    /// How many parts have no price.
    public int withoutPrice() {
        return (int) lines.stream().filter(line -> line.price().isEmpty()).count();
    }

    /// The parts of a pack.
    ///
    /// @param prices what parts cost, by their units
    public static PartsList of(
            Option option, Need need, CellSupply supply, Map<Part, Price> prices) {
        CheckSheet sheet = new CheckSheet(option, need, supply);
        Wiring wiring = need.wiring();
        int cells = option.cells();
        double pitch =
                (supply.format().sleevedMillimetres() + need.packing().betweenMillimetres()) / 1000;
        int bridges = PackWires.bridges(wiring, option.parallel());
        int layers = PackWires.layers(sheet);
        List<Line> lines = new ArrayList<>();
        Lines to = new Lines(lines, prices);
        to.add(
                Part.CELL,
                supply.format().code()
                        + (need.spares() > 0
                                ? ", %s among them"
                                        .formatted(Count.of(need.spares(), "spare", "spares"))
                                : ""),
                cells + need.spares());
        to.add(Part.HOLDER, "for " + supply.format().code(), 2 * cells);
        to.add(
                Part.STRIP,
                "%s, %s × %s mm"
                        .formatted(
                                wiring.strip().code().replace('-', ' '),
                                Quantity.COUNT.number(wiring.stripWidthMillimetres(), 0),
                                Quantity.COUNT.number(wiring.stripThicknessMillimetres(), 2)),
                CUT * pitch * (2.0 * cells + (option.series() - 1.0) * bridges * layers));
        wiring.cellFuse()
                .ifPresent(fuse ->
                        to.add(
                                Part.CELL_FUSE,
                                fuse.kind() == CellFuse.Kind.COPPER_WIRE
                                        ? "copper wire of %s"
                                                .formatted(Quantity.LENGTH.text(fuse.figure(), 2))
                                        : "opens at " + CheckSheet.amps(fuse.figure()),
                                cells));
        double amps = sheet.steadyAmps();
        to.add(
                Part.BOARD,
                "%dS, %s, %s or more"
                        .formatted(
                                option.series(), need.chemistry().words(), CheckSheet.amps(amps)),
                1);
        to.add(
                Part.BALANCE_WIRE,
                Count.of(option.series() + 1, "lead", "leads"),
                BALANCE_METRES * (option.series() + 1));
        to.add(
                Part.LEAD,
                "%s mm²"
                        .formatted(
                                Quantity.COUNT.number(PackWires.leadSquareMillimetres(sheet), 1)),
                2 * wiring.leadMetres());
        to.add(Part.LUG, "for the leads", 4);
        to.add(
                Part.MAIN_FUSE,
                "%s, %s DC"
                        .formatted(
                                PackWires.rating(PackWires.mainFuseAmps(sheet)),
                                PackWires.fuseVolts(option)),
                1);
        to.add(Part.CONNECTOR, CheckSheet.amps(amps) + " or more", 1);
        to.add(Part.RING, "on every positive end", cells);
        double area = cells * pitch * pitch;
        to.add(Part.PAPER, "both faces", 2 * CUT * area);
        to.add(
                Part.SLEEVE,
                "round the pack, in one layer of %d × %d"
                        .formatted(option.series(), option.parallel()),
                CUT * pitch * Math.max(option.series(), option.parallel()));
        need.box().ifPresent(box -> to.add(Part.BOX, "", 1));
        if (need.charger().isEmpty())
            to.add(
                    Part.CHARGER,
                    "%s, up to %s"
                            .formatted(
                                    CheckSheet.volts(option.fullVolts()),
                                    CheckSheet.amps(
                                            0.5 * sheet.cell.ampHours() * option.parallel())),
                    1);
        return new PartsList(lines, currency(lines));
    }

    private static Optional<String> currency(List<Line> lines) {
        List<String> currencies =
                lines.stream()
                        .flatMap(line -> line.price().stream())
                        .map(Price::currency)
                        .distinct()
                        .toList();
        return currencies.size() == 1 ? Optional.of(currencies.get(0)) : Optional.empty();
    }

    private record Lines(List<Line> lines, Map<Part, Price> prices) {
        void add(Part part, String what, double amount) {
            lines.add(new Line(part, what, amount, Optional.ofNullable(prices.get(part))));
        }
    }

    /// What the pack costs for each kWh that it gives, of cells as planned, of new cells, and of
    /// lead-acid at half its rating; each where all of it is known.
    ///
    /// @param newWattHour price of a Wh of new cells, when known
    public List<PerKilowattHour> perKilowattHour(
            Option option, Need need, Optional<Price> newWattHour) {
        List<PerKilowattHour> compared = new ArrayList<>();
        double usable = option.usableWattHours() / 1000;
        total().filter(price -> usable > 0)
                .ifPresent(price ->
                        compared.add(
                                new PerKilowattHour(
                                        "as planned",
                                        new Price(price.amount() / usable, price.currency()))));
        OptionalDouble all =
                option.usableShare() > 0
                        ? OptionalDouble.of(option.usableWattHours() / option.usableShare())
                        : OptionalDouble.empty();
        if (newWattHour.isPresent()
                && all.isPresent()
                && usable > 0
                && newWattHour.map(Price::currency).equals(currency)) {
            double others =
                    lines.stream()
                            .filter(line -> line.part() != Part.CELL)
                            .flatMap(line -> line.cost().stream())
                            .mapToDouble(Price::amount)
                            .sum();
            compared.add(
                    new PerKilowattHour(
                            "of new cells, with the same parts",
                            new Price(
                                    (others + newWattHour.get().amount() * all.getAsDouble())
                                            / usable,
                                    newWattHour.get().currency())));
        }
        need.replaces()
                .flatMap(block ->
                        block.price()
                                .map(price ->
                                        new PerKilowattHour(
                                                "of lead-acid, at half its rating",
                                                new Price(
                                                        1000
                                                                * price.amount()
                                                                / block.usedWattHours(),
                                                        price.currency()))))
                .ifPresent(compared::add);
        return compared;
    }

    /// A price of a kWh.
    public record PerKilowattHour(String of, Price price) {}
}
