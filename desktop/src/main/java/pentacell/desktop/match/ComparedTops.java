package pentacell.desktop.match;

import java.util.List;
import pentacell.core.match.MatchFigures;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.Axis;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Scale;
import pentacell.desktop.match.CompareModel.Compared;

/// The tops of two matches on one scale: the first as columns, the second as hatched ones beside
/// them.
final class ComparedTops {
    private final Pen pen;
    private final MatchFigures first;
    private final MatchFigures second;
    private final double em;

    ComparedTops(Pen pen, Compared both) {
        this.pen = pen;
        first = both.left().figures();
        second = both.right().figures();
        em = pen.em();
    }

    void paint(double width, double height) {
        double left = 4 * em;
        double top = 1.6 * em;
        double bottom = height - 1.4 * em;
        double least = Math.min(first.usableMilliampHours(), second.usableMilliampHours());
        double most = Math.max(largest(first), largest(second));
        double range = Math.max(0.0008 * least, most - least);
        Scale scale = new Scale(least - 0.3 * range, least + 1.1 * range, bottom, top);
        pen.text(
                Hue.SECOND,
                0.9,
                false,
                Anchor.LEFT,
                0,
                0.7 * em,
                "Tops of the groups / mAh: first filled, second outlined; the lines are what each pack gives");
        pen.fill(Hue.SHEET, 1, left, top, width - left, bottom - top);
        new Axis(scale, 4, Hue.RULE, 0.85).upright(pen, left, width, 4);
        int groups = Math.max(first.groups().size(), second.groups().size());
        double column = (width - left) / groups;
        for (int group = 0; group < groups; group++) {
            double x = left + group * column;
            double half = Math.max(1, column / 2 - 3);
            if (group < first.groups().size()) {
                double y = scale.pixel(sum(first.groups(), group));
                pen.fill(Hue.MEASURED, 0.45, x + 2, y, half, bottom - y);
            }
            if (group < second.groups().size()) {
                double y = scale.pixel(sum(second.groups(), group));
                pen.frame(Hue.MEASURED, 1.5, x + 3 + half, y, half, bottom - y);
            }
            if (column > 1.4 * em)
                pen.text(
                        Hue.INK,
                        0.9,
                        true,
                        Anchor.CENTRE,
                        x + column / 2,
                        bottom + 0.8 * em,
                        String.valueOf(group + 1));
        }
        usable(scale, left, width);
    }

    private void usable(Scale scale, double left, double width) {
        double of1 = scale.pixel(first.usableMilliampHours());
        double of2 = scale.pixel(second.usableMilliampHours());
        pen.line(Hue.ACCENT, 1.5, left, of1, width, of1);
        pen.dashes(4, 3);
        pen.line(Hue.ACCENT, 1.5, left, of2, width, of2);
        pen.dashes();
        pen.text(
                Hue.ACCENT,
                0.9,
                true,
                Anchor.RIGHT,
                width - 4,
                0.7 * em,
                "%s – – %s"
                        .formatted(
                                Quantity.CAPACITY.number(first.usableMilliampHours()),
                                Quantity.CAPACITY.text(second.usableMilliampHours())));
    }

    private static double sum(List<MatchFigures.GroupFigures> groups, int group) {
        return groups.get(group).milliampHours();
    }

    private static double largest(MatchFigures figures) {
        return figures.usableMilliampHours() + figures.spreadMilliampHours();
    }
}
