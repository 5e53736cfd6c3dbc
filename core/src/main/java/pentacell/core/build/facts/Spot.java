package pentacell.core.build.facts;

import java.util.Comparator;

/// A place of a holder.
///
/// @param column from 0 at the left of the top face
/// @param row from 0 at its upper edge
public record Spot(int column, int row) {
    /// Row after row, each from the left.
    public static final Comparator<Spot> BY_ROWS =
            Comparator.comparingInt(Spot::row).thenComparingInt(Spot::column);

    public Spot {
        if (column < 0 || row < 0)
            throw new IllegalArgumentException(
                    "a place has a column and a row from 0, was %d and %d".formatted(column, row));
    }

    @Override
    public String toString() {
        return "column %d, row %d".formatted(column + 1, row + 1);
    }
}
