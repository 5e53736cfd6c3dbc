package pentacell.core.service;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import org.hipparchus.stat.regression.SimpleRegression;
import pentacell.core.measure.Column;
import pentacell.core.measure.SomeMoments;
import pentacell.core.measure.StepsAndFlow;
import pentacell.core.prove.GroupLog;
import pentacell.core.unit.Middle;

/// What a log of a pack in use says of the pack as a whole: its resistance, how its groups' voltage
/// runs over the charge drawn, and how far each group strays from their median.
final class PackHistory {
    private static final double STEP = 0.2;
    private static final double LONGEST_STEP_SECONDS = 120;

    /// From fewer steps nothing is told.
    private static final int LEAST_STEPS = 5;

    /// LFP is full under this at rest, the 4.2 V class above, in V (common practice).
    private static final double FLAT_VOLTS = 3.7;

    /// A pack that is near full for this part of its time is kept there.
    private static final double FLOATING = 0.7;

    /// And is used on fewer days than this part of them, with this part of its highest current.
    private static final double SELDOM = 0.5;

    private static final double IN_USE = 0.3;

    /// On this part of its days a pack must have been full for charges to be seen on a flat run.
    private static final double OFTEN_FULL = 0.25;

    /// Braking into a full pack lifts this part of all readings above any full state.
    static final double ABOVE_FULL = 0.005;

    static final double DAY_SECONDS = 86_400;

    /// Near full and near empty are these parts of the charge that is used.
    static final double NEAR = 0.2;

    /// A pack rests under this part of its highest current.
    static final double REST_SHARE = 0.03;

    private final GroupLog log;
    private final double[] seconds;
    private final double[] amps;
    private final double most;
    private final double ohms;
    private final double[] inside;
    private final double resolution;
    private final VoltageRun run;

    /// What the drop over a constant resistance was taken to be, in Ω.
    private final double dropOhms;

    PackHistory(GroupLog log) {
        this.log = log;
        seconds = log.seconds().toArray();
        amps = log.amps().toArray();
        most = log.mostAmps();
        inside = log.ofGroups(Middle::ofSorting);
        ohms = resistance(inside);
        resolution = log.finestStepVolts();
        dropOhms = ohms > 0 ? ohms : commonOhms(inside);
        for (int i = 0; i < inside.length; i++) inside[i] += amps[i] * dropOhms;
        run = new VoltageRun(seconds, amps, inside, resolution);
    }

    // a plain loop, for a million moments
    private static double highest(double[] volts) {
        double highest = volts[0];
        for (double each : volts) highest = Math.max(highest, each);
        return highest;
    }

    private boolean isStill(int reading) {
        return Math.abs(amps[reading]) <= REST_SHARE * most;
    }

    /// Charge drawn since full at each reading, in Ah; NaN where it is not known.
    double[] countedAmpHours() {
        return CountedCharge.of(seconds, amps, log.ofGroups(PackHistory::highest));
    }

    /// How the voltage runs over that charge; empty when it does not tell enough.
    Optional<CountedRun> countedRun(double[] counted) {
        return CountedRun.of(seconds, amps, inside, counted, REST_SHARE * most);
    }

    /// How far a group is from the usual one at the readings of a run, in V.
    double[] strays(CountedRun readings, int group) {
        Column volts = log.volts().get(group);
        return readings.column(i -> volts.get(i) - (inside[i] - amps[i] * dropOhms));
    }

    /// Resistance of the usual group, from steps of the current between readings near each other;
    /// NaN when there are too few of them.
    private double resistance(double[] medians) {
        List<Double> steps = new ArrayList<>();
        for (int i = 1; i < medians.length; i++) {
            double step = amps[i] - amps[i - 1];
            if (most > 0
                    && Math.abs(step) > STEP * most
                    && seconds[i] - seconds[i - 1] <= LONGEST_STEP_SECONDS)
                steps.add(-(medians[i] - medians[i - 1]) / step);
        }
        double ohms = steps.size() < LEAST_STEPS ? Double.NaN : middle(steps);
        return ohms > 0 ? ohms : Double.NaN;
    }

    /// What the voltage has in common with the current over readings far from each other, in Ω.
    /// What comes slowly is in it too, so it frees a voltage of its drop, and says nothing of
    /// joints. 0 when it cannot be told.
    private double commonOhms(double[] medians) {
        StepsAndFlow fit = new StepsAndFlow();
        for (int i = 1; i < medians.length; i++)
            fit.add(
                    medians[i] - medians[i - 1],
                    amps[i - 1] - amps[i],
                    (seconds[i - 1] - seconds[i]) * (amps[i] + amps[i - 1]) / 2);
        double common = fit.ohms();
        return common > 0 ? common : 0;
    }

    private static double middle(List<Double> values) {
        return Middle.of(values.stream().mapToDouble(each -> each).toArray());
    }

    /// Resistance of the usual group, in Ω; NaN when the log does not tell it.
    double ohms() {
        return ohms;
    }

    /// How long the log is, in days.
    double days() {
        return seconds.length == 0 ? 0 : (seconds[seconds.length - 1] - seconds[0]) / DAY_SECONDS;
    }

    /// The highest current, in A.
    double mostAmps() {
        return most;
    }

    /// Charge between the highest and the lowest state of the log, in Ah.
    double usedAmpHours() {
        return run.usedAmpHours();
    }

    /// Moments spread evenly over the log, no more than a few thousand.
    HistoryMoments moments() {
        int[] some = SomeMoments.of(log.size()).toArray();
        HistoryMoments moments = new HistoryMoments(some.length, log.series());
        double[] volts = new double[log.series()];
        double[] rested = restedSeconds();
        for (int moment = 0; moment < some.length; moment++) {
            int i = some[moment];
            for (int g = 0; g < volts.length; g++) volts[g] = log.volts().get(g).get(i);
            double middle = Middle.of(volts);
            moments.pack(
                    moment,
                    (seconds[i] - seconds[0]) / DAY_SECONDS,
                    amps[i],
                    run.drawnAmpHours(inside[i]),
                    rested[i],
                    middle);
            for (int g = 0; g < volts.length; g++) {
                double stray = volts[g] - middle;
                moments.group(
                        moment,
                        g,
                        stray,
                        run.slopeBetween(inside[i], stray),
                        run.isOver(inside[i], stray),
                        run.below(inside[i] + stray));
            }
        }
        return moments;
    }

    /// For how long hardly any current has flowed at each reading, in s.
    private double[] restedSeconds() {
        double[] rested = new double[amps.length];
        for (int i = 1; i < rested.length; i++)
            if (isStill(i) && isStill(i - 1))
                rested[i] = rested[i - 1] + seconds[i] - seconds[i - 1];
        return rested;
    }

    /// The finest step in which voltages were written, in V; next to nothing when they were not
    /// rounded.
    double resolution() {
        return resolution;
    }

    /// Whether its voltage runs flat between full and empty: no other cell is full so low.
    boolean isFlat() {
        return Top.of(inside, ABOVE_FULL) < FLAT_VOLTS;
    }

    /// What a history can tell about charges.
    ///
    /// @param isFlat whether the voltage changes only near full and near empty, as with LFP: a
    ///   missing charge shows nowhere else
    /// @param isFloating whether the pack is kept near full: on a flat run groups then rest
    ///   wherever they happened to stop, which tells nothing about charges
    /// @param isOftenFull whether it was full often enough to see charges on a flat run
    /// @param hasSteps whether steps of the current tell its usual resistance
    record Tells(boolean isFlat, boolean isFloating, boolean isOftenFull, boolean hasSteps) {
        /// Whether a flat run shows more than steps of the current.
        boolean showsCharges() {
            return !isFloating && (isOftenFull || hasSteps);
        }
    }

    /// What this history can tell about charges.
    ///
    /// @param counted charge drawn since full at each reading, in Ah
    Tells tells(HistoryMoments moments, double[] counted) {
        // by the charge that was counted, or by the voltage
        boolean isKept =
                isNearFullMostly(counted)
                                && daysWhere(i -> amps[i] > IN_USE * most) < SELDOM * days()
                        || nearFull(moments).count() > FLOATING * moments.size();
        boolean isOftenFull = daysWhere(i -> counted[i] == 0) >= OFTEN_FULL * days();
        return new Tells(isFlat(), isKept, isOftenFull, !Double.isNaN(ohms));
    }

    private static boolean isNearFullMostly(double[] counted) {
        double[] known = Arrays.stream(counted).filter(each -> !Double.isNaN(each)).toArray();
        double deepest = Arrays.stream(known).max().orElse(0);
        long near = Arrays.stream(known).filter(each -> each <= NEAR * deepest).count();
        return near > FLOATING * known.length;
    }

    /// On how many days of the log a condition held.
    private long daysWhere(IntPredicate holds) {
        return IntStream.range(0, amps.length)
                .filter(holds)
                .mapToLong(i -> (long) ((seconds[i] - seconds[0]) / DAY_SECONDS))
                .distinct()
                .count();
    }

    /// Usual spread of the groups near the lowest state, in mV.
    double spreadLow(HistoryMoments moments) {
        return usualSpread(
                moments,
                moments.where(at -> moments.drawnAmpHours(at) >= (1 - NEAR) * usedAmpHours()));
    }

    /// Usual spread of the groups near the highest state, in mV.
    double spreadHigh(HistoryMoments moments) {
        return usualSpread(moments, nearFull(moments));
    }

    /// Usual stray of a group near the highest state, in V.
    double nearFull(HistoryMoments moments, int group) {
        return Middle.of(nearFull(moments).mapToDouble(at -> moments.stray(at, group)).toArray());
    }

    private IntStream nearFull(HistoryMoments moments) {
        return moments.where(at -> isNearFull(moments, at));
    }

    /// Whether the pack was near its highest state at a moment.
    boolean isNearFull(HistoryMoments moments, int at) {
        return moments.drawnAmpHours(at) <= NEAR * usedAmpHours();
    }

    private static double usualSpread(HistoryMoments moments, IntStream some) {
        double[] spreads = some.mapToDouble(at -> 1000 * moments.spread(at)).toArray();
        return spreads.length == 0 ? Double.NaN : Middle.of(spreads);
    }

    /// How the spread changes, in mV a month of 30 days; NaN in a log of less than two days.
    double trend(HistoryMoments moments) {
        if (days() < 2) return Double.NaN;
        SimpleRegression line = new SimpleRegression();
        for (int at = 0; at < moments.size(); at++)
            line.addData(moments.days(at), 1000 * moments.spread(at));
        return 30 * line.getSlope();
    }
}
