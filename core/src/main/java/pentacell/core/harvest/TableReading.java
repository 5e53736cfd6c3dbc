package pentacell.core.harvest;

/// A line in a table of readings.
///
/// @param group counted from 1 at the pack's negative
/// @param volts what it read, in V
public record TableReading(int group, double volts) {
    public TableReading {
        if (group < 1 || group > 200)
            throw new IllegalArgumentException("groups count from 1 to 200, was " + group);
        if (!(Math.abs(volts) <= 1000))
            throw new IllegalArgumentException("a reading is −1000 to 1000 V, was " + volts);
    }
}
