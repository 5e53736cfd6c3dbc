package pentacell.core.stock;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/// Values sorted into bins, as boxes on a shelf are labelled: each from its lower edge to just
/// under the next one's.
///
/// @param edges rising; bin i goes from edge i to edge i + 1
/// @param counts values in each, one fewer than there are edges
public record Bins(List<Double> edges, List<Integer> counts) {
    private static final int MOST = 400;

    public Bins {
        edges = List.copyOf(edges);
        counts = List.copyOf(counts);
        if (edges.size() != counts.size() + 1)
            throw new IllegalArgumentException(
                    "%d bins have %d edges".formatted(counts.size(), edges.size()));
    }

    /// Bins of one width, from a whole multiple of it on, that hold all values.
    ///
    /// @throws IllegalArgumentException for a width that is not above 0, a value not finite, or too
    ///   many bins
    public static Bins ofWidth(double width, double... values) {
        Histogram histogram = Histogram.of(width, values);
        if (histogram.counts().size() > MOST)
            throw new IllegalArgumentException(
                    "bins of %s would be %d, at most %d are drawn"
                            .formatted(width, histogram.counts().size(), MOST));
        List<Double> edges = new ArrayList<>();
        for (int i = 0; i <= histogram.counts().size(); i++)
            edges.add(histogram.from() + i * width);
        return new Bins(edges, histogram.counts());
    }

    /// Bins between given edges; what lies under the first or at and over the last is in none.
    ///
    /// @param edges at least two, rising
    public static Bins between(List<Double> edges, double... values) {
        if (edges.size() < 2) throw new IllegalArgumentException("bins have at least two edges");
        for (int i = 1; i < edges.size(); i++)
            if (!(edges.get(i) > edges.get(i - 1)))
                throw new IllegalArgumentException(
                        "edges rise: %s does not come after %s"
                                .formatted(edges.get(i), edges.get(i - 1)));
        int[] counts = new int[edges.size() - 1];
        for (double value : values)
            for (int i = 0; i < counts.length; i++)
                if (value >= edges.get(i) && value < edges.get(i + 1)) counts[i]++;
        return new Bins(edges, Arrays.stream(counts).boxed().toList());
    }

    /// The most values in any bin.
    public int tallest() {
        return counts.stream().mapToInt(Integer::intValue).max().orElse(0);
    }

    /// Whether a value lies in a bin.
    public boolean holds(int bin, double value) {
        return value >= edges.get(bin) && value < edges.get(bin + 1);
    }
}
