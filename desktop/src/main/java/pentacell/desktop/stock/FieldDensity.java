package pentacell.desktop.stock;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import pentacell.core.stock.Standing;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.CellMark;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Scale;
import pentacell.desktop.stock.StockModel.Row;

/// How many cells lie on each small square of the field, and how many of them are out: what is
/// drawn where marks would be one blot.
///
/// @param most cells on the fullest square
record FieldDensity(Map<FieldDensity.At, FieldDensity.Tile> tiles, int most) {
    static final double TILE_PIXELS = 8;

    /// A square, counted from the corner of the surface.
    record At(int column, int row) {}

    /// What lies on a square.
    record Tile(int cells, int out) {
        Tile plus(Tile other) {
            return new Tile(cells + other.cells, out + other.out);
        }
    }

    static FieldDensity of(List<Row> points, FieldPicture.Area field) {
        Map<At, Tile> tiles = new HashMap<>();
        for (Row row : points) {
            At at =
                    new At(
                            (int) (field.x().pixel(FieldPicture.capacity(row)) / TILE_PIXELS),
                            (int) (field.y().pixel(FieldPicture.resistance(row)) / TILE_PIXELS));
            tiles.merge(at, new Tile(1, row.standing() == Standing.OUT ? 1 : 0), Tile::plus);
        }
        int most = tiles.values().stream().mapToInt(Tile::cells).max().orElse(0);
        return new FieldDensity(Map.copyOf(tiles), most);
    }

    /// Where a count stands between one cell and the most, evenly by ratio, 0 to 1.
    double share(int cells) {
        return most <= 1 ? 0 : Scale.ratio(cells, 1, most);
    }

    /// Squares as dark as they are full; a cross on those whose cells are mostly out.
    void paint(Pen pen, FieldPicture.Area field) {
        double inset = TILE_PIXELS * 0.25;
        tiles.forEach((at, tile) -> {
            double x = at.column() * TILE_PIXELS;
            double y = at.row() * TILE_PIXELS;
            pen.fillRamp(share(tile.cells()), x, y, TILE_PIXELS, TILE_PIXELS);
            if (2 * tile.out() <= tile.cells()) return;
            double right = x + TILE_PIXELS - inset;
            double bottom = y + TILE_PIXELS - inset;
            pen.line(Hue.STOP, 1, x + inset, y + inset, right, bottom);
            pen.line(Hue.STOP, 1, x + inset, bottom, right, y + inset);
        });
        double em = pen.em();
        double middle = field.y().first() + 2.1 * em;
        CellMark.ramp(
                pen,
                field.x().last() - 9 * em,
                middle,
                "1",
                Quantity.COUNT.number(most) + " cells on a square; crossed: mostly out");
    }
}
