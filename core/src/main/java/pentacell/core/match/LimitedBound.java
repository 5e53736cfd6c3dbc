package pentacell.core.match;

import java.util.Arrays;
import java.util.Comparator;
import java.util.stream.IntStream;

/// What the smallest group cannot beat while no group's resistances lie further apart than the
/// limit.
///
/// For a bar B on every group of P cells let τ = B ÷ P. Along the row of cells in order of
/// resistance, the members of a group lie in the window that begins at its lowest one. A window is
/// *ok* when its P strongest reach B; a cell that lies in no ok window is in no group. In each
/// group the surplus of its strong cells (c − τ) covers the deficits of its weak ones (τ − c), and
/// both lie in one window: so weak cell j draws only on strong cells between the begin of its first
/// and the end of its last ok window. Relaxed to fractions, the most weak cells that can be covered
/// are found by a greedy in order of rising deficit: neighbourhoods are intervals that move with j,
/// so a choice z is possible exactly when for all a ≤ b
///
/// Z(b) − Z(a − 1) ≤ F(end of b) − F(begin of a),
///
/// with prefix sums Z of what is drawn and F of the surplus, and each step takes what the tightest
/// of these leaves. The bar is possible while strong cells and covered fractions of weak ones come
/// to the number of cells needed. The largest possible bar, by bisection, is the bound.
///
/// Groups of unequal size: P is the largest of them; the smaller ones need even stronger cells.
final class LimitedBound {
    /// Larger lots are bounded by arithmetic alone.
    private static final int MOST_CELLS = 60_000;

    private static final double ROUNDING = 1e-6;

    private final CandidateTable lot;

    /// Cells in order of resistance.
    private final int[] row;

    /// First place in the row that no longer lies in the window beginning at a place.
    private final int[] windowEnd;

    /// Sum of the strongest of each window, a group's worth; −1 where it has fewer cells.
    private final long[] windowSum;

    private final int largestSize;

    private LimitedBound(CandidateTable lot) {
        this.lot = lot;
        largestSize = Arrays.stream(lot.groupSizes()).max().orElseThrow();
        int smallestSize = Arrays.stream(lot.groupSizes()).min().orElseThrow();
        row = ResistanceRow.cells(lot);
        windowEnd = ResistanceRow.windowEnds(lot, row);
        windowSum = windowSums(smallestSize);
    }

    /// Whether a lot has a limit and is not too large to be looked at so.
    static boolean isFor(CandidateTable lot) {
        return lot.limitsIrSpread() && lot.size() <= MOST_CELLS;
    }

    /// The bound in ticks; `unlimited` where the limit says nothing.
    static long of(CandidateTable lot, long unlimited) {
        if (!isFor(lot)) return unlimited;
        LimitedBound bound = new LimitedBound(lot);
        long possible = 0;
        long impossible = unlimited + 1;
        while (impossible - possible > 1) {
            long middle = (possible + impossible) >>> 1;
            if (bound.isPossible(middle)) possible = middle;
            else impossible = middle;
        }
        return possible;
    }

    /// Cells of a lot are numbered strongest first, so the strongest of a window are those of the
    /// lowest numbers: kept in a tree over the numbers while the window slides along the row.
    private long[] windowSums(int smallestSize) {
        StrongestOf strongest = new StrongestOf(lot);
        long[] sums = new long[row.length];
        int end = 0;
        for (int begin = 0; begin < row.length; begin++) {
            while (end < windowEnd[begin]) strongest.add(row[end++]);
            sums[begin] = windowEnd[begin] - begin < smallestSize ? -1 : strongest.sum(largestSize);
            strongest.remove(row[begin]);
        }
        return sums;
    }

    /// The cells that the relaxation uses at a bar: all strong ones and the weak ones it draws for.
    static boolean[] usedAt(CandidateTable lot, long bar) {
        boolean[] used = new boolean[lot.size()];
        new LimitedBound(lot).isPossible(bar, used);
        return used;
    }

    private boolean isPossible(long bar) {
        return isPossible(bar, new boolean[lot.size()]);
    }

    private boolean isPossible(long bar, boolean[] used) {
        double each = (double) bar / largestSize;
        int n = row.length;
        // begin of the first and end of the last ok window that holds each place; 0 where none does
        int[] from = new int[n];
        int[] until = new int[n];
        int first = 0;
        int last = -1;
        for (int place = 0; place < n; place++) {
            if (windowSum[place] >= bar) last = place;
            while (first < n
                    && (windowSum[first] < bar || windowEnd[first] <= place)
                    && first <= place) first++;
            boolean isHeld = last >= 0 && windowEnd[last] > place;
            from[place] = isHeld ? first : 0;
            until[place] = isHeld ? windowEnd[last] : 0;
        }
        double[] surplusBefore = new double[n + 1];
        int strong = 0;
        int weak = 0;
        int[] weakPlaces = new int[n];
        for (int place = 0; place < n; place++) {
            double over = lot.ticks(row[place]) - each;
            boolean isHeld = until[place] > 0;
            if (isHeld && over >= 0) {
                strong++;
                used[row[place]] = true;
            }
            if (isHeld && over < 0) weakPlaces[weak++] = place;
            surplusBefore[place + 1] = surplusBefore[place] + (isHeld ? Math.max(0, over) : 0);
        }
        if (strong >= lot.cellsNeeded()) return true;
        int[] weakOnes = Arrays.copyOf(weakPlaces, weak);
        return strong + covered(each, weakOnes, from, until, surplusBefore, used)
                >= lot.cellsNeeded() - ROUNDING;
    }

    /// The most weak cells whose deficits the strong ones cover, in fractions.
    private double covered(
            double each,
            int[] weak,
            int[] from,
            int[] until,
            double[] surplusBefore,
            boolean[] used) {
        if (weak.length == 0) return 0;
        double[] room = new double[weak.length];
        double[] drawn = new double[weak.length];
        for (int j = 0; j < weak.length; j++) {
            room[j] = surplusBefore[until[weak[j]]];
            drawn[j] = -surplusBefore[from[weak[j]]];
        }
        // least of F(end of b) − Z(b), and least of Z(a − 1) − F(begin of a)
        SuffixAddTree rooms = new SuffixAddTree(room);
        SuffixAddTree begins = new SuffixAddTree(drawn);
        // rising deficit: cells of a lot are numbered strongest first
        int[] order =
                IntStream.range(0, weak.length)
                        .boxed()
                        .sorted(Comparator.comparingInt(j -> row[weak[j]]))
                        .mapToInt(Integer::intValue)
                        .toArray();
        double count = 0;
        for (int j : order) {
            double deficit = each - lot.ticks(row[weak[j]]);
            double most = rooms.least(j, weak.length) + begins.least(0, j + 1);
            double taken = Math.clamp(most, 0, deficit);
            if (taken <= 0) continue;
            count += taken / deficit;
            used[row[weak[j]]] = true;
            rooms.addFrom(j, -taken);
            begins.addFrom(j + 1, taken);
        }
        return count;
    }

    /// Numbers in a row: a value is added from a place on, the least of a stretch is asked.
    private static final class SuffixAddTree {
        private final int size;
        private final double[] least;
        private final double[] added;

        SuffixAddTree(double[] values) {
            size = Integer.highestOneBit(Math.max(1, 2 * values.length - 1));
            least = new double[2 * size];
            added = new double[2 * size];
            Arrays.fill(least, Double.POSITIVE_INFINITY);
            System.arraycopy(values, 0, least, size, values.length);
            for (int i = size - 1; i >= 1; i--) least[i] = Math.min(least[2 * i], least[2 * i + 1]);
        }

        void addFrom(int from, double value) {
            addFrom(1, 0, size, from, value);
        }

        private void addFrom(int node, int begin, int end, int from, double value) {
            if (end <= from) return;
            if (begin >= from) {
                least[node] += value;
                added[node] += value;
                return;
            }
            int middle = (begin + end) >>> 1;
            addFrom(2 * node, begin, middle, from, value);
            addFrom(2 * node + 1, middle, end, from, value);
            least[node] = Math.min(least[2 * node], least[2 * node + 1]) + added[node];
        }

        double least(int from, int until) {
            return least(1, 0, size, from, until);
        }

        private double least(int node, int begin, int end, int from, int until) {
            if (until <= begin || end <= from) return Double.POSITIVE_INFINITY;
            if (from <= begin && end <= until) return least[node];
            int middle = (begin + end) >>> 1;
            return added[node]
                    + Math.min(
                            least(2 * node, begin, middle, from, until),
                            least(2 * node + 1, middle, end, from, until));
        }
    }
}
