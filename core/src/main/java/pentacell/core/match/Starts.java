package pentacell.core.match;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.BooleanSupplier;
import pentacell.core.pack.Selection;

/// First groupings, built in ways that are known to come near: three deals of the chosen cells, and
/// a cut of windows when limits ask for it.
final class Starts {
    private Starts() {}

    /// All first groupings of a lot; some may still break a limit.
    static List<Grouping> all(CandidateTable lot, Selection selection, BooleanSupplier stop) {
        if (lot.hasUnits()) return UnitDeal.starts(lot, stop);
        List<Grouping> starts = new ArrayList<>();
        if (lot.limitsIrSpread() || lot.limitsModels())
            Windows.cut(lot)
                    .filter(cut -> keepsLocks(lot, cut))
                    .ifPresent(cut -> starts.add(new Grouping(lot, cut)));
        if (!SparingSweep.isFor(lot) || selection != Selection.STRONGEST)
            Windows.cutStrongest(lot, stop).ifPresent(cut -> starts.add(new Grouping(lot, cut)));
        int leftOut = lot.size() - lot.cellsNeeded();
        int tries = selection == Selection.TIGHTEST ? Math.min(leftOut, 8) : 0;
        for (int i = 0; i <= tries; i++) {
            int[] chosen = chosen(lot, tries == 0 ? 0 : (int) ((long) leftOut * i / tries));
            starts.add(new Grouping(lot, serpentine(lot, chosen)));
            starts.add(new Grouping(lot, largestIntoLightest(lot, chosen)));
            if (canBeDifferenced(lot))
                starts.add(new Grouping(lot, BalancedDifferencing.deal(lot, chosen)));
        }
        return starts;
    }

    private static boolean keepsLocks(CandidateTable lot, int[] groupOf) {
        for (int cell = 0; cell < lot.size(); cell++)
            if (lot.isLocked(cell) && groupOf[cell] != lot.lockedTo(cell)) return false;
        return true;
    }

    private static boolean canBeDifferenced(CandidateTable lot) {
        int[] sizes = lot.groupSizes();
        return !lot.hasLocks() && Arrays.stream(sizes).allMatch(size -> size == sizes[0]);
    }

    /// The cells to use, strongest first: all locked ones, and a run of the free ones that begins
    /// at an offset.
    private static int[] chosen(CandidateTable lot, int offset) {
        int free = lot.cellsNeeded();
        for (int cell = 0; cell < lot.size(); cell++) if (lot.isLocked(cell)) free--;
        int[] chosen = new int[lot.cellsNeeded()];
        int count = 0;
        int skipped = 0;
        for (int cell = 0; cell < lot.size(); cell++) {
            if (lot.isLocked(cell)) chosen[count++] = cell;
            else if (skipped < offset) skipped++;
            else if (free > 0) {
                chosen[count++] = cell;
                free--;
            }
        }
        return chosen;
    }

    /// Deals there and back: 1 2 3 3 2 1 1 2 3 …
    private static int[] serpentine(CandidateTable lot, int[] chosen) {
        Deal deal = new Deal(lot, chosen);
        int group = 0;
        int step = 1;
        for (int cell : chosen) {
            if (lot.isLocked(cell)) continue;
            while (deal.isFull(group)) {
                int next = group + step;
                if (next < 0 || next >= lot.groups()) step = -step;
                else group = next;
            }
            deal.give(cell, group);
            int next = group + step;
            if (next < 0 || next >= lot.groups()) step = -step;
            else group = next;
        }
        return deal.groupOf;
    }

    /// Largest first, each into the lightest group that has room (Graham's rule with full groups
    /// closed).
    private static int[] largestIntoLightest(CandidateTable lot, int[] chosen) {
        Deal deal = new Deal(lot, chosen);
        for (int cell : chosen) {
            if (lot.isLocked(cell)) continue;
            int lightest = -1;
            for (int group = 0; group < lot.groups(); group++)
                if (!deal.isFull(group) && (lightest < 0 || deal.sum[group] < deal.sum[lightest]))
                    lightest = group;
            deal.give(cell, lightest);
        }
        return deal.groupOf;
    }

    /// Groups while they are being filled; locked cells are in from the beginning.
    private static final class Deal {
        final int[] groupOf;
        final long[] sum;
        private final CandidateTable lot;
        private final int[] room;

        Deal(CandidateTable lot, int[] chosen) {
            this.lot = lot;
            groupOf = new int[lot.size()];
            Arrays.fill(groupOf, lot.groups());
            sum = new long[lot.groups()];
            room = lot.groupSizes().clone();
            for (int cell : chosen) if (lot.isLocked(cell)) give(cell, lot.lockedTo(cell));
        }

        boolean isFull(int group) {
            return room[group] == 0;
        }

        void give(int cell, int group) {
            groupOf[cell] = group;
            sum[group] += lot.ticks(cell);
            room[group]--;
        }
    }
}
