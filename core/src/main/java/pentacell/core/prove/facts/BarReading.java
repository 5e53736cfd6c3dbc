package pentacell.core.prove.facts;

/// The drop from end to end of a bar.
///
/// @param millivolts between its ends, in mV, 0 or more
/// @param amps that the pack gave meanwhile, in A, above 0
public record BarReading(double millivolts, double amps) {
    public BarReading {
        if (!(millivolts >= 0 && millivolts <= 100_000 && amps > 0 && amps <= 10_000))
            throw new IllegalArgumentException(
                    "a bar drops 0 to 100000 mV at above 0 and up to 10000 A, was %s mV at %s A"
                            .formatted(millivolts, amps));
    }
}
