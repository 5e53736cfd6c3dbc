package pentacell.desktop.kit;

import java.time.format.DateTimeFormatter;
import java.time.temporal.TemporalAccessor;
import java.util.Locale;

/// How times are written, everywhere alike.
public enum When {
    /// Within a week, such as `Tue 18:30`.
    WEEKDAY("EEE HH:mm"),
    /// Some time in the year, such as `3 Nov 18:30`.
    DAY("d MMM HH:mm"),
    /// Both, such as `Tue 3 Nov 18:30`.
    WEEKDAY_AND_DAY("EEE d MMM HH:mm");

    private final DateTimeFormatter format;

    When(String pattern) {
        format = DateTimeFormatter.ofPattern(pattern, Locale.ENGLISH);
    }

    /// A time by the clock on the wall.
    public String words(TemporalAccessor time) {
        return format.format(time);
    }
}
