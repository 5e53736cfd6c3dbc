package pentacell.desktop.faces;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import pentacell.core.build.Face;
import pentacell.core.build.JointMark;
import pentacell.core.build.JudgedLayout;
import pentacell.core.build.LayoutCheck;
import pentacell.core.build.Link;
import pentacell.core.build.PackCurrents.Flowing;
import pentacell.core.build.facts.CansByPlace;
import pentacell.core.build.facts.Grid;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.Spot;
import pentacell.desktop.faces.FacesPicture.Figure;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface.Hue;

/// One painting of both faces.
final class FacesDrawing {
    /// Below this a can is too small for its number.
    private static final double SMALLEST_TEXT_PIXELS = 8;

    private final Pen pen;
    private final JudgedLayout now;
    private final Set<Spot> marked;
    private final Set<Spot> awaited;
    private final Map<Spot, Figure> figures;
    private final double width;
    private final double height;
    private final boolean showsCurrents;
    private final boolean isNear;
    private final Layout layout;
    private final Grid grid;
    private final CansByPlace placed;
    private final FacesScale scale;
    private final double radius;

    /// @param showsCurrents whether cans and strips are inked by what flows
    FacesDrawing(
            Pen pen,
            JudgedLayout now,
            OnCans onCans,
            boolean showsCurrents,
            FacesScale.Zoom zoom,
            double width,
            double height) {
        this.pen = pen;
        this.now = now;
        marked = onCans.marked();
        awaited = onCans.awaited();
        figures = onCans.figures();
        this.showsCurrents = showsCurrents;
        isNear = zoom.times() > 1;
        this.width = width;
        this.height = height;
        layout = now.layout();
        grid = layout.grid();
        placed = layout.cansByPlace();
        scale = FacesScale.of(grid, width, height, pen.em()).nearer(zoom);
        radius = 0.44 * grid.pitchMillimetres() * scale.pixels();
    }

    /// What is shown on cans.
    ///
    /// @param awaited those that are not in the holder yet
    record OnCans(Set<Spot> marked, Set<Spot> awaited, Map<Spot, Figure> figures) {}

    void paint() {
        if (!(radius > 0.5)) return;
        for (Face face : Face.values()) {
            sheet(face);
            cans(face);
            strips(face);
            ends(face);
            insulation(face);
            if (figures.isEmpty()) joints(face);
        }
        double em = pen.em();
        // looked at from near, the faces reach under their names
        if (isNear) pen.fill(Hue.GROUND, 1, 0, 0, width, 1.6 * em);
        for (Face face : Face.values())
            pen.text(
                    Hue.INK,
                    1,
                    true,
                    Anchor.LEFT,
                    Math.max(face == Face.TOP ? 0 : width / 2, begin(face)),
                    0.8 * em,
                    face == Face.TOP ? "Top" : "Bottom, turned over: left and right change");
    }

    private double half() {
        return grid.pitchMillimetres() / 2 * scale.pixels() + FacesScale.EDGE_EM * pen.em();
    }

    private double begin(Face face) {
        return (face == Face.TOP ? scale.left() : scale.right()) - half();
    }

    private double x(Face face, Spot spot) {
        return scale.x(face, grid.alongMillimetres(spot));
    }

    private double y(Spot spot) {
        return scale.y(grid.acrossMillimetres(spot));
    }

    /// Whether anything of a place can be seen.
    private boolean isSeen(double x, double y) {
        double reach = 3 * radius;
        return x > -reach && x < width + reach && y > -reach && y < height + reach;
    }

    private void sheet(Face face) {
        double em = pen.em();
        double half = half();
        double top = scale.top() - half;
        double bottom = y(new Spot(0, grid.rows() - 1)) + half;
        double right = begin(face);
        for (int layer = 0; layer < grid.layers(); layer++) {
            int first = layer * grid.columnsOfALayer();
            double one = x(face, new Spot(first, 0));
            // nested rows reach half a pitch farther
            double other =
                    scale.x(
                            face,
                            grid.alongMillimetres(new Spot(first, 0)) + grid.lengthMillimetres(0));
            double left = Math.min(one, other) - half;
            double wide = Math.abs(one - other) + 2 * half;
            pen.fill(Hue.SHEET, 1, left, top, wide, bottom - top);
            pen.frame(Hue.RULE, 1, left, top, wide, bottom - top);
            if (grid.layers() > 1)
                pen.text(
                        Hue.SECOND,
                        0.85,
                        false,
                        Anchor.CENTRE,
                        left + wide / 2,
                        bottom + 0.7 * em,
                        "layer " + (layer + 1));
            right = Math.max(right, left + wide);
        }
        if (face == Face.BOTTOM) fold(right, top);
    }

    /// The turned face has a folded corner.
    private void fold(double right, double top) {
        double size = 1.1 * pen.em();
        pen.polygon(
                Hue.GROUND,
                true,
                new double[] {right - size, right + 1, right + 1},
                new double[] {top, top, top + size});
        pen.polygon(
                Hue.SECOND,
                false,
                new double[] {right - size, right - size, right},
                new double[] {top, top + size, top + size});
    }

    private void cans(Face face) {
        for (Spot spot : grid.keptFree()) {
            double x = x(face, spot);
            double y = y(spot);
            double arm = 0.6 * radius;
            pen.stroke(Hue.SECOND, 1.5, x - arm, y - arm, x + arm, y + arm);
            pen.stroke(Hue.SECOND, 1.5, x - arm, y + arm, x + arm, y - arm);
        }
        for (int row = 0; row < grid.rows(); row++)
            for (int column = 0; column < grid.columns(); column++) {
                Spot spot = new Spot(column, row);
                Optional<CansByPlace.PlacedCan> can = placed.at(spot);
                double x = x(face, spot);
                double y = y(spot);
                if (!isSeen(x, y)) continue;
                if (can.isEmpty()) {
                    pen.arc(Hue.RULE, 1, x, y, radius, 1);
                    continue;
                }
                if (awaited.contains(spot)) {
                    pen.dashes(3, 3);
                    pen.arc(Hue.INK, 1, x, y, radius, 1);
                    pen.dashes();
                    if (marked.contains(spot)) pen.arc(Hue.FOCUS, 3, x, y, radius, 1);
                    continue;
                }
                Figure figure = figures.get(spot);
                if (figure != null) {
                    pen.discRamp(figure.ink(), x, y, radius);
                    pen.arc(
                            figure.isOdd() ? Hue.STOP : Hue.INK,
                            figure.isOdd() ? 3 : 1,
                            x,
                            y,
                            radius,
                            1);
                    continue;
                }
                if (showsCurrents) pen.discRamp(inked(can.get()), x, y, radius);
                else pen.disc(Hue.MEASURED, can.get().group() % 2 == 0 ? 0.10 : 0.26, x, y, radius);
                pen.arc(Hue.INK, 1, x, y, radius, 1);
                if (marked.contains(spot)) pen.arc(Hue.FOCUS, 3, x, y, radius, 1);
            }
    }

    /// Ink of a can by its share of the group's current: even is in the middle.
    private double inked(CansByPlace.PlacedCan can) {
        double share =
                now.currents()
                        .map(currents -> currents.cans().get(can.group()).get(can.can()).share())
                        .orElse(1.0);
        return Double.isNaN(share) ? 0.2 : 0.35 + 1.2 * (share - 1);
    }

    private void strips(Face face) {
        if (now.currents().isEmpty()) return;
        for (Flowing each : now.currents().get().links()) {
            Link link = each.link();
            if (link.face() != face) continue;
            double x = x(face, link.from());
            double y = y(link.from());
            if (!isSeen(x, y)) continue;
            if (link.kind() == Link.Kind.LEAD) {
                pen.disc(Hue.ACCENT, 1, x, y, 0.62 * radius);
                continue;
            }
            int layers = link.conductor().layers();
            double thick =
                    link.kind() == Link.Kind.OUTPUT
                            ? 0.34 * radius
                            : (0.12 + 0.1 * Math.min(layers, 4)) * radius;
            boolean isHot = showsCurrents && each.isHot();
            pen.stroke(
                    isHot ? Hue.STOP : Hue.ACCENT,
                    Math.max(1, thick),
                    x,
                    y,
                    x(face, link.to()),
                    y(link.to()));
            if (isHot)
                pen.text(
                        Hue.STOP,
                        0.9,
                        true,
                        Anchor.CENTRE,
                        (x + x(face, link.to())) / 2,
                        (y + y(link.to())) / 2,
                        "■");
        }
    }

    /// Polarity by form: a positive end has a raised cap, a negative one is flat.
    private void ends(Face face) {
        for (int group = 0; group < layout.places().size(); group++) {
            boolean isPositive = Layout.isUp(group) == (face == Face.TOP);
            for (Spot spot : layout.places().get(group)) {
                double x = x(face, spot);
                double y = y(spot);
                if (!isSeen(x, y)) continue;
                if (isPositive) {
                    pen.disc(Hue.SHEET, 1, x, y, 0.42 * radius);
                    pen.arc(Hue.INK, 1.4, x, y, 0.42 * radius, 1);
                } else
                    pen.fill(
                            Hue.SHEET,
                            1,
                            x - 0.42 * radius,
                            y - 0.3 * radius,
                            0.84 * radius,
                            0.6 * radius);
                Figure figure = figures.get(spot);
                if (figure != null)
                    pen.fill(
                            Hue.SHEET,
                            1,
                            x - 0.7 * radius,
                            y - 0.42 * radius,
                            1.4 * radius,
                            0.84 * radius);
                if (radius > SMALLEST_TEXT_PIXELS)
                    pen.narrowText(
                            Hue.INK,
                            Math.min(0.95, 0.62 * radius / pen.em()),
                            true,
                            Anchor.CENTRE,
                            x,
                            y,
                            numberOf(group, figure));
            }
        }
    }

    /// Among figures a group's number would be taken for one.
    private String numberOf(int group, @Nullable Figure figure) {
        if (figure != null) return figure.text();
        return figures.isEmpty() ? String.valueOf(group + 1) : "";
    }

    private void insulation(Face face) {
        pen.dashes(3, 2);
        for (List<Spot> pair : LayoutCheck.toInsulate(layout, face)) {
            double x1 = x(face, pair.get(0));
            double y1 = y(pair.get(0));
            double x2 = x(face, pair.get(1));
            double y2 = y(pair.get(1));
            double mx = (x1 + x2) / 2;
            double my = (y1 + y2) / 2;
            // square to the line from can to can
            double dx = (y2 - y1) / 2;
            double dy = (x1 - x2) / 2;
            pen.stroke(Hue.CAUTION, 2, mx - dx, my - dy, mx + dx, my + dy);
        }
        pen.dashes();
    }

    /// The number of each joint, where its groups meet.
    private void joints(Face face) {
        for (JointMark mark : JointMark.of(now, face))
            badge(
                    scale.x(face, mark.alongMillimetres()),
                    scale.y(mark.acrossMillimetres()),
                    mark.name());
    }

    private void badge(double x, double y, String text) {
        double size = 0.85 * pen.em();
        pen.disc(Hue.ACCENT, 1, x, y, size);
        pen.arc(Hue.SHEET, 1.5, x, y, size, 1);
        pen.text(Hue.SHEET, 0.9, true, Anchor.CENTRE, x, y, text);
    }
}
