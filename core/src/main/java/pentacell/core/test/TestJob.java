package pentacell.core.test;

import java.time.Duration;
import java.util.Map;
import pentacell.core.cell.CellId;

/// A cell that waits for its test, and how long that takes where.
///
/// @param cell the cell
/// @param duration expected time by the name of each bay that can do it; empty when none can
public record TestJob(CellId cell, Map<String, Duration> duration) {
    public TestJob {
        duration = Map.copyOf(duration);
        for (Duration each : duration.values())
            if (each.isNegative() || each.isZero())
                throw new IllegalArgumentException("a test takes some time, was " + each);
    }

    /// The shortest time it takes anywhere; zero when it can be done nowhere.
    Duration shortest() {
        return duration.values().stream().min(Duration::compareTo).orElse(Duration.ZERO);
    }
}
