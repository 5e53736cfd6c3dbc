package pentacell.core.pack;

import java.util.List;
import java.util.Map;
import pentacell.core.cell.CellId;
import pentacell.core.journal.Fact;

/// What can be logged of a pack in the making.
public sealed interface PackFact extends Fact {
    /// The name of the pack.
    String pack();

    /// The groups of a pack were matched; earlier groups of the same pack no longer hold.
    ///
    /// @param rules what the match kept to
    /// @param groups the cells of each group, in series order
    /// @param locked cells that were locked to their group (counted from 0) when it was made
    record GroupsMatched(
            String pack, MatchRules rules, List<List<CellId>> groups, Map<CellId, Integer> locked)
            implements PackFact {
        public GroupsMatched {
            groups = groups.stream().map(List::copyOf).toList();
            locked = Map.copyOf(locked);
        }
    }

    /// Two cells changed places: between two groups, or between a group and the shelf.
    record CellsSwapped(String pack, CellId first, CellId second) implements PackFact {}

    /// A cell was locked to the group it is in, or set free again.
    record CellLock(String pack, CellId cell, Lock lock) implements PackFact {}

    /// A cell was taken from its place on the pick walk, or put back.
    record CellPicked(String pack, CellId cell, Pick pick) implements PackFact {}

    /// A cell outside of the groups was kept for repairs of the pack, or set free again.
    record CellReserved(String pack, CellId cell, Reserve reserve) implements PackFact {}

    /// The groups of a pack hold no longer: its cells are free.
    record PackDissolved(String pack) implements PackFact {}

    /// Whether a cell stays in its group.
    enum Lock {
        LOCKED,
        FREE
    }

    /// Whether a cell is kept for repairs.
    enum Reserve {
        KEPT,
        RELEASED
    }

    /// Whether a cell is in the hand.
    enum Pick {
        TAKEN,
        PUT_BACK
    }
}
