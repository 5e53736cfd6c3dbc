package pentacell.desktop.match;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import pentacell.core.cell.CellId;
import pentacell.core.match.Candidate;
import pentacell.core.match.MatchFigures.GroupFigures;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.Axis;
import pentacell.desktop.kit.CellMark;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Scale;
import pentacell.desktop.match.Skyline.Block;

/// Draws the skyline, from the top: the magnified strip in which the tops of the groups differ, the
/// groups as stacks of their cells, the IR of each group's cells on a common scale with the limit,
/// and the shelf of cells left over.
final class SkylinePainter {
    private static final double LEFT_EM = 3.6;
    private static final double STRIP_EM = 5.2;
    private static final double IR_EM = 7.0;
    private static final double SHELF_EM = 5.0;
    private static final double LEGEND_EM = 1.4;
    private static final double HEADING_EM = 1.5;

    private final Pen pen;
    private final Shown shown;
    private final double em;
    private final List<Block> blocks = new ArrayList<>();
    private final List<Dot> dots = new ArrayList<>();

    /// Where things were drawn.
    ///
    /// @param blocks the cells
    /// @param dots their IR
    record Drawn(List<Block> blocks, List<Dot> dots) {
        static final Drawn NOTHING = new Drawn(List.of(), List.of());
    }

    /// Where the IR of a cell is drawn.
    record Dot(CellId cell, double x, double y) {}

    /// What the hand does, to be seen over the drawing.
    ///
    /// @param marked the cell that is dragged or marked
    /// @param target the cell under the one that is dragged
    record Highlights(
            Optional<CellId> selected, Optional<CellId> marked, Optional<CellId> target) {}

    SkylinePainter(Pen pen, Shown shown) {
        this.pen = pen;
        this.shown = shown;
        this.em = pen.em();
    }

    static void paintEmpty(Pen pen, double width, double height) {
        pen.text(
                Hue.SECOND,
                1,
                false,
                Anchor.CENTRE,
                width / 2,
                height / 2,
                "No groups yet. Say how many in series and parallel, then press Match.");
    }

    /// Draws all but what the hand does.
    Drawn paint(double width, double height) {
        double left = LEFT_EM * em;
        double column = (width - left) / shown.groups().size();
        double strip = STRIP_EM * em;
        double ir = IR_EM * em;
        double shelf = (shown.shelf().isEmpty() ? LEGEND_EM : SHELF_EM) * em;
        double stacksTop = HEADING_EM * em + strip + 0.6 * em;
        double stacksBottom = height - ir - shelf - 1.6 * em;
        magnifiedStrip(left, column, HEADING_EM * em, strip, width);
        stacks(left, column, stacksTop, stacksBottom);
        resistances(left, column, stacksBottom + 1.8 * em, ir - 2.4 * em, width);
        double bottom = height - shelf + 0.2 * em;
        CellMark.rampLegend(pen, width, bottom + 0.5 * em);
        if (!shown.shelf().isEmpty()) shelf(bottom, shelf - 0.4 * em, width);
        return new Drawn(List.copyOf(blocks), List.copyOf(dots));
    }

    /// Draws what the hand does, over the drawing and apart from it: a cell that is dragged over
    /// sixteen hundred others has none of them drawn anew.
    static void paintHighlights(Pen pen, Drawn drawn, Highlights highlights) {
        for (Block block : drawn.blocks()) {
            Optional<CellId> cell = Optional.of(block.cell());
            if (cell.equals(highlights.selected()))
                pen.frame(
                        Hue.FOCUS,
                        3,
                        block.x(),
                        block.y() + 1,
                        block.width() - 1,
                        block.height() - 2);
            if (cell.equals(highlights.marked()) || cell.equals(highlights.target()))
                pen.frame(
                        Hue.ACCENT,
                        2.5,
                        block.x() + 1,
                        block.y() + 1,
                        block.width() - 2,
                        block.height() - 2);
        }
        for (Dot dot : drawn.dots())
            if (highlights.selected().filter(dot.cell()::equals).isPresent())
                pen.disc(Hue.FOCUS, 1, dot.x(), dot.y(), 4);
    }

    /// The tops of the groups, so large that a few mAh can be seen: the last 1 %, or more where the
    /// spread is more.
    private void magnifiedStrip(
            double left, double column, double top, double height, double width) {
        double least = shown.figures().usableMilliampHours();
        double range = Math.max(0.0008 * least, 1.5 * shown.figures().spreadMilliampHours());
        Scale scale = new Scale(least - 0.2 * range, least + 0.8 * range, top + height, top);
        pen.text(
                Hue.SECOND,
                0.9,
                false,
                Anchor.LEFT,
                0,
                top - 0.7 * em,
                "Tops magnified: the strip is %s high%s"
                        .formatted(
                                Quantity.CAPACITY.text(range),
                                hasFigures(column)
                                        ? ", figures are mAh over the smallest group"
                                        : ""));
        pen.fill(Hue.SHEET, 1, left, top, width - left, height);
        double base = scale.pixel(least);
        for (int group = 0; group < shown.groups().size(); group++) {
            double x = left + group * column;
            double sum = shown.figures().groups().get(group).milliampHours();
            double y = scale.pixel(sum);
            boolean smallest = sum == least;
            double gap = gap(column);
            pen.fill(
                    Hue.MEASURED,
                    smallest ? 0.5 : 0.28,
                    x + gap,
                    y,
                    column - 2 * gap,
                    top + height - y);
            pen.line(Hue.MEASURED, 2, x + gap, y, x + column - gap, y);
            if (hasFigures(column))
                pen.text(
                        smallest ? Hue.ACCENT : Hue.INK,
                        column > 3.4 * em ? 1.1 : 0.85,
                        true,
                        Anchor.CENTRE,
                        x + column / 2,
                        y - 1.3 * em > top ? y - 0.7 * em : y + 0.8 * em,
                        smallest ? "least" : "+" + Quantity.CAPACITY.number(sum - least));
        }
        pen.dashes(3, 3);
        pen.line(Hue.ACCENT, 1, left, base, width, base);
        pen.dashes();
        pen.frame(Hue.RULE, 1, left, top, width - left - 1, height);
    }

    private boolean hasFigures(double column) {
        return column > 1.8 * em;
    }

    /// On either side of a group; of very many groups a narrow one.
    private static double gap(double column) {
        return Math.min(2, 0.15 * column);
    }

    private void stacks(double left, double column, double top, double bottom) {
        double most =
                shown.figures().groups().stream()
                        .mapToDouble(GroupFigures::milliampHours)
                        .max()
                        .orElse(1);
        Scale scale = new Scale(0, most, bottom, top);
        int numbered =
                IntStream.of(1, 5, 10, 20)
                        .filter(each -> each * column > 1.4 * em)
                        .findFirst()
                        .orElse(50);
        new Axis(scale, 5, Hue.RULE, 0.85)
                .upright(pen, left - 4, left + column * shown.groups().size(), 2);
        for (int group = 0; group < shown.groups().size(); group++) {
            double x = left + group * column;
            double gap = gap(column);
            double sum = 0;
            for (Candidate cell : shown.groups().get(group)) {
                double from = scale.pixel(sum);
                sum += cell.milliampHours();
                double to = scale.pixel(sum);
                Block block = new Block(cell.id(), group, x + gap, to, column - 2 * gap, from - to);
                blocks.add(block);
                cell(block, cell);
            }
            boolean isAtTheEdge = numbered > 1 && group == shown.groups().size() - 1;
            if ((group + 1) % numbered == 0)
                pen.text(
                        Hue.INK,
                        1,
                        true,
                        isAtTheEdge ? Anchor.RIGHT : Anchor.CENTRE,
                        isAtTheEdge ? x + column : x + column / 2,
                        bottom + 0.8 * em,
                        String.valueOf(group + 1));
        }
        pen.text(Hue.SECOND, 0.85, false, Anchor.LEFT, 0, bottom + 0.8 * em, "Group");
    }

    private void cell(Block block, Candidate cell) {
        double darkness =
                cell.milliohms().isPresent()
                        ? Math.clamp(CellMark.darkness(cell.milliohms().getAsDouble()), 0, 1)
                        : 0;
        double gap = block.height() > 6 ? 1 : 0;
        pen.fillRamp(
                darkness,
                block.x(),
                block.y() + gap,
                block.width(),
                Math.max(0.5, block.height() - gap));
        if (block.height() > 0.95 * em && block.width() > 4 * em) {
            Hue hue = darkness > 0.5 ? Hue.SHEET : Hue.INK;
            double size = block.height() > 1.2 * em ? 0.88 : 0.75;
            double middle = block.y() + block.height() / 2 + 0.5;
            pen.narrowText(
                    hue,
                    size,
                    false,
                    Anchor.LEFT,
                    block.x() + 5,
                    middle,
                    cell.count() == 1 ? cell.id().text() : cell.id() + "×" + cell.count());
            if (block.width() > 5.8 * em)
                pen.narrowText(
                        hue,
                        size,
                        false,
                        Anchor.RIGHT,
                        block.x() + block.width() - 5,
                        middle,
                        Quantity.CAPACITY.number(cell.milliampHours()));
        }
        if (shown.isLocked(cell.id()))
            pen.fill(Hue.ACCENT, 1, block.x() - 1, block.y() + gap, 4, block.height() - gap);
        // a second line around it, as around its mark on the tray: it was deeply discharged once
        if (cell.isRescued())
            pen.frame(
                    darkness > 0.5 ? Hue.SHEET : Hue.INK,
                    1.2,
                    block.x() + 2.5,
                    block.y() + gap + 2.5,
                    block.width() - 5,
                    block.height() - gap - 5);
    }

    /// Every cell's IR over its group, on one scale; the limit reaches up from the lowest cell of
    /// each group.
    private void resistances(double left, double column, double top, double height, double width) {
        double[] all =
                shown.groups().stream()
                        .flatMap(List::stream)
                        .flatMapToDouble(cell -> cell.milliohms().stream())
                        .toArray();
        if (all.length == 0) return;
        double low = java.util.Arrays.stream(all).min().orElse(0);
        double high = java.util.Arrays.stream(all).max().orElse(1);
        Scale scale = Scale.around(low, high, 0.08, top + height, top);
        OptionalDouble limit = shown.pack().rules().maxIrSpreadMilliohms();
        pen.fill(Hue.SHEET, 1, left, top, width - left, height);
        new Axis(scale, 3, Hue.RULE, 0.85).upright(pen, left, width, 6);
        for (int group = 0; group < shown.groups().size(); group++) {
            double middle = left + (group + 0.5) * column;
            List<Candidate> cells = shown.groups().get(group);
            double lowest =
                    cells.stream()
                            .flatMapToDouble(cell -> cell.milliohms().stream())
                            .min()
                            .orElse(Double.NaN);
            if (limit.isPresent() && lowest <= high) {
                double y = Math.max(top, scale.pixel(lowest + limit.getAsDouble()));
                pen.fill(
                        Hue.FOCUS,
                        0.12,
                        middle - column * 0.3,
                        y,
                        column * 0.6,
                        scale.pixel(lowest) - y);
                pen.line(Hue.FOCUS, 1, middle - column * 0.3, y, middle + column * 0.3, y);
            }
            int number = 0;
            for (Candidate cell : cells) {
                if (cell.milliohms().isEmpty()) continue;
                double shift =
                        column > 2 * em ? ((number++ % 5) - 2) * Math.min(5, column / 12) : 0;
                Dot dot =
                        new Dot(
                                cell.id(),
                                middle + shift,
                                scale.pixel(cell.milliohms().getAsDouble()));
                dots.add(dot);
                pen.disc(Hue.MEASURED, 1, dot.x(), dot.y(), 2.5);
            }
        }
        pen.text(Hue.SECOND, 0.85, false, Anchor.LEFT, 0, top + 0.9 * em, "mΩ");
        pen.frame(Hue.RULE, 1, left, top, width - left - 1, height);
    }

    private void shelf(double top, double height, double width) {
        pen.text(
                Hue.SECOND,
                0.9,
                false,
                Anchor.LEFT,
                0,
                top + 0.5 * em,
                "Left over: %d, strongest first%s"
                        .formatted(
                                shown.shelf().size(),
                                shown.pack().spares().isEmpty()
                                        ? ""
                                        : "; %d kept for repairs (underlined)"
                                                .formatted(shown.pack().spares().size())));
        double rowTop = top + 1.2 * em;
        int perRow = Math.max(1, Math.ceilDiv(shown.shelf().size(), 2));
        double cellWidth = Math.min(1.7 * em, width / perRow);
        double cellHeight = (height - 1.2 * em) / 2;
        for (int i = 0; i < shown.shelf().size(); i++) {
            Candidate cell = shown.shelf().get(i);
            double x = (i % perRow) * cellWidth;
            double y = rowTop + (i / perRow == 0 ? 0 : cellHeight);
            Block block =
                    new Block(
                            cell.id(), shown.groups().size(), x, y, cellWidth - 1, cellHeight - 1);
            blocks.add(block);
            double darkness =
                    cell.milliohms().isPresent()
                            ? CellMark.darkness(cell.milliohms().getAsDouble())
                            : 0;
            boolean isSpare = shown.isSpare(cell.id());
            double tall = block.height() - (isSpare ? 5 : 0);
            pen.fillRamp(darkness, block.x(), block.y(), block.width(), tall);
            if (isSpare) pen.fill(Hue.ACCENT, 1, x, y + tall + 2, block.width(), 3);
        }
    }
}
