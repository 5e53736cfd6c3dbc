package pentacell.core.match;

import java.util.Comparator;
import java.util.SplittableRandom;
import java.util.stream.IntStream;

/// The cells of a lot in order of resistance, and which of them lie within the limit of each other.
final class ResistanceRow {
    private final int[] cellAt;
    private final int[] from;
    private final int[] until;

    ResistanceRow(CandidateTable lot) {
        int n = lot.size();
        cellAt = cells(lot);
        from = new int[n];
        until = new int[n];
        int begin = 0;
        int end = 0;
        for (int cell : cellAt) {
            double milliohms = lot.milliohms(cell);
            double reach = lot.maxIrSpread() + 1e-9;
            while (lot.milliohms(cellAt[begin]) < milliohms - reach) begin++;
            while (end < n && lot.milliohms(cellAt[end]) <= milliohms + reach) end++;
            from[cell] = begin;
            until[cell] = end;
        }
    }

    /// The cells of a lot in order of resistance, of two alike the weaker first.
    static int[] cells(CandidateTable lot) {
        return IntStream.range(0, lot.size())
                .boxed()
                .sorted(
                        Comparator.<Integer>comparingDouble(lot::milliohms)
                                .thenComparing(Comparator.reverseOrder()))
                .mapToInt(Integer::intValue)
                .toArray();
    }

    /// First place in a row that no longer lies in the window beginning at a place.
    static int[] windowEnds(CandidateTable lot, int[] row) {
        int[] ends = new int[row.length];
        int end = 0;
        for (int begin = 0; begin < row.length; begin++) {
            double highest = lot.milliohms(row[begin]) + lot.maxIrSpread() + 1e-9;
            while (end < row.length && lot.milliohms(row[end]) <= highest) end++;
            ends[begin] = end;
        }
        return ends;
    }

    /// One of the cells within the limit of a cell, perhaps itself.
    int anyNear(int cell, SplittableRandom random) {
        return cellAt[from[cell] + random.nextInt(until[cell] - from[cell])];
    }
}
