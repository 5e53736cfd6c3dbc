package pentacell.reports;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import org.junit.jupiter.api.Test;

/// The calendar by RFC 5545.
final class TestCalendarTest {
    private static final Instant NOW = Instant.parse("2026-11-01T08:00:00Z");

    @Test
    void eventsAreWrittenInUniversalTime() {
        String text =
                TestCalendar.of(
                        List.of(
                                new TestCalendar.Event(
                                        LocalDateTime.of(2026, 11, 2, 18, 30),
                                        "Read 3 on the hold shelf",
                                        "HB03-01, HB03-02\nHB03-07")),
                        NOW,
                        ZoneId.of("UTC+01:00"));
        assertTrue(text.startsWith("BEGIN:VCALENDAR\r\n"), text);
        assertTrue(text.contains("VERSION:2.0\r\n"), text);
        assertTrue(text.contains("DTSTART:20261102T173000Z\r\n"), text);
        assertTrue(text.contains("SUMMARY:Read 3 on the hold shelf\r\n"), text);
        assertTrue(text.contains("DESCRIPTION:HB03-01\\, HB03-02\\nHB03-07\r\n"), text);
        assertTrue(text.contains("UID:"), text);
        assertTrue(text.endsWith("END:VCALENDAR\r\n"), text);
    }

    @Test
    void nothingDueIsAnEmptyCalendar() {
        String text = TestCalendar.of(List.of(), NOW, ZoneId.of("UTC"));
        assertEquals(0, text.split("BEGIN:VEVENT", -1).length - 1);
    }
}
