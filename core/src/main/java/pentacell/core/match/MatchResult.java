package pentacell.core.match;

import java.util.List;
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
public record MatchResult(
        MatchRules rules,
        List<List<CellId>> groups,
        List<CellId> leftOver,
        MatchFigures figures,
        CapacityBounds bounds,
        String method,
        Ending ending) {
    public MatchResult {
        groups = groups.stream().map(List::copyOf).toList();
        leftOver = List.copyOf(leftOver);
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
