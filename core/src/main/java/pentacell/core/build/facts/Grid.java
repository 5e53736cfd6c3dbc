package pentacell.core.build.facts;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/// A holder: places in rows, straight or nested. One of several layers is drawn unfolded, layer
/// beside layer; folded up like a paper fan they lie on each other.
///
/// @param pattern how the rows lie
/// @param pitchMillimetres from the middle of a can to the next in its row, in mm
/// @param columns places in a row over all layers, 1 to 3000
/// @param rows rows, 1 to 3000
/// @param foldedInto layers, each with as many columns, 2 or more, of straight rows; empty for one
/// @param free places where nothing may stand, in order of rows; empty when there are none
public record Grid(
        Pattern pattern,
        double pitchMillimetres,
        int columns,
        int rows,
        OptionalInt foldedInto,
        Optional<List<Spot>> free) {
    private static final int MOST = 3000;

    /// Room between layers where they are drawn beside each other, in pitches.
    private static final double DRAWN_APART = 0.75;

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
        if (foldedInto.orElse(1) == 1) foldedInto = OptionalInt.empty();
        if (foldedInto.isPresent()
                && (foldedInto.getAsInt() < 1
                        || columns % foldedInto.getAsInt() != 0
                        || pattern == Pattern.NESTED))
            throw new IllegalArgumentException(
                    "%d columns, %s, do not fold into %d layers"
                            .formatted(columns, pattern.words(), foldedInto.getAsInt()));
        free =
                free.map(spots -> spots.stream().distinct().sorted(Spot.BY_ROWS).toList())
                        .filter(spots -> !spots.isEmpty());
    }

    /// A holder of one layer that may be filled everywhere.
    public Grid(Pattern pattern, double pitchMillimetres, int columns, int rows) {
        this(pattern, pitchMillimetres, columns, rows, OptionalInt.empty(), Optional.empty());
    }

    /// How many layers lie on each other.
    public int layers() {
        return foldedInto.orElse(1);
    }

    /// The layer of a place, from 0.
    public int layer(Spot spot) {
        return spot.column() / columnsOfALayer();
    }

    /// Columns of each layer.
    public int columnsOfALayer() {
        return columns / layers();
    }

    /// The places where nothing may stand: a bracket, a screw or the board is there.
    public List<Spot> keptFree() {
        return free.orElse(List.of());
    }

    /// The same with other places kept free; those outside of it are left out.
    public Grid keeping(List<Spot> spots) {
        return new Grid(
                pattern,
                pitchMillimetres,
                columns,
                rows,
                foldedInto,
                Optional.of(spots.stream().filter(this::has).toList()));
    }

    /// The same in as many layers.
    public Grid folded(int layers) {
        return new Grid(pattern, pitchMillimetres, columns, rows, OptionalInt.of(layers), free);
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

    /// The middle of a place along the rows as it is drawn, in mm from the middle of the first.
    public double alongMillimetres(Spot spot) {
        double shift = pattern == Pattern.NESTED && spot.row() % 2 == 1 ? 0.5 : 0;
        return (spot.column() + shift + DRAWN_APART * layer(spot)) * pitchMillimetres;
    }

    /// The middle of a place across the rows, in mm from the middle of the first.
    public double acrossMillimetres(Spot spot) {
        return spot.row() * rowStep() * pitchMillimetres;
    }

    private double rowStep() {
        return pattern == Pattern.NESTED ? NESTED_STEP : 1;
    }

    /// Length along the rows with cans of a diameter, in mm; of a layer.
    public double lengthMillimetres(double diameterMillimetres) {
        double shift = pattern == Pattern.NESTED && rows > 1 ? 0.5 : 0;
        return (columnsOfALayer() - 1 + shift) * pitchMillimetres + diameterMillimetres;
    }

    /// What the layers after the first add to the length where they are drawn beside each other, in
    /// mm.
    public double besideMillimetres() {
        return (layers() - 1) * (columnsOfALayer() + DRAWN_APART) * pitchMillimetres;
    }

    /// Width across the rows with cans of a diameter, in mm.
    public double widthMillimetres(double diameterMillimetres) {
        return (rows - 1) * rowStep() * pitchMillimetres + diameterMillimetres;
    }

    /// The places whose cans touch a can, but for the holder's wall between them, or lie on it over
    /// a fold: four at most in straight rows, six in nested ones.
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
