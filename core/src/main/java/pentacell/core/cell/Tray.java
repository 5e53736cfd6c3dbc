package pentacell.core.cell;

/// A box on the shelf with numbered places.
///
/// @param name short name without spaces, as written on the box
/// @param rows number of rows, 1 to 100, lettered from A
/// @param columns number of columns, 1 to 100, numbered from 1
public record Tray(String name, int rows, int columns) {
    public Tray {
        if (!name.matches("[\\p{L}\\p{N}_.]{1,12}"))
            throw new IllegalArgumentException(
                    "tray name must be 1 to 12 letters or digits, was \"" + name + "\"");
        if (rows < 1 || rows > 100 || columns < 1 || columns > 100)
            throw new IllegalArgumentException(
                    "a tray has 1 to 100 rows and columns, was %d × %d".formatted(rows, columns));
    }

    /// The number of places.
    public int size() {
        return rows * columns;
    }

    /// The place with the given index, counted along the rows from 0.
    public Place place(int index) {
        if (index < 0 || index >= size())
            throw new IllegalArgumentException("no place " + index + " in a tray of " + size());
        return new Place(name, index / columns + 1, index % columns + 1);
    }
}
