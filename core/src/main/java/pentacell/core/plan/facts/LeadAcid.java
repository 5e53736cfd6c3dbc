package pentacell.core.plan.facts;

import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.donor.Price;

/// The lead-acid block that a pack replaces.
///
/// @param volts its class, in V, such as 12
/// @param ampHours as rated, in Ah
/// @param kilograms its mass, when known
/// @param price what another one costs, when known
public record LeadAcid(
        double volts, double ampHours, OptionalDouble kilograms, Optional<Price> price) {
    /// Half of its rating is used, or it does not last (common practice).
    public static final double USED_SHARE = 0.5;

    public LeadAcid {
        Need.requireAmount("the block's volts", volts);
        Need.requireAmount("the block's Ah", ampHours);
        kilograms.ifPresent(mass -> Need.requireAmount("the block's kg", mass));
    }

    /// What is used of it, in Wh.
    public double usedWattHours() {
        return USED_SHARE * volts * ampHours;
    }
}
