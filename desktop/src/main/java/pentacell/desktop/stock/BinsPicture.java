package pentacell.desktop.stock;

import java.util.List;
import java.util.Optional;
import java.util.function.IntConsumer;
import javafx.scene.layout.StackPane;
import pentacell.core.stock.Bins;
import pentacell.core.stock.Normality;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.Axis;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Scale;

/// Bins as columns with their counts, and what a bell curve would put into each.
final class BinsPicture extends StackPane {
    private final PlotSurface surface = new PlotSurface(this::paint);
    private Bins bins = new Bins(List.of(0.0), List.of());
    private Optional<Normality> normality = Optional.empty();
    private Quantity quantity = Quantity.CAPACITY;

    /// @param chosen told of the bin that was clicked
    BinsPicture(IntConsumer chosen) {
        setId("bins-picture");
        setAccessibleText("Cells in bins; a click selects a bin");
        getChildren().add(surface);
        setOnMouseClicked(click -> {
            int count = bins.counts().size();
            double left = left(surface.em());
            if (count == 0 || click.getX() < left) return;
            int bin = (int) ((click.getX() - left) / ((getWidth() - left) / count));
            if (bin < count) chosen.accept(bin);
        });
    }

    Bins bins() {
        return bins;
    }

    void show(Bins sorted, Optional<Normality> bell, Quantity of) {
        bins = sorted;
        normality = bell;
        quantity = of;
        surface.repaint();
    }

    private static double left(double em) {
        return 3 * em;
    }

    private void paint(Pen pen, double width, double height) {
        double em = pen.em();
        int count = bins.counts().size();
        if (count == 0 || bins.tallest() == 0) {
            pen.text(
                    Hue.SECOND,
                    1,
                    false,
                    Anchor.CENTRE,
                    width / 2,
                    height / 2,
                    "Nothing in these bins.");
            return;
        }
        double left = left(em);
        double bottom = height - 2.4 * em;
        Scale scale = new Scale(0, 1.12 * bins.tallest(), bottom, 0.4 * em);
        pen.fill(Hue.SHEET, 1, left, 0, width - left, bottom);
        new Axis(scale, 5, Hue.RULE, 0.85).upright(pen, left, width, 4);
        double column = (width - left) / count;
        int every = Math.max(1, (int) Math.ceil(4.2 * em / column));
        for (int bin = 0; bin < count; bin++) {
            double x = left + bin * column;
            int held = bins.counts().get(bin);
            double y = scale.pixel(held);
            pen.fill(Hue.MEASURED, 0.45, x + 2, y, Math.max(1, column - 4), bottom - y);
            if (held > 0 && column > 1.6 * em)
                pen.text(
                        Hue.INK,
                        1,
                        true,
                        Anchor.CENTRE,
                        x + column / 2,
                        y - 0.7 * em,
                        String.valueOf(held));
            if (bin % every == 0) edge(pen, bin, x, bottom);
        }
        if (count % every == 0) edge(pen, count, width - 2, bottom);
        normality.ifPresent(bell -> bell(pen, bell, scale, left, column));
        pen.text(
                Hue.SECOND,
                0.85,
                false,
                Anchor.LEFT,
                0,
                bottom + 1.7 * em,
                "From %s; cells".formatted(quantity.unit()));
    }

    private void edge(Pen pen, int bin, double x, double bottom) {
        pen.text(
                Hue.INK,
                0.9,
                false,
                bin == bins.counts().size() ? Anchor.RIGHT : Anchor.CENTRE,
                x,
                bottom + 0.8 * pen.em(),
                quantity.number(bins.edges().get(bin), 0));
    }

    /// What a bell curve would put into each bin, as a dashed step.
    private void bell(Pen pen, Normality bell, Scale scale, double left, double column) {
        double before = Double.NaN;
        for (int bin = 0; bin < bins.counts().size(); bin++) {
            double expected = bell.expected(bins.edges().get(bin), bins.edges().get(bin + 1));
            if (Double.isNaN(expected)) return;
            double x = left + bin * column;
            double y = scale.pixel(Math.min(expected, scale.to()));
            pen.dashes(4, 3);
            pen.line(Hue.ACCENT, 1.5, x, y, x + column, y);
            if (!Double.isNaN(before)) pen.line(Hue.ACCENT, 1.5, x, before, x, y);
            pen.dashes();
            before = y;
        }
    }
}
