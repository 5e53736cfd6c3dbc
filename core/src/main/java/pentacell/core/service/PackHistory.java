package pentacell.core.service;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.Stream;
import org.hipparchus.stat.regression.SimpleRegression;
import pentacell.core.measure.SomeMoments;
import pentacell.core.prove.GroupLog;
import pentacell.core.unit.Middle;

/// What a log of a pack in use says of the pack as a whole: its resistance, how its groups' voltage
/// runs over the charge drawn, and how far each group strays from their median.
final class PackHistory {
    private static final double STEP = 0.2;
    private static final double LONGEST_STEP_SECONDS = 120;

    private static final double DAY_SECONDS = 86_400;

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

    /// A moment of the history.
    ///
    /// @param slopes of voltage over charge between the usual group and each, in V/Ah; NaN where a
    ///   group is under all that is known
    /// @param over whether each group is over all that is known: the slope is a guess then
    /// @param drawnAmpHours since the highest state of the log
    /// @param strays of each group from the median, in V
    record Moment(
            double days,
            double amps,
            List<Double> slopes,
            List<Boolean> over,
            double drawnAmpHours,
            List<Double> strays) {
        Moment {
            slopes = List.copyOf(slopes);
            over = List.copyOf(over);
            strays = List.copyOf(strays);
        }
    }

    PackHistory(GroupLog log) {
        this.log = log;
        seconds = log.seconds().toArray();
        amps = log.amps().toArray();
        most = log.mostAmps();
        inside = log.ofGroups(Middle::ofSorting);
        ohms = resistance(inside);
        resolution = log.finestStepVolts();
        for (int i = 0; i < inside.length; i++) inside[i] += amps[i] * ohms;
        run = new VoltageRun(seconds, amps, inside, resolution);
    }

    /// Resistance of the usual group, from steps of the current; 0 without any.
    private double resistance(double[] medians) {
        List<Double> steps = new ArrayList<>();
        for (int i = 1; i < medians.length; i++) {
            double step = amps[i] - amps[i - 1];
            if (most > 0
                    && Math.abs(step) > STEP * most
                    && seconds[i] - seconds[i - 1] <= LONGEST_STEP_SECONDS)
                steps.add(-(medians[i] - medians[i - 1]) / step);
        }
        return steps.isEmpty() ? 0 : Math.max(0, middle(steps));
    }

    private static double middle(List<Double> values) {
        return Middle.of(values.stream().mapToDouble(each -> each).toArray());
    }

    /// Resistance of the usual group, in Ω; 0 when no step tells it.
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
    List<Moment> moments() {
        List<Moment> moments = new ArrayList<>();
        double[] volts = new double[log.series()];
        for (int i : SomeMoments.of(log.size()).toArray()) {
            for (int g = 0; g < volts.length; g++) volts[g] = log.volts().get(g).get(i);
            double middle = Middle.of(volts);
            List<Double> strays = new ArrayList<>();
            List<Double> between = new ArrayList<>();
            List<Boolean> over = new ArrayList<>();
            for (double each : volts) {
                strays.add(each - middle);
                between.add(run.slopeBetween(inside[i], each - middle));
                over.add(run.isOver(inside[i], each - middle));
            }
            moments.add(
                    new Moment(
                            (seconds[i] - seconds[0]) / DAY_SECONDS,
                            amps[i],
                            between,
                            over,
                            run.drawnAmpHours(inside[i]),
                            strays));
        }
        return moments;
    }

    /// The finest step in which voltages were written, in V; next to nothing when they were not
    /// rounded.
    double resolution() {
        return resolution;
    }

    private static double spread(Moment moment) {
        return 1000 * (Collections.max(moment.strays()) - Collections.min(moment.strays()));
    }

    /// Usual spread of the groups near the lowest state, in mV.
    double spreadLow(List<Moment> moments) {
        return usualSpread(
                moments.stream()
                        .filter(each -> each.drawnAmpHours() >= (1 - NEAR) * usedAmpHours())
                        .toList());
    }

    /// Usual spread of the groups near the highest state, in mV.
    double spreadHigh(List<Moment> moments) {
        return usualSpread(nearFull(moments).toList());
    }

    /// Usual stray of a group near the highest state, in V.
    double nearFull(List<Moment> moments, int group) {
        return Middle.of(nearFull(moments).mapToDouble(each -> each.strays().get(group)).toArray());
    }

    private Stream<Moment> nearFull(List<Moment> moments) {
        return moments.stream().filter(each -> each.drawnAmpHours() <= NEAR * usedAmpHours());
    }

    private static double usualSpread(List<Moment> moments) {
        return moments.isEmpty()
                ? Double.NaN
                : middle(moments.stream().map(PackHistory::spread).toList());
    }

    /// How the spread changes, in mV a month of 30 days; NaN in a log of less than two days.
    double trend(List<Moment> moments) {
        if (days() < 2) return Double.NaN;
        SimpleRegression line = new SimpleRegression();
        for (Moment each : moments) line.addData(each.days(), spread(each));
        return 30 * line.getSlope();
    }
}
