package pentacell.core.build.facts;

import java.util.OptionalDouble;

/// What a lead of the balance plug read against the pack's negative.
///
/// @param lead position in the plug, from 0
/// @param volts in V; empty when the meter showed nothing
public record TapReading(int lead, OptionalDouble volts) {
    public TapReading {
        if (lead < 0 || lead > 400)
            throw new IllegalArgumentException("a plug has leads 0 to 400, was " + lead);
    }
}
