package pentacell.core.stock;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/// Counts of values in bins of equal width; a value on a border belongs to the bin above it.
///
/// @param from where the first bin begins
/// @param binWidth width of a bin, above 0
/// @param counts values in each bin
public record Histogram(double from, double binWidth, List<Integer> counts) {
    private static final int MOST_BINS = 10_000;

    public Histogram {
        if (!(binWidth > 0))
            throw new IllegalArgumentException("bins are wider than 0, was " + binWidth);
        counts = List.copyOf(counts);
    }

    /// Bins that begin at whole multiples of their width and cover all values.
    ///
    /// @throws IllegalArgumentException for a width that is not above 0, a value not finite, or
    ///   over 10000 bins
    public static Histogram of(double binWidth, double... values) {
        if (values.length == 0) return new Histogram(0, binWidth, List.of());
        double least = Arrays.stream(values).min().orElseThrow();
        double greatest = Arrays.stream(values).max().orElseThrow();
        double first = Math.floor(least / binWidth);
        double bins = Math.floor(greatest / binWidth) - first + 1;
        if (!(bins >= 1 && bins <= MOST_BINS))
            throw new IllegalArgumentException(
                    "values from %s to %s do not fit bins of %s"
                            .formatted(least, greatest, binWidth));
        int[] counts = new int[(int) bins];
        for (double value : values) counts[(int) (Math.floor(value / binWidth) - first)]++;
        return new Histogram(first * binWidth, binWidth, IntStream.of(counts).boxed().toList());
    }

    /// The most values in any bin, 0 when there are no bins.
    public int tallest() {
        return counts.stream().mapToInt(Integer::intValue).max().orElse(0);
    }
}
