package pentacell.field;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;

/// A salvaged pack on the bench: what is the matter with it, and what a hand-held meter shows.
///
/// @param hidden what is the matter
/// @param bad groups it is about, counted from 1
/// @param groupVolts reading of each group, in V
/// @param packVolts reading across all of them, in V
/// @param outputVolts reading behind the board, in V
public record FieldDonor(
        FieldPack.Family family,
        Hidden hidden,
        List<Integer> bad,
        List<Double> groupVolts,
        double packVolts,
        double outputVolts) {
    /// What is the matter with a donor.
    public enum Hidden {
        SOUND,
        /// One group has lost a good part of its charge.
        LOW_GROUP,
        /// It lay for years: all are below what a discharge leaves.
        ALL_LOW,
        OVERCHARGED,
        /// Two or three groups are at nearly nothing.
        DEAD,
        /// The charges of the groups are spread evenly from 15 to 95 %.
        DRIFTED,
        /// The board lets nothing out.
        BOARD_DEAD,
        /// A group was read for its neighbour, which differs.
        READ_TWICE,
        /// Read from the pack's negative to each joint.
        READ_AS_TAPS,
        /// The probes were the other way round on one group.
        REVERSED_PROBES
    }

    /// A meter is off by this, as a part, and shows hundredths below 20 V (common practice).
    private static final double METER_PART = 0.003;

    public FieldDonor {
        bad = List.copyOf(bad);
        groupVolts = List.copyOf(groupVolts);
    }

    /// A donor of some kind, with 3 to 14 groups.
    public static FieldDonor of(FieldPack.Family family, Hidden hidden, Random random) {
        int series = 3 + random.nextInt(12);
        double[] share = new double[series];
        double least = hidden == Hidden.LOW_GROUP ? 0.5 : 0.3;
        double level = least + (0.9 - least) * random.nextDouble();
        for (int g = 0; g < series; g++) share[g] = level + 0.01 * (2 * random.nextDouble() - 1);
        if (hidden == Hidden.DRIFTED)
            for (int g = 0; g < series; g++) share[g] = 0.15 + 0.8 * g / (series - 1);
        double[] volts = new double[series];
        for (int g = 0; g < series; g++) volts[g] = family.rest(share[g]);
        List<Integer> bad = new ArrayList<>();
        int one = random.nextInt(series);
        switch (hidden) {
            case LOW_GROUP, READ_TWICE -> {
                volts[one] = family.rest(0.01 + 0.03 * random.nextDouble());
                bad.add(one + 1);
            }
            case ALL_LOW -> {
                double deep = 1.9 + 0.4 * random.nextDouble();
                for (int g = 0; g < series; g++) volts[g] = deep + 0.1 * random.nextDouble();
                IntStream.rangeClosed(1, series).forEach(bad::add);
            }
            case OVERCHARGED -> {
                volts[one] = family.limit + 0.1 + 0.3 * random.nextDouble();
                bad.add(one + 1);
            }
            case DEAD -> {
                int other = (one + 1 + random.nextInt(series - 1)) % series;
                for (int each : new int[] {one, other}) {
                    volts[each] = 0.6 * random.nextDouble();
                    bad.add(each + 1);
                }
            }
            default -> {}
        }
        return read(family, hidden, bad, volts, one, random);
    }

    private static FieldDonor read(
            FieldPack.Family family,
            Hidden hidden,
            List<Integer> bad,
            double[] volts,
            int one,
            Random random) {
        double gain = 1 + METER_PART * (2 * random.nextDouble() - 1);
        double pack = 0;
        List<Double> read = new ArrayList<>();
        for (int g = 0; g < volts.length; g++) {
            pack += volts[g];
            double shown = hidden == Hidden.READ_AS_TAPS ? pack : volts[g];
            if (hidden == Hidden.REVERSED_PROBES && g == one) shown = -shown;
            read.add(hundredths(gain * shown));
        }
        if (hidden == Hidden.READ_TWICE) read.set(one, read.get(one == 0 ? 1 : one - 1));
        double other = 1 + METER_PART * (2 * random.nextDouble() - 1);
        double output = hidden == Hidden.BOARD_DEAD ? 0.3 * random.nextDouble() : pack;
        return new FieldDonor(
                family, hidden, bad, read, hundredths(other * pack), hundredths(gain * output));
    }

    private static double hundredths(double volts) {
        return Math.rint(100 * volts) / 100;
    }
}
