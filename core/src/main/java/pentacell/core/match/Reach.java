package pentacell.core.match;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import pentacell.core.cell.CellId;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Selection;

/// The cells of a lot that a match needs to look at.
///
/// Where the strongest are wanted and no limit binds cells together, a stronger cell in the place
/// of a weaker one never lowers a group. So the best smallest group is had from the strongest cells
/// alone; a good many more are looked at for the sake of a small spread. A shelf of a million cells
/// that are far weaker would only be carried along.
///
/// @param near to be searched
/// @param far weaker than all of these, strongest first
record Reach(List<Candidate> near, List<Candidate> far) {
    private static final int LEAST_SPARE = 4_000;

    /// Strongest first, then by id: never by the order of the input.
    static final Comparator<Candidate> STRONGEST_FIRST =
            Comparator.comparingDouble(Candidate::milliampHours)
                    .reversed()
                    .thenComparing(Candidate::id);

    static Reach of(List<Candidate> cells, MatchRules rules, Map<CellId, Integer> locks) {
        int looked = Math.max(2 * rules.cellsNeeded(), rules.cellsNeeded() + LEAST_SPARE);
        boolean bind =
                rules.selection() != Selection.STRONGEST
                        || rules.maxIrSpreadMilliohms().isPresent()
                        || rules.maxModels().isPresent()
                        || !locks.isEmpty();
        if (bind || cells.size() <= looked) return new Reach(cells, List.of());
        List<Candidate> ordered = new ArrayList<>(cells);
        ordered.sort(STRONGEST_FIRST);
        return new Reach(
                List.copyOf(ordered.subList(0, looked)),
                List.copyOf(ordered.subList(looked, ordered.size())));
    }
}
