package pentacell.reports;

import java.io.IOException;

/// What a drawing is made on: paper or a picture file, in points from the top left corner, in black
/// ink of any strength.
interface Plate {
    /// Which end of a text stands at its place.
    enum Anchor {
        LEFT,
        MIDDLE,
        RIGHT
    }

    /// A filled rectangle.
    ///
    /// @param ink 0 for white, 1 for black
    void fill(double ink, double x, double y, double width, double height) throws IOException;

    /// The outline of a rectangle.
    void frame(double thickness, double x, double y, double width, double height)
            throws IOException;

    void line(double thickness, double x1, double y1, double x2, double y2) throws IOException;

    void disc(double ink, double x, double y, double radius) throws IOException;

    void text(Anchor anchor, boolean bold, double size, double x, double baseline, String text)
            throws IOException;
}
