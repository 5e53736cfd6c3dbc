package pentacell.desktop.harvest;

import java.util.List;
import java.util.Optional;
import pentacell.core.donor.PurchaseFact;
import pentacell.core.harvest.HarvestYield;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface.Hue;

/// Draws what a good watt-hour cost, a bar for each, against new cells; and how many of the cells
/// were good.
final class YieldPlot {
    private static final int MOST_ROWS = 6;

    private List<HarvestYield> rows = List.of();
    private Optional<PurchaseFact.NewCellPriced> newCell = Optional.empty();

    void show(List<HarvestYield> yields, Optional<PurchaseFact.NewCellPriced> priced) {
        rows =
                yields.stream()
                        .filter(each -> each.pricePerGoodWattHour().isPresent())
                        .limit(MOST_ROWS)
                        .toList();
        newCell = priced;
    }

    void paint(Pen pen, double width, double height) {
        double em = pen.em();
        if (rows.isEmpty()) {
            pen.text(
                    Hue.SECOND,
                    1,
                    false,
                    Anchor.LEFT,
                    0,
                    1.2 * em,
                    "The price of a good Wh is drawn here once a lot has a price and measured cells.");
            return;
        }
        double left = 11.5 * em;
        double edge = width - 0.6 * em;
        double right = width - 11 * em;
        double newWattHour =
                newCell.map(each -> each.price().amount() / each.wattHours()).orElse(0.0);
        double most =
                Math.max(
                        newWattHour,
                        rows.stream()
                                .mapToDouble(each -> each.pricePerGoodWattHour().orElse(0))
                                .max()
                                .orElse(1));
        double scale = most > 0 ? (right - left) / (1.05 * most) : 0;
        double newX = newWattHour > 0 ? left + newWattHour * scale : Double.NaN;
        double y = 1.7 * em;
        pen.text(Hue.SECOND, 0.9, false, Anchor.LEFT, left, 0.8 * em, "price of a good Wh");
        pen.text(Hue.SECOND, 0.9, false, Anchor.RIGHT, edge, 0.8 * em, "good / cells");
        double step = Math.min(2.1 * em, (height - y - 0.4 * em) / rows.size());
        for (HarvestYield each : rows) {
            double bar = each.pricePerGoodWattHour().orElse(0) * scale;
            pen.text(
                    Hue.INK,
                    0.95,
                    false,
                    Anchor.RIGHT,
                    left - 0.6 * em,
                    y + step / 2,
                    shortened(each.name()));
            pen.fill(Hue.MEASURED, 0.35, left, y + 3, bar, step - 6);
            String price =
                    Quantity.COUNT.number(each.pricePerGoodWattHour().orElse(0), 3)
                            + " "
                            + each.currency();
            double at = left + bar + 0.4 * em;
            // the line of the new price is not drawn through a figure
            boolean isCrossed = newX > at - 0.3 * em && newX < at + 1.1 * pen.width(price, 1);
            pen.text(
                    Hue.INK,
                    1,
                    true,
                    Anchor.LEFT,
                    isCrossed ? newX + 0.4 * em : at,
                    y + step / 2,
                    price);
            pen.text(
                    Hue.INK,
                    0.95,
                    false,
                    Anchor.RIGHT,
                    edge,
                    y + step / 2,
                    each.good() + " of " + each.cells());
            y += step;
        }
        if (newWattHour > 0) {
            pen.dashes(6, 4);
            pen.line(Hue.FOCUS, 2, newX, 1.4 * em, newX, y);
            pen.dashes();
            pen.text(
                    Hue.FOCUS,
                    0.95,
                    true,
                    Anchor.RIGHT,
                    newX - 0.3 * em,
                    0.8 * em,
                    "new "
                            + Quantity.COUNT.number(newWattHour, 3)
                            + " "
                            + newCell.map(each -> each.price().currency()).orElse(""));
        }
    }

    private static String shortened(String name) {
        return name.length() > 24 ? name.substring(0, 23) + "…" : name;
    }
}
