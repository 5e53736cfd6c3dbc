package pentacell.core.match;

import java.util.Arrays;
import java.util.function.BooleanSupplier;

/// The cells of a lot in order of resistance, for groups that each take theirs from a *window*: the
/// cells from a place on that lie within the limit of the one there.
final class WindowedRow {
    /// Windows of more groups take too long to be moved one by one.
    private static final int MOST_GROUPS = 24;

    /// Of fewer cells in a group a share in fractions tells too little of whole ones.
    private static final int LEAST_IN_GROUP = 16;

    private static final int MOST_CELLS = 20_000;

    final CandidateTable lot;
    final int groups;
    final int size;

    /// Cells at their places.
    final int[] cells;

    /// First place that no longer lies in the window beginning at a place.
    final int[] ends;

    /// Capacity at each place over the mean of the lot, in ticks.
    final double[] over;

    final double mean;

    /// Standard deviation of the capacities, in ticks.
    final double sigma;

    /// Asked now and then; what is being worked out is given up then.
    final BooleanSupplier stop;

    WindowedRow(CandidateTable lot, BooleanSupplier stop) {
        this.lot = lot;
        this.stop = stop;
        groups = lot.groups();
        size = lot.groupSizes()[0];
        cells = ResistanceRow.cells(lot);
        ends = ResistanceRow.windowEnds(lot, cells);
        mean = Arrays.stream(cells).mapToDouble(lot::ticks).average().orElse(0);
        sigma = lot.sigmaTicks();
        over = Arrays.stream(cells).mapToDouble(cell -> lot.ticks(cell) - mean).toArray();
    }

    /// Whether windows say something of a lot: equal groups of many cells, with nothing but a limit
    /// on IR.
    static boolean isFor(CandidateTable lot) {
        return SparingSweep.isFor(lot)
                && lot.size() <= MOST_CELLS
                && lot.groups() > 1
                && lot.groups() <= MOST_GROUPS
                && lot.groupSizes()[0] >= LEAST_IN_GROUP;
    }

    int length() {
        return cells.length;
    }

    /// Whether a window may begin at a place: it holds a group's worth.
    boolean mayBegin(int place) {
        return place >= 0 && place < length() && ends[place] - place >= size;
    }

    /// Where the windows of a grouping begin, rising.
    int[] beginsOf(Grouping grouping) {
        int[] begins = new int[groups];
        Arrays.fill(begins, length());
        for (int place = 0; place < length(); place++) {
            int group = grouping.groupOf[cells[place]];
            if (group < groups) begins[group] = Math.min(begins[group], place);
        }
        Arrays.sort(begins);
        return begins;
    }
}
