package pentacell.core.match;

import java.util.Arrays;
import java.util.Comparator;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;

/// First groupings under a limit on IR that spare the strong cells.
///
/// Along the row of cells in order of resistance, each group is taken from the window that begins
/// at the lowest free cell. Of the window the cells that just reach the bar are taken, those that
/// no later window will hold first: a cell weighs −(1 − θ)·u^p + θ·c/c_max, with u its place in the
/// window from 0 to 1, and θ is as small as reaches the bar. Where even the strongest of a window
/// do not reach it, its first cell is passed over. The highest bar that fills every group is found
/// by bisection under the proven bound; from either end of the row, with steep and with flat
/// weights, from the cells that the bound itself would use and from all.
final class SparingSweep {
    private static final double[] STEEPNESS = {1, 4};
    private static final int BISECTIONS = 14;
    private static final int THETA_BISECTIONS = 12;
    private static final double LEAST_SHARE_OF_BOUND = 0.9;

    private final CandidateTable lot;
    private final BooleanSupplier stop;
    private final int size;

    private SparingSweep(CandidateTable lot, BooleanSupplier stop) {
        this.lot = lot;
        this.stop = stop;
        size = lot.groupSizes()[0];
    }

    /// The group of each cell, or empty where it does not apply (no limit on IR, far too many
    /// cells, locks, a cap on models, unequal groups) or fills no bar.
    ///
    /// @param bound no smallest group is above this, in ticks
    static Optional<int[]> of(CandidateTable lot, long bound, BooleanSupplier stop) {
        boolean equalSizes = Arrays.stream(lot.groupSizes()).distinct().count() == 1;
        if (!LimitedBound.isFor(lot) || lot.hasLocks() || lot.limitsModels() || !equalSizes)
            return Optional.empty();
        return new SparingSweep(lot, stop).best(bound);
    }

    private Optional<int[]> best(long bound) {
        boolean[] all = new boolean[lot.size()];
        Arrays.fill(all, true);
        boolean[] used = LimitedBound.usedAt(lot, bound);
        Optional<int[]> best = Optional.empty();
        long reached = (long) (LEAST_SHARE_OF_BOUND * bound);
        for (boolean[] cells : new boolean[][] {used, all})
            for (double steepness : STEEPNESS)
                for (boolean mirrored : new boolean[] {false, true}) {
                    int[] row = row(cells, mirrored);
                    // a bar that is not over what is reached already is not worth a search
                    long low = reached + 1;
                    long high = bound;
                    for (int i = 0; i < BISECTIONS && low <= high; i++) {
                        long bar = i == 0 ? low : (low + high + 1) >>> 1;
                        Optional<int[]> found = sweep(row, steepness, bar);
                        if (found.isPresent()) {
                            best = found;
                            reached = bar;
                            low = bar + 1;
                        } else high = bar - 1;
                        if (stop.getAsBoolean()) return best;
                    }
                }
        return best;
    }

    private int[] row(boolean[] cells, boolean mirrored) {
        Comparator<Integer> rising = Comparator.comparingDouble(lot::milliohms);
        return IntStream.range(0, lot.size())
                .filter(cell -> cells[cell])
                .boxed()
                .sorted(mirrored ? rising.reversed() : rising)
                .mapToInt(Integer::intValue)
                .toArray();
    }

    private Optional<int[]> sweep(int[] row, double steepness, long bar) {
        int[] groupOf = new int[lot.size()];
        Arrays.fill(groupOf, lot.groups());
        StrongestOf window = new StrongestOf(lot);
        int group = 0;
        int end = 0;
        int from = 0;
        while (from < row.length && group < lot.groups()) {
            if (groupOf[row[from]] < lot.groups()) {
                from++;
                continue;
            }
            double begin = lot.milliohms(row[from]);
            while (end < row.length
                    && Math.abs(lot.milliohms(row[end]) - begin) <= lot.maxIrSpread() + 1e-9)
                window.add(row[end++]);
            if (window.count() < size || window.sum(size) < bar) {
                window.remove(row[from++]);
                continue;
            }
            for (int cell : sparing(row, from, end, groupOf, steepness, bar)) {
                groupOf[cell] = group;
                window.remove(cell);
            }
            group++;
        }
        return group == lot.groups() ? Optional.of(groupOf) : Optional.empty();
    }

    /// A group's worth of free cells of a window that just reaches the bar.
    private int[] sparing(int[] row, int from, int end, int[] groupOf, double steepness, long bar) {
        int[] free =
                Arrays.stream(row, from, end)
                        .filter(cell -> groupOf[cell] == lot.groups())
                        .toArray();
        double begin = lot.milliohms(row[from]);
        double[] late = new double[free.length];
        double[] strength = new double[free.length];
        for (int i = 0; i < free.length; i++) {
            double place =
                    Math.abs(lot.milliohms(free[i]) - begin) / Math.max(1e-9, lot.maxIrSpread());
            late[i] = Math.pow(place, steepness);
            strength[i] = (double) lot.ticks(free[i]) / lot.ticks(0);
        }
        double low = 0;
        double high = 1;
        int[] taken = heaviest(free, late, strength, 1);
        for (int i = 0; i < THETA_BISECTIONS; i++) {
            double theta = (low + high) / 2;
            int[] tried = heaviest(free, late, strength, theta);
            if (Arrays.stream(tried).mapToLong(lot::ticks).sum() >= bar) {
                taken = tried;
                high = theta;
            } else low = theta;
        }
        return taken;
    }

    private int[] heaviest(int[] free, double[] late, double[] strength, double theta) {
        long[] keys = new long[free.length];
        for (int i = 0; i < free.length; i++) {
            // heaviest first; the place in the window breaks ties
            double weight = theta * strength[i] - (1 - theta) * late[i];
            keys[i] = ((long) ((2 - weight) * (1L << 28)) << 32) | i;
        }
        Arrays.sort(keys);
        int[] heaviest = new int[size];
        for (int i = 0; i < size; i++) heaviest[i] = free[(int) keys[i]];
        return heaviest;
    }
}
