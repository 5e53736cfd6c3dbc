package pentacell.reports;

import java.io.IOException;
import java.util.List;
import java.util.OptionalDouble;
import pentacell.core.match.Candidate;
import pentacell.core.match.MatchFigures;
import pentacell.core.unit.Quantity;
import pentacell.reports.Plate.Anchor;

/// The skyline in black ink: the tops magnified, the groups as stacks of their cells (darker:
/// higher IR), and the IR of each group's cells.
final class SkylineDrawing {
    private static final double LEFT = 40;
    private static final double TEXT = 8;

    private final Plate plate;
    private final List<List<Candidate>> groups;
    private final MatchFigures figures;
    private final double lowestIr;
    private final double highestIr;

    SkylineDrawing(Plate plate, List<List<Candidate>> groups) {
        this.plate = plate;
        this.groups = groups;
        figures = MatchFigures.of(groups);
        double[] all =
                groups.stream()
                        .flatMap(List::stream)
                        .flatMapToDouble(cell -> cell.milliohms().stream())
                        .sorted()
                        .toArray();
        lowestIr = all.length == 0 ? Double.NaN : all[0];
        highestIr = all.length == 0 ? Double.NaN : all[all.length - 1];
    }

    void draw(double x, double y, double width, double height) throws IOException {
        double column = (width - LEFT) / groups.size();
        double left = x + LEFT;
        boolean hasIr = !Double.isNaN(lowestIr);
        double tops = 0.2 * height;
        double ir = hasIr ? 0.2 * height : 0;
        tops(left, column, y + 14, tops - 20, x);
        stacks(left, column, y + tops + 8, height - tops - ir - 34, x);
        if (hasIr) resistances(left, column, y + height - ir + 4, ir - 8, x);
    }

    private void tops(double left, double column, double top, double height, double labels)
            throws IOException {
        double least = figures.usableMilliampHours();
        double range = Math.max(0.0008 * least, 1.25 * figures.spreadMilliampHours());
        plate.text(
                Anchor.LEFT,
                false,
                TEXT,
                labels,
                top - 5,
                "Tops magnified, mAh over the smallest group of %s"
                        .formatted(Quantity.CAPACITY.text(least)));
        for (int group = 0; group < groups.size(); group++) {
            double over = figures.groups().get(group).milliampHours() - least;
            double tall = height * (0.1 + 0.9 * over / range);
            double x = left + group * column;
            plate.fill(over == 0 ? 0.45 : 0.2, x + 1, top + height - tall, column - 2, tall);
            if (column > 26)
                plate.text(
                        Anchor.MIDDLE,
                        over == 0,
                        TEXT,
                        x + column / 2,
                        // over the column, or in its top where there is no room over it
                        tall + TEXT + 2 < height
                                ? top + height - tall - 2
                                : top + height - tall + TEXT + 1,
                        over == 0 ? "least" : "+" + Quantity.CAPACITY.number(over));
        }
        plate.line(0.6, left, top + height, left + column * groups.size(), top + height);
    }

    private void stacks(double left, double column, double top, double height, double labels)
            throws IOException {
        double most = figures.usableMilliampHours() + figures.spreadMilliampHours();
        for (int group = 0; group < groups.size(); group++) {
            double x = left + group * column;
            double y = top + height;
            for (Candidate cell : groups.get(group)) {
                double tall = height * cell.milliampHours() / most;
                y -= tall;
                plate.fill(ink(cell.milliohms()), x + 1, y + 0.4, column - 2, tall - 0.4);
                if (tall < 8 || column < 44) continue;
                plate.text(Anchor.LEFT, false, 6, x + 3, y + tall / 2 + 2.2, cell.id().text());
            }
            if (column > 9)
                plate.text(
                        Anchor.MIDDLE,
                        true,
                        TEXT,
                        x + column / 2,
                        top + height + 11,
                        String.valueOf(group + 1));
        }
        plate.text(Anchor.LEFT, false, TEXT, labels, top + height + 11, "Group");
        plate.text(Anchor.RIGHT, false, TEXT, left - 4, top + 7, Quantity.CAPACITY.number(most));
        plate.text(Anchor.RIGHT, false, TEXT, left - 4, top + height, "0");
    }

    /// Light enough for the letters on it.
    private double ink(OptionalDouble milliohms) {
        if (milliohms.isEmpty() || highestIr == lowestIr) return 0.12;
        return 0.06 + 0.4 * (milliohms.getAsDouble() - lowestIr) / (highestIr - lowestIr);
    }

    private void resistances(double left, double column, double top, double height, double labels)
            throws IOException {
        double range = Math.max(1e-9, highestIr - lowestIr);
        plate.frame(0.4, left, top, column * groups.size(), height);
        plate.text(Anchor.LEFT, false, TEXT, labels, top + 7, "mΩ");
        plate.text(
                Anchor.RIGHT,
                false,
                TEXT,
                left - 4,
                top + 18,
                Quantity.RESISTANCE.number(highestIr));
        plate.text(
                Anchor.RIGHT,
                false,
                TEXT,
                left - 4,
                top + height,
                Quantity.RESISTANCE.number(lowestIr));
        for (int group = 0; group < groups.size(); group++)
            for (Candidate cell : groups.get(group)) {
                if (cell.milliohms().isEmpty()) continue;
                double share = (cell.milliohms().getAsDouble() - lowestIr) / range;
                plate.disc(
                        0.8,
                        left + (group + 0.5) * column,
                        top + height - 3 - share * (height - 6),
                        1.6);
            }
    }
}
