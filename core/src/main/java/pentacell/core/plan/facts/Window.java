package pentacell.core.plan.facts;

/// The voltages a device runs at.
///
/// @param lowTripVolts under which it stops, in V; 0 when it never does
/// @param highTripVolts which it bears at most, in V, up to 2000
public record Window(double lowTripVolts, double highTripVolts) {
    public Window {
        if (!(lowTripVolts >= 0 && highTripVolts > lowTripVolts && highTripVolts <= 2000))
            throw new IllegalArgumentException(
                    "a device runs from its low to its higher trip, up to 2000 V, was %s to %s V"
                            .formatted(lowTripVolts, highTripVolts));
    }
}
