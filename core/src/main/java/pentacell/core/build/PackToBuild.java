package pentacell.core.build;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import pentacell.core.build.JoinCheck.Part;
import pentacell.core.build.facts.Assembly;
import pentacell.core.build.facts.Grid;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.Spot;
import pentacell.core.build.facts.TakeOff;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.conductor.Conductor;
import pentacell.core.conductor.Material;
import pentacell.core.conductor.Section;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.core.plan.PlannedWires;
import pentacell.core.plan.facts.Board;
import pentacell.core.plan.facts.CellFuse;
import pentacell.core.plan.facts.Planned;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;

/// A matched pack as it is to be built: its cans with what they measure, what it is wired with and
/// what it carries.
///
/// @param pack its match
/// @param assembly what was said and read while it was put together
/// @param chemistry of its cells
/// @param format their size; 18650 when no model is known
/// @param groups the cells of each group in series order
/// @param wish what is asked of its layout
/// @param electric from which its currents are worked out
/// @param wires what it carries and is led out with
/// @param planned its plan, when it has one
public record PackToBuild(
        Pack pack,
        Assembly assembly,
        Chemistry chemistry,
        CellFormat format,
        List<List<Unit>> groups,
        LayoutWish wish,
        JudgedLayout.Electric electric,
        PlannedWires wires,
        Optional<Planned> planned) {
    public PackToBuild {
        groups = groups.stream().map(List::copyOf).toList();
    }

    /// A cell of the pack, or a unit of several cans.
    ///
    /// @param cans in it
    /// @param volts it rested at when it was last read; empty when it was tested since
    /// @param ampHours of the whole
    /// @param ohms of the whole
    public record Unit(CellId id, int cans, OptionalDouble volts, double ampHours, double ohms) {}

    /// What a person asks.
    ///
    /// @param amps to be looked at, below 0 for a charge; empty for the steady load
    /// @param keptFree places where nothing may stand; when a layout is chosen, its own
    public record Asked(
            OptionalDouble amps,
            LayoutWish.Ends ends,
            Set<Grid.Pattern> patterns,
            TakeOff takeOff,
            List<Spot> keptFree) {
        /// Nothing in particular.
        public static final Asked NOTHING =
                new Asked(
                        OptionalDouble.empty(),
                        LayoutWish.Ends.ANYWHERE,
                        EnumSet.allOf(Grid.Pattern.class),
                        TakeOff.EDGE,
                        List.of());

        public Asked {
            keptFree = List.copyOf(keptFree);
            patterns = Set.copyOf(patterns);
        }

        /// The same with other places kept free.
        public Asked keeping(List<Spot> free) {
            return new Asked(amps, ends, patterns, takeOff, free);
        }

        /// The same at another current.
        public Asked at(OptionalDouble otherAmps) {
            return new Asked(otherAmps, ends, patterns, takeOff, keptFree);
        }
    }

    /// A pack of a workshop; empty when it is not matched or none of its cells is known.
    ///
    /// @param judged how the cells of the state stand
    public static Optional<PackToBuild> of(
            WorkshopState state, JudgedStock judged, String name, Asked asked) {
        return Packs.of(state)
                .pack(name)
                .filter(pack -> !pack.groups().isEmpty())
                .flatMap(pack -> new PackLookup(state, judged, pack, asked).found());
    }

    /// Capacity of the smallest group, in Ah.
    public double leastAmpHours() {
        return leastAmpHours(groups);
    }

    static double leastAmpHours(List<List<Unit>> groups) {
        return groups.stream()
                .mapToDouble(group -> group.stream().mapToDouble(Unit::ampHours).sum())
                .min()
                .orElseThrow();
    }

    static int cans(List<Unit> group) {
        return group.stream().mapToInt(Unit::cans).sum();
    }

    /// Whether every cell is joined through a fuse.
    public boolean hasCellFuses() {
        return planned.map(plan -> plan.need().wiring().cellFuse().isPresent()).orElse(false);
    }

    /// At how many amps the fuse on a cell opens, when there is one and that is known; of a bare
    /// wire what melts it in free air.
    public OptionalDouble cellFuseAmps() {
        Optional<CellFuse> fuse = planned.flatMap(plan -> plan.need().wiring().cellFuse());
        if (fuse.isEmpty()) return OptionalDouble.empty();
        return switch (fuse.get().kind()) {
            case OPENS_AT_AMPS -> OptionalDouble.of(fuse.get().figure());
            case COPPER_WIRE ->
                    new Conductor(Material.COPPER, new Section.Round(fuse.get().figure()), 1, 1)
                            .fusingAmps();
        };
    }

    /// What the board evens groups with, in mA, when that is known.
    public OptionalDouble balancerMilliamps() {
        return planned.flatMap(plan -> plan.need().board())
                .map(Board::balanceMilliamps)
                .orElse(OptionalDouble.empty());
    }

    /// Current of the charger, in A, when one is planned.
    public OptionalDouble chargerAmps() {
        return planned.flatMap(plan -> plan.need().charger())
                .map(charger -> OptionalDouble.of(charger.amps()))
                .orElse(OptionalDouble.empty());
    }

    /// The layout that was said, judged; empty when none was, or when the match has other sizes
    /// since.
    public Optional<JudgedLayout> laidOut() {
        return assembly.layout()
                .filter(layout -> layout.groupSizes().equals(wish.groupSizes()))
                .map(layout -> JudgedLayout.of(layout, "as chosen", wish, electric));
    }

    /// The cell at each place of a group, can by can.
    public List<CellId> cansOf(int group) {
        List<CellId> ids = new ArrayList<>();
        for (Unit unit : groups.get(group)) ids.addAll(Collections.nCopies(unit.cans(), unit.id()));
        return ids;
    }

    /// The cells of a group as they would be joined; those never read are left out.
    public List<Part> parts(int group) {
        List<Part> parts = new ArrayList<>();
        for (Unit unit : groups.get(group))
            if (unit.volts().isPresent()) parts.add(part(unit, unit.volts().getAsDouble()));
        return parts;
    }

    /// A cell behind its fuses, as it would be joined at a voltage.
    ///
    /// @param volts at rest, in V
    public Part part(Unit unit, double volts) {
        return new Part(unit.id(), volts, unit.ampHours(), ohmsWithFuses(unit), unit.cans());
    }

    private double ohmsWithFuses(Unit unit) {
        return unit.ohms() + electric.parts().cellFuseOhms() / unit.cans();
    }

    /// What a group reads: as it was read last, else the mean of its cells; empty when neither is
    /// known.
    public OptionalDouble groupVolts(int group) {
        Optional<Double> read = assembly.lastOf(group).map(reading -> reading.volts());
        if (read.isPresent()) return OptionalDouble.of(read.get());
        return groups.get(group).stream().flatMapToDouble(unit -> unit.volts().stream()).average();
    }

    /// The groups as they are to be balanced; those of unknown voltage are left out.
    public List<BalancePlan.Group> toBalance() {
        List<BalancePlan.Group> known = new ArrayList<>();
        for (int group = 0; group < groups.size(); group++) {
            OptionalDouble volts = groupVolts(group);
            if (volts.isEmpty()) continue;
            double conductance =
                    groups.get(group).stream().mapToDouble(unit -> 1 / unit.ohms()).sum();
            known.add(
                    new BalancePlan.Group(
                            groups.get(group).stream().mapToDouble(Unit::ampHours).sum(),
                            volts.getAsDouble(),
                            1 / conductance));
        }
        return known;
    }

    /// Whether the cells of a group may be joined as they rest; empty when none was read.
    public Optional<JoinCheck.Verdict> joiningCells(int group) {
        return judged(parts(group));
    }

    /// Whether groups may be set side by side as they rest; empty when none was read.
    public Optional<JoinCheck.Verdict> joiningGroups() {
        List<Part> whole = new ArrayList<>();
        for (int group = 0; group < groups.size(); group++) {
            OptionalDouble volts = groupVolts(group);
            if (volts.isEmpty()) continue;
            List<Unit> units = groups.get(group);
            whole.add(
                    new Part(
                            new CellId("group-" + (group + 1)),
                            volts.getAsDouble(),
                            units.stream().mapToDouble(Unit::ampHours).sum(),
                            1 / units.stream().mapToDouble(unit -> 1 / ohmsWithFuses(unit)).sum(),
                            cans(units)));
        }
        return judged(whole);
    }

    private Optional<JoinCheck.Verdict> judged(List<Part> parts) {
        return parts.isEmpty() ? Optional.empty() : Optional.of(JoinCheck.of(parts, chemistry));
    }

    /// The steps of building it.
    ///
    /// @param arrangement the layout it is built in, when one is said
    public List<BuildStep> steps(Optional<JudgedLayout> arrangement) {
        return BuildSteps.of(
                new BuildSteps.Work(
                        groups.size(),
                        wish.cans(),
                        assembly.joining(),
                        assembly.balancing(),
                        arrangement.flatMap(JudgedLayout::currents),
                        electric.parts(),
                        OptionalDouble.of(wires.mainFuseAmps()),
                        hasCellFuses(),
                        arrangement
                                .map(now -> Folds.of(now.layout()))
                                .filter(f -> f.layers() > 1)));
    }

    /// The next cell that the holder waits for, group by group; empty when all are in.
    public Optional<CellId> nextForHolder() {
        return groups.stream()
                .flatMap(List::stream)
                .map(Unit::id)
                .filter(id -> !assembly.inHolder().contains(id))
                .findFirst();
    }

    /// Cells of the pack that stand in the holder.
    public int inHolder() {
        return (int)
                groups.stream()
                        .flatMap(List::stream)
                        .filter(unit -> assembly.inHolder().contains(unit.id()))
                        .count();
    }

    /// Its cells, units of several cans as one.
    public int cells() {
        return groups.stream().mapToInt(List::size).sum();
    }

    /// What each lead of the plug should read, in V; empty until every group was read.
    public List<Double> expectedTaps() {
        List<Double> volts = new ArrayList<>();
        for (int group = 0; group < groups.size(); group++) {
            OptionalDouble each = groupVolts(group);
            if (each.isEmpty()) return List.of();
            volts.add(each.getAsDouble());
        }
        return TapCheck.expected(volts);
    }

    /// The pack as a network, in the layout that was said and with the layers that its current
    /// takes; empty when no layout was, or when it does not hang together. Cells go by their ids,
    /// the cans of a unit by the id and a number.
    ///
    /// @param celsius of the conductors
    public Optional<PackCurrents.Circuit> circuit(double celsius) {
        return laidOut()
                .flatMap(arrangement ->
                        arrangement
                                .currents()
                                .map(currents -> circuit(arrangement.layout(), currents, celsius)));
    }

    private PackCurrents.Circuit circuit(Layout layout, PackCurrents currents, double celsius) {
        Map<String, String> ids = new HashMap<>();
        for (int group = 0; group < groups.size(); group++) {
            int can = 0;
            for (Unit unit : groups.get(group))
                for (int i = 1; i <= unit.cans(); i++)
                    ids.put(
                            layout.places().get(group).get(can++).toString(),
                            unit.cans() == 1 ? unit.id().text() : unit.id() + "." + i);
        }
        return currents.circuit(
                layout,
                electric.parts(),
                electric.sources(),
                place -> ids.getOrDefault(place, place),
                celsius);
    }
}
