package pentacell.core.build.facts;

import java.time.Instant;

/// What a group read.
///
/// @param group from 0
/// @param volts in V
public record GroupReading(Instant at, int group, double volts) {}
