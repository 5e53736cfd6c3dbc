package pentacell.desktop.stock;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.scene.image.Image;
import pentacell.core.cell.CellId;
import pentacell.core.school.GradePolicy;
import pentacell.core.stock.Histogram;
import pentacell.core.stock.Scatter;
import pentacell.core.stock.Standing;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.Axis;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Scale;
import pentacell.desktop.stock.StockModel.Row;

/// The field as it is painted once for all: axes, limits, histograms, ellipses, a mark for each
/// cell. Nothing in it changes, so it can be painted on any thread.
///
/// @param points the cells that have a capacity and a resistance
/// @param brushed the cells the brush holds; empty when there is no brush
/// @param models names of all models, in the order of their shapes
/// @param policy the limits cells are graded by
/// @param stamps marks drawn before; empty when each is drawn for itself
record FieldPicture(
        List<Row> points,
        Set<CellId> brushed,
        List<String> models,
        GradePolicy policy,
        Map<FieldPicture.Mark, Image> stamps)
        implements PlotSurface.Painter {
    /// More points than this are stamped instead of drawn one by one, and not on the UI thread.
    private static final int CROWD = 1000;

    /// From here on marks would be one blot.
    private static final int DENSE = 3000;

    private static final double MARGINAL_EM = 3.6;
    private static final double AXIS_EM = 3.4;
    private static final double MARK_PIXELS = 6;

    /// Where the field lies, and how values map to it.
    record Area(Scale x, Scale y) {}

    /// The picture of what is shown.
    static FieldPicture of(StockModel.Shown shown, List<String> models, GradePolicy policy) {
        return new FieldPicture(
                shown.rows().stream()
                        .filter(row ->
                                row.cell().milliampHours().isPresent()
                                        && row.cell().milliohms().isPresent())
                        .toList(),
                shown.brushed(),
                models,
                policy,
                Map.of());
    }

    boolean isCrowded() {
        return points.size() > CROWD;
    }

    /// The same picture with its marks drawn beforehand.
    @Override
    public FieldPicture inColoursOf(PlotSurface surface) {
        Map<Mark, Consumer<Pen>> drawings = new HashMap<>();
        for (Row row : points) {
            Mark mark = mark(row);
            drawings.putIfAbsent(mark, pen -> mark.draw(pen, 0, 0));
        }
        return new FieldPicture(
                points, brushed, models, policy, surface.stamps(MARK_PIXELS, drawings));
    }

    static double capacity(Row row) {
        return row.cell().milliampHours().orElseThrow();
    }

    static double resistance(Row row) {
        return row.cell().milliohms().orElseThrow();
    }

    /// Where the field lies on a surface; nowhere when it has no points.
    Optional<Area> area(double em, double width, double height) {
        if (points.isEmpty()) return Optional.empty();
        var capacities = points.stream().mapToDouble(FieldPicture::capacity).summaryStatistics();
        var resistances = points.stream().mapToDouble(FieldPicture::resistance).summaryStatistics();
        double top = MARGINAL_EM * em;
        double bottom = height - 2.9 * em;
        return Optional.of(
                new Area(
                        Scale.around(
                                capacities.getMin(),
                                capacities.getMax(),
                                0.05,
                                AXIS_EM * em,
                                width - MARGINAL_EM * em),
                        Scale.around(
                                resistances.getMin(), resistances.getMax(), 0.08, bottom, top)));
    }

    @Override
    public void paint(Pen pen, double width, double height) {
        Optional<Area> area = area(pen.em(), width, height);
        if (area.isEmpty()) {
            pen.text(
                    Hue.SECOND,
                    1,
                    false,
                    Anchor.CENTRE,
                    width / 2,
                    height / 2,
                    "No cell has both a capacity and a resistance yet. Log them at Intake.");
            return;
        }
        Area field = area.get();
        double left = field.x().first();
        double top = field.y().last();
        double across = field.x().last() - left;
        double up = field.y().first() - top;
        pen.fill(Hue.SHEET, 1, left, top, across, up);
        axes(pen, field);
        limits(pen, field);
        histograms(pen, field, points);
        points.stream()
                .collect(
                        Collectors.groupingBy(
                                Row::modelName, LinkedHashMap::new, Collectors.toList()))
                .values()
                .forEach(rows -> ellipse(pen, field, rows));
        if (isDense()) FieldDensity.of(points, field).paint(pen, field);
        marks(pen, field);
        pen.frame(Hue.RULE, 1, left, top, across, up);
    }

    private boolean isDense() {
        return points.size() > DENSE;
    }

    private void marks(Pen pen, Area field) {
        Set<Stamped> stamped = new HashSet<>();
        for (Row row : points) {
            // in a shaded field only what the brush holds is marked
            if (isDense() && !brushed.contains(row.cell().id())) continue;
            Mark mark = mark(row);
            double x = field.x().pixel(capacity(row));
            double y = field.y().pixel(resistance(row));
            Image stamp = stamps.get(mark);
            if (stamp == null) mark.draw(pen, x, y);
            // a second stamp on the same pixel changes nothing
            else if (stamped.add(new Stamped(mark, Math.round(x), Math.round(y))))
                pen.stamp(stamp, MARK_PIXELS, x, y);
        }
    }

    private Mark mark(Row row) {
        if (row.standing() == Standing.OUT) return new Mark(Optional.empty(), Hue.STOP, false);
        boolean isAside = !brushed.isEmpty() && !brushed.contains(row.cell().id());
        return new Mark(
                Optional.of(ModelShape.of(models.indexOf(row.modelName()))),
                isAside ? Hue.RULE : Hue.MEASURED,
                row.standing() == Standing.FIT && !isAside);
    }

    private static void axes(Pen pen, Area field) {
        double em = pen.em();
        double bottom = field.y().first();
        double left = field.x().first();
        new Axis(field.x(), 8, Hue.GROUND, 0.9)
                .level(pen, field.y().last(), bottom, bottom + 0.8 * em);
        new Axis(field.y(), 6, Hue.GROUND, 0.9).upright(pen, left, field.x().last(), 0.5 * em);
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

    /// What one can of each model is rated for.
    Map<String, Double> ratings() {
        Map<String, Double> ratings = new LinkedHashMap<>();
        for (Row row : points)
            row.model()
                    .ifPresent(known ->
                            ratings.put(
                                    known.name(),
                                    known.ratedMinimumMilliampHours() / row.cell().count()));
        return ratings;
    }

    /// Where each model falls under the least state of health, and the highest IR.
    private void limits(Pen pen, Area field) {
        double em = pen.em();
        int row = 0;
        String share = Quantity.PERCENT.text(100 * policy.minSohShare(), 0);
        for (Map.Entry<String, Double> rating : ratings().entrySet()) {
            double x = field.x().pixel(rating.getValue() * policy.minSohShare());
            if (x <= field.x().first() || x >= field.x().last()) continue;
            pen.dashes(4, 4);
            pen.line(Hue.CAUTION, 1, x, field.y().last(), x, field.y().first());
            pen.dashes();
            String name = rating.getKey().substring(rating.getKey().lastIndexOf(' ') + 1);
            pen.narrowText(
                    Hue.CAUTION,
                    0.85,
                    false,
                    Anchor.LEFT,
                    x + 3,
                    field.y().last() + em * (0.8 + 1.1 * (row++ % 3)),
                    share + " " + name);
        }
        double y = FieldLimits.y(field, policy);
        pen.dashes(4, 4);
        pen.line(Hue.CAUTION, 1, field.x().first(), y, field.x().last(), y);
        pen.dashes();
        pen.narrowText(
                Hue.CAUTION,
                0.85,
                false,
                Anchor.RIGHT,
                field.x().last() - 4,
                y + 0.8 * em,
                policy.maxMilliohms().isPresent()
                        ? "up to "
                                + Quantity.RESISTANCE.text(policy.maxMilliohms().getAsDouble(), 0)
                        : "no IR limit");
    }

    private static void histograms(Pen pen, Area field, List<Row> points) {
        double em = pen.em();
        double depth = (MARGINAL_EM - 0.6) * em;
        Histogram across =
                Histogram.of(
                        Scale.roundStep((field.x().to() - field.x().from()) / 40),
                        points.stream().mapToDouble(FieldPicture::capacity).toArray());
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
                        points.stream().mapToDouble(FieldPicture::resistance).toArray());
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

    private record Stamped(Mark mark, long x, long y) {}

    /// How a cell is marked.
    ///
    /// @param shape of its model; none for a cell that is out, which is crossed out
    record Mark(Optional<ModelShape> shape, Hue hue, boolean filled) {
        void draw(Pen pen, double x, double y) {
            if (shape.isPresent()) {
                shape.get().draw(pen, hue, filled, x, y, 4);
                return;
            }
            pen.line(hue, 1.5, x - 4, y - 4, x + 4, y + 4);
            pen.line(hue, 1.5, x - 4, y + 4, x + 4, y - 4);
        }
    }
}
