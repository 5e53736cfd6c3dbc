package pentacell.core.match;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import pentacell.core.cell.CellId;
import pentacell.core.pack.MatchRules;

/// Matches cells into groups of equal capacity. Same candidates, rules, locks and effort: same
/// groups.
public final class Matcher {
    private Matcher() {}

    /// Matches without locked cells and without anyone watching.
    public static MatchOutcome match(
            List<Candidate> candidates, MatchRules rules, SearchEffort effort) {
        return match(candidates, rules, Map.of(), effort, SearchWatch.NOBODY);
    }

    /// Matches candidates into groups.
    ///
    /// @param candidates cells with distinct ids, in any order
    /// @param locks cells that must be in a group, with its number from 0
    /// @param watch asked between rounds whether to stop; the best match so far is then the result
    /// @throws IllegalArgumentException when an id stands twice
    public static MatchOutcome match(
            List<Candidate> candidates,
            MatchRules rules,
            Map<CellId, Integer> locks,
            SearchEffort effort,
            SearchWatch watch) {
        return improve(candidates, rules, locks, List.of(), effort, watch);
    }

    /// Goes on from groups as they are: what comes out is at least as good, if they keep the rules;
    /// if not, it is a match like any other.
    ///
    /// @param from the groups to go on from
    public static MatchOutcome improve(
            List<Candidate> candidates,
            MatchRules rules,
            Map<CellId, Integer> locks,
            List<List<CellId>> from,
            SearchEffort effort,
            SearchWatch watch) {
        requireDistinct(candidates);
        return switch (Schooled.of(candidates, rules, locks, effort.seed())) {
            case Schooled.Obstacle obstacle -> obstacle.infeasible();
            case Schooled.Dealt dealt -> dealt.outcome();
            case Schooled.Admitted admitted ->
                    new HeldBack(locks, from, effort, watch)
                            .match(admitted.cells(), admitted.rules());
        };
    }

    private static void requireDistinct(List<Candidate> candidates) {
        // of a million cells a set of ids would be as large as the cells: only ids of one hash are
        // held against each other
        int[] hashes =
                candidates.stream().mapToInt(cell -> cell.id().hashCode()).sorted().toArray();
        Set<Integer> shared = new HashSet<>();
        for (int i = 1; i < hashes.length; i++)
            if (hashes[i] == hashes[i - 1]) shared.add(hashes[i]);
        if (shared.isEmpty()) return;
        Set<CellId> seen = new HashSet<>();
        for (Candidate cell : candidates)
            if (shared.contains(cell.id().hashCode()) && !seen.add(cell.id()))
                throw new IllegalArgumentException("cell id " + cell.id() + " stands twice");
    }
}
