package pentacell.core.prove.facts;

import java.util.OptionalDouble;
import pentacell.core.unit.Limit;

/// What a group gave when it was discharged alone.
///
/// @param ampHours in Ah, above 0
/// @param wattHours in Wh, when that was read
public record AloneRun(double ampHours, OptionalDouble wattHours) {
    public AloneRun {
        Limit.GROUP_CHARGE.checked(ampHours);
    }
}
