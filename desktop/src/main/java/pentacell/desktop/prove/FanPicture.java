package pentacell.desktop.prove;

import java.util.List;
import java.util.Optional;
import javafx.scene.layout.StackPane;
import pentacell.core.prove.GroupFan;
import pentacell.core.prove.LoadTest;
import pentacell.core.prove.ProvedPack.Tested;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.Axis;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Scale;

/// The groups of a pack over the charge it gave: what was to be expected as a band, each group as a
/// line, the one that ended it drawn thick and named; below, what each lacks hangs from the best.
final class FanPicture extends StackPane {
    private static final int MOST_POINTS = 300;
    private static final double HANGING_EM = 7;

    private final PlotSurface plot = new PlotSurface((pen, width, height) -> {});

    FanPicture() {
        plot.setId("prove-fan");
        getChildren().add(plot);
        setMinHeight(220);
    }

    void show(Optional<Tested> test) {
        plot.repaint(
                test.<PlotSurface.Painter>map(now ->
                                (pen, width, height) ->
                                        new Drawing(pen, now, width, height).paint())
                        .orElse((pen, width, height) -> {}));
    }

    private record Drawing(Pen pen, Tested tested, double width, double height) {
        void paint() {
            double em = pen.em();
            double left = 3.6 * em;
            double right = width - 5.5 * em;
            double top = 1.6 * em;
            double bottom = height - HANGING_EM * em - 2.2 * em;
            fan(left, right, top, bottom);
            hanging(left, right, height - HANGING_EM * em, height - 1.6 * em);
        }

        private void fan(double left, double right, double top, double bottom) {
            double em = pen.em();
            GroupFan fan = tested.fan();
            double most = fan.expectedAmpHours().orElse(0);
            double low = tested.endVolts();
            double high = low;
            for (double each : fan.ampHours()) most = Math.max(most, each);
            for (List<Double> group : fan.volts())
                for (double each : group) {
                    low = Math.min(low, each);
                    high = Math.max(high, each);
                }
            for (GroupFan.Band each : fan.expected()) high = Math.max(high, each.highestVolts());
            Scale charge = new Scale(0, 1.02 * most, left, right);
            Scale volts = Scale.around(low, high, 0.04, bottom, top);
            pen.text(
                    Hue.SECOND,
                    0.85,
                    false,
                    Anchor.LEFT,
                    0,
                    0.6 * em,
                    "Volts of each group over ampere-hours given. Band: what its cells let expect.");
            pen.fill(Hue.SHEET, 1, left, top, right - left, bottom - top);
            if (!tested.proves()) pen.hatch(Hue.RULE, 9, left, top, right - left, bottom - top);
            band(fan.expected(), charge, volts);
            new Axis(volts, 5, Hue.RULE, 0.85, "V").upright(pen, left, right, 5);
            new Axis(charge, 10, Hue.RULE, 0.85, "Ah").level(pen, top, bottom, bottom + 0.9 * em);
            double end = volts.pixel(tested.endVolts());
            pen.dashes(5, 4);
            pen.stroke(Hue.SECOND, 1, left, end, right, end);
            pen.dashes();
            int ended = tested.test().endedByGroup();
            for (int g = 0; g < fan.volts().size(); g++)
                if (g != ended) line(fan, g, charge, volts, Hue.MEASURED, 1.2);
            if (ended < fan.volts().size()) {
                line(fan, ended, charge, volts, Hue.ACCENT, 3);
                List<Double> own = fan.volts().get(ended);
                if (!own.isEmpty())
                    pen.text(
                            Hue.ACCENT,
                            1,
                            true,
                            Anchor.LEFT,
                            charge.pixel(fan.ampHours().get(own.size() - 1)) + 6,
                            Math.min(volts.pixel(own.get(own.size() - 1)), end) - 0.9 * em,
                            "group " + (ended + 1));
            }
        }

        private void band(List<GroupFan.Band> band, Scale charge, Scale volts) {
            int count = band.size();
            if (count < 2) return;
            double[] x = new double[2 * count];
            double[] y = new double[2 * count];
            for (int i = 0; i < count; i++) {
                GroupFan.Band each = band.get(i);
                x[i] = charge.pixel(each.ampHours());
                // a band of equal groups is as thick as a line
                y[i] = volts.pixel(each.highestVolts()) - 2;
                x[2 * count - 1 - i] = x[i];
                y[2 * count - 1 - i] = volts.pixel(each.lowestVolts()) + 2;
            }
            pen.polygon(Hue.RULE, true, x, y);
        }

        private void line(
                GroupFan fan, int group, Scale charge, Scale volts, Hue hue, double thick) {
            List<Double> own = fan.volts().get(group);
            int step = 1 + own.size() / MOST_POINTS;
            int before = 0;
            for (int i = step; i < own.size() + step; i += step) {
                int at = Math.min(i, own.size() - 1);
                if (at == before) break;
                pen.stroke(
                        hue,
                        thick,
                        charge.pixel(fan.ampHours().get(before)),
                        volts.pixel(own.get(before)),
                        charge.pixel(fan.ampHours().get(at)),
                        volts.pixel(own.get(at)));
                before = at;
            }
        }

        private void hanging(double left, double right, double top, double bottom) {
            double em = pen.em();
            List<LoadTest.Group> groups = tested.test().groups();
            double most = 0;
            for (LoadTest.Group each : groups) most = Math.max(most, each.missingAmpHours());
            double least = 0.05 * tested.test().ampHours();
            Scale missing = new Scale(0, Math.max(least, 1.1 * most), top, bottom - em);
            double wide = (right - left) / groups.size();
            pen.stroke(Hue.INK, 1.5, left, top, right, top);
            pen.text(Hue.SECOND, 0.85, false, Anchor.LEFT, right + 6, top + 0.6 * em, "the best");
            for (int g = 0; g < groups.size(); g++) {
                LoadTest.Group group = groups.get(g);
                double x = left + (g + 0.2) * wide;
                double deep = missing.pixel(group.missingAmpHours()) - top;
                boolean isOk = group.cause() == LoadTest.Cause.OK;
                pen.fill(
                        isOk ? Hue.MEASURED : Hue.ACCENT,
                        isOk ? 0.35 : 1,
                        x,
                        top,
                        0.6 * wide,
                        deep);
                String words =
                        "−%s Ah".formatted(Quantity.CHARGE.number(group.missingAmpHours(), 2));
                if (wide > pen.width(words, 0.85) || !isOk)
                    pen.text(
                            Hue.INK,
                            0.85,
                            !isOk,
                            Anchor.CENTRE,
                            x + 0.3 * wide,
                            top + deep + 0.7 * em,
                            group.missingAmpHours() < 0.005 ? "0" : words);
                pen.text(
                        Hue.SECOND,
                        0.85,
                        false,
                        Anchor.CENTRE,
                        x + 0.3 * wide,
                        bottom + 1.0 * em,
                        String.valueOf(g + 1));
            }
            pen.text(Hue.SECOND, 0.85, false, Anchor.LEFT, right + 6, bottom + 1.0 * em, "group");
        }
    }
}
