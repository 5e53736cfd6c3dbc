package pentacell.desktop.build;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executors;
import java.util.function.Consumer;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.StackPane;
import javafx.util.Duration;
import pentacell.core.assembly.CansByPlace;
import pentacell.core.assembly.Grid;
import pentacell.core.assembly.Layout;
import pentacell.core.assembly.Spot;
import pentacell.core.build.Arrangement;
import pentacell.core.build.Face;
import pentacell.core.build.JointMark;
import pentacell.core.build.LayoutCheck;
import pentacell.core.build.Link;
import pentacell.core.build.PackCurrents;
import pentacell.core.build.PackCurrents.Flowing;
import pentacell.desktop.frame.Lane;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.PlotSurface.Hue;

/// Both faces of a pack side by side, the bottom one mirrored as it lies when the pack is turned
/// over: cans with their ends, strips in copper, joints numbered along the string.
final class FacesPicture extends StackPane {
    private static final double TITLE_EM = 1.8;
    private static final double GAP_EM = 2.4;

    /// Sheet about the cans.
    private static final double EDGE_EM = 0.5;

    /// More places are painted away from the window's thread.
    private static final int MOST_AT_ONCE = 600;

    /// Below this a can is too small for its number.
    private static final double SMALLEST_TEXT_PIXELS = 8;

    private final PlotSurface plot = new PlotSurface((pen, width, height) -> {});
    private final Tooltip tip = new Tooltip();
    private final boolean showsCurrents;
    private final Lane lane;
    private Optional<Arrangement> shown = Optional.empty();
    private Optional<Spot> pressed = Optional.empty();
    private Set<Spot> marked = Set.of();
    private Swap onSwap = (one, other) -> {};
    private Consumer<Spot> onPick = spot -> {};
    private Words words = spot -> "";

    /// Hears that a can was dragged onto another place.
    interface Swap {
        void swap(Spot one, Spot other);
    }

    /// What is said of a can under the pointer.
    interface Words {
        String of(Spot spot);
    }

    /// @param showsCurrents whether cans and strips are inked by what flows
    /// @param lane where large packs are painted
    FacesPicture(boolean showsCurrents, Lane lane) {
        this.showsCurrents = showsCurrents;
        this.lane = lane;
        plot.setId(showsCurrents ? "faces-currents" : "faces-layout");
        getChildren().add(plot);
        setMinHeight(180);
        tip.setShowDelay(Duration.millis(150));
        tip.setShowDuration(Duration.INDEFINITE);
        Tooltip.install(plot, tip);
        plot.setOnMousePressed(event -> pressed = spotAt(event));
        plot.setOnMouseReleased(this::released);
        plot.setOnMouseMoved(event -> {
            Optional<Spot> over = spotAt(event);
            tip.setText(over.map(this::said).orElse("Point at a can or a strip."));
        });
    }

    void onSwap(Swap action) {
        onSwap = action;
    }

    void onPick(Consumer<Spot> action) {
        onPick = action;
    }

    void words(Words source) {
        words = source;
    }

    /// Shows a layout.
    void show(Optional<Arrangement> arrangement) {
        shown = arrangement;
        repaint();
    }

    /// Marks some cans.
    void mark(Set<Spot> spots) {
        marked = Set.copyOf(spots);
        repaint();
    }

    private void repaint() {
        if (shown.isEmpty()) {
            plot.repaint((pen, width, height) -> {});
            return;
        }
        Arrangement now = shown.get();
        Set<Spot> cans = marked;
        PlotSurface.Painter painter =
                (pen, width, height) -> new Drawing(pen, now, cans, width, height).paint();
        Grid grid = now.layout().grid();
        if (grid.columns() * grid.rows() <= MOST_AT_ONCE) plot.repaint(painter);
        else
            plot.repaint(
                    painter, (work, done) -> lane.run(Executors.callable(work), did -> done.run()));
    }

    private void released(MouseEvent event) {
        Optional<Spot> to = spotAt(event);
        if (pressed.isPresent() && to.isPresent()) {
            if (pressed.equals(to)) onPick.accept(to.get());
            else onSwap.swap(pressed.get(), to.get());
        }
        pressed = Optional.empty();
    }

    private String said(Spot spot) {
        StringBuilder text = new StringBuilder(words.of(spot));
        if (!showsCurrents || shown.flatMap(Arrangement::currents).isEmpty())
            return text.toString();
        PackCurrents currents = shown.flatMap(Arrangement::currents).orElseThrow();
        List<Flowing> at = new ArrayList<>();
        for (Flowing each : currents.links())
            if (each.link().from().equals(spot) || each.link().to().equals(spot)) at.add(each);
        at.sort((a, b) -> Double.compare(Math.abs(b.amps()), Math.abs(a.amps())));
        for (Flowing each : at.subList(0, Math.min(4, at.size())))
            text.append('\n').append(CurrentWords.of(each));
        return text.toString();
    }

    /// Where a layout lies on the surface.
    ///
    /// @param pixels a millimetre
    /// @param left of the middle of the first can of the top face
    /// @param right of the middle of the last can of the bottom face's first column
    private record Scale(double pixels, double left, double right, double top, double length) {
        /// The largest at which both faces go side by side on a surface.
        static Scale of(Grid grid, double width, double height, double em) {
            double pitch = grid.pitchMillimetres();
            double along = grid.lengthMillimetres(pitch);
            double across = grid.widthMillimetres(pitch);
            double each = (width - GAP_EM * em) / 2;
            double pixels =
                    Math.max(
                            0,
                            Math.min(
                                    (each - (1 + 2 * EDGE_EM) * em) / along,
                                    (height - (TITLE_EM + 1 + 2 * EDGE_EM) * em) / across));
            double half = pitch / 2 * pixels;
            return new Scale(
                    pixels,
                    half + (EDGE_EM + 0.2) * em,
                    each + GAP_EM * em + half + EDGE_EM * em,
                    (TITLE_EM + EDGE_EM) * em + half,
                    along - pitch);
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

    private Optional<Spot> spotAt(MouseEvent event) {
        if (shown.isEmpty()) return Optional.empty();
        Grid grid = shown.get().layout().grid();
        Scale scale = Scale.of(grid, plot.getWidth(), plot.getHeight(), plot.em());
        double reach = grid.pitchMillimetres() * scale.pixels() * 0.55;
        for (Face face : Face.values())
            for (int row = 0; row < grid.rows(); row++)
                for (int column = 0; column < grid.columns(); column++) {
                    Spot spot = new Spot(column, row);
                    double apart =
                            PlotSurface.distance(
                                    event.getX(),
                                    event.getY(),
                                    scale.x(face, grid.alongMillimetres(spot)),
                                    scale.y(grid.acrossMillimetres(spot)));
                    if (apart < reach) return Optional.of(spot);
                }
        return Optional.empty();
    }

    /// One painting.
    private final class Drawing {
        private final Pen pen;
        private final Arrangement now;
        private final Set<Spot> marked;
        private final Layout layout;
        private final Grid grid;
        private final CansByPlace placed;
        private final Scale scale;
        private final double radius;

        Drawing(Pen pen, Arrangement now, Set<Spot> marked, double width, double height) {
            this.pen = pen;
            this.now = now;
            this.marked = marked;
            layout = now.layout();
            grid = layout.grid();
            placed = layout.cansByPlace();
            scale = Scale.of(grid, width, height, pen.em());
            radius = 0.44 * grid.pitchMillimetres() * scale.pixels();
        }

        void paint() {
            if (!(radius > 0.5)) return;
            for (Face face : Face.values()) {
                title(face);
                cans(face);
                strips(face);
                ends(face);
                insulation(face);
                joints(face);
            }
        }

        private double x(Face face, Spot spot) {
            return scale.x(face, grid.alongMillimetres(spot));
        }

        private double y(Spot spot) {
            return scale.y(grid.acrossMillimetres(spot));
        }

        private void title(Face face) {
            double em = pen.em();
            double half = grid.pitchMillimetres() / 2 * scale.pixels() + EDGE_EM * em;
            double left = (face == Face.TOP ? scale.left() : scale.right()) - half;
            double width = scale.length() * scale.pixels() + 2 * half;
            double bottom =
                    scale.y(
                                    grid.widthMillimetres(grid.pitchMillimetres())
                                            - grid.pitchMillimetres())
                            + half;
            pen.text(
                    Hue.INK,
                    1,
                    true,
                    Anchor.LEFT,
                    left,
                    0.8 * em,
                    face == Face.TOP ? "Top" : "Bottom, turned over: left and right change");
            double top = scale.top() - half;
            pen.fill(Hue.SHEET, 1, left, top, width, bottom - top);
            pen.frame(Hue.RULE, 1, left, top, width, bottom - top);
            if (face == Face.BOTTOM) fold(left + width, top);
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
            for (int row = 0; row < grid.rows(); row++)
                for (int column = 0; column < grid.columns(); column++) {
                    Spot spot = new Spot(column, row);
                    Optional<CansByPlace.PlacedCan> can = placed.at(spot);
                    double x = x(face, spot);
                    double y = y(spot);
                    if (can.isEmpty()) {
                        pen.arc(Hue.RULE, 1, x, y, radius, 1);
                        continue;
                    }
                    if (showsCurrents) pen.discRamp(inked(can.get()), x, y, radius);
                    else
                        pen.disc(
                                Hue.MEASURED,
                                can.get().group() % 2 == 0 ? 0.10 : 0.26,
                                x,
                                y,
                                radius);
                    pen.arc(Hue.INK, 1, x, y, radius, 1);
                    if (marked.contains(spot)) pen.arc(Hue.FOCUS, 3, x, y, radius, 1);
                }
        }

        /// Ink of a can by its share of the group's current: even is in the middle.
        private double inked(CansByPlace.PlacedCan can) {
            double share =
                    now.currents()
                            .map(currents ->
                                    currents.cans().get(can.group()).get(can.can()).share())
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
                    if (radius > SMALLEST_TEXT_PIXELS)
                        pen.narrowText(
                                Hue.INK,
                                Math.min(0.95, 0.62 * radius / pen.em()),
                                true,
                                Anchor.CENTRE,
                                x,
                                y,
                                String.valueOf(group + 1));
                }
            }
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
}
