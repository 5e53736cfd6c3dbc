package pentacell.desktop.plan;

import java.util.Collections;
import java.util.List;
import java.util.Optional;
import pentacell.core.plan.VoltageBar;
import pentacell.core.plan.facts.Window;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.Axis;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Scale;

/// The voltage window: what the device runs at as a band, what each number of groups spans as a bar
/// with its energy as ink, and hatched what the device leaves inside.
final class WindowPicture {
    private static final double LABELS_EM = 5.2;
    private static final double WORDS_EM = 13;

    private final Optional<JudgedPlan> shown;

    WindowPicture(Optional<JudgedPlan> shown) {
        this.shown = shown;
    }

    void paint(Pen pen, double width, double height) {
        if (shown.isEmpty()) return;
        JudgedPlan judged = shown.get();
        List<VoltageBar> bars = judged.proposal().bars();
        Window window = judged.proposal().need().window();
        if (bars.isEmpty()) {
            pen.text(
                    Hue.SECOND,
                    1,
                    false,
                    Anchor.LEFT,
                    0,
                    1.2 * pen.em(),
                    "No number of groups comes near this window.");
            return;
        }
        double em = pen.em();
        double left = LABELS_EM * em;
        double right = width - WORDS_EM * em;
        double top = 1.9 * em;
        double bottom = height - 1.6 * em;
        double least =
                Math.min(
                        window.lowTripVolts() > 0 ? window.lowTripVolts() : Double.MAX_VALUE,
                        Collections.min(bars.stream().map(VoltageBar::emptyVolts).toList()));
        double most =
                Math.max(
                        window.highTripVolts(),
                        Collections.max(bars.stream().map(VoltageBar::fullVolts).toList()));
        Scale scale = Scale.around(least, most, 0.03, left, right);
        device(pen, judged, scale, top, bottom);
        new Axis(scale, 10, Hue.RULE, 0.85, "V").level(pen, bottom, bottom + 3, bottom + 0.8 * em);
        double step = (bottom - top) / bars.size();
        for (int i = 0; i < bars.size(); i++)
            bar(pen, judged, bars.get(i), scale, top + i * step, step, right + 0.8 * em);
    }

    /// The band between the trips: said thin, measured thick.
    private static void device(Pen pen, JudgedPlan judged, Scale scale, double top, double bottom) {
        Window window = judged.proposal().need().window();
        Window said = judged.proposal().need().said();
        double from =
                window.lowTripVolts() > 0
                        ? Math.max(scale.first(), scale.pixel(window.lowTripVolts()))
                        : scale.first();
        double to = scale.pixel(window.highTripVolts());
        pen.fill(Hue.FOCUS, 0.10, from, top - 2, to - from, bottom - top + 2);
        boolean isMeasured = judged.proposal().need().measured().isPresent();
        if (isMeasured) {
            pen.line(
                    Hue.FOCUS,
                    1,
                    scale.pixel(said.lowTripVolts()),
                    top,
                    scale.pixel(said.lowTripVolts()),
                    bottom);
            pen.line(
                    Hue.FOCUS,
                    1,
                    scale.pixel(said.highTripVolts()),
                    top,
                    scale.pixel(said.highTripVolts()),
                    bottom);
        }
        pen.line(Hue.FOCUS, isMeasured ? 3 : 2, from, top - 2, from, bottom);
        pen.line(Hue.FOCUS, isMeasured ? 3 : 2, to, top - 2, to, bottom);
        double y = 0.8 * pen.em();
        pen.text(
                Hue.FOCUS,
                0.9,
                true,
                Anchor.CENTRE,
                (from + to) / 2,
                y,
                "the device, %s: %s–%s"
                        .formatted(
                                isMeasured ? "as measured" : "as said",
                                Quantity.VOLTAGE.number(window.lowTripVolts(), 1),
                                Quantity.VOLTAGE.text(window.highTripVolts(), 1)));
    }

    private static void bar(
            Pen pen,
            JudgedPlan judged,
            VoltageBar bar,
            Scale scale,
            double y,
            double step,
            double words) {
        double em = pen.em();
        double height = Math.min(1.25 * em, 0.72 * step);
        double top = y + (step - height) / 2;
        double middle = top + height / 2;
        boolean isOf = bar.chemistry() == judged.proposal().need().chemistry();
        boolean isShown = isOf && bar.series() == judged.option().series();
        Hue ink = isOf && bar.isUsable() ? Hue.INK : Hue.SECOND;
        String name = bar.series() + "S " + bar.chemistry().name();
        if (isShown) pen.fill(Hue.FOCUS, 0.14, 0, y + 1, words - 0.8 * em, step - 2);
        pen.text(ink, 0.95, isShown, Anchor.LEFT, 0.3 * em, middle, name);
        double from = scale.pixel(bar.emptyVolts());
        double to = scale.pixel(bar.fullVolts());
        pen.fill(Hue.SHEET, 1, from, top, to - from, height);
        double piece = (to - from) / bar.ink().size();
        double darkest = Collections.max(bar.ink());
        for (int i = 0; i < bar.ink().size(); i++)
            if (bar.ink().get(i) > 0)
                pen.fillRamp(
                        0.05 + 0.95 * bar.ink().get(i) / darkest,
                        from + i * piece,
                        top,
                        piece + 0.5,
                        height);
        double low = judged.proposal().need().window().lowTripVolts();
        double high = judged.proposal().need().window().highTripVolts();
        double edge = Math.clamp(scale.pixel(low + bar.steadySag().orElse(0)), from, to);
        if (edge > from) {
            pen.fill(Hue.SHEET, 0.55, from, top, edge - from, height);
            pen.hatch(Hue.INK, 5, from, top, edge - from, height);
        }
        if (bar.isOver()) {
            double over = Math.max(from, scale.pixel(high));
            pen.fill(Hue.SHEET, 0.55, over, top, to - over, height);
            pen.hatch(Hue.STOP, 5, over, top, to - over, height);
        }
        pen.frame(
                bar.isOver() ? Hue.STOP : Hue.SECOND,
                isShown ? 2 : 1,
                from,
                top,
                to - from,
                height);
        double nominal = scale.pixel(bar.nominalVolts());
        pen.line(Hue.ACCENT, 2, nominal, top - 2, nominal, top + height + 2);
        if (isShown && bar.peakSag().isPresent() && low > 0) {
            double peak = scale.pixel(low + bar.peakSag().getAsDouble());
            if (peak > from && peak < to) {
                pen.dashes(2, 2);
                pen.line(Hue.CAUTION, 1, peak, top - 3, peak, top + height + 3);
                pen.dashes();
            }
        }
        pen.text(
                bar.isOver() ? Hue.STOP : ink,
                0.9,
                isShown,
                Anchor.LEFT,
                words,
                middle,
                words(bar, high));
    }

    private static String words(VoltageBar bar, double high) {
        if (bar.isOver())
            return "■ full " + Quantity.VOLTAGE.text(bar.fullVolts() - high, 1) + " over";
        if (!bar.isUsable()) return "nothing usable";
        double inside = 100 * bar.belowShare();
        if (inside >= 99.5) return "all of it stays inside";
        return inside < 0.5
                ? "all of it usable"
                : Quantity.PERCENT.text(inside, 0) + " stays inside";
    }
}
