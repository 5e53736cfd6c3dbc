package pentacell.desktop.test;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import pentacell.core.test.facts.BenchHours;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Scale;

/// The axis over the time sheet: days, under them hours as close as they can be read; hours in
/// which nobody is there are shaded, *now* is marked.
///
/// @param time minutes from now to pixels
record TimeAxis(Scale time, LocalDateTime now, LocalDateTime end, BenchHours hours) {
    static final double HEIGHT_EM = 3.6;

    private static final DateTimeFormatter DAY =
            DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
    private static final DateTimeFormatter HOUR =
            DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);
    private static final int[] STEPS = {1, 2, 3, 6, 12, 24};
    private static final double LABEL_EM = 3.4;

    /// "now" with its time, and half a label.
    private static final double NOW_EM = 6;

    /// Draws the axis above a sheet and its hours through it.
    ///
    /// @param top upper edge of the sheet in pixels
    /// @param bottom its lower edge
    void draw(Pen pen, double top, double bottom) {
        double em = pen.em();
        double days = top - 2.7 * em;
        double label = top - 0.8 * em;
        int step = stepHours(LABEL_EM * em);
        pen.narrowText(Hue.SECOND, 0.95, true, Anchor.LEFT, time.first(), days, DAY.format(now));
        for (LocalDateTime at = now.withMinute(0).withSecond(0).withNano(0);
                at.isBefore(end);
                at = at.plusHours(1)) {
            double from = Math.max(time.first(), pixel(at));
            double until = Math.min(time.last(), pixel(at.plusHours(1)));
            if (!hours.isThere(at) && until > from)
                pen.fill(Hue.RULE, 0.45, from, top, until - from, bottom - top);
            if (at.getHour() % step != 0 || pixel(at) <= time.first()) continue;
            boolean isMidnight = at.getHour() == 0;
            pen.line(isMidnight ? Hue.SECOND : Hue.RULE, 1, from, top - 0.3 * em, from, bottom);
            // "now" stands at the left edge, and a label may not run out at the right
            boolean isClear =
                    from > time.first() + NOW_EM * em && from < time.last() - 0.4 * LABEL_EM * em;
            if (isClear)
                pen.narrowText(Hue.SECOND, 0.9, false, Anchor.CENTRE, from, label, HOUR.format(at));
            if (isMidnight && from > time.first() + 5 * em && from < time.last() - 4 * em)
                pen.narrowText(Hue.SECOND, 0.95, true, Anchor.LEFT, from, days, DAY.format(at));
        }
        pen.line(Hue.FOCUS, 2, time.first(), top - 0.3 * em, time.first(), bottom);
        pen.narrowText(
                Hue.FOCUS, 0.95, true, Anchor.LEFT, time.first(), label, "now " + HOUR.format(now));
    }

    private double pixel(LocalDateTime at) {
        return time.pixel(Duration.between(now, at).toSeconds() / 60.0);
    }

    private int stepHours(double leastPixels) {
        double hour = time.pixel(60) - time.pixel(0);
        for (int step : STEPS) if (step * hour >= leastPixels) return step;
        return STEPS[STEPS.length - 1];
    }
}
