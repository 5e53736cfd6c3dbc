package pentacell.core.match;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.MatchSwap;

/// A cell that can take the place of another while all the others stay where they are, as in groups
/// that are joined already.
///
/// @param cell the cell that comes
/// @param after what the groups come to then
public record MatchReplacement(Candidate cell, MatchFigures after) {

    /// The best cells for a place, best first.
    ///
    /// First what keeps the smallest group largest; among those that keep it as large, the nearest
    /// in IR to the middle of the others in the group; then the weakest, so that strong cells are
    /// saved. What the rules bar, or what breaks a limit inside the group, is not among them.
    ///
    /// @param groups the groups as they are
    /// @param leaving the cell that leaves; in one of the groups
    /// @param shelf cells to choose from
    /// @param most how many at most
    public static List<MatchReplacement> best(
            List<List<Candidate>> groups,
            Candidate leaving,
            List<Candidate> shelf,
            MatchRules rules,
            int most) {
        List<Candidate> others = new ArrayList<>();
        double smallestOther = Double.POSITIVE_INFINITY;
        for (List<Candidate> group : groups) {
            if (group.contains(leaving))
                group.stream().filter(each -> !each.equals(leaving)).forEach(others::add);
            else smallestOther = Math.min(smallestOther, sum(group));
        }
        double bar = smallestOther;
        double rest = sum(others);
        OptionalDouble middle =
                others.stream().flatMapToDouble(cell -> cell.milliohmsPerCan().stream()).average();
        Comparator<Candidate> byUsable =
                Comparator.comparingDouble(cell -> -Math.min(bar, rest + cell.milliampHours()));
        Comparator<Candidate> byResistance =
                Comparator.comparingDouble(cell ->
                        middle.isEmpty() || cell.milliohmsPerCan().isEmpty()
                                ? 0
                                : Math.abs(
                                        cell.milliohmsPerCan().getAsDouble()
                                                - middle.getAsDouble()));
        return Eligible.of(shelf, rules, java.util.Map.of()).cells().stream()
                .filter(cell -> cell.count() == leaving.count())
                .filter(cell -> cell.chemistry().equals(leaving.chemistry()))
                .filter(cell -> cell.mayBeOf(leaving.format()))
                .filter(cell -> keepsLimits(groups, leaving, cell, rules))
                .sorted(
                        byUsable.thenComparing(byResistance)
                                .thenComparingDouble(Candidate::milliampHours)
                                .thenComparing(Candidate::id))
                .limit(most)
                .map(cell ->
                        new MatchReplacement(
                                cell, MatchFigures.of(MatchSwap.in(groups, leaving, cell))))
                .toList();
    }

    private static boolean keepsLimits(
            List<List<Candidate>> groups, Candidate leaving, Candidate coming, MatchRules rules) {
        List<List<Candidate>> touched =
                groups.stream().filter(group -> group.contains(leaving)).toList();
        return MatchBreach.of(touched, MatchSwap.in(touched, leaving, coming), rules).isEmpty();
    }

    private static double sum(List<Candidate> group) {
        return group.stream().mapToDouble(Candidate::milliampHours).sum();
    }
}
