package pentacell.core.prove;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.measure.Column;
import pentacell.core.prove.LoadTest.Cause;
import pentacell.core.prove.LoadTest.Group;
import pentacell.core.unit.Middle;

/// Judges a load test of a whole pack.
///
/// What a group had left when the test ended is read from the data themselves: with the drop over
/// its resistance added back, its voltage at the end stands somewhere on the way that the lowest
/// group went, and what that group gave after that moment is what the other still held. So no rest
/// curve needs to be true; one is used only to tell a group that began low from one that holds
/// little.
public final class ProveLoad {
    /// A moment is loaded above this part of the highest current.
    static final double LOADED_SHARE = 0.1;

    /// A step of the current counts above this part of the highest.
    private static final double STEP_SHARE = 0.2;

    private static final double LONGEST_STEP_SECONDS = 60;
    private static final double REST_SECONDS = 300;

    /// How near the end voltage the lowest group must come, in V.
    private static final double END_VOLTS = 0.01;

    /// A group falls short by this part of what the pack gave (common practice: chargers repeat to
    /// about 1 %).
    private static final double SHORT_SHARE = 0.025;

    /// A group's resistance stands out by this factor and this drop at the test's current.
    private static final double HIGH_RESISTANCE = 1.3;

    private static final double HIGH_DROP_VOLTS = 0.01;

    /// Of what a group lacks, so much from its begin makes it one that began low.
    private static final double BEGAN_LOW_SHARE = 0.5;

    /// A difference at rest below this says nothing, in V.
    private static final double SAME_REST_VOLTS = 0.008;

    private static final int AVERAGED = 5;

    private final GroupLog log;
    private final double[] seconds;
    private final double[] amps;
    private final double endVolts;
    private final Chemistry chemistry;
    private int begin;
    private int end;
    private double most;

    private ProveLoad(GroupLog log, double endVolts, Chemistry chemistry) {
        this.log = log;
        seconds = log.seconds().toArray();
        amps = log.amps().toArray();
        this.endVolts = endVolts;
        this.chemistry = chemistry;
    }

    /// What a load test says.
    ///
    /// @param endVolts at which a group ends it, in V
    /// @throws IllegalArgumentException when nothing was drawn in it
    public static LoadTest judge(GroupLog log, double endVolts, Chemistry chemistry) {
        return new ProveLoad(log, endVolts, chemistry).judge();
    }

    private boolean isLoaded(int moment) {
        return amps[moment] > LOADED_SHARE * most;
    }

    private LoadTest judge() {
        most = Arrays.stream(amps).max().orElse(0);
        if (!(most > 0))
            throw new IllegalArgumentException("nothing is drawn in this log: no load test");
        begin = IntStream.range(0, log.size()).filter(this::isLoaded).findFirst().orElse(0);
        end = lastLoaded();
        double[] given = given();
        double ampHours = given[end - begin];
        int lowest = log.lowestGroup(end);
        double[] ohms = resistances();
        double[] began = begunAt();
        double[] left = left(given, lowest, ohms, began);
        double best = Arrays.stream(left).max().orElse(0);
        OptionalInt rest = restAfter();
        Cause[] causes = causes(left, best, ohms, began, ampHours);
        List<Group> groups = new ArrayList<>();
        for (int g = 0; g < log.series(); g++)
            groups.add(
                    new Group(
                            log.volts().get(g).get(end),
                            rest.isPresent()
                                    ? OptionalDouble.of(log.volts().get(g).get(rest.getAsInt()))
                                    : OptionalDouble.empty(),
                            Double.isNaN(ohms[g])
                                    ? OptionalDouble.empty()
                                    : OptionalDouble.of(1000 * ohms[g]),
                            best - left[g],
                            causes[g]));
        double whole = Arrays.stream(ohms).sum();
        return new LoadTest(
                ampHours,
                wattHours(),
                seconds[end] - seconds[begin],
                isEndReached(lowest),
                lowest,
                meanAmps(),
                rest.isPresent()
                        ? OptionalDouble.of(spread(rest.getAsInt()))
                        : OptionalDouble.empty(),
                Double.isNaN(whole) ? OptionalDouble.empty() : OptionalDouble.of(1000 * whole),
                IntStream.range(0, log.series())
                        .filter(g -> causes[g] == Cause.LOW_CAPACITY)
                        .boxed()
                        .min(Comparator.comparingDouble(g -> left[g]))
                        .map(OptionalInt::of)
                        .orElse(OptionalInt.empty()),
                groups);
    }

    /// The moment at which a group first came down to the end voltage, else the last one loaded.
    private int lastLoaded() {
        int last = begin;
        double[] lowest = log.ofGroups(ProveLoad::least);
        for (int i = begin; i < lowest.length; i++) {
            if (!isLoaded(i)) continue;
            last = i;
            if (lowest[i] <= endVolts) return i;
        }
        return last;
    }

    // plain loops: a stream for each of a million moments takes longer than all the rest
    private static double least(double[] volts) {
        double least = volts[0];
        for (double each : volts) least = Math.min(least, each);
        return least;
    }

    private static double sum(double[] volts) {
        double sum = 0;
        for (double each : volts) sum += each;
        return sum;
    }

    /// The log may have missed the moment: on its way down the group would have been there by the
    /// next reading.
    private boolean isEndReached(int lowest) {
        Column volts = log.volts().get(lowest);
        double fall = end > begin ? Math.max(0, volts.get(end - 1) - volts.get(end)) : 0;
        return volts.get(end) <= endVolts + Math.max(END_VOLTS, 1.5 * fall);
    }

    /// What was given since the begin at every moment, in Ah.
    private double[] given() {
        double[] given = new double[end - begin + 1];
        for (int i = begin + 1; i <= end; i++)
            given[i - begin] =
                    given[i - begin - 1]
                            + GroupLog.ampHours(seconds[i - 1], amps[i - 1], seconds[i], amps[i]);
        return given;
    }

    private double wattHours() {
        double wattHours = 0;
        double[] packVolts = log.ofGroups(ProveLoad::sum);
        for (int i = begin + 1; i <= end; i++)
            wattHours +=
                    (seconds[i] - seconds[i - 1])
                            / 3600
                            * (amps[i] * packVolts[i] + amps[i - 1] * packVolts[i - 1])
                            / 2;
        return wattHours;
    }

    private double meanAmps() {
        return IntStream.rangeClosed(begin, end)
                .filter(this::isLoaded)
                .mapToDouble(i -> amps[i])
                .average()
                .orElse(0);
    }

    /// Resistance of each group in Ω, from steps of the current between two readings; NaN without
    /// any.
    private double[] resistances() {
        List<Integer> steps = new ArrayList<>();
        for (int i = 1; i < log.size(); i++)
            if (Math.abs(amps[i] - amps[i - 1]) > STEP_SHARE * most
                    && seconds[i] - seconds[i - 1] <= LONGEST_STEP_SECONDS) steps.add(i);
        double[] ohms = new double[log.series()];
        for (int g = 0; g < ohms.length; g++) {
            Column volts = log.volts().get(g);
            double[] each =
                    steps.stream()
                            .mapToDouble(i ->
                                    (volts.get(i - 1) + drift(volts, i) - volts.get(i))
                                            / (amps[i] - amps[i - 1]))
                            .sorted()
                            .toArray();
            ohms[g] = typical(each);
        }
        return ohms;
    }

    /// By how much a voltage would have gone on changing until a moment without a step, in V.
    private double drift(Column volts, int moment) {
        int from = moment - 1;
        while (from > 0
                && moment - from < AVERAGED
                && Math.abs(amps[from - 1] - amps[moment - 1]) <= 0.05 * most) from--;
        double passed = seconds[moment - 1] - seconds[from];
        return passed <= 0
                ? 0
                : (volts.get(moment - 1) - volts.get(from))
                        / passed
                        * (seconds[moment] - seconds[moment - 1]);
    }

    /// The median; of two that differ the smaller, for the larger holds what moved slowly.
    private static double typical(double[] sorted) {
        if (sorted.length == 0) return Double.NaN;
        if (sorted.length == 2)
            return sorted[1] > 1.3 * sorted[0] ? sorted[0] : (sorted[0] + sorted[1]) / 2;
        return Middle.of(sorted);
    }

    /// Voltage of a group with the drop over its resistance added back.
    private double inside(int group, int moment, double[] ohms) {
        double drop = Double.isNaN(ohms[group]) ? 0 : amps[moment] * ohms[group];
        return log.volts().get(group).get(moment) + drop;
    }

    /// What each group still held at the end more than the lowest, in Ah.
    private double[] left(double[] given, int lowest, double[] ohms, double[] began) {
        int moments = given.length;
        double[] way = new double[moments];
        for (int i = 0; i < moments; i++) way[i] = inside(lowest, begin + i, ohms);
        smooth(way);
        double[] left = new double[log.series()];
        for (int g = 0; g < left.length; g++) {
            if (g == lowest) continue;
            double there = 0;
            int averaged = Math.min(AVERAGED, moments);
            for (int i = 0; i < averaged; i++) there += inside(g, end - i, ohms) / averaged;
            // the way is that of the lowest group's charge; the other's may be of another size:
            // with
            // s0 the charge they began with, left ÷ (given + left) is the way's part × s0 ÷ s0
            double part = behind(given, way, there) / given[moments - 1] * began[lowest] / began[g];
            left[g] = given[moments - 1] * part / Math.max(0.1, 1 - part);
        }
        return left;
    }

    /// Against noise: each is the median of those about it.
    private static void smooth(double[] way) {
        double[] raw = way.clone();
        double[] near = new double[AVERAGED];
        int half = AVERAGED / 2;
        for (int i = half; i < way.length - half; i++) {
            System.arraycopy(raw, i - half, near, 0, AVERAGED);
            way[i] = Middle.ofSorting(near);
        }
    }

    /// What was given after the lowest group had passed a voltage; below its last one the way is
    /// carried on straight.
    private static double behind(double[] given, double[] way, double volts) {
        int last = given.length - 1;
        if (volts < way[last]) {
            int before = last;
            while (before > 0 && given[last] - given[before] < 0.03 * given[last]) before--;
            double fall = way[before] - way[last];
            return fall <= 0 ? 0 : -(way[last] - volts) / fall * (given[last] - given[before]);
        }
        for (int i = last; i > 0; i--)
            if (way[i - 1] >= volts) {
                double part = way[i - 1] == way[i] ? 0 : (volts - way[i]) / (way[i - 1] - way[i]);
                return given[last] - given[i] + Math.clamp(part, 0, 1) * (given[i] - given[i - 1]);
            }
        return given[last];
    }

    /// The last moment of a rest after the load, when it lasted long enough.
    private OptionalInt restAfter() {
        int last = end;
        for (int i = end + 1; i < log.size() && Math.abs(amps[i]) <= 0.02 * most; i++) last = i;
        int first = Math.min(end + 1, log.size() - 1);
        return last > end && seconds[last] - seconds[first] >= REST_SECONDS - 1
                ? OptionalInt.of(last)
                : OptionalInt.empty();
    }

    private double spread(int moment) {
        double[] volts =
                log.volts().stream().mapToDouble(each -> each.get(moment)).sorted().toArray();
        return 1000 * (volts[volts.length - 1] - volts[0]);
    }

    private Cause[] causes(
            double[] left, double best, double[] ohms, double[] shares, double ampHours) {
        int series = log.series();
        double[] missing = new double[series];
        for (int g = 0; g < series; g++) missing[g] = best - left[g];
        double[] sorted = missing.clone();
        Arrays.sort(sorted);
        double usual = sorted[(series - 1) / 2];
        double[] sortedOhms = Arrays.stream(ohms).filter(Double::isFinite).sorted().toArray();
        double usualOhms =
                sortedOhms.length == 0 ? Double.NaN : sortedOhms[(sortedOhms.length - 1) / 2];
        double usualShare = Middle.of(shares);
        double whole = ampHours / usualShare;
        Cause[] causes = new Cause[series];
        for (int g = 0; g < series; g++) {
            double lacks = missing[g] - usual;
            boolean isShort = lacks > SHORT_SHARE * ampHours;
            boolean isHigh =
                    ohms[g] > HIGH_RESISTANCE * usualOhms
                            && (ohms[g] - usualOhms) * meanAmps() > HIGH_DROP_VOLTS;
            causes[g] =
                    isShort
                            ? whole * (usualShare - shares[g]) > BEGAN_LOW_SHARE * lacks
                                    ? Cause.STARTED_LOW
                                    : Cause.LOW_CAPACITY
                            : isHigh ? Cause.HIGH_RESISTANCE : Cause.OK;
        }
        return causes;
    }

    /// The charge that each group began with, by its rest voltage, as a share of what lies above
    /// the end voltage; those that rest as the usual one does began as it did.
    private double[] begunAt() {
        double[] volts = new double[log.series()];
        int from = Math.max(0, begin - AVERAGED);
        for (int g = 0; g < volts.length; g++) {
            Column each = log.volts().get(g);
            volts[g] =
                    IntStream.range(from, begin)
                            .mapToDouble(each::get)
                            .average()
                            .orElse(each.get(begin));
        }
        double usual = Middle.of(volts);
        RestCurve curve = RestCurve.of(chemistry);
        double empty = curve.share(endVolts);
        double[] begun = new double[volts.length];
        for (int g = 0; g < volts.length; g++) {
            boolean isSame = Math.abs(usual - volts[g]) < SAME_REST_VOLTS;
            begun[g] = Math.max(0.05, curve.share(isSame ? usual : volts[g]) - empty);
        }
        return begun;
    }
}
