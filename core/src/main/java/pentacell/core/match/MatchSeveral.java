package pentacell.core.match;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import pentacell.core.cell.CellId;
import pentacell.core.match.MatchOutcome.Infeasible;
import pentacell.core.match.MatchOutcome.Matched;
import pentacell.core.pack.MatchRules;

/// Several packs from one stock: no cell goes into two of them.
public final class MatchSeveral {
    private MatchSeveral() {}

    /// Who gets which cells.
    public enum Sharing {
        /// The first pack takes the best it can, the next what is left.
        IN_ORDER,
        /// Strong and weak cells are dealt out to all packs by the number they take, so that none
        /// is better off.
        EVENLY
    }

    /// A pack that is wanted.
    ///
    /// @param locks cells that must be in one of its groups
    public record Wish(String pack, MatchRules rules, Map<CellId, Integer> locks) {
        public Wish {
            locks = Map.copyOf(locks);
        }
    }

    /// What became of a wish.
    public record Granted(Wish wish, MatchOutcome outcome) {}

    /// Matches one pack after another; each has the effort given.
    ///
    /// @return in the order of the wishes
    public static List<Granted> match(
            List<Candidate> candidates,
            List<Wish> wishes,
            Sharing sharing,
            SearchEffort effort,
            SearchWatch watch) {
        List<List<Candidate>> pools =
                switch (sharing) {
                    case IN_ORDER -> wishes.stream().map(wish -> List.<Candidate>of()).toList();
                    case EVENLY -> pools(candidates, wishes);
                };
        // what nobody has in his pool is there for all, in turn
        Set<Candidate> dealt = pools.stream().flatMap(List::stream).collect(Collectors.toSet());
        List<Candidate> open =
                new ArrayList<>(candidates.stream().filter(cell -> !dealt.contains(cell)).toList());
        List<Granted> granted = new ArrayList<>();
        for (int i = 0; i < wishes.size(); i++) {
            List<Candidate> pool = new ArrayList<>(pools.get(i));
            pool.addAll(open);
            Wish wish = wishes.get(i);
            List<Candidate> mine = withoutLocksOfOthers(pool, wishes, wish);
            MatchOutcome outcome = Matcher.match(mine, wish.rules(), wish.locks(), effort, watch);
            granted.add(new Granted(wish, outcome));
            Set<CellId> taken = taken(outcome);
            open =
                    new ArrayList<>(
                            pool.stream().filter(cell -> !taken.contains(cell.id())).toList());
        }
        return List.copyOf(granted);
    }

    private static List<Candidate> withoutLocksOfOthers(
            List<Candidate> pool, List<Wish> wishes, Wish wish) {
        Set<CellId> others = new HashSet<>();
        for (Wish other : wishes) if (!other.equals(wish)) others.addAll(other.locks().keySet());
        return pool.stream().filter(cell -> !others.contains(cell.id())).toList();
    }

    private static Set<CellId> taken(MatchOutcome outcome) {
        return switch (outcome) {
            case Infeasible none -> Set.of();
            case Matched matched -> {
                Set<CellId> taken = new HashSet<>(matched.result().spares());
                matched.result().groups().forEach(taken::addAll);
                yield taken;
            }
        };
    }

    /// Deals the cells out, strongest first, each to the pack that has least of what is due to it.
    private static List<List<Candidate>> pools(List<Candidate> candidates, List<Wish> wishes) {
        List<Set<CellId>> admitted =
                wishes.stream()
                        .map(wish ->
                                Eligible.of(candidates, wish.rules(), wish.locks()).cells().stream()
                                        .map(Candidate::id)
                                        .collect(Collectors.toSet()))
                        .toList();
        List<List<Candidate>> pools = new ArrayList<>();
        for (int i = 0; i < wishes.size(); i++) pools.add(new ArrayList<>());
        int[] cans = new int[wishes.size()];
        for (Candidate cell : candidates.stream().sorted(Reach.STRONGEST_FIRST).toList())
            next(cell, wishes, admitted, cans)
                    .ifPresent(pack -> {
                        pools.get(pack).add(cell);
                        cans[pack] += cell.count();
                    });
        return pools;
    }

    private static Optional<Integer> next(
            Candidate cell, List<Wish> wishes, List<Set<CellId>> admitted, int[] cans) {
        Optional<Integer> best = Optional.empty();
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < wishes.size(); i++) {
            if (wishes.get(i).locks().containsKey(cell.id())) return Optional.of(i);
            // the middle of what it would have then: of two alike neither is always first
            double had = (cans[i] + 0.5 * cell.count()) / wishes.get(i).rules().cellsNeeded();
            if (!admitted.get(i).contains(cell.id()) || had >= least) continue;
            least = had;
            best = Optional.of(i);
        }
        return best;
    }
}
