package pentacell.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.CircuitCell;
import pentacell.core.circuit.Discharged;
import pentacell.core.circuit.Load;
import pentacell.core.circuit.PackSimulation;
import pentacell.core.circuit.RestCurve;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.facts.Chosen;
import pentacell.core.plan.facts.MeanCell;
import pentacell.core.plan.facts.Need;

/// Finds the packs that meet a need.
///
/// A pack of mean cells is one cell S times in series and P times in parallel: each gives the P-th
/// part of the current at the S-th part of the voltage. So what it gives at a constant power is
/// simulated of one cell. The device stops at its low trip under load, or the pack is empty before.
public final class PackPlanner {
    private static final int MOST_SERIES = 400;
    private static final int MOST_PARALLEL = 2000;
    private static final int STEPS = 600;

    /// Holders, strips, board, leads and sleeve: 10 to 25 % on top of the cells (common practice).
    private static final double OVER_CELLS = 1.15;

    private final Need need;
    private final CellSupply supply;
    private final Chemistry chemistry;
    private final int mostInBox;

    private PackPlanner(Need need, CellSupply supply) {
        this.need = need;
        this.supply = supply;
        chemistry = need.chemistry();
        mostInBox =
                need.box()
                        .map(box -> BoxFit.most(supply.format(), box, need.packing()))
                        .orElse(Integer.MAX_VALUE);
    }

    /// The packs for a need.
    public static PackPlan plan(Need need, CellSupply supply) {
        return new PackPlanner(need, supply).plan();
    }

    /// A pack of any size, and what stands in its way.
    public static Option option(Need need, CellSupply supply, Chosen pack) {
        return new PackPlanner(need, supply).option(pack.series(), pack.parallel());
    }

    /// What a pack is emptied to, in V a cell: the model's own limit lies lower, but there is
    /// little in it and salvaged cells are spared (common practice: 7S is empty at 21 V).
    public static double emptyVolts(Chemistry chemistry) {
        return chemistry.restingEmptyVolts();
    }

    /// Cells there are, without those kept for repairs.
    private OptionalInt available() {
        return supply.most().isPresent()
                ? OptionalInt.of(Math.max(0, supply.most().getAsInt() - need.spares()))
                : OptionalInt.empty();
    }

    private PackPlan plan() {
        int most =
                (int)
                        Math.floor(
                                need.window().highTripVolts() / chemistry.chargeLimitVolts()
                                        + 1e-9);
        int least = 1;
        while (least <= MOST_SERIES
                && least * chemistry.chargeLimitVolts() <= need.window().lowTripVolts()) least++;
        List<Option> options = new ArrayList<>();
        int from = Math.max(1, Math.min(least, most + 1) - 1);
        int to = Math.min(MOST_SERIES, Math.max(most, least) + 1);
        for (int series = from; series <= to; series++) options.addAll(of(series));
        Optional<Option> best =
                options.stream().filter(Option::isFeasible).min(PackPlan.FITTEST_FIRST);
        return new PackPlan(
                options, best, best.isPresent() ? Optional.empty() : Optional.of(nearest(options)));
    }

    /// The useful options of a number of groups: the smallest P that does, one less with what it
    /// lacks, and one more.
    private List<Option> of(int series) {
        // whether it is inside the window depends on the groups alone: one cell in parallel may sag
        // so far that it gives nothing, where many do not
        if (isOutside(series * chemistry.chargeLimitVolts())) return List.of(option(series, 1));
        int enough = smallestThatPowers(series);
        List<Option> options = new ArrayList<>();
        for (int parallel = Math.max(1, enough - 1); parallel <= enough + 1; parallel++)
            if (parallel <= MOST_PARALLEL) options.add(option(series, parallel));
        // what there is, when that is less than it takes
        int there = Math.min(mostInBox, available().orElse(Integer.MAX_VALUE)) / series;
        if (there >= 1 && there < enough - 1) options.add(0, option(series, there));
        return options;
    }

    private boolean isOutside(double fullVolts) {
        return fullVolts > need.window().highTripVolts() + 1e-9
                || fullVolts <= need.window().lowTripVolts();
    }

    /// The smallest P that bears the currents and lasts; more cells never do worse.
    private int smallestThatPowers(int series) {
        int low = 0;
        int high = 1;
        while (high < MOST_PARALLEL && !powers(series, high)) {
            low = high;
            high = Math.min(MOST_PARALLEL, 2 * high);
        }
        while (high - low > 1) {
            int middle = (low + high) >>> 1;
            if (powers(series, middle)) high = middle;
            else low = middle;
        }
        return high;
    }

    private boolean powers(int series, int parallel) {
        return option(series, parallel).obstacles().stream()
                .allMatch(each -> each.check() == Check.BOX || each.check() == Check.CELLS);
    }

    private Option option(int series, int parallel) {
        double full = series * chemistry.chargeLimitVolts();
        double empty = series * emptyVolts(chemistry);
        double lowest = Math.max(need.window().lowTripVolts(), empty);
        double steady = need.steadyFromPack();
        double cells = (double) series * parallel;
        MeanCell cell = supply.mean(series * parallel);
        double usable = wattHours(cell, lowest / series, steady / cells) * cells;
        double all =
                lowest > empty ? wattHours(cell, empty / series, steady / cells) * cells : usable;
        double hours = usable / steady;
        OptionalDouble kilometres =
                need.wattHoursPerKilometre().isPresent()
                        ? OptionalDouble.of(
                                need.movingShare()
                                        * usable
                                        * need.losses().efficiency()
                                        / need.wattHoursPerKilometre().getAsDouble())
                        : OptionalDouble.empty();
        Option option =
                new Option(
                        series,
                        parallel,
                        full,
                        empty,
                        all > 0 ? Math.min(1, usable / all) : 0,
                        usable,
                        hours,
                        kilometres,
                        need.allOnFromPack() / lowest / parallel,
                        need.peakFromPack() / lowest / parallel,
                        cells * cell.grams() * OVER_CELLS / 1000,
                        cell.price().isPresent()
                                ? OptionalDouble.of(cells * cell.price().getAsDouble())
                                : OptionalDouble.empty(),
                        List.of());
        return option.heldAgainst(limits(option, cell));
    }

    /// What a cell gives from full at a constant power until it reaches a voltage under that load,
    /// in Wh.
    private double wattHours(MeanCell mean, double endVolts, double watts) {
        CircuitCell cell = new CircuitCell(mean.ampHours(), mean.ohms());
        double hours = mean.ampHours() * chemistry.nominalVolts() / watts;
        Discharged given =
                PackSimulation.discharge(
                        List.of(List.of(cell)),
                        RestCurve.of(chemistry).curve(),
                        new Load.Watts(watts),
                        endVolts,
                        3600 * hours / STEPS,
                        (seconds, volts, amps, groupVolts) -> {});
        return given.wattHours();
    }

    /// Everything that can stand in the way of a pack, in the order it is looked at.
    private List<PackLimit> limits(Option option, MeanCell cell) {
        List<PackLimit> limits = new ArrayList<>();
        limits.add(
                PackLimit.atMost(
                        Check.HIGH_TRIP, need.window().highTripVolts(), option.fullVolts()));
        limits.add(
                new PackLimit(
                        Check.LOW_TRIP,
                        PackLimit.Sense.AT_LEAST,
                        need.window().lowTripVolts(),
                        option.fullVolts(),
                        option.fullVolts() > need.window().lowTripVolts()
                                && option.usableWattHours() > 0));
        limits.add(
                PackLimit.atMost(
                        Check.STEADY_CURRENT, cell.maxContinuousAmps(), option.steadyAmps()));
        limits.add(PackLimit.atMost(Check.PEAK_CURRENT, cell.maxPeakAmps(), option.peakAmps()));
        need.hours()
                .ifPresent(
                        hours -> limits.add(PackLimit.atLeast(Check.HOURS, hours, option.hours())));
        need.kilometres()
                .ifPresent(far ->
                        limits.add(
                                PackLimit.atLeast(
                                        Check.KILOMETRES, far, option.kilometres().orElse(0))));
        if (need.box().isPresent())
            limits.add(PackLimit.atMost(Check.BOX, mostInBox, option.cells()));
        available()
                .ifPresent(most -> limits.add(PackLimit.atMost(Check.CELLS, most, option.cells())));
        return limits;
    }

    /// The need that could be met, nearest to the one that cannot.
    private String nearest(List<Option> options) {
        boolean isAnyInWindow = options.stream().anyMatch(option -> !isOutside(option.fullVolts()));
        if (!isAnyInWindow) {
            double full =
                    (Math.floor(need.window().lowTripVolts() / chemistry.chargeLimitVolts() + 1e-9)
                                    + 1)
                            * chemistry.chargeLimitVolts();
            return "no number of groups stays inside %s to %s; with a high trip of %s one does"
                    .formatted(
                            PlanWords.volts(need.window().lowTripVolts()),
                            PlanWords.volts(need.window().highTripVolts()),
                            PlanWords.volts(full));
        }
        return options.stream()
                .filter(option ->
                        option.obstacles().stream()
                                .allMatch(each ->
                                        each.check() == Check.HOURS
                                                || each.check() == Check.KILOMETRES))
                .max(Comparator.comparingDouble(Option::hours))
                .map(option ->
                        "%dS%dP comes nearest: %s h%s%s"
                                .formatted(
                                        option.series(),
                                        option.parallel(),
                                        PlanWords.number(option.hours()),
                                        option.kilometres().isPresent()
                                                ? ", "
                                                        + PlanWords.number(
                                                                option.kilometres().getAsDouble())
                                                        + " km"
                                                : "",
                                        room()))
                .orElseGet(() ->
                        options.stream()
                                .flatMap(option ->
                                        option.obstacles().stream()
                                                .filter(each ->
                                                        each.check() != Check.HIGH_TRIP
                                                                && each.check() != Check.LOW_TRIP)
                                                .map(each -> PlanWords.obstacle(option, each)))
                                .findFirst()
                                .orElse("nothing comes near"));
    }

    /// What keeps it from being larger.
    private String room() {
        if (mostInBox <= available().orElse(Integer.MAX_VALUE) && need.box().isPresent())
            return "; the box takes " + PlanWords.cells(mostInBox);
        return available().isPresent()
                ? "; the stock has " + PlanWords.cells(available().getAsInt())
                : "";
    }
}
