package pentacell.workshop.demo;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.Chemistry;
import pentacell.core.donor.Price;
import pentacell.core.plan.facts.Board;
import pentacell.core.plan.facts.Box;
import pentacell.core.plan.facts.CellFuse;
import pentacell.core.plan.facts.Charger;
import pentacell.core.plan.facts.Chosen;
import pentacell.core.plan.facts.LeadAcid;
import pentacell.core.plan.facts.LoadItem;
import pentacell.core.plan.facts.Need;
import pentacell.core.plan.facts.NeedChange;
import pentacell.core.plan.facts.Packing;
import pentacell.core.plan.facts.Part;
import pentacell.core.plan.facts.PartPrice;
import pentacell.core.plan.facts.PlanFact;
import pentacell.core.plan.facts.Window;
import pentacell.core.plan.facts.Wiring;

/// What the two packs must power, as it was planned, and what parts cost in the village.
final class DemoPlans {
    private static final String CURRENCY = "EUR";

    /// Of one piece, metre or square metre.
    private static final Map<Part, Double> PRICES =
            Map.ofEntries(
                    Map.entry(Part.CELL, 0.9),
                    Map.entry(Part.HOLDER, 0.06),
                    Map.entry(Part.STRIP, 1.4),
                    Map.entry(Part.CELL_FUSE, 0.02),
                    Map.entry(Part.BOARD, 17.5),
                    Map.entry(Part.BALANCE_WIRE, 0.5),
                    Map.entry(Part.LEAD, 1.8),
                    Map.entry(Part.LUG, 0.4),
                    Map.entry(Part.MAIN_FUSE, 6.2),
                    Map.entry(Part.CONNECTOR, 3.1),
                    Map.entry(Part.RING, 0.02),
                    Map.entry(Part.PAPER, 7.0),
                    Map.entry(Part.SLEEVE, 4.5),
                    Map.entry(Part.BOX, 19.0));

    private DemoPlans() {}

    static void write(DemoJournal journal) {
        journal.pass(Duration.ofHours(20));
        List<PartPrice> prices = new ArrayList<>();
        for (Part part : Part.values())
            Optional.ofNullable(PRICES.get(part))
                    .ifPresent(
                            amount -> prices.add(new PartPrice(part, new Price(amount, CURRENCY))));
        journal.logSteadily("Price parts", List.of(new PlanFact.PartsPriced(prices)));
        plan(journal, TarnHollow.LONG_NIGHT, night(), new Chosen(7, 10));
        plan(journal, TarnHollow.DOME, dome(), new Chosen(4, 5));
    }

    private static void plan(DemoJournal journal, String pack, Need need, Chosen chosen) {
        journal.logSteadily("State need of " + pack, List.of(new PlanFact.NeedStated(pack, need)));
        journal.logSteadily(
                "Choose %s for %s".formatted(chosen.arrangement(), pack),
                List.of(new PlanFact.PackChosen(pack, chosen)));
    }

    private static Need night() {
        return Need.of(
                        Chemistry.NMC,
                        new Window(20, 30),
                        List.of(
                                new LoadItem("telescope mount", 12, 1, 20),
                                new LoadItem("camera cooler", 30, 0.5, 42),
                                new LoadItem("dew heaters", 18, 0.5, 18),
                                new LoadItem("red lamps", 4, 0.25, 4)))
                .with(DemoPlans::equipNight);
    }

    private static NeedChange equipNight(NeedChange need) {
        Wiring usual = Wiring.USUAL;
        return need.measured(Optional.of(new Window(20.6, 29.9)))
                .hours(OptionalDouble.of(12))
                .replaces(
                        Optional.of(
                                new LeadAcid(
                                        24,
                                        40,
                                        OptionalDouble.of(26),
                                        Optional.of(new Price(165, CURRENCY)))))
                .box(Optional.of(new Box(340, 155, 80)))
                .packing(
                        new Packing(
                                Packing.USUAL.betweenMillimetres(),
                                Packing.USUAL.endMillimetres(),
                                Packing.USUAL.wallMillimetres(),
                                30))
                .charger(Optional.of(new Charger(29.4, 5, OptionalDouble.of(160))))
                .board(
                        Optional.of(
                                new Board(
                                        7,
                                        Chemistry.NMC,
                                        15,
                                        30,
                                        true,
                                        OptionalDouble.of(60),
                                        Optional.of(true),
                                        Optional.of(false))))
                .coldestCelsius(OptionalDouble.of(-8))
                .wiring(
                        new Wiring(
                                usual.strip(),
                                usual.stripWidthMillimetres(),
                                usual.stripThicknessMillimetres(),
                                usual.bridges(),
                                usual.leadSquareMillimetres(),
                                0.8,
                                OptionalDouble.of(30),
                                Optional.of(new CellFuse(CellFuse.Kind.COPPER_WIRE, 0.10)),
                                usual.school()))
                .spares(2);
    }

    private static Need dome() {
        return Need.of(
                        Chemistry.LFP,
                        new Window(10.8, 15),
                        List.of(
                                new LoadItem("shutter motor", 45, 0.02, 70),
                                new LoadItem("controller", 0.6, 1, 0.6)))
                .with(need ->
                        need.hours(OptionalDouble.of(36))
                                .surgeWatts(OptionalDouble.of(110))
                                .coldestCelsius(OptionalDouble.of(-8)));
    }
}
