package pentacell.core.plan;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.CircuitCell;
import pentacell.core.circuit.Discharged;
import pentacell.core.circuit.Load;
import pentacell.core.circuit.PackSimulation;
import pentacell.core.circuit.RestCurve;
import pentacell.core.circuit.VoltageCurve;
import pentacell.core.match.Candidate;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.facts.LoadItem;
import pentacell.core.plan.facts.MeanCell;
import pentacell.core.plan.facts.Need;
import pentacell.core.unit.Quantity;

/// How a pack runs its loads from full until something stops it.
///
/// The loads go on and off in a cycle of ten minutes: each is on for its share from the cycle's
/// begin on, and the cycle begins with five seconds of all peaks together.
///
/// @param points voltage and current over time, thinned out
/// @param ended what stopped it
/// @param hours until then
/// @param wattHours given until then, at the terminals
/// @param leftShare of all the charge that stays inside, of the group that has least
/// @param stopVolts at the terminals when it stopped
/// @param restVolts what it springs back to, rested
public record PackRun(
        List<Point> points,
        Ended ended,
        double hours,
        double wattHours,
        double leftShare,
        double stopVolts,
        double restVolts) {
    private static final double CYCLE_SECONDS = 600;
    private static final double PEAK_SECONDS = 5;
    private static final double MOST_STEP_SECONDS = 60;
    private static final int MOST_POINTS = 800;
    private static final int MOST_CYCLES = 20_000;

    /// At which cells are measured, in °C.
    private static final double BENCH_CELSIUS = 25;

    public PackRun {
        points = List.copyOf(points);
    }

    /// A moment.
    public record Point(double hours, double volts, double amps) {}

    /// What stops a pack.
    public enum Ended {
        /// The device at its low trip.
        DEVICE,
        /// A group that is empty.
        EMPTY_GROUP,
        /// The pack cannot give the power any more.
        POWER
    }

    /// What stopped it, in words.
    public String sentence() {
        String when = "after " + Quantity.HOURS.text(hours);
        String left =
                "; %s of its charge stays inside, and it springs back to %s"
                        .formatted(
                                Quantity.PERCENT.text(100 * leftShare, 0),
                                Quantity.VOLTAGE.text(restVolts, 1));
        return switch (ended) {
            case DEVICE ->
                    "The device stops %s, at %s"
                                    .formatted(when, Quantity.VOLTAGE.text(stopVolts, 1))
                            + left;
            case EMPTY_GROUP ->
                    "The first group is empty %s, at %s"
                                    .formatted(when, Quantity.VOLTAGE.text(stopVolts, 1))
                            + left;
            case POWER -> "The pack cannot give the power any more " + when + left;
        };
    }

    /// A run of mean cells.
    public static PackRun ofMeanCells(Option option, Need need, CellSupply supply) {
        return ofMeanCells(option, need, supply, 0, BENCH_CELSIUS);
    }

    /// A run of mean cells on another day, or of a group that is stronger or weaker.
    ///
    /// @param sigmas by how many standard deviations of its groups' capacity all groups lie off the
    ///   mean; a group of P cells drawn at random spreads by 1/√P of its cells' spread
    /// @param celsius of the cells
    public static PackRun ofMeanCells(
            Option option, Need need, CellSupply supply, double sigmas, double celsius) {
        MeanCell mean = supply.mean(option.cells());
        int parallel = option.parallel();
        double ampHours =
                mean.ampHours() * parallel + sigmas * supply.spreadAmpHours() * Math.sqrt(parallel);
        CircuitCell group =
                new CircuitCell(Math.max(0.01 * mean.ampHours(), ampHours), mean.ohms() / parallel);
        return of(need, Collections.nCopies(option.series(), List.of(group)), celsius);
    }

    /// A run of matched groups, as their cells were measured; a cell without a resistance counts as
    /// the planned one.
    ///
    /// @param celsius of the cells
    public static PackRun ofMatched(
            Need need, MeanCell planned, List<List<Candidate>> groups, double celsius) {
        return of(
                need,
                groups.stream()
                        .map(group ->
                                group.stream()
                                        .map(cell ->
                                                new CircuitCell(
                                                        cell.milliampHours() / 1000,
                                                        cell.milliohms()
                                                                        .orElse(
                                                                                1000
                                                                                        * planned
                                                                                                .ohms()
                                                                                        / cell
                                                                                                .count())
                                                                / 1000))
                                        .toList())
                        .toList(),
                celsius);
    }

    /// A run of the cells of groups.
    static PackRun of(Need need, List<List<CircuitCell>> groups, double celsius) {
        Chemistry chemistry = need.chemistry();
        VoltageCurve curve = RestCurve.of(chemistry).curve();
        List<List<CircuitCell>> cells =
                groups.stream()
                        .map(group -> group.stream().map(cell -> cold(cell, celsius)).toList())
                        .toList();
        Follower follower = new Follower(need.window().lowTripVolts());
        double hours =
                cells.stream().flatMap(List::stream).mapToDouble(CircuitCell::ampHours).sum()
                        * chemistry.nominalVolts()
                        / need.steadyFromPack();
        double step = Math.clamp(hours * 3600 / 2000, 1, MOST_STEP_SECONDS);
        Discharged given =
                PackSimulation.discharge(
                        cells,
                        curve,
                        load(need, hours),
                        PackPlanner.emptyVolts(chemistry),
                        step,
                        follower);
        boolean isDevice = follower.stopped();
        double seconds = isDevice ? follower.seconds : given.seconds();
        double drawn = isDevice ? follower.coulombs / 3600 : given.ampHours();
        double least = Double.MAX_VALUE;
        double rest = 0;
        for (List<CircuitCell> group : cells) {
            double whole = group.stream().mapToDouble(CircuitCell::ampHours).sum();
            double left = Math.max(0, 1 - drawn / whole);
            least = Math.min(least, left);
            rest += curve.volts(left);
        }
        return new PackRun(
                follower.thinned(),
                isDevice
                        ? Ended.DEVICE
                        : given.endedBy() == Discharged.EndedBy.POWER
                                ? Ended.POWER
                                : Ended.EMPTY_GROUP,
                seconds / 3600,
                isDevice ? follower.joules / 3600 : given.wattHours(),
                least,
                follower.volts,
                rest);
    }

    /// A cell in the cold: below 25 °C it gives 0.8 % less a kelvin, and its resistance doubles
    /// every 25 K (a simple model; common practice: about 80 % and twice the resistance at 0 °C).
    static CircuitCell cold(CircuitCell cell, double celsius) {
        double under = Math.max(0, BENCH_CELSIUS - celsius);
        return new CircuitCell(
                cell.ampHours() * Math.max(0.1, 1 - 0.008 * under),
                Math.min(100, cell.ohms() * Math.pow(2, under / BENCH_CELSIUS)));
    }

    /// The loads as they go on and off; of runs of weeks longer cycles.
    private static Load load(Need need, double hours) {
        double cycle = Math.max(CYCLE_SECONDS, hours * 3600 / MOST_CYCLES);
        boolean isEven =
                need.loads().stream()
                        .allMatch(load -> load.share() == 1 && load.peakWatts() == load.watts());
        if (isEven) return new Load.Watts(need.steadyFromPack());
        List<Load.Part> parts = new ArrayList<>();
        parts.add(new Load.Part(new Load.Watts(need.peakFromPack()), PEAK_SECONDS));
        List<LoadItem> byShare =
                need.loads().stream().sorted(Comparator.comparingDouble(LoadItem::share)).toList();
        double from = PEAK_SECONDS;
        for (int next = 0; next < byShare.size(); next++) {
            double until = byShare.get(next).share() * cycle;
            if (until <= from + 1e-6) continue;
            double watts = 0;
            for (LoadItem on : byShare.subList(next, byShare.size())) watts += on.watts();
            parts.add(new Load.Part(watts(need, watts), until - from));
            from = until;
        }
        if (from < cycle - 1e-6) parts.add(new Load.Part(watts(need, 0), cycle - from));
        return new Load.Profile(parts);
    }

    private static Load watts(Need need, double atLoad) {
        double fromPack = need.losses().fromPack(atLoad);
        return fromPack > 0 ? new Load.Watts(fromPack) : new Load.Rest();
    }

    /// Follows a discharge until the device stops.
    private static final class Follower implements PackSimulation.Listener {
        private final double lowTrip;
        private final List<Point> points = new ArrayList<>();
        private OptionalDouble stop = OptionalDouble.empty();
        private double seconds;
        private double volts;
        private double amps;
        private double coulombs;
        private double joules;

        Follower(double lowTrip) {
            this.lowTrip = lowTrip;
        }

        boolean stopped() {
            return stop.isPresent();
        }

        @Override
        public void step(double now, double packVolts, double packAmps, double[] groupVolts) {
            if (stopped()) return;
            double passed = now - seconds;
            // what was drawn since is what was drawn at the begin: the load may be another now
            coulombs += passed * amps;
            joules += passed * amps * volts;
            seconds = now;
            volts = packVolts;
            amps = packAmps;
            points.add(new Point(now / 3600, packVolts, packAmps));
            if (packVolts < lowTrip) stop = OptionalDouble.of(now);
        }

        /// At most so many points; of each stretch the lowest and the highest voltage stay.
        List<Point> thinned() {
            int stretch = (2 * points.size() + MOST_POINTS - 1) / MOST_POINTS;
            if (stretch < 2) return points;
            List<Point> kept = new ArrayList<>();
            Comparator<Point> byVolts = Comparator.comparingDouble(Point::volts);
            for (int from = 0; from < points.size(); from += stretch) {
                List<Point> part = points.subList(from, Math.min(points.size(), from + stretch));
                Point low = Collections.min(part, byVolts);
                Point high = Collections.max(part, byVolts);
                kept.add(low.hours() <= high.hours() ? low : high);
                if (!low.equals(high)) kept.add(low.hours() <= high.hours() ? high : low);
            }
            return kept;
        }
    }
}
