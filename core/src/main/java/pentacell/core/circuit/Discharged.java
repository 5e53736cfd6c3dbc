package pentacell.core.circuit;

import java.util.List;

/// What a pack gave.
///
/// @param ampHours at its terminals, in Ah
/// @param wattHours at its terminals, in Wh
/// @param seconds how long it took, in s
/// @param endedBy what ended it
/// @param group the lowest group at the end, from 0
/// @param groupVolts voltages of the groups under load at the end, in V
/// @param leftAmpHours charge left in each group, in Ah
/// @param heatWattHours lost inside the cells, in Wh
/// @param worstShare most of any cell's current ÷ the mean of its group, over all moments
/// @param worstShareAtStart the same at the first moment
/// @param worstGroup group of that cell, from 0
/// @param worstPlace its place in the group, from 0
/// @param cells what each cell did, group by group
public record Discharged(
        double ampHours,
        double wattHours,
        double seconds,
        EndedBy endedBy,
        int group,
        List<Double> groupVolts,
        List<Double> leftAmpHours,
        double heatWattHours,
        double worstShare,
        double worstShareAtStart,
        int worstGroup,
        int worstPlace,
        List<List<CellUse>> cells) {
    public Discharged {
        groupVolts = List.copyOf(groupVolts);
        leftAmpHours = List.copyOf(leftAmpHours);
        cells = cells.stream().map(List::copyOf).toList();
    }

    /// What a cell did.
    ///
    /// @param ampHours it gave, in Ah
    /// @param heatWatts lost in it, on the mean, in W
    public record CellUse(double ampHours, double heatWatts) {}

    /// Mean heat of the cell that ran hottest, in W.
    public double hottestCellWatts() {
        return cells.stream().flatMap(List::stream).mapToDouble(CellUse::heatWatts).max().orElse(0);
    }

    /// What can end a discharge.
    public enum EndedBy {
        /// It goes on.
        NOTHING,
        /// A group reached the end voltage.
        VOLTAGE,
        /// A group has no charge left.
        CHARGE,
        /// The pack cannot give the power any more.
        POWER
    }
}
