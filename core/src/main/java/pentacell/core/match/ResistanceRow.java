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
        cellAt =
                IntStream.range(0, n)
                        .boxed()
                        .sorted(Comparator.comparingDouble(lot::milliohms))
                        .mapToInt(Integer::intValue)
                        .toArray();
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

    /// One of the cells within the limit of a cell, perhaps itself.
    int anyNear(int cell, SplittableRandom random) {
        return cellAt[from[cell] + random.nextInt(until[cell] - from[cell])];
    }
}
