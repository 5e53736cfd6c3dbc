package pentacell.desktop.stock;

import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.PlotSurface.Hue;

/// The shape a model's cells have in the field, so that models differ without colour.
enum ModelShape {
    DISC,
    SQUARE,
    TRIANGLE,
    DIAMOND;

    static ModelShape of(int number) {
        return values()[number % values().length];
    }

    /// Draws the shape.
    ///
    /// @param radius half its width in pixels
    void draw(Pen pen, Hue hue, boolean filled, double x, double y, double radius) {
        switch (this) {
            case DISC -> {
                if (filled) pen.disc(hue, 1, x, y, radius);
                else pen.arc(hue, 1.2, x, y, radius, 1);
            }
            case SQUARE -> {
                double r = radius * 0.9;
                pen.polygon(
                        hue,
                        filled,
                        new double[] {x - r, x + r, x + r, x - r},
                        new double[] {y - r, y - r, y + r, y + r});
            }
            case TRIANGLE -> {
                double r = radius * 1.15;
                pen.polygon(
                        hue,
                        filled,
                        new double[] {x, x + r, x - r},
                        new double[] {y - r, y + r * 0.8, y + r * 0.8});
            }
            case DIAMOND -> {
                double r = radius * 1.2;
                pen.polygon(
                        hue,
                        filled,
                        new double[] {x, x + r, x, x - r},
                        new double[] {y - r, y, y + r, y});
            }
        }
    }
}
