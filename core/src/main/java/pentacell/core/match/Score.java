package pentacell.core.match;

import pentacell.core.pack.Selection;

/// How good a grouping is on capacity, in ticks.
///
/// @param usable the smallest group
/// @param spread largest minus smallest
record Score(long usable, long spread) {
    static Score of(Grouping grouping) {
        long usable = grouping.smallest();
        return new Score(usable, grouping.largest() - usable);
    }

    boolean isBetterThan(Score other, Selection selection) {
        return switch (selection) {
            case STRONGEST ->
                    usable > other.usable || usable == other.usable && spread < other.spread;
            case ALL, TIGHTEST ->
                    spread < other.spread || spread == other.spread && usable > other.usable;
        };
    }

    /// Whether arithmetic shows that the figure made best first cannot be better.
    boolean isFirstAimProven(CapacityBounds.InTicks bounds, Selection selection) {
        return switch (selection) {
            case STRONGEST -> usable >= bounds.usable();
            case ALL, TIGHTEST -> spread <= bounds.spread();
        };
    }

    /// Whether arithmetic shows that nothing is left to gain.
    boolean isProven(CapacityBounds.InTicks bounds, Selection selection) {
        return switch (selection) {
            case STRONGEST, TIGHTEST -> usable >= bounds.usable() && spread <= bounds.spread();
            case ALL -> spread <= bounds.spread();
        };
    }
}
