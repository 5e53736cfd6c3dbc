package pentacell.core.build;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.RestingLevel;
import pentacell.core.unit.Middle;

/// Whether a board may be plugged in: every balance lead where it belongs, lead 0 on the pack's
/// negative, every group at rest within its limits.
///
/// Lead k belongs on the positive of group k, lead 0 on the pack's negative, against which all are
/// read. So right leads read 0 and then one group more each. Where they do not, every reading is
/// traced to the joint it comes from: as many groups up as it holds group voltages, of which the
/// median step between neighbouring readings is the measure.
public final class TapCheck {
    /// What a lead that hangs on nothing, or on the pack's negative, reads at most, in V.
    private static final double NOTHING_VOLTS = 0.5;

    /// Lead 0 on the pack's negative reads no more, in V (common practice).
    static final double NEGATIVE_VOLTS = 0.05;

    /// What a group is read wrong by at most, in V: two readings of two decimals.
    private static final double READ_WRONG_VOLTS = 0.015;

    /// A step between two joints that no cell can have is a bad reading, in V above the limit.
    private static final double NO_CELL_VOLTS = 1;

    /// Groups under this are taken for none, in V.
    private static final double LEAST_GROUP_VOLTS = 0.3;

    /// What a group may have, as a part of the usual one, so that the leads about it are still
    /// believed; below, one joint was read twice.
    private static final double LEAST_STEP = 0.15;

    private static final double MOST_STEP = 1.4;

    /// How far a reading may lie from a joint, in group voltages.
    private static final double OFF_JOINT = 0.3;

    /// A group stands out by this, in V, and by what a meter is off at that height.
    private static final double ODD_VOLTS = 0.06;

    private static final double METER_SHARE = 5e-4;

    private static final int NOWHERE = -1;
    private static final int SILENT = -2;

    /// Of so many leads in a row off by one, the row was shifted.
    private static final int A_ROW = 3;

    private final double[] volts;
    private final boolean[] reads;
    private final int series;
    private final Chemistry chemistry;
    private final List<TapFault> faults = new ArrayList<>();

    private TapCheck(List<OptionalDouble> readings, Chemistry chemistry) {
        this.chemistry = chemistry;
        series = readings.size() - 1;
        volts = new double[series + 1];
        reads = new boolean[series + 1];
        for (int lead = 0; lead <= series; lead++) {
            volts[lead] = readings.get(lead).orElse(0);
            reads[lead] = readings.get(lead).isPresent();
        }
    }

    /// What the readings of a plug say.
    ///
    /// @param readings of the leads 0 to S, in V; empty where the meter showed nothing
    /// @throws IllegalArgumentException when there are fewer than two leads
    public static TapVerdict of(List<OptionalDouble> readings, Chemistry chemistry) {
        if (readings.size() < 2)
            throw new IllegalArgumentException(
                    "a plug has two leads or more, was " + readings.size());
        return new TapCheck(readings, chemistry).verdict();
    }

    private TapVerdict verdict() {
        if (areBelowZero()) {
            faults.add(new TapFault.NoPattern(series, TapFault.Why.BELOW_ZERO));
            return new TapVerdict(faults);
        }
        OptionalDouble group = usualGroup();
        if (group.isEmpty()) {
            noneReads();
            return new TapVerdict(faults);
        }
        double u = group.getAsDouble();
        if (isFirstFloating()) faults.add(new TapFault.FirstFloats(volts[0]));
        if (areRight(u)) groups(u);
        else trace(u);
        // what the tracing finds nothing wrong with was not seen to be right either
        if (faults.isEmpty() && !areRight(u))
            faults.add(new TapFault.NoPattern(series, TapFault.Why.NO_PATTERN));
        return new TapVerdict(faults);
    }

    /// Whether lead 0 reads more than it would on the pack's negative, and less than on any joint.
    private boolean isFirstFloating() {
        double off = Math.abs(volts[0]);
        return reads[0] && off > NEGATIVE_VOLTS + 1e-9 && off <= NOTHING_VOLTS;
    }

    /// The usual voltage of a group: the median of the steps between neighbouring readings, by
    /// height, that can be one.
    private OptionalDouble usualGroup() {
        double[] sorted =
                IntStream.rangeClosed(0, series)
                        .filter(lead -> reads[lead])
                        .mapToDouble(lead -> volts[lead])
                        .sorted()
                        .toArray();
        double least = 0.5 * chemistry.endVolts();
        double most = chemistry.chargeLimitVolts() + 0.25;
        List<Double> steps = new ArrayList<>();
        double before = 0;
        for (double each : sorted) {
            double step = each - before;
            if (step >= least && step <= most) steps.add(step);
            before = each;
        }
        if (!steps.isEmpty()) {
            steps.sort(null);
            return OptionalDouble.of(steps.get(steps.size() / 2));
        }
        // nothing but two or more groups at a time: the whole string tells
        double whole = sorted.length == 0 ? 0 : sorted[sorted.length - 1] / series;
        if (whole >= least && whole <= most) return OptionalDouble.of(whole);
        // or every group is beyond all limits
        return whole >= LEAST_GROUP_VOLTS && areRight(whole)
                ? OptionalDouble.of(whole)
                : OptionalDouble.empty();
    }

    private boolean areBelowZero() {
        double highest = Arrays.stream(volts).max().orElse(0);
        return highest <= NOTHING_VOLTS && Arrays.stream(volts).min().orElse(0) < -NOTHING_VOLTS;
    }

    private void noneReads() {
        boolean areAllSilent = IntStream.rangeClosed(1, series).noneMatch(this::isAnything);
        faults.add(
                areAllSilent
                        ? new TapFault.AllSilent(series)
                        : new TapFault.NoPattern(series, TapFault.Why.NOT_A_GROUP_APART));
    }

    private boolean isAnything(int lead) {
        return reads[lead] && Math.abs(volts[lead]) > NOTHING_VOLTS;
    }

    /// Whether every lead reads a group more than the one before.
    private boolean areRight(double u) {
        if (!reads[0] || Math.abs(volts[0]) > NOTHING_VOLTS) return false;
        double most = Math.min(MOST_STEP * u, chemistry.chargeLimitVolts() + NO_CELL_VOLTS);
        for (int lead = 1; lead <= series; lead++) {
            double step = groupVolts(lead);
            if (!reads[lead] || step < LEAST_STEP * u || step > most) return false;
        }
        // nothing above the last lead says whether it or its group is off
        return Math.abs(groupVolts(series) - u) <= OFF_JOINT * u;
    }

    /// Voltage of a group from 1; the first is read against the pack's negative itself.
    private double groupVolts(int group) {
        return group == 1 ? volts[1] : volts[group] - volts[group - 1];
    }

    private void groups(double u) {
        double[] groups = new double[series];
        for (int group = 0; group < series; group++) groups[group] = groupVolts(group + 1);
        // between two groups there is no middle: the one that is not usual is the odd one
        double median = series == 2 ? u : Middle.of(groups);
        for (int group = 0; group < series; group++) {
            RestingLevel level = RestingLevel.of(chemistry, groups[group], READ_WRONG_VOLTS);
            double off = groups[group] - median;
            double meter = METER_SHARE * (volts[group] + volts[group + 1]);
            if (level != RestingLevel.WITHIN)
                faults.add(new TapFault.GroupBeyond(group + 1, groups[group], level, chemistry));
            else if (Math.abs(off) > ODD_VOLTS + meter)
                faults.add(new TapFault.GroupOdd(group + 1, groups[group], median));
        }
    }

    /// Finds the joint that each lead is on, and says what that comes to.
    private void trace(double u) {
        int[] joint = new int[series + 1];
        List<Integer> unreadable = new ArrayList<>();
        for (int lead = 0; lead <= series; lead++) {
            joint[lead] = jointOf(lead, u);
            if (joint[lead] == NOWHERE) unreadable.add(lead);
        }
        if (isReversed(joint)) {
            faults.add(new TapFault.Reversed(series));
            return;
        }
        for (int lead : unreadable) faults.add(new TapFault.NoJoint(lead, volts[lead], series));
        boolean[] isSaid = new boolean[series + 1];
        for (int lead : unreadable) isSaid[lead] = true;
        shifted(joint, isSaid);
        swapped(joint, isSaid);
        others(joint, isSaid);
    }

    private int jointOf(int lead, double u) {
        if (!reads[lead]) return SILENT;
        if (Math.abs(volts[lead]) <= NOTHING_VOLTS) return 0;
        double groups = volts[lead] / u;
        int joint = (int) Math.round(groups);
        return joint < 1 || joint > series || Math.abs(groups - joint) > OFF_JOINT
                ? NOWHERE
                : joint;
    }

    private boolean isReversed(int[] joint) {
        int turned = 0;
        for (int lead = 0; lead <= series; lead++) {
            boolean isSilentEnd = joint[lead] == SILENT;
            if (joint[lead] == series - lead) turned++;
            else if (!isSilentEnd) return false;
        }
        // two leads turned are two leads swapped
        return series > 1 && turned >= Math.max(2, series);
    }

    /// A run of leads that all sit one joint too low, or one too high.
    private void shifted(int[] joint, boolean[] isSaid) {
        for (int by : new int[] {-1, 1}) {
            int from = 0;
            while (from <= series) {
                int to = from;
                while (to <= series && !isSaid[to] && isOff(joint, to, by)) to++;
                int length = to - from;
                boolean isWhole = length >= series;
                if (length >= A_ROW || isWhole && length >= 1) {
                    Arrays.fill(isSaid, from, to, true);
                    // the lead that fell off the row's end reads nothing
                    if (by > 0 && to <= series && (joint[to] == 0 || joint[to] == SILENT))
                        isSaid[to] = true;
                    if (by < 0 && from == 1) isSaid[0] = true;
                    faults.add(
                            new TapFault.Shifted(
                                    from,
                                    to - 1,
                                    by > 0
                                            ? TapFault.Direction.TOO_HIGH
                                            : TapFault.Direction.TOO_LOW,
                                    by < 0 && from > 1
                                            ? OptionalInt.of(from)
                                            : OptionalInt.empty()));
                }
                from = Math.max(to, from + 1);
            }
        }
    }

    private boolean isOff(int[] joint, int lead, int by) {
        return joint[lead] >= 0 && joint[lead] == lead + by;
    }

    private void swapped(int[] joint, boolean[] isSaid) {
        for (int one = 0; one <= series; one++)
            for (int other = one + 1; other <= series; other++) {
                if (isSaid[one] || isSaid[other]) continue;
                if (joint[one] != other || joint[other] != one) continue;
                isSaid[one] = true;
                isSaid[other] = true;
                faults.add(new TapFault.Swapped(one, other));
            }
    }

    private void others(int[] joint, boolean[] isSaid) {
        for (int lead = 0; lead <= series; lead++) {
            if (isSaid[lead] || joint[lead] == lead) continue;
            if (lead == 0 && isFirstFloating()) continue;
            faults.add(
                    joint[lead] == SILENT || joint[lead] == 0
                            ? new TapFault.Silent(lead)
                            : new TapFault.WrongTap(lead, joint[lead]));
        }
    }

    /// The joint that each lead seems to be on, by what the joints should read; empty where a
    /// reading fits none, or there is none.
    ///
    /// @param expected of joint 0 to S, in V
    /// @param readings of the leads, in V
    public static List<OptionalInt> seats(List<Double> expected, List<OptionalDouble> readings) {
        double usual = expected.get(expected.size() - 1) / (expected.size() - 1);
        List<OptionalInt> seats = new ArrayList<>();
        for (OptionalDouble reading : readings) {
            OptionalInt seat = OptionalInt.empty();
            double nearest = OFF_JOINT * usual;
            for (int joint = 0; reading.isPresent() && joint < expected.size(); joint++) {
                double off = Math.abs(reading.getAsDouble() - expected.get(joint));
                if (off > nearest) continue;
                nearest = off;
                seat = OptionalInt.of(joint);
            }
            seats.add(seat);
        }
        return seats;
    }

    /// What lead k should read, with groups of these voltages, in V.
    public static List<Double> expected(List<Double> groupVolts) {
        List<Double> expected = new ArrayList<>(List.of(0.0));
        double sum = 0;
        for (double group : groupVolts) {
            sum += group;
            expected.add(sum);
        }
        return expected;
    }
}
