package pentacell.desktop.service;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import javafx.scene.layout.StackPane;
import pentacell.core.service.GroupTrend;
import pentacell.core.service.ServicedPack;
import pentacell.core.service.facts.PackInUse.Retest;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.Axis;
import pentacell.desktop.kit.CalendarAxis;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Scale;

/// What groups gave over the years, the line through the tests of the one that is first under what
/// is wanted, with how surely it is known, and what is wanted.
final class TrendPicture extends StackPane {
    private final PlotSurface plot = new PlotSurface((pen, width, height) -> {});

    TrendPicture() {
        plot.setId("trend-picture");
        getChildren().add(plot);
        setMinHeight(160);
    }

    void show(Optional<ServicedPack> pack, LocalDate today) {
        plot.repaint(
                pack.filter(now -> !now.trends().isEmpty())
                        .<PlotSurface.Painter>map(now ->
                                (pen, width, height) ->
                                        new Drawing(
                                                        pen,
                                                        now.trends(),
                                                        now.wanted().ampHours(),
                                                        today,
                                                        width,
                                                        height)
                                                .paint())
                        .orElse((pen, width, height) -> {}));
    }

    private record Drawing(
            Pen pen,
            SortedMap<Integer, GroupTrend> trends,
            double wanted,
            LocalDate today,
            double width,
            double height) {
        private static final int STEPS = 48;
        private static final int SHOWN_AHEAD_YEARS = 3;

        void paint() {
            double em = pen.em();
            Map.Entry<Integer, GroupTrend> first = first();
            LocalDate from =
                    trends.values().stream()
                            .map(each -> each.first().on())
                            .min(Comparator.naturalOrder())
                            .orElse(today);
            LocalDate to =
                    first.getValue()
                            .under(wanted)
                            .map(each -> each.latest().orElse(each.at()))
                            .filter(each -> each.isAfter(today))
                            .orElse(today.plusYears(SHOWN_AHEAD_YEARS));
            double most = wanted;
            double least = wanted;
            for (GroupTrend trend : trends.values())
                for (Retest each : trend.tests()) {
                    most = Math.max(most, each.ampHours());
                    least = Math.min(least, each.ampHours());
                }
            double left = 4.2 * em;
            double right = width - 7 * em;
            double top = 1.4 * em;
            double bottom = height - 1.8 * em;
            ZoneId zone = ZoneId.systemDefault();
            CalendarAxis days =
                    CalendarAxis.of(
                            at(from.minusDays(30), zone),
                            at(to.plusDays(60), zone),
                            left,
                            right,
                            zone);
            Scale ampHours = Scale.around(least, most, 0.12, bottom, top);
            pen.fill(Hue.SHEET, 1, left, top, right - left, bottom - top);
            new Axis(ampHours, 6, Hue.RULE, 0.85, "Ah").upright(pen, left, right, 5);
            days.paint(pen, top, bottom, bottom + 0.9 * em);
            pen.text(
                    Hue.SECOND,
                    0.85,
                    false,
                    Anchor.LEFT,
                    0,
                    0.5 * em,
                    "What groups gave, and the trend of the one that is first below what is wanted, between its limits.");
            band(first.getValue(), days, ampHours, from, to);
            double target = ampHours.pixel(wanted);
            pen.dashes(5, 4);
            pen.stroke(Hue.ACCENT, 1.5, left, target, right, target);
            pen.dashes();
            pen.text(
                    Hue.ACCENT,
                    0.9,
                    true,
                    Anchor.LEFT,
                    right + 6,
                    target,
                    "wanted " + Quantity.CHARGE.text(wanted, 1));
            now(days, top, bottom);
            trends.forEach(
                    (group, trend) -> tests(trend, days, ampHours, group.equals(first.getKey())));
            Retest last = first.getValue().last();
            pen.text(
                    Hue.INK,
                    0.9,
                    true,
                    Anchor.LEFT,
                    days.pixel(last.on()) + 8,
                    ampHours.pixel(last.ampHours()) - 0.9 * em,
                    "group " + (first.getKey() + 1));
        }

        private static Instant at(LocalDate day, ZoneId zone) {
            return day.atStartOfDay(zone).toInstant();
        }

        private Map.Entry<Integer, GroupTrend> first() {
            return trends.entrySet().stream()
                    .min(
                            Comparator.comparing(each ->
                                    each.getValue()
                                            .under(wanted)
                                            .map(GroupTrend.Forecast::at)
                                            .orElse(LocalDate.MAX)))
                    .orElseThrow();
        }

        private void now(CalendarAxis days, double top, double bottom) {
            double x = days.pixel(today);
            if (x < days.scale().first() || x > days.scale().last()) return;
            pen.stroke(Hue.FOCUS, 1.2, x, top, x, bottom);
            pen.text(Hue.FOCUS, 0.85, false, Anchor.LEFT, x + 4, top + 0.8 * pen.em(), "today");
        }

        private void tests(GroupTrend trend, CalendarAxis days, Scale ampHours, boolean isFirst) {
            Retest before = trend.first();
            for (Retest each : trend.tests()) {
                double x = days.pixel(each.on());
                double y = ampHours.pixel(each.ampHours());
                pen.stroke(
                        Hue.MEASURED,
                        isFirst ? 2 : 1,
                        days.pixel(before.on()),
                        ampHours.pixel(before.ampHours()),
                        x,
                        y);
                pen.disc(Hue.MEASURED, 1, x, y, isFirst ? 4.5 : 3);
                before = each;
            }
        }

        private void band(
                GroupTrend trend, CalendarAxis days, Scale ampHours, LocalDate from, LocalDate to) {
            if (trend.tests().size() < 2) return;
            long span = to.toEpochDay() - from.toEpochDay();
            double top = Math.min(ampHours.first(), ampHours.last());
            double bottom = Math.max(ampHours.first(), ampHours.last());
            double[] x = new double[2 * STEPS];
            double[] y = new double[2 * STEPS];
            for (int i = 0; i < STEPS; i++) {
                LocalDate day = from.plusDays(span * i / (STEPS - 1));
                x[i] = days.pixel(day);
                y[i] = Math.clamp(ampHours.pixel(trend.highAmpHours(day)), top, bottom);
                x[2 * STEPS - 1 - i] = x[i];
                y[2 * STEPS - 1 - i] =
                        Math.clamp(ampHours.pixel(trend.lowAmpHours(day)), top, bottom);
            }
            pen.polygon(Hue.RULE, true, x, y);
            LocalDate lowest =
                    trend.under(ampHours.value(bottom))
                            .map(GroupTrend.Forecast::at)
                            .filter(each -> each.isBefore(to))
                            .orElse(to);
            pen.stroke(
                    Hue.INK,
                    1.2,
                    days.pixel(from),
                    ampHours.pixel(trend.ampHours(from)),
                    days.pixel(lowest),
                    ampHours.pixel(trend.ampHours(lowest)));
        }
    }
}
