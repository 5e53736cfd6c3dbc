package pentacell.core.service.facts;

import java.util.OptionalDouble;
import pentacell.core.unit.Limit;

/// Beyond what the groups of a pack in use raise an alarm.
///
/// @param lowVolts of a group, in V
/// @param highVolts of a group, in V, above the low
/// @param spreadMillivolts between the highest and the lowest group at rest, in mV, above 0
/// @param warmCelsius of a probe, in °C; empty for the usual
public record Alarms(
        double lowVolts, double highVolts, double spreadMillivolts, OptionalDouble warmCelsius) {
    /// Cells are kept under it (common practice).
    private static final double WARM_CELSIUS = 45;

    public Alarms {
        warmCelsius.ifPresent(Limit.TEMPERATURE::checked);
        Limit.VOLTAGE.checked(lowVolts);
        Limit.VOLTAGE.checked(highVolts);
        if (!(highVolts > lowVolts))
            throw new IllegalArgumentException(
                    "the high alarm lies above the low one, was %s and %s"
                            .formatted(highVolts, lowVolts));
        if (!(spreadMillivolts > 0 && spreadMillivolts <= 5000))
            throw new IllegalArgumentException(
                    "a spread is above 0 and up to 5000 mV, was " + spreadMillivolts);
    }

    /// What a probe may come to, in °C.
    public double warmest() {
        return warmCelsius.orElse(WARM_CELSIUS);
    }
}
