package pentacell.core.harvest;

import java.util.OptionalDouble;

/// How one group is brought up alone.
///
/// @param group counted from 1 at the pack's negative
/// @param fromVolts what it reads now, in V
/// @param setVolts what the bench supply is set to before it is clipped on, in V
/// @param limitAmps its current limit, in A
/// @param stopAmps the current at which it is taken off, in A
/// @param ampHours charge to bring in, in Ah; empty when the group's capacity is not known
/// @param bulkHours time at the full current, in h
/// @param taperHours time in which the current falls to `stopAmps`, in h
/// @param restHours wait before the groups are read again, in h
/// @param passVolts what it must then still read, in V
public record RepairPlan(
        int group,
        double fromVolts,
        double setVolts,
        double limitAmps,
        double stopAmps,
        OptionalDouble ampHours,
        OptionalDouble bulkHours,
        OptionalDouble taperHours,
        double restHours,
        double passVolts) {

    /// All the time at the supply, in h.
    public OptionalDouble chargeHours() {
        return bulkHours.isPresent() && taperHours.isPresent()
                ? OptionalDouble.of(bulkHours.getAsDouble() + taperHours.getAsDouble())
                : OptionalDouble.empty();
    }
}
