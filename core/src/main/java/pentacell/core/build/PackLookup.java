package pentacell.core.build;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import pentacell.core.build.facts.Assemblies;
import pentacell.core.build.facts.Assembly;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.match.Candidate;
import pentacell.core.pack.Pack;
import pentacell.core.plan.CellSupply;
import pentacell.core.plan.PackPlanner;
import pentacell.core.plan.PlannedWires;
import pentacell.core.plan.facts.Chosen;
import pentacell.core.plan.facts.LoadItem;
import pentacell.core.plan.facts.MeanCell;
import pentacell.core.plan.facts.Need;
import pentacell.core.plan.facts.Planned;
import pentacell.core.plan.facts.Plans;
import pentacell.core.plan.facts.Window;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.core.stock.MatchableStock;
import pentacell.core.unit.Middle;

/// Looks a matched pack up in a workshop, with its plan and what its cells measure.
///
/// @param judged how the cells of the state stand
record PackLookup(WorkshopState state, JudgedStock judged, Pack pack, PackToBuild.Asked asked) {
    /// Resistance of a can that was never measured nor any beside it, in Ω (common practice).
    private static final double USUAL_OHMS = 0.06;

    /// What is asked of an unplanned pack, of its capacity an hour (common practice).
    private static final double UNPLANNED_AN_HOUR = 0.5;

    private static final double COPPER_CELSIUS = 40;

    /// The pack; empty when one of its cells is not known or was never measured.
    Optional<PackToBuild> found() {
        List<List<Candidate>> groups =
                candidates(state, MatchableStock.of(state, judged, pack.name()), pack);
        return groups.isEmpty() ? Optional.empty() : Optional.of(packOf(groups));
    }

    /// The cells of each group as a match sees them; none when one of them is not known or was
    /// never measured.
    static List<List<Candidate>> candidates(WorkshopState state, MatchableStock stock, Pack pack) {
        List<List<Candidate>> groups = new ArrayList<>();
        for (List<CellId> group : pack.groups()) {
            List<Candidate> cells = new ArrayList<>();
            for (CellId id : group) {
                Optional<CellRecord> cell =
                        Cells.of(state).cell(id).filter(each -> each.milliampHours().isPresent());
                if (cell.isEmpty()) return List.of();
                cells.add(
                        MatchableStock.candidate(
                                cell.get(),
                                stock.method(),
                                Catalogue.of(state).modelOf(cell.get())));
            }
            groups.add(cells);
        }
        return groups;
    }

    private PackToBuild packOf(List<List<Candidate>> groups) {
        List<Candidate> all = groups.stream().flatMap(List::stream).toList();
        Optional<Planned> planned = Plans.of(state).plan(pack.name());
        Chemistry chemistry =
                all.stream()
                        .flatMap(cell -> cell.chemistry().stream())
                        .findFirst()
                        .orElse(Chemistry.NMC);
        CellFormat format =
                Candidate.formats(all).stream()
                        .findFirst()
                        .orElseGet(() -> CellFormat.parse("18650").orElseThrow());
        double usual = usualOhms(all);
        List<List<PackToBuild.Unit>> units =
                groups.stream()
                        .map(group -> group.stream().map(cell -> unit(cell, usual)).toList())
                        .toList();
        Need need = planned.map(Planned::need).orElseGet(() -> unplanned(units, chemistry));
        Chosen size =
                new Chosen(
                        units.size(), units.stream().mapToInt(PackToBuild::cans).max().orElse(1));
        double ampHours =
                all.stream().mapToDouble(Candidate::milliampHoursPerCan).average().orElse(1) / 1000;
        CellSupply supply =
                CellSupply.assumed(
                        MeanCell.salvaged(ampHours, usual, format, chemistry), OptionalInt.empty());
        PlannedWires wires = PlannedWires.of(PackPlanner.option(need, supply, size), need, supply);
        List<List<PackCurrents.Source>> sources =
                units.stream()
                        .map(group ->
                                group.stream()
                                        .flatMap(unit ->
                                                Collections.nCopies(
                                                        unit.cans(),
                                                        new PackCurrents.Source(
                                                                chemistry.nominalVolts(),
                                                                unit.ohms() * unit.cans()))
                                                        .stream())
                                        .toList())
                        .toList();
        Assembly assembly = Assemblies.of(state).assembly(pack.name());
        LayoutWish wish =
                new LayoutWish(
                        units.stream().map(PackToBuild::cans).toList(),
                        unitSizes(units),
                        format,
                        need.packing(),
                        need.box(),
                        asked.patterns(),
                        asked.ends(),
                        asked.takeOff(),
                        assembly.layout()
                                .map(layout -> layout.grid().keptFree())
                                .orElse(asked.keptFree()));
        return new PackToBuild(
                pack,
                assembly,
                chemistry,
                format,
                units,
                wish,
                new JudgedLayout.Electric(
                        WiringParts.of(
                                need.wiring(),
                                wires.leadSquareMillimetres(),
                                wish.layerMillimetres()),
                        sources,
                        asked.amps().orElse(wires.steadyAmps()),
                        COPPER_CELSIUS),
                wires,
                planned);
    }

    private static List<List<Integer>> unitSizes(List<List<PackToBuild.Unit>> groups) {
        boolean areSingle =
                groups.stream().flatMap(List::stream).allMatch(unit -> unit.cans() == 1);
        if (areSingle) return List.of();
        return groups.stream()
                .map(group -> group.stream().map(PackToBuild.Unit::cans).toList())
                .toList();
    }

    private static double usualOhms(List<Candidate> all) {
        double[] known =
                all.stream()
                        .flatMapToDouble(cell -> cell.milliohmsPerCan().stream())
                        .filter(milliohms -> milliohms > 0)
                        .toArray();
        return known.length == 0 ? USUAL_OHMS : Middle.of(known) / 1000;
    }

    private PackToBuild.Unit unit(Candidate cell, double usualOhms) {
        double perCan = cell.milliohmsPerCan().orElse(0) / 1000;
        return new PackToBuild.Unit(
                cell.id(),
                cell.count(),
                Cells.of(state)
                        .cell(cell.id())
                        .map(CellRecord::restingVolts)
                        .orElse(OptionalDouble.empty()),
                cell.milliampHours() / 1000,
                (perCan > 0 ? perCan : usualOhms) / cell.count());
    }

    /// A need for a pack that was never planned: half its capacity an hour over its own window.
    private static Need unplanned(List<List<PackToBuild.Unit>> groups, Chemistry chemistry) {
        double least = PackToBuild.leastAmpHours(groups);
        int series = groups.size();
        double empty = series * chemistry.endVolts();
        double watts = UNPLANNED_AN_HOUR * least * empty;
        return Need.of(
                chemistry,
                new Window(empty, series * chemistry.chargeLimitVolts()),
                List.of(new LoadItem("", watts, 1, watts)));
    }
}
