package pentacell.core.match;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import pentacell.core.cell.CellId;
import pentacell.core.match.MatchOutcome.Matched;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Selection;

/// Matches cells into groups of equal capacity. Same candidates, rules, locks and effort: same
/// groups.
public final class Matcher {
    /// What the noise of the meter may cost at most, as a share of a group: differences below it
    /// mean nothing in use.
    private static final double MOST_GIVEN_UP = 0.0005;

    private static final int EVENING_PROPOSALS_PER_CELL = 1_500;
    private static final int MOST_EVENING_PROPOSALS = 600_000;

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
        requireDistinct(candidates);
        Eligible.EitherWay eligible = Eligible.of(candidates, rules, locks);
        if (eligible.obstacle().isPresent()) return eligible.obstacle().get();
        Reach reach = Reach.of(eligible.cells(), rules, locks);
        Feasibility feasibility =
                new Feasibility(reach.near(), rules, locks, effort.seed(), watch::stop);
        List<Grouping> starts = feasibility.starts();
        if (starts.isEmpty()) return feasibility.obstacle();

        CandidateTable lot = starts.get(0).lot;
        CapacityBounds.InTicks bounds = CapacityBounds.of(lot);
        if (rules.selection() == Selection.STRONGEST)
            SparingSweep.of(lot, bounds.usable(), watch::stop)
                    .ifPresent(sweep -> starts.add(0, new Grouping(lot, sweep)));
        Search search = new Search(lot, rules.selection(), bounds, effort, watch, starts.get(0));
        search.run(starts);
        Grouping found = search.best();
        even(found, rules, effort.seed());
        return new Matched(
                result(found, reach.far(), rules, bounds, ending(search, found, rules, bounds)));
    }

    /// The smallest limit on the IR spread inside groups that the rules can keep, or what stands in
    /// the way.
    static java.util.OptionalDouble leastIrSpread(
            List<Candidate> candidates, MatchRules rules, Map<CellId, Integer> locks, long seed) {
        Eligible.EitherWay eligible =
                Eligible.of(
                        candidates, rules.withMaxIrSpread(java.util.OptionalDouble.of(0)), locks);
        if (eligible.obstacle().isPresent()) return java.util.OptionalDouble.empty();
        return new Feasibility(eligible.cells(), rules, locks, seed, () -> false).leastIrSpread();
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

    /// Spends what the meter cannot tell apart anyway on even resistances and spread donors.
    ///
    /// A sum of P readings with relative repeatability s of each has a noise of s·c̄·√P
    /// (independent errors).
    private static void even(Grouping found, MatchRules rules, long seed) {
        if (rules.repeatabilityShare() == 0) return;
        CandidateTable lot = found.lot;
        double meanGroup = Arrays.stream(found.sum, 0, lot.groups()).average().orElse(0);
        double cellsInGroup = (double) lot.cellsNeeded() / lot.groups();
        double noise = rules.repeatabilityShare() * meanGroup / Math.sqrt(cellsInGroup);
        long slack = (long) Math.min(noise, MOST_GIVEN_UP * meanGroup);
        int proposals =
                Math.min(MOST_EVENING_PROPOSALS, EVENING_PROPOSALS_PER_CELL * lot.cellsNeeded());
        new ResistanceBalance(found)
                .run(
                        found.smallest() - slack,
                        found.largest() + slack,
                        proposals,
                        new SplittableRandom(seed));
    }

    private static MatchResult.Ending ending(
            Search search, Grouping found, MatchRules rules, CapacityBounds.InTicks bounds) {
        boolean isStillProven = Score.of(found).isFirstAimProven(bounds, rules.selection());
        return search.ending() == MatchResult.Ending.PROVEN_BEST && !isStillProven
                ? MatchResult.Ending.PROVEN_WITHIN_NOISE
                : search.ending();
    }

    private static MatchResult result(
            Grouping found,
            List<Candidate> far,
            MatchRules rules,
            CapacityBounds.InTicks bounds,
            MatchResult.Ending ending) {
        CandidateTable lot = found.lot;
        List<List<Candidate>> groups = new ArrayList<>();
        for (int group = 0; group <= lot.groups(); group++)
            groups.add(strongestFirst(found, group));
        List<Candidate> shelf = groups.remove(lot.groups());
        return new MatchResult(
                rules,
                groups.stream().map(Matcher::ids).toList(),
                Stream.concat(shelf.stream(), far.stream()).map(Candidate::id).toList(),
                MatchFigures.of(groups),
                bounds.inMilliampHours(lot.ticksPerMilliampHour()),
                "deal, differencing and levelling, then annealing",
                ending);
    }

    private static List<Candidate> strongestFirst(Grouping found, int group) {
        // cells of a lot are numbered strongest first
        return Arrays.stream(found.members(group)).sorted().mapToObj(found.lot::candidate).toList();
    }

    private static List<CellId> ids(List<Candidate> cells) {
        return cells.stream().map(Candidate::id).toList();
    }
}
