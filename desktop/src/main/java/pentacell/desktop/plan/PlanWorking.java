package pentacell.desktop.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Function;
import java.util.stream.Collectors;
import pentacell.core.cell.CellId;
import pentacell.core.donor.Price;
import pentacell.core.donor.Purchases;
import pentacell.core.match.Candidate;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.core.plan.BoxFit;
import pentacell.core.plan.CellSupply;
import pentacell.core.plan.Margin;
import pentacell.core.plan.PackChecks;
import pentacell.core.plan.PackPlan;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.PackPlanner;
import pentacell.core.plan.PackRun;
import pentacell.core.plan.PartsList;
import pentacell.core.plan.VoltageBar;
import pentacell.core.plan.facts.Chosen;
import pentacell.core.plan.facts.Need;
import pentacell.core.plan.facts.Plans;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.core.stock.MatchableStock;

/// Works out what a need comes to, away from the window's thread: everything it looks at was taken
/// before.
///
/// @param judged how the cells of the state stand
/// @param pack the pack's name; its own cells are free for it
/// @param inHand the pack that was asked for, if one was
record PlanWorking(
        Need need, WorkshopState state, JudgedStock judged, String pack, Optional<Chosen> inHand) {
    private static final double BAND_SIGMAS = 2;
    private static final double BENCH_CELSIUS = 25;

    /// The packs that could meet the need; empty while there is no cell to make them of.
    Optional<Proposal> proposal() {
        List<Candidate> stock = MatchableStock.of(state, judged, pack).candidates();
        return supply(stock).map(supply -> proposal(stock, supply));
    }

    private Optional<CellSupply> supply(List<Candidate> stock) {
        if (need.cell().isPresent())
            return need.cell().map(cell -> CellSupply.assumed(cell, OptionalInt.empty()));
        return CellSupply.stock(stock, need.chemistry());
    }

    private Proposal proposal(List<Candidate> stock, CellSupply supply) {
        PackPlan plan = PackPlanner.plan(need, supply);
        List<Option> options = new ArrayList<>(plan.ranked());
        inHand.filter(size -> options.stream().noneMatch(each -> each.asChosen().equals(size)))
                .ifPresent(size -> {
                    options.add(PackPlanner.option(need, supply, size));
                    options.sort(PackPlan.LEAST_IN_THE_WAY_FIRST);
                });
        int cells = plan.best().or(() -> Optional.of(options.get(0))).orElseThrow().cells();
        return new Proposal(
                need,
                stock,
                supply,
                plan,
                options.stream().map(option -> rung(option, supply, plan)).toList(),
                VoltageBar.of(need, supply, cells));
    }

    private Proposal.Rung rung(Option option, CellSupply supply, PackPlan plan) {
        Optional<Price> cost = parts(option, supply).total();
        return new Proposal.Rung(
                option,
                Margin.of(
                        option,
                        need,
                        supply,
                        cost.isPresent()
                                ? OptionalDouble.of(cost.get().amount())
                                : OptionalDouble.empty()),
                plan.why(option));
    }

    private PartsList parts(Option option, CellSupply supply) {
        return PartsList.of(option, need, supply, Plans.of(state).prices());
    }

    /// The pack in hand, else the best, with everything that is known of it.
    JudgedPlan judged(Proposal now) {
        Option option =
                inHand.flatMap(now::option)
                        .or(() -> now.plan().best())
                        .orElseGet(() -> now.ladder().get(0).option());
        CellSupply supply = now.supply();
        PartsList parts = parts(option, supply);
        return new JudgedPlan(
                now,
                option,
                PackChecks.of(option, need, supply),
                parts,
                parts.perKilowattHour(option, need, newWattHour()),
                need.box()
                        .map(box ->
                                BoxFit.of(supply.format(), box, need.packing(), option.cells())),
                runs(now, option));
    }

    private Optional<Price> newWattHour() {
        return Purchases.of(state)
                .newCell()
                .map(priced ->
                        new Price(
                                priced.price().amount() / priced.wattHours(),
                                priced.price().currency()));
    }

    private JudgedPlan.Runs runs(Proposal now, Option option) {
        CellSupply supply = now.supply();
        boolean hasSpread = supply.spreadAmpHours() > 0;
        Function<Double, Optional<PackRun>> off =
                sigmas ->
                        hasSpread
                                ? Optional.of(
                                        PackRun.ofMeanCells(
                                                option, need, supply, sigmas, BENCH_CELSIUS))
                                : Optional.empty();
        OptionalDouble coldest = need.coldestCelsius();
        return new JudgedPlan.Runs(
                PackRun.ofMeanCells(option, need, supply),
                off.apply(-BAND_SIGMAS),
                off.apply(BAND_SIGMAS),
                coldest.isPresent()
                        ? Optional.of(
                                PackRun.ofMeanCells(option, need, supply, 0, coldest.getAsDouble()))
                        : Optional.empty(),
                Packs.of(state)
                        .pack(pack)
                        .filter(match -> match.groups().size() == option.series())
                        .flatMap(match -> groups(match, now.stock()))
                        .map(groups ->
                                PackRun.ofMatched(
                                        need, supply.mean(option.cells()), groups, BENCH_CELSIUS)));
    }

    /// The cells of a match; empty when one of them is no longer known or measured.
    private static Optional<List<List<Candidate>>> groups(Pack match, List<Candidate> stock) {
        Map<CellId, Candidate> known =
                stock.stream().collect(Collectors.toMap(Candidate::id, Function.identity()));
        List<List<Candidate>> groups = new ArrayList<>();
        for (List<CellId> group : match.groups()) {
            List<Candidate> cells = new ArrayList<>();
            for (CellId cell : group) Optional.ofNullable(known.get(cell)).ifPresent(cells::add);
            if (cells.size() < group.size()) return Optional.empty();
            groups.add(cells);
        }
        return Optional.of(groups);
    }
}
