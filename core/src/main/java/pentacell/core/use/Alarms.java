package pentacell.core.use;

import pentacell.core.unit.Limit;

/// Beyond what the groups of a pack in use raise an alarm.
///
/// @param lowVolts of a group, in V
/// @param highVolts of a group, in V, above the low
/// @param spreadMillivolts between the highest and the lowest group at rest, in mV, above 0
public record Alarms(double lowVolts, double highVolts, double spreadMillivolts) {
    public Alarms {
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
}
