package pentacell.instruments.bench;

import java.time.Instant;
import pentacell.core.cell.CellId;
import pentacell.core.measure.SampleLog;

/// A run as it stands: only samples that are on the disk.
///
/// @param cell cell in the bay
/// @param run name of the run
/// @param bay bay it runs in
/// @param programme what it is put through, in words
/// @param startedAt when it began
/// @param stage stage that runs, counted from 0
/// @param log its samples so far
public record LiveRun(
        CellId cell,
        String run,
        String bay,
        String programme,
        Instant startedAt,
        int stage,
        SampleLog log) {}
