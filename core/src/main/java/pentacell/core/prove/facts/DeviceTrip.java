package pentacell.core.prove.facts;

import java.util.OptionalDouble;

/// Where a device on a pack tripped.
///
/// @param volts of the pack under load, in V
/// @param springBackVolts what it sprang back to without load, in V
public record DeviceTrip(double volts, OptionalDouble springBackVolts) {
    public DeviceTrip {
        if (!(volts > 0 && volts <= 10_000))
            throw new IllegalArgumentException("a pack has up to 10000 V, was " + volts);
    }
}
