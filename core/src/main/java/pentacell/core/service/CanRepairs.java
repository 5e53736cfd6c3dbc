package pentacell.core.service;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.IntStream;
import pentacell.core.build.JoinCheck;
import pentacell.core.build.JoinCheck.Part;
import pentacell.core.build.JudgedLayout;
import pentacell.core.build.Link;
import pentacell.core.build.PackToBuild;
import pentacell.core.build.SwapAdvice;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.RestingLevel;
import pentacell.core.circuit.RestCurve;
import pentacell.core.prove.GroupLog;
import pentacell.core.service.CanRepair.Replacement;
import pentacell.core.service.CanRepair.Way;
import pentacell.core.service.CanSearch.Can;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.core.unit.Quantity;

/// What is done with the cans that searches found.
///
/// A can that hangs on nothing keeps the charge it had when it came off. It is joined again when
/// what flows at the first moment is no more than its fuse, and itself, bear; else it is brought to
/// the voltage of the bar first. One that reads lower than its group ever was since has lost charge
/// by itself: it is tested first. One below its end voltage or overcharged, and one that warms
/// itself, is replaced by a cell brought to within 0.02 V of the bar.
///
/// @param judged how the cells of the state stand
/// @param layout the pack was built in, when that is known
/// @param since what was read of the pack since its last repair; empty when nothing was
record CanRepairs(
        WorkshopState state,
        JudgedStock judged,
        PackToBuild built,
        Optional<JudgedLayout> layout,
        Optional<Timeline> since,
        RestCurve curve) {
    /// A can this far under its group's lowest state lost charge by itself, in V: what a resting
    /// voltage reckoned from a loaded one is off by.
    private static final double LOST_VOLTS = 0.03;

    CanRepairs(
            WorkshopState state,
            JudgedStock judged,
            PackToBuild built,
            Optional<JudgedLayout> layout,
            Optional<Timeline> since) {
        this(state, judged, built, layout, since, RestCurve.of(built.chemistry()));
    }

    /// What is done with a can, and why.
    private record Verdict(Way way, String reason) {}

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
            double inrush = inrush(search.group(), unit, volts, bar, off);
            Verdict verdict = verdict(search.group(), unit, volts, inrush, off);
            repairs.add(
                    repair(
                            search,
                            can,
                            verdict,
                            bar,
                            inrush,
                            verdict.way() == Way.BRING_FIRST
                                    ? milliampHours(unit.ampHours(), volts, bar)
                                    : 0,
                            taken));
        }
        return repairs;
    }

    private Verdict verdict(
            int group, PackToBuild.Unit unit, double volts, double inrush, Set<CellId> off) {
        RestingLevel level = RestingLevel.of(built.chemistry(), volts);
        if (level == RestingLevel.OVERCHARGED)
            return new Verdict(
                    Way.REPLACE,
                    "overcharged, its limit is "
                            + Quantity.VOLTAGE.text(built.chemistry().chargeLimitVolts(), 2));
        if (!level.mayBeEvenedOut())
            return new Verdict(
                    Way.REPLACE,
                    "below its end voltage of "
                            + Quantity.VOLTAGE.text(built.chemistry().endVolts(), 2));
        OptionalDouble lowest = lowestState(group, off);
        if (lowest.isPresent() && volts < lowest.getAsDouble() - LOST_VOLTS)
            return new Verdict(
                    Way.TEST_FIRST,
                    "its group was never below %s at rest, so it lost charge by itself"
                            .formatted(Quantity.VOLTAGE.text(lowest.getAsDouble(), 2)));
        return Math.abs(inrush) <= allowedAmps(unit)
                ? new Verdict(Way.RECONNECT, "it can take what flows at first")
                : new Verdict(Way.BRING_FIRST, "more would flow at first than it can take");
    }

    /// The lowest that a group rested at since the last repair, in V: what it read under load is
    /// freed of the drop in its cells, V + I·R.
    private OptionalDouble lowestState(int group, Set<CellId> off) {
        if (since.isEmpty()) return OptionalDouble.empty();
        GroupLog log = since.get().log();
        double ohms = ohms(group, off);
        return IntStream.range(0, log.size())
                .mapToDouble(
                        i -> log.volts().get(group).get(i) + Math.max(0, log.amps().get(i)) * ohms)
                .filter(Double::isFinite)
                .min();
    }

    /// What the cells on the bar have side by side, in Ω.
    private double ohms(int group, Set<CellId> off) {
        double conductance =
                built.groups().get(group).stream()
                        .filter(each -> !off.contains(each.id()))
                        .mapToDouble(each -> 1 / built.part(each, 0).ohms())
                        .sum();
        return conductance > 0 ? 1 / conductance : 0;
    }

    /// What is done with those found warm, in their order.
    ///
    /// @param bar what the group reads at rest, in V
    List<CanRepair> ofHeaters(CanSearch search, double bar) {
        List<CanRepair> repairs = new ArrayList<>();
        Set<CellId> taken = new HashSet<>();
        for (Can can : search.found())
            repairs.add(
                    repair(
                            search,
                            can,
                            new Verdict(Way.REPLACE, "warms itself"),
                            bar,
                            0,
                            0,
                            taken));
        return repairs;
    }

    private CanRepair repair(
            CanSearch search,
            Can can,
            Verdict verdict,
            double bar,
            double inrush,
            double milliampHours,
            Set<CellId> taken) {
        PackToBuild.Unit unit = unit(search.group(), can.cell());
        Optional<Replacement> replacement =
                verdict.way() == Way.REPLACE
                        ? SwapAdvice.replacing(
                                        state, judged, built.pack().name(), can.cell(), taken)
                                .map(swap -> replacement(swap, bar))
                        : Optional.empty();
        replacement.ifPresent(each -> taken.add(each.swap().coming().id()));
        return new CanRepair(
                can,
                search.group(),
                verdict.way(),
                verdict.reason(),
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
        List<PackToBuild.Unit> on =
                built.groups().get(group).stream()
                        .filter(each -> !off.contains(each.id()))
                        .toList();
        if (on.isEmpty()) return 0;
        double ampHours = on.stream().mapToDouble(PackToBuild.Unit::ampHours).sum();
        int cans = on.stream().mapToInt(PackToBuild.Unit::cans).sum();
        Part rest = new Part(new CellId("rest"), bar, ampHours, ohms(group, off), cans);
        return JoinCheck.of(List.of(built.part(unit, volts), rest), built.chemistry())
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
