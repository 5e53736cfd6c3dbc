package pentacell.core.match;

import java.util.List;
import java.util.stream.Stream;
import pentacell.core.cell.CellId;
import pentacell.core.pack.MatchRules;

/// Matched groups.
///
/// @param rules what the match kept to
/// @param groups the cells of each group, in series order, strongest first
/// @param leftOver usable cells that were left out, strongest first
/// @param figures what the groups come to
/// @param bounds how much better any match under the same rules could possibly be
/// @param method how the groups were found
/// @param ending why the search stopped
/// @param spares cells held back for repair, best first
public record MatchResult(
        MatchRules rules,
        List<List<CellId>> groups,
        List<CellId> leftOver,
        MatchFigures figures,
        CapacityBounds bounds,
        String method,
        Ending ending,
        List<CellId> spares) {
    public MatchResult {
        groups = groups.stream().map(List::copyOf).toList();
        leftOver = List.copyOf(leftOver);
        spares = List.copyOf(spares);
    }

    /// The same groups, with the bounds of all cells that could have been taken; what was proven of
    /// those that were is not proven of all.
    MatchResult among(CapacityBounds all) {
        return new MatchResult(
                rules, groups, leftOver, figures, all, method, Ending.SEARCHED, spares);
    }

    /// The same groups with cells held back for repair; among those left over no longer.
    MatchResult withSpares(List<CellId> heldBack) {
        List<CellId> others = leftOver.stream().filter(cell -> !heldBack.contains(cell)).toList();
        return new MatchResult(rules, groups, others, figures, bounds, method, ending, heldBack);
    }

    /// The same groups, with more cells left over.
    MatchResult withLeftOver(List<CellId> more) {
        return new MatchResult(
                rules,
                groups,
                Stream.concat(more.stream(), leftOver.stream()).toList(),
                figures,
                bounds,
                method,
                ending,
                spares);
    }

    /// Why a search stopped.
    public enum Ending {
        /// No match can have a larger smallest group, or a smaller spread, than this one.
        PROVEN_BEST,
        /// As [#PROVEN_BEST], but for what the meter cannot tell: that was spent on even
        /// resistances and spread donors.
        PROVEN_WITHIN_NOISE,
        /// The search had done what it set out to do.
        SEARCHED,
        /// The time limit cut it short; another run may find something else.
        CUT_SHORT
    }
}
