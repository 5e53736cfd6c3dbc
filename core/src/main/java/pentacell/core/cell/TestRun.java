package pentacell.core.cell;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.journal.Origin;

/// A run of a cell in a bay, as its life line tells.
///
/// @param run its name, the key of its samples
/// @param bay bay it runs or ran in
/// @param programme what the cell is put through, in words
/// @param startedAt when it began
/// @param end how it ended; empty while it runs
/// @param origin of what it measures
/// @param counts whether its figures count; those a stand-in made up do in the demo only
public record TestRun(
        String run,
        String bay,
        String programme,
        Instant startedAt,
        Optional<End> end,
        Origin origin,
        boolean counts) {
    /// The end of a run.
    ///
    /// @param seconds how long it ran by the instrument's own clock, in s
    public record End(RunEnding ending, OptionalDouble seconds) {}

    /// The runs of a life line, in the order they were first started. An end without a start is
    /// left out.
    static List<TestRun> of(List<CellRecord.LifeLineEntry> lifeLine) {
        Map<String, TestRun> runs = new LinkedHashMap<>();
        for (CellRecord.LifeLineEntry entry : lifeLine) {
            if (!entry.isKept()) continue;
            if (entry.fact() instanceof RunFact.RunStarted started)
                runs.put(
                        started.run(),
                        new TestRun(
                                started.run(),
                                started.bay(),
                                started.programme(),
                                entry.at(),
                                Optional.empty(),
                                entry.origin(),
                                entry.fate() == CellRecord.Fate.STANDING));
            if (entry.fact() instanceof RunFact.RunEnded ended)
                runs.computeIfPresent(
                        ended.run(),
                        (name, run) -> run.with(new End(ended.ending(), ended.seconds())));
        }
        return new ArrayList<>(runs.values());
    }

    private TestRun with(End ended) {
        return new TestRun(run, bay, programme, startedAt, Optional.of(ended), origin, counts);
    }
}
