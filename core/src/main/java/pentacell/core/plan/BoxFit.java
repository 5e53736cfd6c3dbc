package pentacell.core.plan;

import pentacell.core.cell.CellFormat;
import pentacell.core.plan.Need.Box;

/// How many cans go into a box: square or nested rows, in layers, with their axis along any of the
/// three sides.
///
/// A holder takes 1.5 mm between cans; strip, paper and cover take 2 mm at each end of a layer;
/// insulation takes 2 mm of the box all around (common practice).
public final class BoxFit {
    private static final double BETWEEN_MILLIMETRES = 1.5;
    private static final double END_MILLIMETRES = 2;
    private static final double WALL_MILLIMETRES = 2;

    private BoxFit() {}

    /// Most cans of a format that go into a box.
    public static int most(CellFormat format, Box box) {
        double a = inside(box.lengthMillimetres());
        double b = inside(box.widthMillimetres());
        double c = inside(box.heightMillimetres());
        return Math.max(
                layered(format, a, b, c),
                Math.max(layered(format, a, c, b), layered(format, b, c, a)));
    }

    private static double inside(double side) {
        return Math.max(0, side - 2 * WALL_MILLIMETRES);
    }

    /// Cans that stand on a floor, in layers up to a height.
    private static int layered(CellFormat format, double length, double width, double height) {
        double tall = format.lengthMillimetres() + 2 * END_MILLIMETRES;
        int layers = (int) Math.floor(height / tall + 1e-9);
        double pitch = format.diameterMillimetres() + BETWEEN_MILLIMETRES;
        return layers
                * Math.max(
                        square(pitch, length, width),
                        Math.max(nested(pitch, length, width), nested(pitch, width, length)));
    }

    private static int square(double pitch, double length, double width) {
        return count(length, pitch) * count(width, pitch);
    }

    /// Rows along the length; every second one is shifted by half a pitch and lies deeper by it.
    private static int nested(double pitch, double length, double width) {
        if (width < pitch) return 0;
        int rows = 1 + count(width - pitch, pitch * Math.sqrt(3) / 2);
        int even = count(length, pitch);
        int odd = count(length - pitch / 2, pitch);
        return (rows + 1) / 2 * even + rows / 2 * odd;
    }

    private static int count(double length, double pitch) {
        return Math.max(0, (int) Math.floor(length / pitch + 1e-9));
    }
}
