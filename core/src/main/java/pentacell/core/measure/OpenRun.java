package pentacell.core.measure;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.LongStream;
import pentacell.core.fact.Cell;
import pentacell.core.fact.Cell.Fate;
import pentacell.core.fact.Cell.LifeLineEntry;
import pentacell.core.fact.RunFact;
import pentacell.core.fact.WorkshopState;

/// A run of which no end was logged: the cell is in its bay.
///
/// @param cell the cell
/// @param run name of the run
/// @param bay bay it runs in
/// @param programme what it is put through, in words
/// @param startedAt when it began
public record OpenRun(Cell cell, String run, String bay, String programme, Instant startedAt) {

    /// The open runs of a workshop, the oldest first.
    public static List<OpenRun> of(WorkshopState state) {
        List<OpenRun> all = new ArrayList<>();
        for (Cell cell : state.cells().values()) all.addAll(of(cell));
        all.sort(Comparator.comparing(OpenRun::startedAt).thenComparing(OpenRun::run));
        return List.copyOf(all);
    }

    /// The open runs of a cell.
    public static List<OpenRun> of(Cell cell) {
        Map<String, OpenRun> open = new LinkedHashMap<>();
        for (LifeLineEntry entry : cell.lifeLine()) {
            if (entry.fate() != Fate.STANDING) continue;
            if (entry.fact() instanceof RunFact.RunStarted started)
                open.put(
                        started.run(),
                        new OpenRun(
                                cell,
                                started.run(),
                                started.bay(),
                                started.programme(),
                                entry.at()));
            if (entry.fact() instanceof RunFact.RunEnded ended) open.remove(ended.run());
        }
        return List.copyOf(open.values());
    }

    /// A name for the next run of a cell, unlike all it had.
    ///
    /// @param isTaken whether a name was used by a run of which the life line no longer tells
    public static String nextName(Cell cell, Predicate<String> isTaken) {
        long had =
                cell.lifeLine().stream()
                        .filter(entry -> entry.fact() instanceof RunFact.RunStarted)
                        .count();
        return LongStream.iterate(had + 1, number -> number + 1)
                .mapToObj(number -> cell.id().text() + "#" + number)
                .filter(isTaken.negate())
                .findFirst()
                .orElseThrow();
    }
}
