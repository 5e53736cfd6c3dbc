package pentacell.core.prove.facts;

import java.util.OptionalDouble;

/// What a group gave when it was discharged alone.
///
/// @param ampHours in Ah, above 0
/// @param wattHours in Wh, when that was read
public record AloneRun(double ampHours, OptionalDouble wattHours) {
    public AloneRun {
        if (!(ampHours > 0 && ampHours <= 100_000))
            throw new IllegalArgumentException(
                    "a group gives above 0 and up to 100000 Ah, was " + ampHours);
    }
}
