package pentacell.field;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;

/// A plug of balance leads before a board is plugged in: what is wrong with it, and what a meter
/// shows.
///
/// @param hidden what is wrong
/// @param leads positions in the plug it is about, from 0
/// @param groups it is about, from 1
/// @param readings of the leads 0 to S against the pack's negative, in V; empty where nothing was
///   shown
public record FieldPlug(
        FieldPack.Family family,
        Hidden hidden,
        List<Integer> leads,
        List<Integer> groups,
        List<OptionalDouble> readings) {
    /// What is wrong with a plug.
    public enum Hidden {
        RIGHT,
        SWAPPED,
        /// Two pairs changed places.
        SWAPPED_TWICE,
        /// A lead on another's joint.
        WRONG_TAP,
        /// A broken lead: nothing is shown, or nearly nothing.
        OPEN,
        /// The row is off by one.
        SHIFTED,
        REVERSED,
        /// Lead 0 hangs on nothing and shows some tenths of a volt.
        NEGATIVE_FLOATS,
        /// A group above its charge limit.
        OVERCHARGED,
        /// A group below its end voltage.
        EMPTY
    }

    public FieldPlug {
        leads = List.copyOf(leads);
        groups = List.copyOf(groups);
        readings = List.copyOf(readings);
    }

    /// A plug of some kind, for 4 to 20 groups.
    public static FieldPlug of(FieldPack.Family family, Hidden hidden, Random random) {
        int series = 4 + random.nextInt(17);
        double level = family.rest(0.2 + 0.7 * random.nextDouble());
        double[] group = new double[series + 1];
        for (int g = 1; g <= series; g++) group[g] = level + 0.02 * (random.nextDouble() - 0.5);
        int one = 1 + random.nextInt(series);
        List<Integer> groups = new ArrayList<>();
        if (hidden == Hidden.OVERCHARGED)
            group[one] = family.limit + 0.03 + 0.4 * random.nextDouble();
        if (hidden == Hidden.EMPTY) group[one] = family.least - 0.03 - random.nextDouble();
        if (hidden == Hidden.OVERCHARGED || hidden == Hidden.EMPTY) groups.add(one);
        List<Integer> on = new ArrayList<>();
        for (int lead = 0; lead <= series; lead++) on.add(lead);
        List<Integer> leads = mistake(hidden, on, one, random);
        double[] joint = new double[series + 1];
        for (int g = 1; g <= series; g++) joint[g] = joint[g - 1] + group[g];
        List<OptionalDouble> readings = new ArrayList<>();
        double gain = 1 + 2e-3 * (2 * random.nextDouble() - 1);
        for (int at : on) {
            double volts = gain * joint[at] + 0.003 * random.nextGaussian();
            readings.add(OptionalDouble.of(Math.rint(100 * volts) / 100));
        }
        if (hidden == Hidden.OPEN)
            readings.set(
                    one,
                    random.nextBoolean()
                            ? OptionalDouble.empty()
                            : OptionalDouble.of(Math.rint(20 * random.nextDouble()) / 1000));
        if (hidden == Hidden.NEGATIVE_FLOATS)
            readings.set(0, OptionalDouble.of(0.07 + 0.38 * random.nextDouble()));
        return new FieldPlug(family, hidden, leads, groups, readings);
    }

    /// Puts leads on other joints than their own.
    private static List<Integer> mistake(Hidden hidden, List<Integer> on, int one, Random random) {
        int series = on.size() - 1;
        List<Integer> order = new ArrayList<>(on);
        Collections.shuffle(order, random);
        List<Integer> about = new ArrayList<>();
        switch (hidden) {
            case SWAPPED -> {
                about.addAll(order.subList(0, 2));
                Collections.swap(on, order.get(0), order.get(1));
            }
            case SWAPPED_TWICE -> {
                about.addAll(order.subList(0, 4));
                Collections.swap(on, order.get(0), order.get(1));
                Collections.swap(on, order.get(2), order.get(3));
            }
            case WRONG_TAP -> {
                int other = 1 + (one + random.nextInt(series - 1)) % series;
                about.add(one);
                on.set(one, other);
            }
            case OPEN -> about.add(one);
            case NEGATIVE_FLOATS -> about.add(0);
            case SHIFTED -> Collections.rotate(on, random.nextBoolean() ? 1 : -1);
            case REVERSED -> Collections.reverse(on);
            default -> {}
        }
        Collections.sort(about);
        return about;
    }
}
