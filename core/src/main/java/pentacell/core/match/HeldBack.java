package pentacell.core.match;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import pentacell.core.cell.CellId;
import pentacell.core.match.MatchOutcome.Infeasible;
import pentacell.core.match.MatchOutcome.Matched;
import pentacell.core.pack.MatchRules;

/// Matches with cells held back: spares for repair, and the strongest ones that a capacity wanted
/// does not need.
///
/// Spares are chosen for a first match and taken out before the last one. Of the strongest as many
/// are saved as leave a match that still has what is wanted, found by bisection over their number.
final class HeldBack {
    private static final int PART_OF_EFFORT = 4;

    private final Map<CellId, Integer> locks;
    private final List<List<CellId>> from;
    private final SearchEffort effort;
    private final SearchWatch watch;

    HeldBack(
            Map<CellId, Integer> locks,
            List<List<CellId>> from,
            SearchEffort effort,
            SearchWatch watch) {
        this.locks = locks;
        this.from = from;
        this.effort = effort;
        this.watch = watch;
    }

    MatchOutcome match(List<Candidate> cells, MatchRules rules) {
        int wanted = rules.spares().orElse(0);
        if (wanted == 0) return withTarget(cells, rules, effort);
        List<Candidate> usable = Eligible.of(cells, rules, locks).cells();
        int left = Candidate.cans(usable) - rules.cellsNeeded();
        if (left >= 0 && left < wanted)
            return new Infeasible(
                    new MatchObstacle.TooFewSpares(rules, wanted, Candidate.cans(usable)));
        if (!(search(cells, rules, part()) instanceof Matched first))
            return withTarget(cells, rules, effort);
        List<Candidate> spares =
                RepairSpares.choose(first.result(), usable, rules, locks.keySet(), wanted);
        Set<CellId> heldBack = new HashSet<>();
        spares.forEach(spare -> heldBack.add(spare.id()));
        List<Candidate> others =
                cells.stream().filter(cell -> !heldBack.contains(cell.id())).toList();
        return withTarget(others, rules, effort) instanceof Matched second
                ? new Matched(
                        second.result()
                                .among(first.result().bounds())
                                .withSpares(spares.stream().map(Candidate::id).toList()))
                : withTarget(cells, rules, effort);
    }

    private MatchOutcome withTarget(
            List<Candidate> cells, MatchRules rules, SearchEffort searchEffort) {
        MatchOutcome all = search(cells, rules, searchEffort);
        if (rules.targetMilliampHours().isEmpty() || !(all instanceof Matched matched)) return all;
        double target = rules.targetMilliampHours().getAsDouble();
        double most = matched.result().figures().usableMilliampHours();
        if (most < target) return new Infeasible(new MatchObstacle.TargetMissed(target, most));
        return new Matched(sparing(cells, rules, target, matched.result()));
    }

    private MatchResult sparing(
            List<Candidate> cells, MatchRules rules, double target, MatchResult of) {
        List<Candidate> strongest =
                Eligible.of(cells, rules, locks).cells().stream()
                        .filter(cell -> !locks.containsKey(cell.id()))
                        .sorted(Reach.STRONGEST_FIRST)
                        .toList();
        MatchResult best = of;
        int works = 0;
        int fails = strongest.size() + 1;
        while (fails - works > 1 && !watch.stop()) {
            int saved = (works + fails) >>> 1;
            List<Candidate> aside = strongest.subList(0, saved);
            Optional<MatchResult> found = without(aside, cells, rules, target);
            if (found.isPresent()) {
                works = saved;
                best = found.get().withLeftOver(aside.stream().map(Candidate::id).toList());
            } else fails = saved;
        }
        return best.among(of.bounds());
    }

    private Optional<MatchResult> without(
            List<Candidate> aside, List<Candidate> cells, MatchRules rules, double target) {
        Set<Candidate> gone = new HashSet<>(aside);
        List<Candidate> rest = new ArrayList<>(cells);
        rest.removeIf(gone::contains);
        return search(rest, rules, part()) instanceof Matched matched
                        && matched.result().figures().usableMilliampHours() >= target
                ? Optional.of(matched.result())
                : Optional.empty();
    }

    private SearchEffort part() {
        return new SearchEffort(Math.max(1, effort.rounds() / PART_OF_EFFORT), effort.seed());
    }

    private MatchOutcome search(List<Candidate> cells, MatchRules rules, SearchEffort much) {
        return PlainMatch.match(cells, rules, locks, from, much, watch);
    }
}
