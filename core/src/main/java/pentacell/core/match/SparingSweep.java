package pentacell.core.match;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
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
    private static final double[] STEEPNESS = {0.1, 0.3, 0.6, 1};

    /// So far above what is reached already bars are tried, as shares of the bound: where one fails
    /// a higher one may still be filled.
    private static final double[] TRIED_ABOVE = {0, 2e-4, 5e-4, 1e-3};

    private static final int THETA_BISECTIONS = 10;
    private static final double LEAST_SHARE_OF_BOUND = 0.9;

    /// Bars are told apart to this share of the bound; the search does the rest.
    private static final double FINENESS = 2e-5;

    private final CandidateTable lot;
    private final BooleanSupplier stop;
    private final int size;

    private SparingSweep(CandidateTable lot, BooleanSupplier stop) {
        this.lot = lot;
        this.stop = stop;
        size = lot.groupSizes()[0];
    }

    /// Whether it applies: a limit on IR, not far too many cells, no locks, no units, no cap on
    /// models, equal groups.
    static boolean isFor(CandidateTable lot) {
        boolean equalSizes = Arrays.stream(lot.groupSizes()).distinct().count() == 1;
        return LimitedBound.isFor(lot)
                && !lot.hasLocks()
                && !lot.limitsModels()
                && !lot.hasUnits()
                && equalSizes;
    }

    /// The group of each cell, or empty where it does not apply or fills no bar.
    ///
    /// @param bound no smallest group is above this, in ticks
    static Optional<int[]> of(CandidateTable lot, long bound, BooleanSupplier stop) {
        return isFor(lot) ? new SparingSweep(lot, stop).best(bound) : Optional.empty();
    }

    private Optional<int[]> best(long bound) {
        boolean[] all = new boolean[lot.size()];
        Arrays.fill(all, true);
        boolean[] used = LimitedBound.usedAt(lot, bound);
        Optional<int[]> best = Optional.empty();
        long reached = (long) (LEAST_SHARE_OF_BOUND * bound);
        long fineness = Math.max(1, (long) (FINENESS * bound));
        for (boolean[] cells : new boolean[][] {all, used}) {
            for (int[] row : List.of(row(cells, true), row(cells, false)))
                for (double steepness : STEEPNESS) {
                    long before = reached;
                    for (double above : TRIED_ABOVE) {
                        long bar = reached + 1 + (long) (above * bound);
                        Optional<int[]> found =
                                bar > bound ? Optional.empty() : sweep(row, steepness, bar);
                        if (found.isEmpty()) continue;
                        best = found;
                        reached = bar;
                    }
                    long high = reached > before ? bound : reached;
                    while (high - reached >= fineness && !stop.getAsBoolean()) {
                        long bar = (reached + high + 1) >>> 1;
                        Optional<int[]> found = sweep(row, steepness, bar);
                        if (found.isPresent()) {
                            best = found;
                            reached = bar;
                        } else high = bar - 1;
                    }
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
        Front front = new Front(row);
        for (int group = 0; group < lot.groups(); group++)
            if (!front.fill(group, steepness, bar)) return Optional.empty();
        return Optional.of(front.groupOf);
    }

    /// Where a sweep stands: the window that begins at the first free cell of a row.
    private final class Front {
        private final int[] row;
        private final int[] groupOf = new int[lot.size()];
        private final StrongestOf window = new StrongestOf(lot);
        private int from;
        private int end;

        Front(int[] row) {
            this.row = row;
            Arrays.fill(groupOf, lot.groups());
        }

        /// Fills a group to the bar; false when no window can do so any more.
        boolean fill(int group, double steepness, long bar) {
            for (; from < row.length; from++) {
                if (!isFree(row[from])) continue;
                double begin = lot.milliohms(row[from]);
                while (end < row.length
                        && Math.abs(lot.milliohms(row[end]) - begin) <= lot.maxIrSpread() + 1e-9)
                    window.add(row[end++]);
                if (window.count() >= size && window.sum(size) >= bar) {
                    for (int cell : sparing(steepness, bar)) {
                        groupOf[cell] = group;
                        window.remove(cell);
                    }
                    return true;
                }
                window.remove(row[from]);
            }
            return false;
        }

        private boolean isFree(int cell) {
            return groupOf[cell] == lot.groups();
        }

        private int[] sparing(double steepness, long bar) {
            double begin = lot.milliohms(row[from]);
            int count = window.count();
            int[] free = new int[count];
            double[] late = new double[count];
            double[] strength = new double[count];
            int next = 0;
            for (int i = from; i < end; i++) {
                int cell = row[i];
                if (!isFree(cell)) continue;
                double place =
                        Math.abs(lot.milliohms(cell) - begin) / Math.max(1e-9, lot.maxIrSpread());
                free[next] = cell;
                late[next] = steepness == 1 ? place : Math.pow(place, steepness);
                strength[next++] = (double) lot.ticks(cell) / lot.ticks(0);
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
    }

    private int[] heaviest(int[] free, double[] late, double[] strength, double theta) {
        long[] keys = new long[free.length];
        for (int i = 0; i < free.length; i++) {
            // heaviest first; the place in the window breaks ties
            double weight = theta * strength[i] - (1 - theta) * late[i];
            keys[i] = ((long) ((2 - weight) * (1L << 28)) << 32) | i;
        }
        bringLeastToFront(keys, size);
        int[] heaviest = new int[size];
        for (int i = 0; i < size; i++) heaviest[i] = free[(int) keys[i]];
        return heaviest;
    }

    /// Puts the `count` least keys first, in any order (Hoare's selection).
    private static void bringLeastToFront(long[] keys, int count) {
        int from = 0;
        int to = keys.length - 1;
        while (from < to) {
            long pivot = keys[(from + to) >>> 1];
            int i = from;
            int j = to;
            while (i <= j) {
                while (keys[i] < pivot) i++;
                while (keys[j] > pivot) j--;
                if (i <= j) {
                    long key = keys[i];
                    keys[i++] = keys[j];
                    keys[j--] = key;
                }
            }
            if (count <= j + 1) to = j;
            else if (count > i) from = i;
            else return;
        }
    }
}
