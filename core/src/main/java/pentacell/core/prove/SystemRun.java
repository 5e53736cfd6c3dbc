package pentacell.core.prove;

import java.util.OptionalDouble;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.prove.facts.DeviceTrip;
import pentacell.core.prove.facts.EnergyRun;

/// What becomes of the energy between supply, pack and load; what cannot be told is empty.
///
/// @param inverter arrived at the load ÷ given by the pack
/// @param pack given by the pack ÷ put back
/// @param roundTrip arrived at the load ÷ put back
/// @param wattHoursPerKilometre given by the pack, or arrived, for a kilometre
public record SystemRun(
        OptionalDouble inverter,
        OptionalDouble pack,
        OptionalDouble roundTrip,
        OptionalDouble wattHoursPerKilometre) {
    /// Of a run that was seen.
    public static SystemRun of(EnergyRun seen) {
        OptionalDouble used =
                seen.wattHoursOfPack().isPresent() ? seen.wattHoursOfPack() : seen.wattHoursOut();
        return new SystemRun(
                ratio(seen.wattHoursOut(), seen.wattHoursOfPack()),
                ratio(seen.wattHoursOfPack(), seen.wattHoursBack()),
                ratio(seen.wattHoursOut(), seen.wattHoursBack()),
                ratio(used, seen.kilometres()));
    }

    /// The charge still inside when a device tripped, as a share, by what the pack sprang back to;
    /// empty when that was not read.
    ///
    /// @param series groups of the pack
    public static OptionalDouble leftAt(DeviceTrip trip, int series, Chemistry chemistry) {
        return trip.springBackVolts().isPresent()
                ? OptionalDouble.of(
                        RestCurve.of(chemistry)
                                .share(trip.springBackVolts().getAsDouble() / series))
                : OptionalDouble.empty();
    }

    private static OptionalDouble ratio(OptionalDouble over, OptionalDouble under) {
        return over.isPresent() && under.isPresent() && under.getAsDouble() > 0
                ? OptionalDouble.of(over.getAsDouble() / under.getAsDouble())
                : OptionalDouble.empty();
    }
}
