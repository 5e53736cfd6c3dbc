package pentacell.core.match;

/// Which cells are there, and the sum of the strongest of them.
final class StrongestOf {
    private final CandidateTable lot;
    private final int[] counts;
    private final long[] sums;
    private final int top;
    private int present;

    StrongestOf(CandidateTable lot) {
        this.lot = lot;
        counts = new int[lot.size() + 1];
        sums = new long[lot.size() + 1];
        top = Integer.highestOneBit(Math.max(1, lot.size()));
    }

    /// How many cells are there.
    int count() {
        return present;
    }

    void add(int cell) {
        change(cell, 1);
    }

    void remove(int cell) {
        change(cell, -1);
    }

    private void change(int cell, int by) {
        present += by;
        for (int i = cell + 1; i < counts.length; i += i & -i) {
            counts[i] += by;
            sums[i] += (long) by * lot.ticks(cell);
        }
    }

    /// Sum of as many of the strongest, or of all when there are fewer.
    long sum(int most) {
        int at = 0;
        int left = most;
        long sum = 0;
        for (int step = top; step > 0; step >>= 1) {
            if (at + step < counts.length && counts[at + step] <= left) {
                at += step;
                left -= counts[at];
                sum += sums[at];
            }
        }
        return sum;
    }
}
