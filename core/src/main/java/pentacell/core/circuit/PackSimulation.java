package pentacell.core.circuit;

import java.util.Arrays;
import java.util.List;

/// The discharge of a pack from full.
///
/// Each cell is its rest curve and its resistance. The cells of a group share one voltage and their
/// currents add up to the pack's: with U_c(s) at rest and conductance g = 1/R, the group's voltage
/// is (Σ g·U_c − I) ÷ Σ g, and a cell gives g·(U_c − U). At constant power P the current solves
/// I·(E − I·R) = P with E and R of the whole string. The states of charge are followed by the
/// midpoint rule; the end is found within its step. It ends when the first group's voltage under
/// load reaches the end voltage, when a group has no charge left, or when the power can no longer
/// be had.
public final class PackSimulation {
    private static final double SECONDS_AN_HOUR = 3600;
    private static final long MOST_STEPS = 20_000_000;
    private static final int END_BISECTIONS = 40;

    private final VoltageCurve curve;
    private final Load load;
    private final double endVolts;
    private final int[] begin;
    private final double[] coulombs;
    private final double[] conductance;
    private final double[] groupConductance;
    private final double[] share;

    /// At the state that was evaluated last.
    private final double[] amps;

    private final double[] groupVolts;
    private double packAmps;
    private double packVolts;

    private PackSimulation(
            List<List<CircuitCell>> groups, VoltageCurve curve, Load load, double endVolts) {
        this.curve = curve;
        this.load = load;
        this.endVolts = endVolts;
        begin = new int[groups.size() + 1];
        for (int g = 0; g < groups.size(); g++) {
            if (groups.get(g).isEmpty())
                throw new IllegalArgumentException("group " + (g + 1) + " has no cell");
            begin[g + 1] = begin[g] + groups.get(g).size();
        }
        int cells = begin[groups.size()];
        coulombs = new double[cells];
        conductance = new double[cells];
        groupConductance = new double[groups.size()];
        share = new double[cells];
        amps = new double[cells];
        groupVolts = new double[groups.size()];
        Arrays.fill(share, 1);
        for (int g = 0; g < groups.size(); g++)
            for (int i = 0; i < groups.get(g).size(); i++) {
                CircuitCell cell = groups.get(g).get(i);
                coulombs[begin[g] + i] = cell.ampHours() * SECONDS_AN_HOUR;
                conductance[begin[g] + i] = 1 / cell.ohms();
                groupConductance[g] += 1 / cell.ohms();
            }
    }

    /// Hears of every step.
    public interface Listener {
        /// @param groupVolts shared, not to be kept
        void step(double seconds, double packVolts, double amps, double[] groupVolts);
    }

    /// Discharges a pack.
    ///
    /// @param groups its cells, group by group in series
    /// @param curve the rest curve of its cells
    /// @param endVolts voltage of a group under load at which it ends, in V
    /// @param stepSeconds width of a step in s, above 0
    /// @throws IllegalArgumentException when there is no group, an empty one, or the step is so
    ///   small that it would never end
    public static Discharged discharge(
            List<List<CircuitCell>> groups,
            VoltageCurve curve,
            Load load,
            double endVolts,
            double stepSeconds,
            Listener listener) {
        if (groups.isEmpty()) throw new IllegalArgumentException("a pack has a group");
        if (!(stepSeconds > 0))
            throw new IllegalArgumentException("a step is above 0 s, was " + stepSeconds);
        return new PackSimulation(groups, curve, load, endVolts).run(stepSeconds, listener);
    }

    private Discharged run(double step, Listener listener) {
        double seconds = 0;
        double charge = 0;
        double energy = 0;
        double heat = 0;
        double worstShare = 0;
        double worstAtStart = 0;
        int worst = 0;
        double[] before = new double[share.length];
        double[] middle = new double[share.length];
        Discharged.EndedBy end = evaluate();
        for (long steps = 0; ; steps++) {
            listener.step(seconds, packVolts, packAmps, groupVolts);
            if (packAmps > 0)
                for (int g = 0; g < groupVolts.length; g++)
                    for (int i = begin[g]; i < begin[g + 1]; i++) {
                        double of = amps[i] * (begin[g + 1] - begin[g]) / packAmps;
                        if (of > worstShare) {
                            worstShare = of;
                            worst = i;
                        }
                    }
            if (steps == 0) worstAtStart = worstShare;
            if (end != Discharged.EndedBy.NOTHING) break;
            if (steps >= MOST_STEPS)
                throw new IllegalArgumentException(
                        "the load is so small that %s steps of %s s do not empty the pack"
                                .formatted(MOST_STEPS, step));
            System.arraycopy(share, 0, before, 0, share.length);
            for (int i = 0; i < share.length; i++)
                share[i] = before[i] - 0.5 * step * amps[i] / coulombs[i];
            end = evaluate();
            System.arraycopy(amps, 0, middle, 0, amps.length);
            double volts = packVolts;
            double current = packAmps;
            double taken = 1;
            if (end != Discharged.EndedBy.POWER) {
                move(before, middle, step);
                end = evaluate();
                if (end != Discharged.EndedBy.NOTHING) taken = endWithin(before, middle, step);
            } else taken = endWithin(before, middle, step / 2) / 2;
            end = evaluate();
            double passed = taken * step;
            seconds += passed;
            charge += current * passed;
            energy += current * volts * passed;
            for (int i = 0; i < middle.length; i++)
                heat += middle[i] * middle[i] / conductance[i] * passed;
        }
        return new Discharged(
                charge / SECONDS_AN_HOUR,
                energy / SECONDS_AN_HOUR,
                seconds,
                end,
                first(),
                Arrays.stream(groupVolts).boxed().toList(),
                left(),
                heat / SECONDS_AN_HOUR,
                worstShare,
                worstAtStart,
                group(worst),
                worst - begin[group(worst)]);
    }

    private void move(double[] before, double[] currents, double seconds) {
        for (int i = 0; i < share.length; i++)
            share[i] = before[i] - seconds * currents[i] / coulombs[i];
    }

    /// The share of a step that passes before the end; the state is left there.
    private double endWithin(double[] before, double[] currents, double step) {
        double low = 0;
        double high = 1;
        for (int i = 0; i < END_BISECTIONS; i++) {
            double middle = (low + high) / 2;
            move(before, currents, middle * step);
            if (evaluate() == Discharged.EndedBy.NOTHING) low = middle;
            else high = middle;
        }
        move(before, currents, high * step);
        return high;
    }

    /// Currents and voltages of the present state, and whether it is an end.
    private Discharged.EndedBy evaluate() {
        double emf = 0;
        double ohms = 0;
        for (int g = 0; g < groupVolts.length; g++) {
            double sum = 0;
            for (int i = begin[g]; i < begin[g + 1]; i++) {
                // the rest voltage for now, the current below
                amps[i] = curve.volts(share[i]);
                sum += conductance[i] * amps[i];
            }
            groupVolts[g] = sum / groupConductance[g];
            emf += groupVolts[g];
            ohms += 1 / groupConductance[g];
        }
        double under = 0;
        packAmps =
                switch (load) {
                    case Load.Amps constant -> constant.amps();
                    case Load.Watts constant -> {
                        under = emf * emf - 4 * ohms * constant.watts();
                        yield 2 * constant.watts() / (emf + Math.sqrt(Math.max(0, under)));
                    }
                };
        packVolts = emf - packAmps * ohms;
        boolean isAtEnd = false;
        boolean isEmpty = false;
        for (int g = 0; g < groupVolts.length; g++) {
            groupVolts[g] -= packAmps / groupConductance[g];
            double charge = 0;
            for (int i = begin[g]; i < begin[g + 1]; i++) {
                amps[i] = conductance[i] * (amps[i] - groupVolts[g]);
                charge += share[i] * coulombs[i];
            }
            isAtEnd |= groupVolts[g] <= endVolts;
            isEmpty |= charge <= 0;
        }
        if (under < 0) return Discharged.EndedBy.POWER;
        if (isAtEnd) return Discharged.EndedBy.VOLTAGE;
        return isEmpty ? Discharged.EndedBy.CHARGE : Discharged.EndedBy.NOTHING;
    }

    private int first() {
        int least = 0;
        for (int g = 1; g < groupVolts.length; g++)
            if (groupVolts[g] < groupVolts[least]) least = g;
        return least;
    }

    private List<Double> left() {
        double[] left = new double[groupVolts.length];
        for (int g = 0; g < left.length; g++)
            for (int i = begin[g]; i < begin[g + 1]; i++)
                left[g] += share[i] * coulombs[i] / SECONDS_AN_HOUR;
        return Arrays.stream(left).boxed().toList();
    }

    private int group(int cell) {
        int group = 0;
        while (begin[group + 1] <= cell) group++;
        return group;
    }
}
