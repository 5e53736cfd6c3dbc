package pentacell.desktop.kit;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface.Hue;

/// A level axis of days to years: ticks where days, months or years begin.
///
/// @param scale maps seconds since 1970 to pixels
/// @param zone of the calendar
public record CalendarAxis(Scale scale, ZoneId zone) {
    private static final double DAY_SECONDS = 86_400;
    private static final double MOST_TICKS = 9;
    private static final DateTimeFormatter OF_DAY =
            DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);
    private static final DateTimeFormatter OF_MONTH =
            DateTimeFormatter.ofPattern("MMM yyyy", Locale.ENGLISH);
    private static final DateTimeFormatter OF_YEAR =
            DateTimeFormatter.ofPattern("yyyy", Locale.ENGLISH);

    /// Months between ticks; 0 for days.
    private static final int[] MONTHS = {1, 3, 6, 12, 24, 60, 120};

    /// An axis from one moment to another.
    ///
    /// @param first pixel of the one
    /// @param last pixel of the other
    public static CalendarAxis of(
            Instant from, Instant to, double first, double last, ZoneId zone) {
        double begin = seconds(from);
        return new CalendarAxis(
                new Scale(begin, Math.max(begin + DAY_SECONDS, seconds(to)), first, last), zone);
    }

    private static double seconds(Instant at) {
        return at.toEpochMilli() / 1000.0;
    }

    /// The pixel of a moment.
    public double pixel(Instant at) {
        return scale.pixel(seconds(at));
    }

    /// The pixel of a day's begin.
    public double pixel(LocalDate day) {
        return pixel(day.atStartOfDay(zone).toInstant());
    }

    /// Hairlines up, and the days under them.
    ///
    /// @param top where the hairlines begin, in pixels
    /// @param bottom where they end
    /// @param middle of the labels
    public void paint(Pen pen, double top, double bottom, double middle) {
        double days = (scale.to() - scale.from()) / DAY_SECONDS;
        if (days < 1.5 * MOST_TICKS * 5) {
            paint(pen, top, bottom, middle, days(days), OF_DAY);
            return;
        }
        int apart = MONTHS[MONTHS.length - 1];
        for (int each : MONTHS)
            if (days / 30.4 / each <= MOST_TICKS) {
                apart = each;
                break;
            }
        paint(pen, top, bottom, middle, months(apart), apart % 12 == 0 ? OF_YEAR : OF_MONTH);
    }

    private void paint(
            Pen pen,
            double top,
            double bottom,
            double middle,
            List<LocalDate> ticks,
            DateTimeFormatter words) {
        for (LocalDate each : ticks) {
            double x = pixel(each);
            pen.line(Hue.RULE, 1, x, top, x, bottom);
            pen.text(Hue.SECOND, 0.85, false, Anchor.CENTRE, x, middle, words.format(each));
        }
    }

    private LocalDate first() {
        return LocalDate.ofInstant(Instant.ofEpochMilli((long) (1000 * scale.from())), zone)
                .plusDays(1);
    }

    private boolean isWithin(LocalDate day) {
        return seconds(day.atStartOfDay(zone).toInstant()) <= scale.to();
    }

    private List<LocalDate> days(double days) {
        int apart = (int) Math.max(1, Math.ceil(days / MOST_TICKS));
        List<LocalDate> ticks = new ArrayList<>();
        for (LocalDate each = first(); isWithin(each); each = each.plusDays(apart)) ticks.add(each);
        return ticks;
    }

    private List<LocalDate> months(int apart) {
        LocalDate begin = first().withDayOfMonth(1);
        if (begin.isBefore(first())) begin = begin.plusMonths(1);
        List<LocalDate> ticks = new ArrayList<>();
        for (LocalDate each = begin; isWithin(each); each = each.plusMonths(1)) {
            int months = 12 * each.getYear() + each.getMonthValue() - 1;
            if (months % apart == 0) ticks.add(each);
        }
        return ticks;
    }
}
