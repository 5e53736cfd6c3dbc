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
    private final double[] conductance;
    private final double[] groupOhms;
    private final double[] shareACoulomb;

    /// Charge of each full group, and of the smallest, in C.
    private final double[] whole;

    private final double least;
    private final double[] share;
    private double drawn;

    /// At the state that was evaluated last.
    private final double[] amps;

    private final double[] groupVolts;
    private double packAmps;
    private double packVolts;
    private double cellHeatWatts;

    /// The cell whose current is the largest part of its group's mean: current × cells of the
    /// group.
    private double largestOfMean;

    private int largest;

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
        conductance = new double[cells];
        shareACoulomb = new double[cells];
        groupOhms = new double[groups.size()];
        whole = new double[groups.size()];
        share = new double[cells];
        amps = new double[cells];
        groupVolts = new double[groups.size()];
        Arrays.fill(share, 1);
        for (int g = 0; g < groups.size(); g++) {
            double sum = 0;
            for (int i = 0; i < groups.get(g).size(); i++) {
                CircuitCell cell = groups.get(g).get(i);
                double coulombs = cell.ampHours() * SECONDS_AN_HOUR;
                whole[g] += coulombs;
                shareACoulomb[begin[g] + i] = 1 / coulombs;
                conductance[begin[g] + i] = 1 / cell.ohms();
                sum += 1 / cell.ohms();
            }
            groupOhms[g] = 1 / sum;
        }
        least = Arrays.stream(whole).min().orElse(0);
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
        double energy = 0;
        double heat = 0;
        double worstShare = 0;
        double worstAtStart = 0;
        int worst = 0;
        double[] before = new double[share.length];
        double[] middle = new double[share.length];
        Discharged.EndedBy end = evaluate(0);
        for (long steps = 0; ; steps++) {
            listener.step(seconds, packVolts, packAmps, groupVolts);
            if (largestShare() > worstShare) {
                worstShare = largestShare();
                worst = largest;
            }
            if (steps == 0) worstAtStart = worstShare;
            if (end != Discharged.EndedBy.NOTHING) break;
            if (steps >= MOST_STEPS)
                throw new IllegalArgumentException(
                        "the load is so small that %s steps of %s s do not empty the pack"
                                .formatted(MOST_STEPS, step));
            System.arraycopy(share, 0, before, 0, share.length);
            move(before, amps, step / 2);
            end = evaluate(drawn + packAmps * step / 2);
            System.arraycopy(amps, 0, middle, 0, amps.length);
            double current = packAmps;
            double watts = packVolts * packAmps;
            double heatWatts = cellHeatWatts;
            double passed = step;
            if (end == Discharged.EndedBy.POWER) {
                passed = endWithin(before, middle, current, step / 2);
            } else {
                move(before, middle, step);
                end = evaluate(drawn + current * step);
                if (end != Discharged.EndedBy.NOTHING)
                    passed = endWithin(before, middle, current, step);
            }
            if (passed < step) end = evaluate(drawn + current * passed);
            seconds += passed;
            drawn += current * passed;
            energy += watts * passed;
            heat += heatWatts * passed;
        }
        return new Discharged(
                drawn / SECONDS_AN_HOUR,
                energy / SECONDS_AN_HOUR,
                seconds,
                end,
                first(),
                Arrays.stream(groupVolts).boxed().toList(),
                Arrays.stream(whole).map(each -> (each - drawn) / SECONDS_AN_HOUR).boxed().toList(),
                heat / SECONDS_AN_HOUR,
                worstShare,
                worstAtStart,
                group(worst),
                worst - begin[group(worst)]);
    }

    private void move(double[] before, double[] currents, double seconds) {
        for (int i = 0; i < share.length; i++)
            share[i] = before[i] - seconds * currents[i] * shareACoulomb[i];
    }

    /// How many seconds of a step pass before the end; the state is left there.
    private double endWithin(double[] before, double[] currents, double current, double step) {
        double low = 0;
        double high = step;
        for (int i = 0; i < END_BISECTIONS; i++) {
            double middle = (low + high) / 2;
            move(before, currents, middle);
            if (evaluate(drawn + current * middle) == Discharged.EndedBy.NOTHING) low = middle;
            else high = middle;
        }
        move(before, currents, high);
        return high;
    }

    /// Of all cells the largest part of its group's mean current, at the state evaluated last.
    private double largestShare() {
        return packAmps > 0 ? largestOfMean / packAmps : 0;
    }

    /// Currents and voltages of the present state, and whether it is an end.
    ///
    /// @param coulombs drawn from full until then: in series it is the same of every group
    private Discharged.EndedBy evaluate(double coulombs) {
        double emf = 0;
        double ohms = 0;
        for (int g = 0; g < groupVolts.length; g++) {
            double sum = 0;
            for (int i = begin[g]; i < begin[g + 1]; i++) {
                // the rest voltage for now, the current below
                amps[i] = curve.volts(share[i]);
                sum += conductance[i] * amps[i];
            }
            groupVolts[g] = sum * groupOhms[g];
            emf += groupVolts[g];
            ohms += groupOhms[g];
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
        cellHeatWatts = 0;
        largestOfMean = 0;
        boolean isAtEnd = false;
        for (int g = 0; g < groupVolts.length; g++) {
            double volts = groupVolts[g] - packAmps * groupOhms[g];
            groupVolts[g] = volts;
            int cells = begin[g + 1] - begin[g];
            for (int i = begin[g]; i < begin[g + 1]; i++) {
                double lost = amps[i] - volts;
                double current = conductance[i] * lost;
                amps[i] = current;
                cellHeatWatts += current * lost;
                if (current * cells > largestOfMean) {
                    largestOfMean = current * cells;
                    largest = i;
                }
            }
            isAtEnd |= volts <= endVolts;
        }
        if (under < 0) return Discharged.EndedBy.POWER;
        if (isAtEnd) return Discharged.EndedBy.VOLTAGE;
        return coulombs >= least ? Discharged.EndedBy.CHARGE : Discharged.EndedBy.NOTHING;
    }

    private int first() {
        int least = 0;
        for (int g = 1; g < groupVolts.length; g++)
            if (groupVolts[g] < groupVolts[least]) least = g;
        return least;
    }

    private int group(int cell) {
        int group = 0;
        while (begin[group + 1] <= cell) group++;
        return group;
    }
}
