package pentacell.desktop.match;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.layout.StackPane;
import pentacell.desktop.kit.Axis;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Scale;
import pentacell.desktop.match.TradeOffModel.Outlook;

/// The trade between the IR limit, the smallest group and the share of the hardest-worked cell,
/// with the present match on it. A click takes the nearest point.
final class TradeOffPlot extends StackPane {
    private final MatchModel model;
    private final PlotSurface surface = new PlotSurface(this::paint);
    private Optional<Scale> across = Optional.empty();
    private Optional<Outlook> chosen = Optional.empty();

    /// @param id of the node
    /// @param chosen told of the point next to a click
    TradeOffPlot(MatchModel model, String id, Consumer<Outlook> chosen) {
        this.model = model;
        setId(id);
        setAccessibleText("Smallest group against the limit on IR spread");
        getChildren().add(surface);
        model.tradeOff().curveProperty().subscribe(curve -> surface.repaint());
        model.shownProperty().subscribe(shown -> surface.repaint());
        setOnMouseClicked(click -> nearest(click.getX()).ifPresent(chosen));
    }

    /// Marks a point that is chosen elsewhere.
    void mark(Optional<Outlook> point) {
        chosen = point;
        surface.repaint();
    }

    private Optional<Outlook> nearest(double x) {
        if (across.isEmpty()) return Optional.empty();
        Scale scale = across.get();
        return model.tradeOff().curveProperty().get().stream()
                .min(
                        java.util.Comparator.comparingDouble(
                                each -> Math.abs(scale.pixel(each.point().limitMilliohms()) - x)));
    }

    private void paint(Pen pen, double width, double height) {
        List<Outlook> curve = model.tradeOff().curveProperty().get();
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
        double right = width - 3.4 * em;
        double bottom = height - 2.6 * em;
        var usable =
                curve.stream()
                        .mapToDouble(each -> each.figures().usableMilliampHours())
                        .summaryStatistics();
        Scale x =
                Scale.around(
                        curve.get(0).point().limitMilliohms(),
                        curve.get(curve.size() - 1).point().limitMilliohms(),
                        0.06,
                        left,
                        right - 4);
        Scale y = Scale.around(usable.getMin(), usable.getMax(), 0.12, bottom, 0.6 * em);
        across = Optional.of(x);
        pen.fill(Hue.SHEET, 1, left, 0, right - left, bottom);
        new Axis(y, 4, Hue.RULE, 0.8).upright(pen, left, right, 4);
        new Axis(x, 4, Hue.RULE, 0.8).level(pen, bottom, bottom, bottom + 0.8 * em);
        pen.text(
                Hue.SECOND,
                0.8,
                false,
                Anchor.RIGHT,
                right - 2,
                bottom + 1.9 * em,
                "IR limit / mΩ");
        shares(pen, curve, x, bottom, right, width);
        pen.text(Hue.SECOND, 0.8, false, Anchor.LEFT, 0, bottom + 1.9 * em, "usable / mAh");
        for (int i = 0; i < curve.size(); i++) {
            double px = x.pixel(curve.get(i).point().limitMilliohms());
            double py = y.pixel(curve.get(i).figures().usableMilliampHours());
            if (i > 0)
                pen.line(
                        Hue.MEASURED,
                        1.5,
                        x.pixel(curve.get(i - 1).point().limitMilliohms()),
                        y.pixel(curve.get(i - 1).figures().usableMilliampHours()),
                        px,
                        py);
            pen.disc(Hue.MEASURED, 1, px, py, 2.5);
            if (!chosen.equals(Optional.of(curve.get(i)))) continue;
            pen.disc(Hue.FOCUS, 1, px, py, 5);
            pen.line(Hue.FOCUS, 1, px, py, px, bottom);
        }
        model.shownProperty().get().ifPresent(shown -> present(pen, shown, x, y));
    }

    /// The share of the hardest-worked cell, dashed, with its own axis on the right.
    private static void shares(
            Pen pen, List<Outlook> curve, Scale x, double bottom, double right, double width) {
        double em = pen.em();
        List<Outlook> known = curve.stream().filter(each -> each.discharged().isPresent()).toList();
        if (known.size() < 2) return;
        var shares = known.stream().mapToDouble(TradeOffPlot::share).summaryStatistics();
        Scale y = Scale.around(shares.getMin(), shares.getMax(), 0.12, bottom, 0.6 * em);
        new Axis(y, 4, Hue.RULE, 0.8).besides(pen, Hue.SECOND, right + 0.3 * em);
        pen.text(Hue.SECOND, 0.8, false, Anchor.RIGHT, width - 2, bottom + 1.9 * em, "share");
        for (int i = 0; i < known.size(); i++) {
            double px = x.pixel(known.get(i).point().limitMilliohms());
            double py = y.pixel(share(known.get(i)));
            if (i > 0) {
                pen.dashes(4, 3);
                pen.line(
                        Hue.ACCENT,
                        1.5,
                        x.pixel(known.get(i - 1).point().limitMilliohms()),
                        y.pixel(share(known.get(i - 1))),
                        px,
                        py);
                pen.dashes();
            }
            pen.fill(Hue.ACCENT, 1, px - 2.5, py - 2.5, 5, 5);
        }
    }

    private static double share(Outlook outlook) {
        return outlook.discharged().orElseThrow().worstShareAtStart();
    }

    private static void present(Pen pen, Shown shown, Scale x, Scale y) {
        double spread = shown.figures().worstIrSpreadMilliohms().orElse(Double.NaN);
        double px = x.pixel(spread);
        double py = y.pixel(shown.figures().usableMilliampHours());
        if (spread < Math.min(x.from(), x.to()) || spread > Math.max(x.from(), x.to())) return;
        pen.arc(Hue.ACCENT, 2, px, py, 5, 1);
    }
}
