package pentacell.core.test.facts;

import java.time.DayOfWeek;
import java.time.LocalDateTime;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;

/// The hours of a week in which somebody is there to swap cells.
///
/// @param days the hours of each day on which somebody is there
public record BenchHours(Map<DayOfWeek, Span> days) {
    /// Every day, morning to evening.
    public static final BenchHours USUAL = everyDay(new Span(8, 22));

    /// The hours of a day.
    ///
    /// @param from first hour, 0 to 23
    /// @param until hour at which they end, above `from` and at most 24
    public record Span(int from, int until) {
        public Span {
            if (from < 0 || until > 24 || from >= until)
                throw new IllegalArgumentException(
                        "hours run from 0 to 24, were %d to %d".formatted(from, until));
        }
    }

    public BenchHours {
        if (days.isEmpty())
            throw new IllegalArgumentException("somebody must be there on one day at least");
        days = Collections.unmodifiableMap(new EnumMap<>(days));
    }

    /// The same hours on every day.
    public static BenchHours everyDay(Span span) {
        Map<DayOfWeek, Span> days = new EnumMap<>(DayOfWeek.class);
        for (DayOfWeek day : DayOfWeek.values()) days.put(day, span);
        return new BenchHours(days);
    }

    /// Whether somebody is there.
    public boolean isThere(LocalDateTime time) {
        return next(time).equals(time);
    }

    /// The first moment from a time on at which somebody is there.
    public LocalDateTime next(LocalDateTime time) {
        for (int ahead = 0; ahead <= 7; ahead++) {
            LocalDateTime day = time.toLocalDate().plusDays(ahead).atStartOfDay();
            Span span = days.get(day.getDayOfWeek());
            if (span == null) continue;
            LocalDateTime from = day.plusHours(span.from());
            LocalDateTime until = day.plusHours(span.until());
            if (time.isBefore(from)) return from;
            if (time.isBefore(until)) return time;
        }
        throw new IllegalStateException("a week has a day with hours");
    }
}
