package pentacell.core.plan.facts;

import java.util.OptionalDouble;

/// A charger: full current up to its end voltage, then that voltage until the current has tapered
/// off.
///
/// @param volts its end voltage for the whole pack, in V
/// @param amps its current, in A
/// @param supplyWatts rating of what feeds it, in W; empty when that is its own
public record Charger(double volts, double amps, OptionalDouble supplyWatts) {
    public Charger {
        if (!(volts > 0 && volts <= 2000 && amps > 0 && amps <= 10_000))
            throw new IllegalArgumentException(
                    "a charger has above 0 V and above 0 A, was %s V and %s A"
                            .formatted(volts, amps));
        supplyWatts.ifPresent(watts -> Need.requireAmount("the supply's watts", watts));
    }
}
