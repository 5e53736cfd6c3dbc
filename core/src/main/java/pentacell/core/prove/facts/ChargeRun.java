package pentacell.core.prove.facts;

import java.util.OptionalDouble;

/// How a charge ended.
///
/// @param volts the charger's, in V
/// @param endAmps current at which it stopped, in A
/// @param supply whether its supply held
public record ChargeRun(OptionalDouble volts, OptionalDouble endAmps, Supply supply) {
    /// Whether the supply of the charger held.
    public enum Supply {
        HELD,
        TRIPPED
    }
}
