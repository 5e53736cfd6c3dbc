package pentacell.core.prove.facts;

import java.util.OptionalDouble;
import pentacell.core.unit.Limit;

/// Where a device on a pack tripped.
///
/// @param volts of the pack under load, in V
/// @param springBackVolts what it sprang back to without load, in V
public record DeviceTrip(double volts, OptionalDouble springBackVolts) {
    public DeviceTrip {
        if (!(Limit.PACK_VOLTAGE.checked(volts) > 0))
            throw new IllegalArgumentException("a device trips above 0 V, was " + volts);
    }
}
