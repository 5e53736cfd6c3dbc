package pentacell.core.unit;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/// A day in words, such as `1 Mar 2026`.
public final class DayText {
    private static final DateTimeFormatter DAY =
            DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    private DayText() {}

    /// The day in words.
    public static String of(LocalDate day) {
        return DAY.format(day);
    }
}
