package pentacell.desktop.harvest;

import java.util.List;
import java.util.Optional;
import pentacell.core.cell.Chemistry;
import pentacell.core.donor.Arrangement;
import pentacell.core.donor.DonorRecord;
import pentacell.core.harvest.Diagnosis;
import pentacell.core.harvest.GroupLevels;
import pentacell.core.harvest.Signature;
import pentacell.core.school.BandSchool;
import pentacell.core.school.Schools;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Scale;

/// Draws a pack as its string of groups: a column for each, as high as its voltage, against the
/// level they should have and the limits of their chemistry; what the diagnosis names stands out.
final class StringSketch {
    private final Desk desk;
    private final HarvestModel model;

    StringSketch(Desk desk, HarvestModel model) {
        this.desk = desk;
        this.model = model;
    }

    /// The whole sketch, to be read from a metre away.
    void paint(DonorRecord record, Pen pen, double width, double height) {
        Frame frame =
                frame(
                        record,
                        4.4 * pen.em(),
                        width - 10.5 * pen.em(),
                        2.2 * pen.em(),
                        height - 3.4 * pen.em());
        paintLimits(frame, pen, width);
        for (int group = 1; group <= frame.groups(); group++) paintGroup(frame, record, group, pen);
        paintString(frame, pen, height - 2.1 * pen.em());
    }

    /// A few pixels high, for a list.
    void paintSmall(DonorRecord record, Pen pen, double width, double height) {
        Frame frame = frame(record, 1, width - 1, 2, height - 2);
        pen.line(Hue.RULE, 1, 0, height - 1, width, height - 1);
        for (int group = 1; group <= frame.groups(); group++) {
            double x = frame.x(group);
            Double volts = record.groupVolts().get(group);
            double column = Math.max(2, frame.columnWidth() - 2);
            if (volts == null) {
                pen.frame(Hue.RULE, 1, x, 3, column, height - 5);
                continue;
            }
            boolean odd = frame.isOdd(group);
            double y = Math.clamp(frame.scale().pixel(volts), 1, height - 3);
            pen.fill(odd ? Hue.STOP : Hue.MEASURED, odd ? 1 : 0.45, x, y, column, height - 1 - y);
        }
    }

    /// Where everything stands.
    private record Frame(
            int groups,
            double left,
            double step,
            Scale scale,
            double floorPixel,
            BandSchool bands,
            double expected,
            Optional<Diagnosis> diagnosis) {
        double x(int group) {
            return left + (group - 1) * step;
        }

        double columnWidth() {
            return step * 0.72;
        }

        boolean isOdd(int group) {
            return diagnosis
                    .filter(known -> known.signature() != Signature.ALL_LOW)
                    .filter(known -> known.groups().contains(group))
                    .isPresent();
        }
    }

    private Frame frame(DonorRecord record, double left, double right, double top, double bottom) {
        Chemistry chemistry = model.chemistry(record);
        BandSchool bands = Schools.of(desk.ledger().state()).bands(chemistry);
        List<Double> volts = List.copyOf(record.groupVolts().values());
        int read = record.groupVolts().isEmpty() ? 0 : record.groupVolts().lastKey();
        int groups =
                Math.max(
                        1,
                        Math.max(
                                read,
                                record.donor().arrangement().map(Arrangement::series).orElse(3)));
        double least = volts.stream().mapToDouble(Double::doubleValue).min().orElse(3);
        double most = volts.stream().mapToDouble(Double::doubleValue).max().orElse(3);
        // near enough that a tenth of a volt can be seen
        double low = Math.max(0, least - Math.max(0.35, 1.2 * (most - least)));
        double high =
                Math.min(Math.max(bands.overVolts() + 0.1, most + 0.1), 2.2 * bands.overVolts());
        return new Frame(
                groups,
                left,
                Math.min((right - left) / groups, (right - left) / 2.5),
                new Scale(low, high, bottom, top),
                bottom,
                bands,
                volts.isEmpty()
                        ? Double.NaN
                        : GroupLevels.expectedVolts(
                                volts, Schools.of(desk.ledger().state()).repair()),
                model.diagnosis(record));
    }

    private static void paintLimits(Frame frame, Pen pen, double width) {
        double right = width - 9.5 * pen.em();
        limit(pen, frame, Hue.STOP, right, frame.bands().overVolts(), "charge limit");
        if (frame.scale().from() < frame.bands().normalFromVolts())
            limit(
                    pen,
                    frame,
                    Hue.CAUTION,
                    right,
                    frame.bands().normalFromVolts(),
                    "normal band from");
        if (frame.scale().from() < frame.bands().recoveryFloorVolts() - 0.1)
            limit(
                    pen,
                    frame,
                    Hue.STOP,
                    right,
                    frame.bands().recoveryFloorVolts(),
                    "recovery floor");
        if (!Double.isNaN(frame.expected()))
            limit(pen, frame, Hue.FOCUS, right, frame.expected(), "expected level");
    }

    private static void limit(
            Pen pen, Frame frame, Hue hue, double right, double volts, String words) {
        double y = frame.scale().pixel(volts);
        pen.dashes(hue == Hue.FOCUS ? new double[] {} : new double[] {6, 4});
        pen.line(hue, hue == Hue.FOCUS ? 2 : 1, frame.left() - 6, y, right, y);
        pen.dashes();
        pen.text(
                hue,
                0.95,
                hue == Hue.FOCUS,
                Anchor.RIGHT,
                frame.left() - 0.7 * pen.em(),
                y,
                Quantity.VOLTAGE.number(volts).replaceFirst("0$", ""));
        pen.text(Hue.SECOND, 0.9, false, Anchor.LEFT, right + 0.4 * pen.em(), y, words);
    }

    private void paintGroup(Frame frame, DonorRecord record, int group, Pen pen) {
        double x = frame.x(group);
        double width = frame.columnWidth();
        double middle = x + width / 2;
        Double volts = record.groupVolts().get(group);
        double bottom = frame.floorPixel();
        if (volts == null) {
            pen.dashes(3, 3);
            pen.frame(
                    Hue.RULE,
                    1,
                    x,
                    frame.scale().pixel(frame.bands().overVolts()),
                    width,
                    bottom - frame.scale().pixel(frame.bands().overVolts()));
            pen.dashes();
            pen.text(Hue.SECOND, 0.95, false, Anchor.CENTRE, middle, bottom - pen.em(), "?");
            return;
        }
        boolean odd = frame.isOdd(group);
        double y = Math.clamp(frame.scale().pixel(volts), frame.scale().last(), bottom - 2);
        pen.fill(odd ? Hue.STOP : Hue.MEASURED, odd ? 0.20 : 0.30, x, y, width, bottom - y);
        if (odd) hatch(pen, x, y, width, bottom);
        pen.line(odd ? Hue.STOP : Hue.MEASURED, 3, x, y, x + width, y);
        boolean narrow = width < 3.2 * pen.em();
        String text = Quantity.VOLTAGE.number(volts);
        double size = narrow ? 0.85 : odd ? 1.5 : 1.25;
        double textY = y - (narrow ? 0.7 : 0.95) * pen.em();
        // over lines that cross here
        double half = (narrow ? 1.35 : 2.1) * pen.em() * (narrow ? 1 : size / 1.25);
        pen.fill(Hue.SHEET, 0.85, middle - half, textY - 0.55 * pen.em(), 2 * half, 1.1 * pen.em());
        pen.text(
                odd ? Hue.STOP : Hue.INK,
                narrow && frame.groups() > 14 ? 0.7 : size,
                true,
                Anchor.CENTRE,
                middle,
                textY,
                (odd && !narrow ? "■ " : "") + text);
    }

    private static void hatch(Pen pen, double x, double y, double width, double bottom) {
        for (double from = y + 8; from < bottom + width; from += 8) {
            double startY = Math.min(from, bottom);
            double startX = x + Math.max(0, from - bottom);
            double endX = Math.min(x + width, x + (from - y));
            double endY = Math.max(y, from - width);
            if (startX < endX) pen.line(Hue.STOP, 1, startX, startY, endX, endY);
        }
    }

    /// The string itself under the columns: from the pack's negative through each group.
    private static void paintString(Frame frame, Pen pen, double y) {
        double first = frame.x(1) + frame.columnWidth() / 2;
        double last = frame.x(frame.groups()) + frame.columnWidth() / 2;
        double end = Math.min(1.6 * pen.em(), frame.step());
        pen.line(Hue.ACCENT, 2, first - end, y, last + end, y);
        pen.text(Hue.ACCENT, 1.3, true, Anchor.CENTRE, first - end - 0.7 * pen.em(), y, "−");
        pen.text(Hue.ACCENT, 1.3, true, Anchor.CENTRE, last + end + 0.7 * pen.em(), y, "+");
        for (int group = 1; group <= frame.groups(); group++) {
            double x = frame.x(group) + frame.columnWidth() / 2;
            double radius = Math.min(0.85 * pen.em(), frame.step() * 0.4);
            pen.disc(Hue.SHEET, 1, x, y, radius);
            pen.arc(frame.isOdd(group) ? Hue.STOP : Hue.ACCENT, 1.5, x, y, radius, 1);
            pen.text(
                    Hue.INK,
                    frame.groups() > 20 ? 0.7 : 0.95,
                    frame.isOdd(group),
                    Anchor.CENTRE,
                    x,
                    y,
                    String.valueOf(group));
        }
    }
}
