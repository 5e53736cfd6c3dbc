package pentacell.core.circuit;

import java.util.ArrayList;
import java.util.List;

/// How a pack ages over its cycles: a model, and a simple one, made to hold two matches against
/// each other and not to foretell years.
///
/// Each full cycle takes a cell the share L · (c ÷ c̄) · 2^((T − T̄) ÷ 10 K) of what it has: c is
/// its current (root mean square) by its own capacity, c̄ the mean of the pack, T − T̄ how much
/// warmer it ran than the mean cell, by its heat and a thermal resistance. For each per cent of
/// capacity lost its resistance rises by one and a half. L is 0.04 %, so that a middling cell has
/// 82 % after 500 cycles (common practice for a used cell at a moderate rate); ten kelvin double
/// the loss (common practice).
public final class Ageing {
    static final double LOSS_A_CYCLE = 0.0004;
    private static final double DOUBLING_KELVIN = 10;
    private static final double KELVIN_A_WATT = 10;
    private static final double OHMS_BY_LOSS = 1.5;
    private static final int CYCLES_AT_ONCE = 25;

    private Ageing() {}

    /// A pack after some cycles.
    ///
    /// @param groups its cells as they are then
    /// @param usable what it gives then
    public record Aged(List<List<CircuitCell>> groups, Discharged usable) {
        public Aged {
            groups = groups.stream().map(List::copyOf).toList();
        }

        /// Largest minus smallest group, in Ah.
        public double spreadAmpHours() {
            double[] sums =
                    groups.stream()
                            .mapToDouble(group ->
                                    group.stream().mapToDouble(CircuitCell::ampHours).sum())
                            .sorted()
                            .toArray();
            return sums[sums.length - 1] - sums[0];
        }
    }

    /// Cycles a pack: each time from full to the end voltage.
    ///
    /// @param cycles 0 to 10000
    /// @param stepSeconds width of a step of each discharge, in s
    public static Aged after(
            int cycles,
            List<List<CircuitCell>> groups,
            VoltageCurve curve,
            Load load,
            double endVolts,
            double stepSeconds) {
        if (cycles < 0 || cycles > 10_000)
            throw new IllegalArgumentException("cycles are 0 to 10000, was " + cycles);
        List<List<CircuitCell>> now = groups;
        Discharged given = discharge(now, curve, load, endVolts, stepSeconds);
        for (int done = 0; done < cycles; ) {
            int more = Math.min(CYCLES_AT_ONCE, cycles - done);
            now = worn(now, given, more);
            given = discharge(now, curve, load, endVolts, stepSeconds);
            done += more;
        }
        return new Aged(now, given);
    }

    private static Discharged discharge(
            List<List<CircuitCell>> groups,
            VoltageCurve curve,
            Load load,
            double endVolts,
            double stepSeconds) {
        return PackSimulation.discharge(
                groups, curve, load, endVolts, stepSeconds, (t, volts, amps, each) -> {});
    }

    private static List<List<CircuitCell>> worn(
            List<List<CircuitCell>> groups, Discharged given, int cycles) {
        double count = groups.stream().mapToInt(List::size).sum();
        double rate = 0;
        double watts = 0;
        for (int g = 0; g < groups.size(); g++)
            for (int i = 0; i < groups.get(g).size(); i++) {
                Discharged.CellUse use = given.cells().get(g).get(i);
                rate += rate(groups.get(g).get(i), use) / count;
                watts += use.heatWatts() / count;
            }
        // a pack that gives nothing does not age by cycles
        if (!(rate > 0)) return groups;
        List<List<CircuitCell>> worn = new ArrayList<>();
        for (int g = 0; g < groups.size(); g++) {
            List<CircuitCell> group = new ArrayList<>();
            for (int i = 0; i < groups.get(g).size(); i++) {
                CircuitCell cell = groups.get(g).get(i);
                Discharged.CellUse use = given.cells().get(g).get(i);
                double worked = rate(cell, use) / rate;
                double warmer = KELVIN_A_WATT * (use.heatWatts() - watts);
                double loss = LOSS_A_CYCLE * worked * Math.pow(2, warmer / DOUBLING_KELVIN);
                double left = Math.pow(1 - Math.min(0.5, loss), cycles);
                group.add(
                        new CircuitCell(
                                cell.ampHours() * left,
                                cell.ohms() * (1 + OHMS_BY_LOSS * (1 - left))));
            }
            worn.add(group);
        }
        return worn;
    }

    /// Current by capacity, in 1/h.
    private static double rate(CircuitCell cell, Discharged.CellUse use) {
        return Math.sqrt(use.heatWatts() / cell.ohms()) / cell.ampHours();
    }
}
