package pentacell.core.assembly;

import java.util.ArrayList;
import java.util.List;

/// A holder: places in rows, straight or nested.
///
/// @param pattern how the rows lie
/// @param pitchMillimetres from the middle of a can to the next in its row, in mm
/// @param columns places in a row, 1 to 3000
/// @param rows rows, 1 to 3000
public record Grid(Pattern pattern, double pitchMillimetres, int columns, int rows) {
    private static final int MOST = 3000;

    /// From row to row where cans nest, in pitches.
    private static final double NESTED_STEP = Math.sqrt(3) / 2;

    public Grid {
        if (!(pitchMillimetres > 0 && pitchMillimetres <= 200))
            throw new IllegalArgumentException(
                    "cans stand above 0 and up to 200 mm apart, was " + pitchMillimetres);
        if (columns < 1 || rows < 1 || columns > MOST || rows > MOST)
            throw new IllegalArgumentException(
                    "a holder has 1 to 3000 columns and rows, was %d × %d"
                            .formatted(columns, rows));
    }

    /// How rows lie beside each other.
    public enum Pattern {
        /// Can beside can.
        SQUARE("square"),
        /// Every second row half a pitch on, in the gaps of the one before.
        NESTED("nested");

        private final String words;

        Pattern(String words) {
            this.words = words;
        }

        /// In words.
        public String words() {
            return words;
        }
    }

    /// Whether it has such a place.
    public boolean has(Spot spot) {
        return spot.column() < columns && spot.row() < rows;
    }

    /// The middle of a place along the rows, in mm from the middle of the first.
    public double alongMillimetres(Spot spot) {
        double shift = pattern == Pattern.NESTED && spot.row() % 2 == 1 ? 0.5 : 0;
        return (spot.column() + shift) * pitchMillimetres;
    }

    /// The middle of a place across the rows, in mm from the middle of the first.
    public double acrossMillimetres(Spot spot) {
        return spot.row() * rowStep() * pitchMillimetres;
    }

    private double rowStep() {
        return pattern == Pattern.NESTED ? NESTED_STEP : 1;
    }

    /// Length along the rows with cans of a diameter, in mm.
    public double lengthMillimetres(double diameterMillimetres) {
        double shift = pattern == Pattern.NESTED && rows > 1 ? 0.5 : 0;
        return (columns - 1 + shift) * pitchMillimetres + diameterMillimetres;
    }

    /// Width across the rows with cans of a diameter, in mm.
    public double widthMillimetres(double diameterMillimetres) {
        return (rows - 1) * rowStep() * pitchMillimetres + diameterMillimetres;
    }

    /// The places whose cans touch a can, but for the holder's wall between them: four at most in
    /// straight rows, six in nested ones.
    public List<Spot> beside(Spot spot) {
        List<Spot> found = new ArrayList<>(6);
        add(found, spot.column() - 1, spot.row());
        add(found, spot.column() + 1, spot.row());
        int left = pattern == Pattern.SQUARE || spot.row() % 2 == 1 ? 0 : -1;
        int right = pattern == Pattern.SQUARE ? 0 : left + 1;
        for (int row : new int[] {spot.row() - 1, spot.row() + 1})
            for (int shift = left; shift <= right; shift++) add(found, spot.column() + shift, row);
        return found;
    }

    private void add(List<Spot> found, int column, int row) {
        if (column >= 0 && column < columns && row >= 0 && row < rows)
            found.add(new Spot(column, row));
    }
}
