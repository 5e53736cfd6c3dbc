package pentacell.core.circuit;

import java.util.Arrays;
import java.util.List;

/// Cells in parallel, groups of them in series, on arrays: their charge, and the currents and
/// voltages of one moment.
///
/// The cells of a group share one voltage and their currents add up to the group's: with U_c(s) at
/// rest and conductance g = 1/R, the group's voltage is (Σ g·U_c − I) ÷ Σ g, and a cell gives
/// g·(U_c − U). Group g has the cells from `begin[g]` to `begin[g + 1]`. Currents are positive when
/// drawn.
final class GroupedCells {
    private static final double SECONDS_AN_HOUR = 3600;

    private final VoltageCurve curve;
    final int[] begin;
    final double[] conductance;
    final double[] groupOhms;
    final double[] shareACoulomb;

    /// Charge of each full group, in C.
    final double[] whole;

    /// State of charge of each cell.
    final double[] share;

    /// Current of each cell; between [#rest()] and [#flow] its voltage at rest.
    final double[] amps;

    final double[] groupVolts;

    /// Of the whole string at rest.
    double restVolts;

    double ohms;

    /// The largest current ÷ mean of its group × current of the group, with its cell: since
    /// [#rest()].
    double largestOfMean;

    int largest;

    /// Full cells.
    ///
    /// @throws IllegalArgumentException when there is no group, or an empty one
    GroupedCells(List<List<CircuitCell>> groups, VoltageCurve curve) {
        if (groups.isEmpty()) throw new IllegalArgumentException("a pack has a group");
        this.curve = curve;
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
            ohms += groupOhms[g];
        }
    }

    int groups() {
        return groupVolts.length;
    }

    int cells() {
        return share.length;
    }

    /// Voltages at rest of the present state, before any current is set.
    void rest() {
        restVolts = 0;
        largestOfMean = 0;
        for (int g = 0; g < groupVolts.length; g++) {
            double sum = 0;
            for (int i = begin[g]; i < begin[g + 1]; i++) {
                amps[i] = curve.volts(share[i]);
                sum += conductance[i] * amps[i];
            }
            groupVolts[g] = sum * groupOhms[g];
            restVolts += groupVolts[g];
        }
    }

    /// Lets a current flow through every group.
    ///
    /// @return the lowest voltage of a group
    double flow(double current) {
        double lowest = Double.POSITIVE_INFINITY;
        for (int g = 0; g < groupVolts.length; g++) lowest = Math.min(lowest, flow(g, current));
        return lowest;
    }

    /// Lets a current flow through a group, after [#rest()].
    ///
    /// @return its voltage
    double flow(int g, double current) {
        double volts = groupVolts[g] - current * groupOhms[g];
        groupVolts[g] = volts;
        int cells = begin[g + 1] - begin[g];
        for (int i = begin[g]; i < begin[g + 1]; i++) {
            double ofCell = conductance[i] * (amps[i] - volts);
            amps[i] = ofCell;
            if (ofCell * cells > largestOfMean) {
                largestOfMean = ofCell * cells;
                largest = i;
            }
        }
        return volts;
    }

    /// The state after currents flowed for a while.
    void move(double[] before, double[] currents, double seconds) {
        for (int i = 0; i < share.length; i++)
            share[i] = before[i] - seconds * currents[i] * shareACoulomb[i];
    }

    /// The shortest time in s in which the difference between parallel cells may fall to 1/e: R·Q ÷
    /// the steepest slope of the curve.
    double evenOutSeconds() {
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < share.length; i++)
            least = Math.min(least, 1 / (conductance[i] * shareACoulomb[i]));
        return least / curve.steepest();
    }

    /// Charge that is in a group, in C.
    double held(int g) {
        double held = 0;
        for (int i = begin[g]; i < begin[g + 1]; i++) held += share[i] / shareACoulomb[i];
        return held;
    }

    int groupOf(int cell) {
        int group = 0;
        while (begin[group + 1] <= cell) group++;
        return group;
    }

    /// The group of the lowest voltage.
    int lowestGroup() {
        int least = 0;
        for (int g = 1; g < groupVolts.length; g++)
            if (groupVolts[g] < groupVolts[least]) least = g;
        return least;
    }

    /// The group of the highest voltage.
    int highestGroup() {
        int most = 0;
        for (int g = 1; g < groupVolts.length; g++) if (groupVolts[g] > groupVolts[most]) most = g;
        return most;
    }
}
