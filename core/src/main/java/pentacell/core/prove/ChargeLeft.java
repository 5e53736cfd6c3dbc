package pentacell.core.prove;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/// What each group of a pack still held when a load test ended.
///
/// It is read from the data themselves: with the drop over its resistance added back, a group's
/// voltage at the end stands somewhere on the discharge curve of the lowest group, and what that
/// group gave after that moment is what the other still held. So no rest curve needs to be true.
///
/// A group that is slow to follow the load may end it with charge left; rested, it comes back to
/// the others. What the rest does not confirm is not missing.
final class ChargeLeft {
    /// A difference at rest below this says nothing, in V.
    private static final double SAME_REST_VOLTS = 0.002;

    /// Two states are near each other within this part of what was given.
    private static final double NEAR_SHARE = 0.1;

    private static final double SLOWEST_SETTLING = 0.85;

    private static final double DOUBTED_VOLTS = 0.005;

    private final LoadSpan span;
    private final List<GroupDischarge> curves;

    /// @param ohms resistance of each group; NaN when it is not known
    ChargeLeft(LoadSpan span, double[] ohms) {
        this.span = span;
        int lowest = span.lowestGroup();
        curves =
                IntStream.range(0, ohms.length)
                        .parallel()
                        .mapToObj(g ->
                                g == lowest
                                        ? GroupDischarge.whole(span, g, ohms[g])
                                        : GroupDischarge.end(span, g, ohms[g]))
                        .toList();
    }

    /// By how much the charge that each group still held is uncertain, in Ah: each keeps a few
    /// millivolts of slow polarisation of its own, which is a lot of charge where the curve is
    /// flat.
    double[] doubt() {
        double volts = DOUBTED_VOLTS + span.log().finestStepVolts() / 2;
        return curves.stream()
                .mapToDouble(each -> volts / Math.max(1e-9, each.endFall()))
                .toArray();
    }

    /// What each group had less at the end than the one that had most, in Ah.
    ///
    /// @param begun the charge that each group began with, in parts of its own
    double[] missing(double[] begun) {
        if (!(span.ampHours() > 0)) return new double[curves.size()];
        double[] left = left(begun);
        int best =
                IntStream.range(0, left.length)
                        .reduce((a, b) -> left[b] > left[a] ? b : a)
                        .orElse(0);
        double[] missing = Arrays.stream(left).map(each -> left[best] - each).toArray();
        Optional<LoadSpan.Rest> rest = span.restAfter();
        if (rest.isEmpty()) return missing;
        double[] rested = rested(rest.get());
        for (int g = 0; g < missing.length; g++)
            missing[g] =
                    Math.min(
                            missing[g],
                            between(
                                    curves.get(best),
                                    curves.get(g),
                                    Math.max(0, rested[best] - rested[g] + SAME_REST_VOLTS)));
        return missing;
    }

    /// What lies between the states of two groups by their difference at rest, in Ah: the voltage
    /// falls faster further down, so that the fall of the upper one gives the most there can be;
    /// near each other it is the mean of both. Infinite when nothing falls.
    private double between(GroupDischarge upper, GroupDischarge lower, double volts) {
        if (upper.endFall() <= 0) return Double.POSITIVE_INFINITY;
        double most = volts / upper.endFall();
        return most < NEAR_SHARE * span.ampHours()
                ? volts / ((upper.endFall() + Math.max(upper.endFall(), lower.endFall())) / 2)
                : most;
    }

    /// What each group still held at the end more than the lowest, in Ah.
    private double[] left(double[] begun) {
        int lowest = span.lowestGroup();
        double[] left = new double[curves.size()];
        for (int g = 0; g < left.length; g++) {
            if (g == lowest) continue;
            // the curve is that of the lowest group's charge; the other's may be of another size:
            // with s0 the charge they began with, left ÷ (given + left) is its part × s0 ÷ s0
            double part =
                    curves.get(lowest).givenAfter(curves.get(g).endVolts())
                            / span.ampHours()
                            * begun[lowest]
                            / begun[g];
            left[g] = span.ampHours() * part / Math.max(0.1, 1 - part);
        }
        return left;
    }

    /// Where each group's voltage settles after the load, in V: from the thirds of the rest, by the
    /// one law that all groups of a pack follow.
    private double[] rested(LoadSpan.Rest rest) {
        int third = (rest.last() + 1 - rest.first()) / 3;
        if (third == 0)
            return span.log().volts().stream().mapToDouble(each -> each.get(rest.last())).toArray();
        double[][] each = new double[curves.size()][3];
        double before = 0;
        double after = 0;
        for (int g = 0; g < each.length; g++) {
            for (int k = 0; k < 3; k++) {
                double[] volts = new double[third];
                span.log().volts().get(g).read(rest.last() + 1 - (3 - k) * third, volts);
                each[g][k] = Arrays.stream(volts).average().orElseThrow();
            }
            before += each[g][1] - each[g][0];
            after += each[g][2] - each[g][1];
        }
        double part = before > 0 && after > 0 ? Math.min(SLOWEST_SETTLING, after / before) : 0;
        return Arrays.stream(each)
                .mapToDouble(volts -> volts[2] + (volts[2] - volts[1]) * part / (1 - part))
                .toArray();
    }
}
