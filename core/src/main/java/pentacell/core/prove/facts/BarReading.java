package pentacell.core.prove.facts;

import pentacell.core.unit.Limit;

/// The drop from end to end of a bar.
///
/// @param millivolts between its ends, in mV, 0 or more
/// @param amps that the pack gave meanwhile, in A, above 0
public record BarReading(double millivolts, double amps) {
    public BarReading {
        Limit.BAR_DROP.checked(millivolts);
        if (!(Limit.PACK_CURRENT.checked(amps) > 0))
            throw new IllegalArgumentException("a drop needs a current above 0 A, was " + amps);
    }
}
