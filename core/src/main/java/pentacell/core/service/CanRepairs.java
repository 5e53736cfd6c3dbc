package pentacell.core.service;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import pentacell.core.build.Arrangement;
import pentacell.core.build.JoinCheck;
import pentacell.core.build.JoinCheck.Part;
import pentacell.core.build.Link;
import pentacell.core.build.PackToBuild;
import pentacell.core.build.SwapAdvice;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.circuit.RestCurve;
import pentacell.core.grade.JudgedStock;
import pentacell.core.service.CanRepair.Replacement;
import pentacell.core.service.CanRepair.Way;
import pentacell.core.service.CanSearch.Can;
import pentacell.core.state.WorkshopState;

/// What is done with the cans that searches found.
///
/// A can that hangs on nothing is joined again when what flows at the first moment is no more than
/// its fuse, and itself, bear; else it is brought to the voltage of the bar first. One that is
/// empty has a short inside, and one that warms itself is on the way to it: another cell takes the
/// place, brought to within 0.02 V of the bar.
///
/// @param judged how the cells of the state stand
/// @param layout the pack was built in, when that is known
record CanRepairs(
        WorkshopState state,
        JudgedStock judged,
        PackToBuild built,
        Optional<Arrangement> layout,
        RestCurve curve) {
    CanRepairs(
            WorkshopState state,
            JudgedStock judged,
            PackToBuild built,
            Optional<Arrangement> layout) {
        this(state, judged, built, layout, RestCurve.of(built.chemistry()));
    }

    /// What is done with those found off their bar, in their order.
    List<CanRepair> ofJoints(CanSearch search) {
        if (search.reference().isEmpty()) return List.of();
        double bar = search.reference().getAsDouble();
        Set<CellId> off = new HashSet<>();
        search.found().forEach(each -> off.add(each.cell()));
        List<CanRepair> repairs = new ArrayList<>();
        Set<CellId> taken = new HashSet<>();
        for (Can can : search.found()) {
            PackToBuild.Unit unit = unit(search.group(), can.cell());
            double volts = can.read().orElse(bar);
            boolean isDead = volts < CanRepair.DEAD_VOLTS;
            double inrush = inrush(search.group(), unit, volts, bar, off);
            double allowed = allowedAmps(unit);
            boolean mayJoin = Math.abs(inrush) <= allowed;
            repairs.add(
                    repair(
                            search,
                            can,
                            isDead ? Way.REPLACE : mayJoin ? Way.RECONNECT : Way.BRING_FIRST,
                            bar,
                            inrush,
                            isDead || mayJoin ? 0 : milliampHours(unit.ampHours(), volts, bar),
                            taken));
        }
        return repairs;
    }

    /// What is done with those found warm, in their order.
    ///
    /// @param bar what the group reads at rest, in V
    List<CanRepair> ofHeaters(CanSearch search, double bar) {
        List<CanRepair> repairs = new ArrayList<>();
        Set<CellId> taken = new HashSet<>();
        for (Can can : search.found())
            repairs.add(repair(search, can, Way.REPLACE, bar, 0, 0, taken));
        return repairs;
    }

    private CanRepair repair(
            CanSearch search,
            Can can,
            Way way,
            double bar,
            double inrush,
            double milliampHours,
            Set<CellId> taken) {
        PackToBuild.Unit unit = unit(search.group(), can.cell());
        Optional<Replacement> replacement =
                way == Way.REPLACE
                        ? SwapAdvice.replacing(
                                        state, judged, built.pack().name(), can.cell(), taken)
                                .map(swap -> replacement(swap, bar))
                        : Optional.empty();
        replacement.ifPresent(each -> taken.add(each.swap().coming().id()));
        return new CanRepair(
                can,
                search.group(),
                way,
                bar,
                inrush,
                allowedAmps(unit),
                milliampHours,
                CanRepair.gently(milliampHours, unit.ampHours()),
                strips(can),
                replacement);
    }

    private Replacement replacement(SwapAdvice swap, double bar) {
        OptionalDouble volts =
                Cells.of(state)
                        .cell(swap.coming().id())
                        .map(CellRecord::restingVolts)
                        .orElse(OptionalDouble.empty());
        double ampHours = swap.coming().milliampHours() / 1000;
        OptionalDouble milliampHours =
                volts.isEmpty() || Math.abs(volts.getAsDouble() - bar) <= JoinCheck.GOOD_VOLTS
                        ? volts.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(0)
                        : OptionalDouble.of(milliampHours(ampHours, volts.getAsDouble(), bar));
        return new Replacement(
                swap,
                volts,
                milliampHours,
                milliampHours.isPresent()
                        ? OptionalDouble.of(CanRepair.gently(milliampHours.getAsDouble(), ampHours))
                        : OptionalDouble.empty());
    }

    private PackToBuild.Unit unit(int group, CellId cell) {
        return built.groups().get(group).stream()
                .filter(each -> each.id().equals(cell))
                .findFirst()
                .orElseThrow();
    }

    /// What flows at the first moment from a can to the others of its group.
    private double inrush(
            int group, PackToBuild.Unit unit, double volts, double bar, Set<CellId> off) {
        double conductance = 0;
        double ampHours = 0;
        int cans = 0;
        for (PackToBuild.Unit other : built.groups().get(group)) {
            if (off.contains(other.id())) continue;
            conductance += 1 / built.part(other, bar).ohms();
            ampHours += other.ampHours();
            cans += other.cans();
        }
        if (cans == 0) return 0;
        Part rest = new Part(new CellId("rest"), bar, ampHours, 1 / conductance, cans);
        return JoinCheck.of(List.of(built.part(unit, volts), rest), curve)
                .flows()
                .get(0)
                .firstAmps();
    }

    private double allowedAmps(PackToBuild.Unit unit) {
        double itself = JoinCheck.MOST_AN_HOUR * unit.ampHours();
        OptionalDouble fuse = built.cellFuseAmps();
        return fuse.isPresent() ? Math.min(itself, unit.cans() * fuse.getAsDouble()) : itself;
    }

    private double milliampHours(double ampHours, double from, double to) {
        return 1000 * ampHours * (curve.share(to) - curve.share(from));
    }

    /// Strips that end at a can, on both faces.
    private int strips(Can can) {
        return (int)
                layout.stream()
                        .flatMap(now -> now.currents().stream())
                        .flatMap(currents -> currents.links().stream())
                        .filter(each -> each.link().kind() != Link.Kind.LEAD)
                        .filter(each ->
                                can.spots().contains(each.link().from())
                                        || can.spots().contains(each.link().to()))
                        .count();
    }
}
