package pentacell.core.measure;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.LongStream;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.RunFact;
import pentacell.core.journal.Origin;
import pentacell.core.state.WorkshopState;

/// A run of which no end was logged: the cell is in its bay.
///
/// @param cell the cell
/// @param run name of the run
/// @param bay bay it runs in
/// @param programme what it is put through, in words
/// @param startedAt when it began
/// @param origin of what it measures
public record OpenRun(
        CellRecord cell,
        String run,
        String bay,
        String programme,
        Instant startedAt,
        Origin origin) {

    /// The open runs of a workshop, the oldest first.
    public static List<OpenRun> of(WorkshopState state) {
        List<OpenRun> all = new ArrayList<>();
        for (CellRecord cell : Cells.of(state).all().values()) all.addAll(of(cell));
        all.sort(Comparator.comparing(OpenRun::startedAt).thenComparing(OpenRun::run));
        return List.copyOf(all);
    }

    /// The open runs of a cell.
    public static List<OpenRun> of(CellRecord cell) {
        return cell.runs().stream()
                .filter(run -> run.end().isEmpty())
                .map(run ->
                        new OpenRun(
                                cell,
                                run.run(),
                                run.bay(),
                                run.programme(),
                                run.startedAt(),
                                run.origin()))
                .toList();
    }

    /// A name for the next run of a cell, unlike all it had.
    ///
    /// @param isTaken whether a name was used by a run of which the life line no longer tells
    public static String nextName(CellRecord cell, Predicate<String> isTaken) {
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
