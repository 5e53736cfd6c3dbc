package pentacell.core.match;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import pentacell.core.pack.MatchRules;

/// What a hand deals from bins, to hold a match against: the bins walked from the highest to the
/// lowest, one cell from each into every group in turn (common practice). The limits that say which
/// cells are usable are kept; those on the cells of a group are not, a hand does not see them.
public final class MatchByHand {
    /// How wide a bin is, in mAh (common practice).
    public static final double BIN_MILLIAMP_HOURS = 100;

    private MatchByHand() {}

    /// The figures of the groups as dealt; empty when the cells are too few or there are units
    /// among them.
    ///
    /// @param candidates cells with distinct ids, in any order; inside a bin they are taken by id
    public static Optional<MatchFigures> figures(List<Candidate> candidates, MatchRules rules) {
        Eligible.EitherWay eligible = Eligible.of(candidates, rules, Map.of());
        boolean hasUnits = eligible.cells().stream().anyMatch(cell -> cell.count() > 1);
        if (hasUnits || eligible.cells().size() < rules.cellsNeeded()) return Optional.empty();
        Comparator<Candidate> byBin = Comparator.comparingLong(cell -> -bin(cell));
        List<Candidate> dealt =
                eligible.cells().stream()
                        .sorted(byBin.thenComparing(Candidate::id))
                        .limit(rules.cellsNeeded())
                        .toList();
        List<List<Candidate>> groups = new ArrayList<>();
        for (int group = 0; group < rules.series(); group++) groups.add(new ArrayList<>());
        int group = 0;
        for (Candidate cell : dealt) {
            while (groups.get(group).size() == rules.groupSizes().get(group))
                group = (group + 1) % rules.series();
            groups.get(group).add(cell);
            group = (group + 1) % rules.series();
        }
        return Optional.of(MatchFigures.of(groups));
    }

    private static long bin(Candidate cell) {
        return (long) Math.floor(cell.milliampHours() / BIN_MILLIAMP_HOURS);
    }
}
