package pentacell.desktop.match;

import java.util.List;
import java.util.Optional;
import java.util.function.DoubleConsumer;
import javafx.scene.layout.StackPane;
import pentacell.core.match.TradeOff;
import pentacell.desktop.kit.Axis;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Scale;
import pentacell.desktop.match.MatchModel.Shown;

/// The trade between the IR limit and the smallest group, with the present match on it. A click
/// takes a point's limit.
final class TradeOffPlot extends StackPane {
    private final MatchModel model;
    private final PlotSurface surface = new PlotSurface(this::paint);
    private Optional<Scale> across = Optional.empty();

    TradeOffPlot(MatchModel model, DoubleConsumer takeLimit) {
        this.model = model;
        setId("trade-off");
        setAccessibleText("Smallest group against the limit on IR spread");
        getChildren().add(surface);
        model.curveProperty().subscribe(curve -> surface.repaint());
        model.shownProperty().subscribe(shown -> surface.repaint());
        setOnMouseClicked(click ->
                nearest(click.getX()).ifPresent(point -> takeLimit.accept(point.limitMilliohms())));
    }

    private Optional<TradeOff.Point> nearest(double x) {
        if (across.isEmpty()) return Optional.empty();
        Scale scale = across.get();
        return model.curveProperty().get().stream()
                .min(
                        java.util.Comparator.comparingDouble(
                                point -> Math.abs(scale.pixel(point.limitMilliohms()) - x)));
    }

    private void paint(Pen pen, double width, double height) {
        List<TradeOff.Point> curve = model.curveProperty().get();
        double em = pen.em();
        if (curve.size() < 2) {
            across = Optional.empty();
            pen.text(
                    Hue.SECOND,
                    0.85,
                    false,
                    Anchor.LEFT,
                    2,
                    0.8 * em,
                    curve.isEmpty() ? "Not drawn yet" : "Drawing …");
            return;
        }
        double left = 3.9 * em;
        double bottom = height - 2.6 * em;
        var usable =
                curve.stream()
                        .mapToDouble(point -> point.result().figures().usableMilliampHours())
                        .summaryStatistics();
        Scale x =
                Scale.around(
                        curve.get(0).limitMilliohms(),
                        curve.get(curve.size() - 1).limitMilliohms(),
                        0.06,
                        left,
                        width - 4);
        Scale y = Scale.around(usable.getMin(), usable.getMax(), 0.12, bottom, 0.6 * em);
        across = Optional.of(x);
        pen.fill(Hue.SHEET, 1, left, 0, width - left, bottom);
        new Axis(y, 4, Hue.RULE, 0.8).upright(pen, left, width, 4);
        new Axis(x, 4, Hue.RULE, 0.8).level(pen, bottom, bottom, bottom + 0.8 * em);
        pen.text(
                Hue.SECOND,
                0.8,
                false,
                Anchor.RIGHT,
                width - 2,
                bottom + 1.9 * em,
                "IR limit / mΩ");
        pen.text(Hue.SECOND, 0.8, false, Anchor.LEFT, 0, bottom + 1.9 * em, "usable / mAh");
        for (int i = 0; i < curve.size(); i++) {
            double px = x.pixel(curve.get(i).limitMilliohms());
            double py = y.pixel(curve.get(i).result().figures().usableMilliampHours());
            if (i > 0)
                pen.line(
                        Hue.MEASURED,
                        1.5,
                        x.pixel(curve.get(i - 1).limitMilliohms()),
                        y.pixel(curve.get(i - 1).result().figures().usableMilliampHours()),
                        px,
                        py);
            pen.disc(Hue.MEASURED, 1, px, py, 2.5);
        }
        model.shownProperty().get().ifPresent(shown -> present(pen, shown, x, y));
    }

    private static void present(Pen pen, Shown shown, Scale x, Scale y) {
        double spread = shown.figures().worstIrSpreadMilliohms().orElse(Double.NaN);
        double px = x.pixel(spread);
        double py = y.pixel(shown.figures().usableMilliampHours());
        if (spread < Math.min(x.from(), x.to()) || spread > Math.max(x.from(), x.to())) return;
        pen.arc(Hue.ACCENT, 2, px, py, 5, 1);
    }
}
