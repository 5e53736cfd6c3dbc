package pentacell.desktop.service;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.scene.layout.StackPane;
import pentacell.core.service.ServicedPack;
import pentacell.core.service.StrayBands;
import pentacell.core.service.StrayBands.Span;
import pentacell.core.service.Timeline;
import pentacell.core.service.facts.PackInUse;
import pentacell.desktop.kit.Axis;
import pentacell.desktop.kit.CalendarAxis;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Scale;

/// Three strips over the calendar, near full, at rest and near empty: the band from the lowest to
/// the highest group against their median, and one group drawn through it; a fourth for the
/// temperatures, where a board read some. What happened stands over them.
final class HistoryPicture extends StackPane {
    private final PlotSurface plot = new PlotSurface((pen, width, height) -> {});

    HistoryPicture() {
        plot.setId("history-picture");
        getChildren().add(plot);
        setMinHeight(220);
    }

    /// @param isRecent whether the stretch that was looked through is shown alone
    void show(Optional<ServicedPack> pack, int group, boolean isRecent) {
        Optional<Shown> shown =
                isRecent && pack.flatMap(ServicedPack::recent).isPresent()
                        ? shown(pack, ServicedPack::judged, ServicedPack::recent)
                        : shown(pack, ServicedPack::history, ServicedPack::bands);
        plot.repaint(
                shown.<PlotSurface.Painter>map(now ->
                                (pen, width, height) ->
                                        new Drawing(pen, now, group, width, height).paint())
                        .orElse((pen, width, height) -> {}));
    }

    private static Optional<Shown> shown(
            Optional<ServicedPack> pack,
            Function<ServicedPack, Optional<Timeline>> history,
            Function<ServicedPack, Optional<StrayBands>> bands) {
        return pack.filter(now -> history.apply(now).isPresent() && bands.apply(now).isPresent())
                .map(now ->
                        new Shown(
                                now.use(),
                                history.apply(now).orElseThrow().from(),
                                history.apply(now).orElseThrow().to(),
                                bands.apply(now).orElseThrow()));
    }

    /// What is drawn.
    private record Shown(PackInUse use, Instant from, Instant to, StrayBands bands) {}

    private record Drawing(Pen pen, Shown pack, int group, double width, double height) {
        /// A short stretch is drawn so wide, in em.
        private static final double LEAST_WIDE_EM = 1.1;

        private static final double LEAST_MILLIVOLTS = 10;
        private static final double LEAST_KELVIN = 5;

        /// A strip: its figures, the line drawn through its band, and what stands beside it.
        private record Strip(
                String words, List<Span> spans, Scale range, String unit, int line, String whose) {}

        void paint() {
            double em = pen.em();
            double left = 4.6 * em;
            double right = width - 5.5 * em;
            double top = 2.6 * em;
            double bottom = height - 1.8 * em;
            ZoneId zone = ZoneId.systemDefault();
            CalendarAxis days = CalendarAxis.of(pack.from(), pack.to(), left, right, zone);
            StrayBands bands = pack.bands();
            Scale millivolts = scale(bands);
            List<Strip> strips = new ArrayList<>();
            strips.add(new Strip("near full", bands.nearFull(), millivolts, "mV", group, "group"));
            strips.add(new Strip("at rest", bands.atRest(), millivolts, "mV", group, "group"));
            strips.add(
                    new Strip("near empty", bands.nearEmpty(), millivolts, "mV", group, "group"));
            if (!bands.warmth().isEmpty())
                strips.add(
                        new Strip(
                                "temperature",
                                bands.warmth(),
                                celsius(bands.warmth()),
                                "°C",
                                bands.warmestProbe(),
                                "probe"));
            double high = (bottom - top) / strips.size();
            pen.fill(Hue.SHEET, 1, left, top, right - left, bottom - top);
            days.paint(pen, top, bottom, bottom + 0.9 * em);
            for (int i = 0; i < strips.size(); i++)
                paint(strips.get(i), days, top + i * high, high);
            events(days, top, bottom);
        }

        /// One scale for all three, so that they can be compared.
        private static Scale scale(StrayBands bands) {
            double most = LEAST_MILLIVOLTS;
            for (List<Span> spans : List.of(bands.nearFull(), bands.atRest(), bands.nearEmpty()))
                for (Span each : spans)
                    most =
                            Math.max(
                                    most,
                                    Math.max(Math.abs(each.lowest()), Math.abs(each.highest())));
            return new Scale(-1.1 * most, 1.1 * most, 0, 1);
        }

        /// Freezing is always in the picture.
        private static Scale celsius(List<Span> warmth) {
            double least = warmth.stream().mapToDouble(Span::lowest).min().orElse(0);
            double most = warmth.stream().mapToDouble(Span::highest).max().orElse(0);
            return new Scale(
                    Math.min(-1, least - LEAST_KELVIN / 2), Math.max(1, most + LEAST_KELVIN), 0, 1);
        }

        private void paint(Strip strip, CalendarAxis days, double top, double high) {
            List<Span> spans = strip.spans();
            Scale range = strip.range();
            double em = pen.em();
            double left = days.scale().first();
            double right = days.scale().last();
            Scale scale = new Scale(range.from(), range.to(), top + high - 4, top + 4);
            new Axis(scale, 4, Hue.RULE, 0.85, strip.unit()).upright(pen, left, right, 5);
            pen.stroke(Hue.SECOND, 1, left, scale.pixel(0), right, scale.pixel(0));
            pen.stroke(Hue.INK, 1, left, top + high, right, top + high);
            int begin = 0;
            for (int i = 1; i <= spans.size(); i++)
                if (i == spans.size() || spans.get(i).isAfterGap()) {
                    piece(spans.subList(begin, i), strip.line(), days, scale);
                    begin = i;
                }
            pen.text(Hue.INK, 1, true, Anchor.LEFT, left + 6, top + 0.9 * em, strip.words());
            if (spans.isEmpty()) return;
            Span last = spans.get(spans.size() - 1);
            pen.text(
                    Hue.ACCENT,
                    0.9,
                    true,
                    Anchor.LEFT,
                    right + 6,
                    scale.pixel(last.figures().get(strip.line())),
                    strip.whose() + " " + (strip.line() + 1));
        }

        /// A stretch without a gap; a short one is drawn as wide as can be seen.
        private void piece(List<Span> spans, int line, CalendarAxis days, Scale scale) {
            int count = spans.size();
            double[] x = new double[count];
            double[] low = new double[count];
            double[] high = new double[count];
            double[] own = new double[count];
            for (int i = 0; i < count; i++) {
                Span each = spans.get(i);
                x[i] = days.pixel(each.at());
                low[i] = scale.pixel(each.lowest());
                high[i] = scale.pixel(each.highest());
                own[i] = scale.pixel(each.figures().get(line));
            }
            double least = LEAST_WIDE_EM * pen.em();
            if (x[count - 1] - x[0] < least) {
                double middle = (x[0] + x[count - 1]) / 2;
                for (int i = 0; i < count; i++)
                    x[i] = count == 1 ? middle : middle + least * ((double) i / (count - 1) - 0.5);
            }
            if (count == 1) {
                double half = least / 2;
                pen.fill(Hue.RULE, 1, x[0] - half, high[0], least, Math.max(1, low[0] - high[0]));
                if (Double.isFinite(own[0]))
                    pen.stroke(Hue.ACCENT, 2.5, x[0] - half, own[0], x[0] + half, own[0]);
            }
            double[] around = new double[2 * count];
            double[] edge = new double[2 * count];
            for (int i = 0; i < count; i++) {
                around[i] = x[i];
                edge[i] = high[i];
                around[2 * count - 1 - i] = x[i];
                edge[2 * count - 1 - i] = low[i];
            }
            pen.polygon(Hue.RULE, true, around, edge);
            for (int i = 0; i + 1 < count; i++)
                if (Double.isFinite(own[i] + own[i + 1]))
                    pen.stroke(Hue.ACCENT, 2.5, x[i], own[i], x[i + 1], own[i + 1]);
        }

        private void events(CalendarAxis days, double top, double bottom) {
            double em = pen.em();
            for (PackInUse.Event each : pack.use().events())
                mark(days.pixel(each.on()), each.words(), days, top, bottom, 0.6 * em);
            for (PackInUse.Change each : pack.use().changes())
                mark(
                        days.pixel(each.at()),
                        each.replacedBy()
                                .map(in -> each.cell() + " replaced")
                                .orElse(each.cell() + " joined"),
                        days,
                        top,
                        bottom,
                        1.7 * em);
        }

        private void mark(
                double x, String words, CalendarAxis days, double top, double bottom, double y) {
            // before it was read first it stands at the begin
            double at = Math.max(x, days.scale().first());
            if (at > days.scale().last()) return;
            pen.dashes(4, 4);
            pen.stroke(Hue.FOCUS, 1.2, at, top, at, bottom);
            pen.dashes();
            double wide = pen.width(words, 0.85);
            Anchor anchor =
                    at + wide / 2 > width
                            ? Anchor.RIGHT
                            : at - wide / 2 < 0 ? Anchor.LEFT : Anchor.CENTRE;
            pen.text(Hue.FOCUS, 0.85, false, anchor, at, y, words);
        }
    }
}
