package pentacell.core.match;

import java.util.Arrays;
import java.util.Comparator;
import java.util.function.BooleanSupplier;
import pentacell.core.pack.Selection;

/// Levels groups by the one swap that serves best, until none serves: between the highest and the
/// lowest groups, and with the shelf.
///
/// Between groups a and b with sums differing by d the best swap moves d ÷ 2: for each cell of a
/// the wanted partner in b is found by bisection on b's capacities, and its neighbours are tried
/// when a limit forbids it. Every swap makes Σ (sum − mean)² smaller or the smallest group larger,
/// so it ends.
final class Levelling {
    private static final int NEIGHBOURS = 12;

    private final Grouping grouping;
    private final CandidateTable lot;
    private final Selection selection;

    private final BooleanSupplier stop;

    private Levelling(Grouping grouping, Selection selection, BooleanSupplier stop) {
        this.grouping = grouping;
        this.lot = grouping.lot;
        this.selection = selection;
        this.stop = stop;
    }

    /// @param stop asked between swaps; what is level so far stays
    static void level(Grouping grouping, Selection selection, BooleanSupplier stop) {
        new Levelling(grouping, selection, stop).level();
    }

    private void level() {
        int most = 200 * (lot.groups() + 4);
        for (int i = 0; i < most && !stop.getAsBoolean(); i++)
            if (!raiseFromShelf() && !swapBetweenGroups()) break;
        if (selection == Selection.ALL) return;
        for (int i = 0; i < most && !stop.getAsBoolean(); i++) if (!lowerWithShelf()) break;
    }

    private boolean swapBetweenGroups() {
        Integer[] bySum = new Integer[lot.groups()];
        Arrays.setAll(bySum, group -> group);
        Arrays.sort(bySum, Comparator.comparingLong(group -> grouping.sum[group]));
        int lowest = bySum[0];
        int highest = bySum[bySum.length - 1];
        for (int group : bySum) if (group != highest && swapBest(highest, group)) return true;
        for (int i = bySum.length - 1; i > 0; i--) if (swapBest(bySum[i], lowest)) return true;
        return false;
    }

    /// Makes the swap that brings two groups nearest together, if any does.
    private boolean swapBest(int higher, int lower) {
        long difference = grouping.sum[higher] - grouping.sum[lower];
        if (difference <= 1) return false;
        int[] falling = byCapacity(lower);
        long least = difference;
        int bestX = -1;
        int bestY = -1;
        for (int x : grouping.members(higher)) {
            if (lot.isLocked(x)) continue;
            long wanted = lot.ticks(x) - difference / 2;
            int at = firstAtMost(falling, wanted);
            for (int step = 0; step < NEIGHBOURS; step++) {
                // 0, −1, 1, −2, 2 … around the wanted capacity
                int index = at + (step % 2 == 0 ? step / 2 : -(step + 1) / 2);
                if (index < 0 || index >= falling.length) continue;
                int y = falling[index];
                long after = Math.abs(difference - 2L * (lot.ticks(x) - lot.ticks(y)));
                if (after < least && grouping.maySwap(x, y)) {
                    least = after;
                    bestX = x;
                    bestY = y;
                }
            }
        }
        if (bestX < 0) return false;
        grouping.swap(bestX, bestY);
        return true;
    }

    /// Gives the smallest group a stronger cell from the shelf (only the rule that wants strength
    /// does).
    private boolean raiseFromShelf() {
        if (selection != Selection.STRONGEST || grouping.members(grouping.shelf).length == 0)
            return false;
        int smallest = smallestGroup();
        int[] shelf = byCapacity(grouping.shelf);
        long most = 0;
        int bestX = -1;
        int bestY = -1;
        for (int x : grouping.members(smallest)) {
            for (int y : shelf) {
                long gain = (long) lot.ticks(y) - lot.ticks(x);
                // the others are weaker still
                if (gain <= most) break;
                if (!grouping.maySwap(x, y)) continue;
                most = gain;
                bestX = x;
                bestY = y;
            }
        }
        if (bestX < 0) return false;
        grouping.swap(bestX, bestY);
        return true;
    }

    /// Takes from the largest group what it has over the smallest, by a weaker cell from the shelf.
    private boolean lowerWithShelf() {
        int[] shelf = byCapacity(grouping.shelf);
        if (shelf.length == 0) return false;
        int largest = 0;
        for (int group = 1; group < lot.groups(); group++)
            if (grouping.sum[group] > grouping.sum[largest]) largest = group;
        long surplus = grouping.sum[largest] - grouping.smallest();
        long most = 0;
        int bestX = -1;
        int bestY = -1;
        for (int x : grouping.members(largest)) {
            // from the weakest that takes no more than the surplus to stronger ones
            for (int i = firstAtMost(shelf, lot.ticks(x) - surplus - 1) - 1; i >= 0; i--) {
                long loss = (long) lot.ticks(x) - lot.ticks(shelf[i]);
                if (loss <= most) break;
                if (!grouping.maySwap(x, shelf[i])) continue;
                most = loss;
                bestX = x;
                bestY = shelf[i];
            }
        }
        if (bestX < 0) return false;
        grouping.swap(bestX, bestY);
        return true;
    }

    private int smallestGroup() {
        int smallest = 0;
        for (int group = 1; group < lot.groups(); group++)
            if (grouping.sum[group] < grouping.sum[smallest]) smallest = group;
        return smallest;
    }

    /// The cells of a group, strongest first: cells are numbered so, hence sorting the numbers does
    /// it.
    private int[] byCapacity(int group) {
        int[] cells = grouping.members(group).clone();
        Arrays.sort(cells);
        return cells;
    }

    private int firstAtMost(int[] falling, long wanted) {
        int from = 0;
        int to = falling.length;
        while (from < to) {
            int middle = (from + to) >>> 1;
            if (lot.ticks(falling[middle]) > wanted) from = middle + 1;
            else to = middle;
        }
        return from;
    }
}
