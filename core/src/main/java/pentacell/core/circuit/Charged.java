package pentacell.core.circuit;

import java.util.List;

/// What a charge came to.
///
/// @param ampHours put in at the pack's terminals, in Ah
/// @param wattHours put in at the pack's terminals, in Wh
/// @param seconds how long it took, in s
/// @param constantCurrentSeconds how much of that at the full current, in s
/// @param endedBy what ended it
/// @param group the group of the highest voltage at the end, from 0
/// @param groupVolts voltages of the groups at the end, in V
/// @param missingAmpHours what each group lacks to be full, in Ah
/// @param bledAmpHours what the balancer took from each group, in Ah
public record Charged(
        double ampHours,
        double wattHours,
        double seconds,
        double constantCurrentSeconds,
        EndedBy endedBy,
        int group,
        List<Double> groupVolts,
        List<Double> missingAmpHours,
        List<Double> bledAmpHours) {
    public Charged {
        groupVolts = List.copyOf(groupVolts);
        missingAmpHours = List.copyOf(missingAmpHours);
        bledAmpHours = List.copyOf(bledAmpHours);
    }

    /// What can end a charge.
    public enum EndedBy {
        /// The current fell to the charger's end current.
        TAPER,
        /// A group came over the voltage at which the board cuts off.
        GROUP_OVER,
        /// The time was up.
        TIME
    }
}
