package pentacell.core.build;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import pentacell.core.cell.CellId;
import pentacell.core.match.Candidate;
import pentacell.core.match.MatchReplacement;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.core.stock.MatchableStock;
import pentacell.core.unit.Quantity;

/// Which cell of a group that disappoints should leave first, and which takes its place.
///
/// Measured capacities made the groups equal, so the one to leave is the one that is doubted most:
/// rescued once, then highest in resistance, then weakest. Spares of the pack come first, then what
/// is free in the stock.
///
/// @param leaving cell of the group
/// @param doubt why it leaves, in words
/// @param coming the best for its place that keeps the rules of the match
/// @param isSpare whether it was kept for repairs of this pack
/// @param groupAmpHours of the group before, in Ah as measured
/// @param groupAmpHoursAfter of the group after, in Ah as measured
public record SwapAdvice(
        CellId leaving,
        String doubt,
        Candidate coming,
        boolean isSpare,
        double groupAmpHours,
        double groupAmpHoursAfter) {
    /// What to swap in a group of a matched pack, the most doubted cell first; none comes twice.
    ///
    /// @param group from 0
    /// @param most how many at most
    public static List<SwapAdvice> of(
            WorkshopState state, JudgedStock judged, String name, int group, int most) {
        Optional<Pack> known = Packs.of(state).pack(name);
        if (known.isEmpty() || group >= known.get().groups().size()) return List.of();
        Pack pack = known.get();
        MatchableStock stock = MatchableStock.of(state, judged, name);
        List<List<Candidate>> groups = PackLookup.candidates(state, stock, pack);
        if (groups.isEmpty()) return List.of();
        Set<CellId> taken = new HashSet<>(pack.cells());
        taken.removeAll(pack.spares());
        List<Candidate> own = new ArrayList<>(groups.get(group));
        own.sort(MOST_DOUBTED_FIRST);
        double before = own.stream().mapToDouble(Candidate::milliampHours).sum() / 1000;
        Predicate<Candidate> isFree = cell -> !taken.contains(cell.id());
        Predicate<Candidate> isSpare = cell -> pack.spares().contains(cell.id());
        List<SwapAdvice> advice = new ArrayList<>();
        for (Candidate leaving : own) {
            if (advice.size() == most) break;
            Optional<MatchReplacement> best =
                    best(groups, leaving, stock, isFree.and(isSpare), pack)
                            .or(() -> best(groups, leaving, stock, isFree, pack));
            if (best.isEmpty()) continue;
            Candidate coming = best.get().cell();
            taken.add(coming.id());
            advice.add(
                    new SwapAdvice(
                            leaving.id(),
                            doubt(leaving, own),
                            coming,
                            isSpare.test(coming),
                            before,
                            before + (coming.milliampHours() - leaving.milliampHours()) / 1000));
        }
        return List.copyOf(advice);
    }

    /// What takes the place of a cell that must leave; empty when nothing keeps the rules of the
    /// match there.
    ///
    /// @param taken cells that are promised to other places
    public static Optional<SwapAdvice> replacing(
            WorkshopState state,
            JudgedStock judged,
            String name,
            CellId leaving,
            Set<CellId> taken) {
        Optional<Pack> known = Packs.of(state).pack(name);
        if (known.isEmpty() || known.get().groupOf(leaving).isEmpty()) return Optional.empty();
        Pack pack = known.get();
        MatchableStock stock = MatchableStock.of(state, judged, name);
        List<List<Candidate>> groups = PackLookup.candidates(state, stock, pack);
        if (groups.isEmpty()) return Optional.empty();
        List<Candidate> own = groups.get(pack.groupOf(leaving).getAsInt());
        Candidate out =
                own.stream().filter(each -> each.id().equals(leaving)).findFirst().orElseThrow();
        Set<CellId> gone = new HashSet<>(pack.cells());
        gone.removeAll(pack.spares());
        gone.addAll(taken);
        Predicate<Candidate> isFree = cell -> !gone.contains(cell.id());
        Predicate<Candidate> isSpare = cell -> pack.spares().contains(cell.id());
        double before = own.stream().mapToDouble(Candidate::milliampHours).sum() / 1000;
        return best(groups, out, stock, isFree.and(isSpare), pack)
                .or(() -> best(groups, out, stock, isFree, pack))
                .map(best ->
                        new SwapAdvice(
                                leaving,
                                "has to leave",
                                best.cell(),
                                isSpare.test(best.cell()),
                                before,
                                before
                                        + (best.cell().milliampHours() - out.milliampHours())
                                                / 1000));
    }

    private static final Comparator<Candidate> MOST_DOUBTED_FIRST =
            Comparator.comparing((Candidate cell) -> !cell.isRescued())
                    .thenComparingDouble(cell -> -cell.milliohmsPerCan().orElse(0))
                    .thenComparingDouble(Candidate::milliampHoursPerCan)
                    .thenComparing(Candidate::id);

    private static Optional<MatchReplacement> best(
            List<List<Candidate>> groups,
            Candidate leaving,
            MatchableStock stock,
            Predicate<Candidate> isWanted,
            Pack pack) {
        List<Candidate> shelf = stock.candidates().stream().filter(isWanted).toList();
        return MatchReplacement.best(groups, leaving, shelf, pack.rules(), 1).stream().findFirst();
    }

    private static String doubt(Candidate leaving, List<Candidate> own) {
        if (leaving.isRescued()) return "rescued once";
        double highest =
                own.stream().mapToDouble(cell -> cell.milliohmsPerCan().orElse(0)).max().orElse(0);
        if (leaving.milliohmsPerCan().isPresent())
            return "%s in resistance, %s"
                    .formatted(
                            leaving.milliohmsPerCan().getAsDouble() == highest
                                    ? "highest of its group"
                                    : "high",
                            Quantity.RESISTANCE.text(leaving.milliohmsPerCan().getAsDouble()));
        return "resistance never read";
    }

    /// In words.
    public String sentence() {
        return "%s (%s) leaves, %s from %s comes"
                .formatted(leaving, doubt, coming.id(), isSpare ? "the spares" : "the stock");
    }
}
