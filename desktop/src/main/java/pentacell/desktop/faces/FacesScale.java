package pentacell.desktop.faces;

import pentacell.core.build.Face;
import pentacell.core.build.facts.Grid;

/// Where a layout lies on the surface.
///
/// @param pixels a millimetre
/// @param left of the middle of the first can of the top face
/// @param right of the middle of the last can of the bottom face's first column
record FacesScale(double pixels, double left, double right, double top, double length) {
    private static final double TITLE_EM = 1.8;
    private static final double GAP_EM = 2.4;

    /// Sheet about the cans.
    static final double EDGE_EM = 0.5;

    /// The largest at which both faces go side by side on a surface.
    static FacesScale of(Grid grid, double width, double height, double em) {
        double pitch = grid.pitchMillimetres();
        double along = grid.lengthMillimetres(pitch) + grid.besideMillimetres();
        double across = grid.widthMillimetres(pitch);
        double each = (width - GAP_EM * em) / 2;
        double pixels =
                Math.max(
                        0,
                        Math.min(
                                (each - (1 + 2 * EDGE_EM) * em) / along,
                                (height - (TITLE_EM + foot(grid) + 2 * EDGE_EM) * em) / across));
        double half = pitch / 2 * pixels;
        return new FacesScale(
                pixels,
                half + (EDGE_EM + 0.2) * em,
                each + GAP_EM * em + half + EDGE_EM * em,
                (TITLE_EM + EDGE_EM) * em + half,
                along - pitch);
    }

    /// Layers are named under the faces.
    private static double foot(Grid grid) {
        return grid.layers() > 1 ? 1.6 : 1;
    }

    /// The same nearer: what lies under a point stays there.
    FacesScale nearer(Zoom zoom) {
        return new FacesScale(
                pixels * zoom.times(),
                left * zoom.times() + zoom.x(),
                right * zoom.times() + zoom.x(),
                top * zoom.times() + zoom.y(),
                length);
    }

    /// How near the faces are looked at, and how far they were moved.
    ///
    /// @param times 1 for both whole
    record Zoom(double times, double x, double y) {
        static final Zoom WHOLE = new Zoom(1, 0, 0);
        private static final double MOST = 40;

        /// Nearer or farther, with a point held.
        Zoom by(double factor, double atX, double atY) {
            double wanted = Math.clamp(times * factor, 1, MOST);
            if (wanted == 1) return WHOLE;
            double now = wanted / times;
            return new Zoom(wanted, atX - (atX - x) * now, atY - (atY - y) * now);
        }

        Zoom moved(double byX, double byY) {
            return times == 1 ? this : new Zoom(times, x + byX, y + byY);
        }
    }

    double x(Face face, double alongMillimetres) {
        return face == Face.TOP
                ? left + alongMillimetres * pixels
                : right + (length - alongMillimetres) * pixels;
    }

    double y(double acrossMillimetres) {
        return top + acrossMillimetres * pixels;
    }
}
