package pentacell.reports;

import java.io.IOException;
import java.util.Optional;
import java.util.stream.Collectors;
import pentacell.core.build.Face;
import pentacell.core.build.Folds;
import pentacell.core.build.JointMark;
import pentacell.core.build.JudgedLayout;
import pentacell.core.build.Link;
import pentacell.core.build.PackCurrents.Flowing;
import pentacell.core.build.facts.CansByPlace;
import pentacell.core.build.facts.Grid;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.Spot;
import pentacell.core.cell.CellFormat;
import pentacell.core.unit.Quantity;

/// A face of a pack in ink: cans with the form of their ends, strips as wide as they are, joints
/// numbered. The bottom face is mirrored, as it lies when the pack is turned over.
final class FaceDrawing {
    private static final double POINTS_A_MILLIMETRE = 72 / 25.4;
    private static final double DASH = 4;

    private final Plate plate;
    private final JudgedLayout arrangement;
    private final CellFormat format;
    private final Face face;
    private final double points;
    private final double left;
    private final double top;

    /// @param scale 1 for the size it is
    /// @param left of the drawing, in points
    /// @param top of the drawing, in points
    FaceDrawing(
            Plate plate,
            JudgedLayout arrangement,
            CellFormat format,
            Face face,
            double scale,
            double left,
            double top) {
        this.plate = plate;
        this.arrangement = arrangement;
        this.format = format;
        this.face = face;
        points = scale * POINTS_A_MILLIMETRE;
        this.left = left;
        this.top = top;
    }

    /// Width of a face in its own size, in points.
    static double width(JudgedLayout arrangement) {
        return arrangement.drawnLengthMillimetres() * POINTS_A_MILLIMETRE;
    }

    /// Height of a face in its own size, in points.
    static double height(JudgedLayout arrangement) {
        return arrangement.widthMillimetres() * POINTS_A_MILLIMETRE;
    }

    void draw() throws IOException {
        folds();
        cans();
        strips();
        ends();
        joints();
    }

    private Layout layout() {
        return arrangement.layout();
    }

    private double x(Spot spot) {
        return x(layout().grid().alongMillimetres(spot));
    }

    private double y(Spot spot) {
        return y(layout().grid().acrossMillimetres(spot));
    }

    /// @param alongMillimetres from the middle of the first can
    private double x(double alongMillimetres) {
        double along = alongMillimetres + format.diameterMillimetres() / 2;
        return left
                + points
                        * (face == Face.TOP ? along : arrangement.drawnLengthMillimetres() - along);
    }

    private double y(double acrossMillimetres) {
        return top + points * (acrossMillimetres + format.diameterMillimetres() / 2);
    }

    /// Layers lie beside each other, unfolded; where they are folded a broken line runs.
    private void folds() throws IOException {
        Grid grid = layout().grid();
        int columns = grid.columnsOfALayer();
        for (int layer = 0; layer + 1 < grid.layers(); layer++) {
            double here = x(new Spot((layer + 1) * columns - 1, 0));
            double next = x(new Spot((layer + 1) * columns, 0));
            double fold = (here + next) / 2;
            double bottom = top + points * arrangement.widthMillimetres();
            for (double y = top; y < bottom; y += 2 * DASH)
                plate.line(0.6, fold, y, fold, Math.min(bottom, y + DASH));
            double size = 0.16 * format.diameterMillimetres() * points;
            double baseline =
                    grid.rows() > 1
                            ? (y(new Spot(0, 0)) + y(new Spot(0, 1))) / 2 + 0.4 * size
                            : top + size;
            boolean isLeft = here < next;
            double off = isLeft ? 2 : -2;
            plate.text(
                    isLeft ? Plate.Anchor.RIGHT : Plate.Anchor.LEFT,
                    false,
                    size,
                    fold - off,
                    baseline,
                    "layer " + (layer + 1));
            plate.text(
                    isLeft ? Plate.Anchor.LEFT : Plate.Anchor.RIGHT,
                    false,
                    size,
                    fold + off,
                    baseline,
                    "layer " + (layer + 2));
        }
    }

    /// What is not drawn as long as it is: strips over a fold; empty without any on this face.
    static String overFolds(JudgedLayout arrangement, Face face) {
        if (arrangement.currents().isEmpty() || arrangement.layout().grid().layers() == 1)
            return "";
        Folds folds = Folds.of(arrangement.layout());
        String lengths =
                arrangement.currents().get().links().stream()
                        .map(Flowing::link)
                        .filter(link -> link.face() == face && link.kind() != Link.Kind.LEAD)
                        .filter(link -> folds.isAcross(link.from(), link.to()))
                        .map(link -> 1000 * link.conductor().lengthMetres())
                        .distinct()
                        .sorted()
                        .map(length -> Quantity.LENGTH.text(length, 0))
                        .collect(Collectors.joining(" or "));
        return lengths.isEmpty()
                ? "Layers are drawn unfolded; no strip of this face runs over the fold."
                : "Layers are drawn unfolded: over the fold a strip is %s from can to can, not as drawn."
                        .formatted(lengths);
    }

    private void cans() throws IOException {
        Grid grid = layout().grid();
        CansByPlace placed = layout().cansByPlace();
        double radius = format.diameterMillimetres() / 2 * points;
        for (int row = 0; row < grid.rows(); row++)
            for (int column = 0; column < grid.columns(); column++) {
                Spot spot = new Spot(column, row);
                Optional<CansByPlace.PlacedCan> can = placed.at(spot);
                plate.disc(can.isPresent() ? 0.9 : 0.35, x(spot), y(spot), radius);
                plate.disc(
                        can.isPresent() && can.get().group() % 2 == 1 ? 0.12 : 0,
                        x(spot),
                        y(spot),
                        radius - Math.max(0.5, 0.02 * radius));
            }
    }

    private void strips() throws IOException {
        if (arrangement.currents().isEmpty()) return;
        for (Flowing each : arrangement.currents().get().links()) {
            Link link = each.link();
            if (link.face() != face || link.kind() == Link.Kind.LEAD) continue;
            double thick =
                    link.kind() == Link.Kind.OUTPUT
                            ? 2.2
                            : 0.8 + 0.9 * Math.min(4, link.conductor().layers());
            plate.line(
                    thick * points / POINTS_A_MILLIMETRE,
                    x(link.from()),
                    y(link.from()),
                    x(link.to()),
                    y(link.to()));
        }
    }

    /// A positive end has a raised cap, a negative one is flat.
    private void ends() throws IOException {
        double size = 0.19 * format.diameterMillimetres() * points;
        for (int group = 0; group < layout().places().size(); group++) {
            boolean isPositive = Layout.isUp(group) == (face == Face.TOP);
            for (Spot spot : layout().places().get(group)) {
                if (isPositive) {
                    plate.disc(1, x(spot), y(spot), size);
                    plate.disc(0, x(spot), y(spot), size * 0.86);
                } else plate.fill(0, x(spot) - size, y(spot) - 0.8 * size, 2 * size, 1.6 * size);
                plate.text(
                        Plate.Anchor.MIDDLE,
                        true,
                        1.15 * size,
                        x(spot),
                        y(spot) + 0.4 * size,
                        String.valueOf(group + 1));
            }
        }
    }

    private void joints() throws IOException {
        double size = 0.2 * format.diameterMillimetres() * points;
        for (JointMark mark : JointMark.of(arrangement, face)) {
            double x = x(mark.alongMillimetres());
            double y = y(mark.acrossMillimetres());
            plate.disc(1, x, y, size);
            plate.disc(0, x, y, 0.86 * size);
            plate.text(Plate.Anchor.MIDDLE, true, 1.3 * size, x, y + 0.45 * size, mark.name());
        }
    }
}
