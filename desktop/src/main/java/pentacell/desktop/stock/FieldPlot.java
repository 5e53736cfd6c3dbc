package pentacell.desktop.stock;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.scene.AccessibleRole;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.StackPane;
import pentacell.core.cell.CellId;
import pentacell.core.grade.GradePolicy;
import pentacell.core.grade.Histogram;
import pentacell.core.grade.Scatter;
import pentacell.core.grade.Standing;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Scale;
import pentacell.desktop.stock.StockModel.Row;

/// The field: capacity across, resistance up, a shape for each model, its 2 σ ellipse, the 80 %
/// limits, and a histogram along each side. Dragging brushes cells, a click selects one, Escape
/// drops the brush.
final class FieldPlot extends StackPane {
    private static final double MARGINAL_EM = 3.6;
    private static final double AXIS_EM = 3.4;
    private static final double NEAR_PIXELS = 12;

    private final Desk desk;
    private final StockModel model;
    private final PlotSurface surface = new PlotSurface(this::paint);
    private Optional<Area> area = Optional.empty();
    private Optional<Brush> brush = Optional.empty();

    /// Where the field lies, and how values map to it.
    private record Area(Scale x, Scale y) {}

    private record Brush(double fromX, double fromY, double toX, double toY) {
        boolean holds(double x, double y) {
            return x >= Math.min(fromX, toX)
                    && x <= Math.max(fromX, toX)
                    && y >= Math.min(fromY, toY)
                    && y <= Math.max(fromY, toY);
        }

        boolean isDrag() {
            return Math.abs(toX - fromX) + Math.abs(toY - fromY) > 5;
        }
    }

    FieldPlot(Desk desk, StockModel model) {
        this.desk = desk;
        this.model = model;
        setId("field");
        setAccessibleRole(AccessibleRole.NODE);
        setAccessibleText("Capacity against resistance; drag to brush, click to select");
        setFocusTraversable(true);
        getChildren().add(surface);
        model.shownProperty().subscribe(shown -> surface.repaint());
        desk.selection().cellProperty().subscribe(selected -> surface.repaint());
        setOnMousePressed(press -> {
            requestFocus();
            brush = Optional.of(new Brush(press.getX(), press.getY(), press.getX(), press.getY()));
        });
        setOnMouseDragged(drag -> {
            brush = brush.map(b -> new Brush(b.fromX(), b.fromY(), drag.getX(), drag.getY()));
            surface.repaint();
        });
        setOnMouseReleased(this::finishBrush);
        setOnKeyPressed(key -> {
            if (key.getCode() == KeyCode.ESCAPE) model.brush(Set.of());
        });
    }

    private static boolean hasPoint(Row row) {
        return row.cell().milliampHours().isPresent() && row.cell().milliohms().isPresent();
    }

    private List<Row> points() {
        return model.shownProperty().get().rows().stream().filter(FieldPlot::hasPoint).toList();
    }

    private static double capacity(Row row) {
        return row.cell().milliampHours().orElseThrow();
    }

    private static double resistance(Row row) {
        return row.cell().milliohms().orElseThrow();
    }

    private void finishBrush(MouseEvent release) {
        Optional<Brush> drawn = brush;
        brush = Optional.empty();
        if (drawn.isEmpty() || area.isEmpty()) return;
        Area field = area.get();
        if (drawn.get().isDrag()) {
            Set<CellId> held = new HashSet<>();
            for (Row row : points())
                if (drawn.get()
                        .holds(field.x().pixel(capacity(row)), field.y().pixel(resistance(row))))
                    held.add(row.cell().id());
            model.brush(held);
        } else {
            nearest(field, release.getX(), release.getY()).ifPresent(desk.selection()::select);
        }
        surface.repaint();
    }

    private Optional<CellId> nearest(Area field, double x, double y) {
        double least = NEAR_PIXELS;
        Optional<CellId> nearest = Optional.empty();
        for (Row row : points()) {
            double distance =
                    PlotSurface.distance(
                            field.x().pixel(capacity(row)), field.y().pixel(resistance(row)), x, y);
            if (distance >= least) continue;
            least = distance;
            nearest = Optional.of(row.cell().id());
        }
        return nearest;
    }

    private void paint(Pen pen, double width, double height) {
        List<Row> points = points();
        if (points.isEmpty()) {
            pen.text(
                    Hue.SECOND,
                    1,
                    false,
                    Anchor.CENTRE,
                    width / 2,
                    height / 2,
                    "No cell has both a capacity and a resistance yet. Log them at Intake.");
            area = Optional.empty();
            return;
        }
        double em = pen.em();
        double left = AXIS_EM * em;
        double right = width - MARGINAL_EM * em;
        double top = MARGINAL_EM * em;
        double bottom = height - 2.9 * em;
        var capacities = points.stream().mapToDouble(FieldPlot::capacity).summaryStatistics();
        var resistances = points.stream().mapToDouble(FieldPlot::resistance).summaryStatistics();
        Area field =
                new Area(
                        Scale.around(capacities.getMin(), capacities.getMax(), 0.05, left, right),
                        Scale.around(
                                resistances.getMin(), resistances.getMax(), 0.08, bottom, top));
        area = Optional.of(field);
        pen.fill(Hue.SHEET, 1, left, top, right - left, bottom - top);
        axes(pen, field);
        limits(pen, field, points);
        histograms(pen, field, points);
        Map<String, List<Row>> byModel = new LinkedHashMap<>();
        for (Row row : points)
            byModel.computeIfAbsent(row.modelName(), name -> new ArrayList<>()).add(row);
        byModel.values().forEach(rows -> ellipse(pen, field, rows));
        List<String> order = List.copyOf(model.models().keySet());
        for (Row row : points)
            point(pen, field, row, ModelShape.of(order.indexOf(row.modelName())));
        pen.frame(Hue.RULE, 1, left, top, right - left, bottom - top);
        brush.filter(Brush::isDrag)
                .ifPresent(b -> {
                    double x = Math.min(b.fromX(), b.toX());
                    double y = Math.min(b.fromY(), b.toY());
                    pen.fill(
                            Hue.FOCUS,
                            0.12,
                            x,
                            y,
                            Math.abs(b.toX() - b.fromX()),
                            Math.abs(b.toY() - b.fromY()));
                    pen.frame(
                            Hue.FOCUS,
                            1,
                            x,
                            y,
                            Math.abs(b.toX() - b.fromX()),
                            Math.abs(b.toY() - b.fromY()));
                });
    }

    private static void axes(Pen pen, Area field) {
        double em = pen.em();
        double bottom = field.y().first();
        double left = field.x().first();
        for (double tick : field.x().ticks(8)) {
            double x = field.x().pixel(tick);
            pen.line(Hue.GROUND, 1, x, field.y().last(), x, bottom);
            pen.text(
                    Hue.SECOND,
                    0.9,
                    false,
                    Anchor.CENTRE,
                    x,
                    bottom + 0.8 * em,
                    Quantity.CAPACITY.number(tick));
        }
        for (double tick : field.y().ticks(6)) {
            double y = field.y().pixel(tick);
            pen.line(Hue.GROUND, 1, left, y, field.x().last(), y);
            pen.text(
                    Hue.SECOND,
                    0.9,
                    false,
                    Anchor.RIGHT,
                    left - 0.5 * em,
                    y,
                    Quantity.CAPACITY.number(tick));
        }
        pen.text(
                Hue.SECOND,
                0.9,
                false,
                Anchor.RIGHT,
                field.x().last(),
                bottom + 2.1 * em,
                "Capacity / mAh");
        pen.text(Hue.SECOND, 0.9, false, Anchor.LEFT, 0, field.y().last() - 0.9 * em, "IR / mΩ");
    }

    /// Where each model falls under the least state of health.
    private static void limits(Pen pen, Area field, List<Row> points) {
        Map<String, Double> limits = new LinkedHashMap<>();
        for (Row row : points)
            row.model()
                    .ifPresent(known ->
                            limits.put(
                                    known.name(),
                                    known.ratedMinimumMilliampHours()
                                            * GradePolicy.USUAL.minSohShare()));
        double em = pen.em();
        int row = 0;
        for (Map.Entry<String, Double> limit : limits.entrySet()) {
            double x = field.x().pixel(limit.getValue());
            if (x <= field.x().first() || x >= field.x().last()) continue;
            pen.dashes(4, 4);
            pen.line(Hue.CAUTION, 1, x, field.y().last(), x, field.y().first());
            pen.dashes();
            String name = limit.getKey().substring(limit.getKey().lastIndexOf(' ') + 1);
            pen.narrowText(
                    Hue.CAUTION,
                    0.85,
                    false,
                    Anchor.LEFT,
                    x + 3,
                    field.y().last() + em * (0.8 + 1.1 * (row++ % 3)),
                    "80 % " + name);
        }
    }

    private static void histograms(Pen pen, Area field, List<Row> points) {
        double em = pen.em();
        double depth = (MARGINAL_EM - 0.6) * em;
        Histogram across =
                Histogram.of(
                        Scale.roundStep((field.x().to() - field.x().from()) / 40),
                        points.stream().mapToDouble(FieldPlot::capacity).toArray());
        for (int i = 0; i < across.counts().size(); i++) {
            double from = field.x().pixel(across.from() + i * across.binWidth());
            double to = field.x().pixel(across.from() + (i + 1) * across.binWidth());
            double length = depth * across.counts().get(i) / across.tallest();
            pen.fill(
                    Hue.MEASURED,
                    0.35,
                    from,
                    field.y().last() - 3 - length,
                    Math.max(1, to - from - 1),
                    length);
        }
        Histogram up =
                Histogram.of(
                        Scale.roundStep((field.y().to() - field.y().from()) / 30),
                        points.stream().mapToDouble(FieldPlot::resistance).toArray());
        for (int i = 0; i < up.counts().size(); i++) {
            double from = field.y().pixel(up.from() + i * up.binWidth());
            double to = field.y().pixel(up.from() + (i + 1) * up.binWidth());
            double length = depth * up.counts().get(i) / up.tallest();
            pen.fill(
                    Hue.MEASURED,
                    0.35,
                    field.x().last() + 4,
                    to + 1,
                    length,
                    Math.max(1, from - to - 1));
        }
    }

    private static void ellipse(Pen pen, Area field, List<Row> rows) {
        if (rows.size() < 3) return;
        Scatter scatter =
                Scatter.of(
                        rows.stream()
                                .map(row -> new Scatter.Pair(capacity(row), resistance(row)))
                                .toList());
        double scaleX = field.x().pixel(1) - field.x().pixel(0);
        double scaleY = field.y().pixel(1) - field.y().pixel(0);
        Scatter.Ellipse ellipse = scatter.ellipse(scaleX, scaleY);
        pen.ellipse(
                Hue.RULE,
                1.5,
                field.x().pixel(scatter.meanX()),
                field.y().pixel(scatter.meanY()),
                2 * ellipse.major(),
                2 * ellipse.minor(),
                ellipse.degrees());
    }

    private void point(Pen pen, Area field, Row row, ModelShape shape) {
        double x = field.x().pixel(capacity(row));
        double y = field.y().pixel(resistance(row));
        Set<CellId> brushed = model.shownProperty().get().brushed();
        boolean isAside = !brushed.isEmpty() && !brushed.contains(row.cell().id());
        boolean isSelected =
                desk.selection().cellProperty().get().equals(Optional.of(row.cell().id()));
        if (isSelected) pen.disc(Hue.FOCUS, 0.25, x, y, 11);
        if (row.standing() == Standing.OUT) {
            pen.line(Hue.STOP, 1.5, x - 4, y - 4, x + 4, y + 4);
            pen.line(Hue.STOP, 1.5, x - 4, y + 4, x + 4, y - 4);
        } else
            shape.draw(
                    pen,
                    isAside ? Hue.RULE : Hue.MEASURED,
                    row.standing() == Standing.FIT && !isAside,
                    x,
                    y,
                    4);
        if (isSelected) pen.arc(Hue.FOCUS, 2, x, y, 11, 1);
    }
}
