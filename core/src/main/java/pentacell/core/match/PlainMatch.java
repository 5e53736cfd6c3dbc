package pentacell.core.match;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import pentacell.core.cell.CellId;
import pentacell.core.match.MatchOutcome.Matched;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Selection;

/// One search: what the rules admit, first groupings, the walk for better ones, and what is left of
/// freedom spent on even resistances and spread donors.
final class PlainMatch {
    /// What the noise of the meter may cost at most, as a share of a group: differences below it
    /// mean nothing in use.
    private static final double MOST_GIVEN_UP = 0.0005;

    private static final int EVENING_PROPOSALS_PER_CELL = 1_500;
    private static final int MOST_EVENING_PROPOSALS = 600_000;

    private PlainMatch() {}

    /// Matches the cells that the rules admit, without regard to school, target and spares.
    ///
    /// @param from groups to go on from; the result is at least as good when they keep the rules
    static MatchOutcome match(
            List<Candidate> candidates,
            MatchRules rules,
            Map<CellId, Integer> locks,
            List<List<CellId>> from,
            SearchEffort effort,
            SearchWatch watch) {
        Eligible.EitherWay eligible = Eligible.of(candidates, rules, locks);
        if (eligible.obstacle().isPresent()) return eligible.obstacle().get();
        Reach reach = reach(eligible.cells(), rules, locks, from);
        Feasibility feasibility =
                new Feasibility(reach.near(), rules, locks, effort.seed(), watch::stop);
        List<Grouping> starts = feasibility.starts();
        Optional<Grouping> given = given(reach.near(), rules, locks, from);
        given.ifPresent(grouping -> starts.add(0, grouping));
        if (starts.isEmpty()) return feasibility.obstacle();

        CandidateTable lot = starts.get(0).lot;
        CapacityBounds.InTicks bounds = CapacityBounds.of(lot);
        if (rules.selection() == Selection.STRONGEST && given.isEmpty())
            SparingSweep.of(lot, bounds.usable(), watch::stop)
                    .ifPresent(sweep -> starts.add(0, new Grouping(lot, sweep)));
        Search search = new Search(lot, rules.selection(), bounds, effort, watch, starts.get(0));
        search.run(given.isPresent() ? List.of(starts.get(0)) : starts);
        CapacityBounds.InTicks proven = search.bounds();
        Grouping found = search.best();
        even(found, rules, effort.seed());
        return new Matched(
                result(found, reach.far(), rules, proven, ending(search, found, rules, proven)));
    }

    private static Reach reach(
            List<Candidate> cells,
            MatchRules rules,
            Map<CellId, Integer> locks,
            List<List<CellId>> from) {
        Reach reach = Reach.of(cells, rules, locks);
        Set<CellId> members = from.stream().flatMap(List::stream).collect(Collectors.toSet());
        boolean isFar = reach.far().stream().anyMatch(cell -> members.contains(cell.id()));
        return isFar ? new Reach(cells, List.of()) : reach;
    }

    /// The grouping to go on from; empty when it is none of these cells or breaks a rule.
    private static Optional<Grouping> given(
            List<Candidate> cells,
            MatchRules rules,
            Map<CellId, Integer> locks,
            List<List<CellId>> from) {
        if (from.size() != rules.series()) return Optional.empty();
        CandidateTable lot = new CandidateTable(cells, rules, locks);
        Map<CellId, Integer> groups = new HashMap<>();
        for (int group = 0; group < from.size(); group++)
            for (CellId id : from.get(group)) groups.put(id, group);
        int[] groupOf = new int[lot.size()];
        int[] room = lot.groupSizes().clone();
        for (int cell = 0; cell < lot.size(); cell++) {
            groupOf[cell] = groups.getOrDefault(lot.candidate(cell).id(), lot.groups());
            if (lot.isLocked(cell) && lot.lockedTo(cell) != groupOf[cell]) return Optional.empty();
            if (groupOf[cell] < lot.groups()) room[groupOf[cell]] -= lot.count(cell);
        }
        if (Arrays.stream(room).anyMatch(left -> left != 0)) return Optional.empty();
        Grouping grouping = new Grouping(lot, groupOf);
        return grouping.violation() == 0 ? Optional.of(grouping) : Optional.empty();
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
        new ResistanceBalance(found, rules.eveningInUse())
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
                groups.stream().map(PlainMatch::ids).toList(),
                Stream.concat(shelf.stream(), far.stream()).map(Candidate::id).toList(),
                MatchFigures.of(groups),
                bounds.inMilliampHours(lot.ticksPerMilliampHour()),
                "deal, differencing and levelling, then annealing",
                ending,
                List.of());
    }

    private static List<Candidate> strongestFirst(Grouping found, int group) {
        // cells of a lot are numbered strongest first
        return Arrays.stream(found.members(group)).sorted().mapToObj(found.lot::candidate).toList();
    }

    private static List<CellId> ids(List<Candidate> cells) {
        return cells.stream().map(Candidate::id).toList();
    }
}
