package pentacell.core.harvest;

import java.util.List;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.school.RepairSchool;

/// The groups of a pack against the level they are expected at.
///
/// The expected level is the upper median of the groups that are not dead: one or several low ones
/// do not pull it down as they would a mean, and of two groups the higher one is taken for good.
public final class GroupLevels {
    /// Groups of a balanced pack that lay for years rest within this, in V. A state of charge of 10
    /// % apart makes about 0.1 V in the 4.2 V class; the curve of LFP is flatter (common practice).
    private static final double ALIKE_VOLTS_NMC = 0.10;

    private static final double ALIKE_VOLTS_LFP = 0.05;

    /// Against limits that a person typed as decimal fractions.
    private static final double ROUNDING = 1e-9;

    private final PackReadings readings;
    private final RepairSchool policy;

    GroupLevels(PackReadings readings, RepairSchool policy) {
        this.readings = readings;
        this.policy = policy;
    }

    /// The level the groups of a pack are expected at, in V; NaN when all are dead.
    public static double expectedVolts(List<Double> groupVolts, RepairSchool policy) {
        double[] live =
                groupVolts.stream()
                        .mapToDouble(Double::doubleValue)
                        .filter(volts -> volts >= policy.deadVolts())
                        .sorted()
                        .toArray();
        return live.length == 0 ? Double.NaN : live[live.length / 2];
    }

    double expectedVolts() {
        return expectedVolts(readings.groupVolts(), policy);
    }

    /// How far groups may lie apart and still count as alike, in V.
    static double alikeVolts(Chemistry chemistry) {
        return switch (chemistry) {
            case NMC -> ALIKE_VOLTS_NMC;
            case LFP -> ALIKE_VOLTS_LFP;
        };
    }

    /// How far under the others a group is low, in V: half the school's figure for LFP, whose curve
    /// is flatter.
    static double lowVolts(Chemistry chemistry, RepairSchool policy) {
        return switch (chemistry) {
            case NMC -> policy.lowGroupVolts();
            case LFP -> policy.lowGroupVolts() / 2;
        };
    }

    /// How far apart the charge of LFP groups may lie and still count as alike, as a share: on the
    /// plateau a few millivolts of meter are a good part of it.
    private static final double ALIKE_SHARE_LFP = 0.25;

    /// Under this nothing is left in a group, in V.
    private static final double NEAR_ZERO_VOLTS = 0.5;

    /// Groups that sank together lie within this, in V (common practice).
    private static final double SLEEPY_VOLTS = 0.3;

    /// What a meter may be off, in V.
    private static final double METER_VOLTS = 0.005;

    /// Whether groups lie as near each other as those of a balanced pack do: by voltage, and on the
    /// plateau of LFP by the charge that surely lies between them.
    boolean areAlike(List<Integer> without, double limitVolts) {
        double[] rest = rest(without);
        if (rest.length < 2) return true;
        double low = rest[0];
        double high = rest[rest.length - 1];
        if (high - low > limitVolts + ROUNDING) return false;
        RestCurve curve = RestCurve.of(readings.chemistry());
        return readings.chemistry() != Chemistry.LFP
                || curve.share(high - METER_VOLTS) - curve.share(low + METER_VOLTS)
                        <= ALIKE_SHARE_LFP;
    }

    /// Groups that have this much less than the highest that bringing them up levels the pack.
    List<Integer> under() {
        double room = alikeVolts(readings.chemistry()) / 2 + ROUNDING;
        List<Integer> far = where(group -> greatest() - readings.volts(group) > room);
        return far.isEmpty() ? where(group -> readings.volts(group) == least()) : far;
    }

    /// Whether the groups sank together in storage: one sleepy pack, not many dead groups.
    boolean sankTogether() {
        return least() >= NEAR_ZERO_VOLTS && spread(List.of()) <= SLEEPY_VOLTS;
    }

    List<Integer> dead() {
        return where(group -> readings.volts(group) < policy.deadVolts());
    }

    List<Integer> over(double limitVolts) {
        return where(group -> readings.volts(group) > limitVolts + ROUNDING);
    }

    List<Integer> low() {
        double limit = expectedVolts() - lowVolts(readings.chemistry(), policy) - ROUNDING;
        return where(group -> readings.volts(group) < limit);
    }

    /// Whether the low groups are further below the others than the others are from each other.
    boolean standApart(List<Integer> low) {
        double highestOfLow = low.stream().mapToDouble(readings::volts).max().orElseThrow();
        double[] others = rest(low);
        double apart = Math.max(spread(low), alikeVolts(readings.chemistry()));
        return others[0] - highestOfLow > apart + ROUNDING;
    }

    double spread(List<Integer> without) {
        double[] rest = rest(without);
        return rest.length == 0 ? 0 : rest[rest.length - 1] - rest[0];
    }

    private double[] rest(List<Integer> without) {
        return IntStream.rangeClosed(1, readings.groupVolts().size())
                .filter(group -> !without.contains(group))
                .mapToDouble(readings::volts)
                .sorted()
                .toArray();
    }

    double least() {
        return readings.groupVolts().stream().mapToDouble(Double::doubleValue).min().orElseThrow();
    }

    double greatest() {
        return readings.groupVolts().stream().mapToDouble(Double::doubleValue).max().orElseThrow();
    }

    private List<Integer> where(IntPredicate group) {
        return IntStream.rangeClosed(1, readings.groupVolts().size())
                .filter(group)
                .boxed()
                .toList();
    }
}
