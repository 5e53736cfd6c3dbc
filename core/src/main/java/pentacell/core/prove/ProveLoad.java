package pentacell.core.prove;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.IntToDoubleFunction;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.measure.Column;
import pentacell.core.prove.LoadTest.Cause;
import pentacell.core.prove.LoadTest.Group;
import pentacell.core.unit.Middle;

/// Judges a load test of a whole pack: what it gave, who ended it, and why a group fell short. No
/// rest curve needs to be true; one is used only to tell a group that started low from one that
/// holds little.
public final class ProveLoad {
    /// How near the end voltage the lowest group must come, in V.
    private static final double END_VOLTS = 0.01;

    /// A group falls short by this part of what the pack gave (common practice: chargers repeat to
    /// about 1 %).
    private static final double SHORT_SHARE = 0.025;

    /// A group's resistance stands out by this factor and this drop at the test's current.
    private static final double HIGH_RESISTANCE = 1.3;

    private static final double LEAST_HIGH_DROP_VOLTS = 0.004;

    /// The same when one step tells the resistances, so that nothing is known of their errors.
    private static final double HIGH_DROP_VOLTS = 0.01;

    /// So many times the usual difference of the other groups, and the error of a resistance, it
    /// must be beyond.
    private static final double BEYOND_OTHERS = 4;

    private static final double BEYOND_ERROR = 3.5;

    /// A group started low when its start explains this part of what it lacks.
    private static final double BEGAN_LOW_SHARE = 0.5;

    /// A difference at rest below this says nothing, in V.
    private static final double SAME_REST_VOLTS = 0.008;

    /// How well a rest curve is known of cells that are not, in V.
    private static final double CURVE_VOLTS = 0.02;

    private static final int AVERAGED = 5;

    /// No group begins with less than this part of its charge.
    private static final double LEAST_SHARE = 0.05;

    private final GroupLog log;
    private final double endVolts;
    private final Chemistry chemistry;
    private final LoadSpan span;

    private ProveLoad(GroupLog log, double endVolts, Chemistry chemistry) {
        this.log = log;
        this.endVolts = endVolts;
        this.chemistry = chemistry;
        span = LoadSpan.of(log, endVolts);
    }

    /// What a load test says.
    ///
    /// @param endVolts at which a group ends it, in V
    /// @throws IllegalArgumentException when nothing was drawn in it
    public static LoadTest judge(GroupLog log, double endVolts, Chemistry chemistry) {
        return new ProveLoad(log, endVolts, chemistry).judge();
    }

    private LoadTest judge() {
        int end = span.end();
        double ampHours = span.ampHours();
        int lowest = span.lowestGroup();
        StepResistance known = new StepResistance(log, span.mostAmps());
        double[] ohms = known.ohms();
        double[] begun = begunAt();
        ChargeLeft left = new ChargeLeft(span, ohms);
        double[] missing = left.missing(begun);
        Optional<Integer> rested = span.restAfter().map(LoadSpan.Rest::last);
        Cause[] causes = causes(missing, left.doubt(), highResistances(known), begun, ampHours);
        List<Group> groups = new ArrayList<>();
        for (int g = 0; g < log.series(); g++)
            groups.add(
                    new Group(
                            log.volts().get(g).get(end),
                            figure(rested, log.volts().get(g)::get),
                            Double.isNaN(ohms[g])
                                    ? OptionalDouble.empty()
                                    : OptionalDouble.of(1000 * ohms[g]),
                            missing[g],
                            causes[g],
                            causes[g] == Cause.LOW_CAPACITY
                                    && mayHaveStarted(missing[g], ampHours)));
        double whole = Arrays.stream(ohms).sum();
        return new LoadTest(
                ampHours,
                span.wattHoursAbove(0),
                span.seconds(),
                isEndReached(lowest),
                lowest,
                span.meanAmps(),
                figure(rested, this::spread),
                Double.isNaN(whole) ? OptionalDouble.empty() : OptionalDouble.of(1000 * whole),
                IntStream.range(0, log.series())
                        .filter(g -> causes[g] == Cause.LOW_CAPACITY)
                        .boxed()
                        .max(Comparator.comparingDouble(g -> missing[g]))
                        .map(OptionalInt::of)
                        .orElse(OptionalInt.empty()),
                groups);
    }

    private static OptionalDouble figure(Optional<Integer> moment, IntToDoubleFunction at) {
        return moment.map(each -> OptionalDouble.of(at.applyAsDouble(each)))
                .orElse(OptionalDouble.empty());
    }

    /// The log may have missed the moment: on its way down the group would have been there by the
    /// next reading.
    private boolean isEndReached(int lowest) {
        Column volts = log.volts().get(lowest);
        int end = span.end();
        double fall = end > span.begin() ? Math.max(0, volts.get(end - 1) - volts.get(end)) : 0;
        return volts.get(end) <= endVolts + Math.max(END_VOLTS, 1.5 * fall);
    }

    private double spread(int moment) {
        double[] volts =
                log.volts().stream().mapToDouble(each -> each.get(moment)).sorted().toArray();
        return 1000 * (volts[volts.length - 1] - volts[0]);
    }

    private static Cause[] causes(
            double[] missing, double[] doubt, boolean[] isHigh, double[] begun, double ampHours) {
        double usual = lowerMiddle(missing);
        double usualShare = Middle.of(begun);
        double whole = ampHours / usualShare;
        Cause[] causes = new Cause[missing.length];
        for (int g = 0; g < causes.length; g++) {
            double lacks = missing[g] - usual;
            if (lacks > Math.max(SHORT_SHARE * ampHours, doubt[g]))
                causes[g] =
                        whole * (usualShare - begun[g]) > BEGAN_LOW_SHARE * lacks
                                ? Cause.STARTED_LOW
                                : Cause.LOW_CAPACITY;
            else causes[g] = isHigh[g] ? Cause.HIGH_RESISTANCE : Cause.OK;
        }
        return causes;
    }

    /// Which groups drop clearly more than the usual one: beyond what the others differ by, what
    /// the steps leave open, and what the log can show.
    private boolean[] highResistances(StepResistance known) {
        double[] ohms = known.ohms();
        double usual = lowerMiddle(ohms);
        double others =
                lowerMiddle(
                        Arrays.stream(ohms)
                                .map(each -> Math.abs(each - usual))
                                .filter(apart -> apart > 0)
                                .toArray());
        double amps = span.meanAmps();
        double clear =
                DoubleStream.of(
                                ohms.length > 2 ? BEYOND_OTHERS * others * amps : 0,
                                Double.isNaN(known.error())
                                        ? HIGH_DROP_VOLTS
                                        : BEYOND_ERROR * known.error() * amps,
                                1.5 * log.finestStepVolts(),
                                LEAST_HIGH_DROP_VOLTS)
                        .filter(Double::isFinite)
                        .max()
                        .orElse(HIGH_DROP_VOLTS);
        boolean[] isHigh = new boolean[ohms.length];
        for (int g = 0; g < ohms.length; g++)
            isHigh[g] = ohms[g] > HIGH_RESISTANCE * usual && (ohms[g] - usual) * amps > clear;
        return isHigh;
    }

    /// The median of those that are known; of an even number the lower of the two in the middle.
    private static double lowerMiddle(double[] values) {
        double[] sorted = Arrays.stream(values).filter(Double::isFinite).sorted().toArray();
        return sorted.length == 0 ? Double.NaN : sorted[(sorted.length - 1) / 2];
    }

    /// Whether groups that rest alike may have begun by as much apart as one lacks.
    private boolean mayHaveStarted(double missing, double ampHours) {
        double rest = Middle.of(restsBefore());
        RestCurve curve = RestCurve.of(chemistry);
        double high = curve.share(rest + CURVE_VOLTS);
        double low = curve.share(rest - CURVE_VOLTS);
        double whole = ampHours / Math.max(LEAST_SHARE, curve.share(rest) - curve.share(endVolts));
        return whole * (high - low) / 2 > BEGAN_LOW_SHARE * missing;
    }

    /// The charge that each group began with, by its rest voltage, as a share of what lies above
    /// the end voltage; those that rest as the usual one does began as it did.
    private double[] begunAt() {
        double[] volts = restsBefore();
        double usual = Middle.of(volts);
        RestCurve curve = RestCurve.of(chemistry);
        double empty = curve.share(endVolts);
        double[] begun = new double[volts.length];
        for (int g = 0; g < volts.length; g++) {
            boolean isSame = Math.abs(usual - volts[g]) < SAME_REST_VOLTS;
            begun[g] = Math.max(LEAST_SHARE, curve.share(isSame ? usual : volts[g]) - empty);
        }
        return begun;
    }

    /// The voltage of each group just before the load, in V.
    private double[] restsBefore() {
        double[] volts = new double[log.series()];
        int from = Math.max(0, span.begin() - AVERAGED);
        for (int g = 0; g < volts.length; g++) {
            Column each = log.volts().get(g);
            volts[g] =
                    IntStream.range(from, span.begin())
                            .mapToDouble(each::get)
                            .average()
                            .orElse(each.get(span.begin()));
        }
        return volts;
    }
}
