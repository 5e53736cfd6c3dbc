package pentacell.reports;

import biweekly.Biweekly;
import biweekly.ICalVersion;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.property.ProductId;
import biweekly.property.Uid;
import biweekly.util.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.Date;
import java.util.List;

/// What falls due, as an iCalendar file (RFC 5545) that any calendar takes in.
public final class TestCalendar {
    private TestCalendar() {}

    /// Something that falls due.
    ///
    /// @param at when, by the clock on the wall
    /// @param what in a few words
    /// @param detail more of it, may have several lines
    public record Event(LocalDateTime at, String what, String detail) {}

    /// The calendar of events; an event takes a quarter of an hour.
    public static String of(List<Event> events, Instant now, ZoneId zone) {
        ICalendar calendar = new ICalendar();
        calendar.setVersion(ICalVersion.V2_0);
        calendar.setProductId(new ProductId("-//Pentacell//tests//EN"));
        for (Event each : events) {
            VEvent event = new VEvent();
            // in universal time, so that no time zone needs to be written out
            event.setDateStart(Date.from(each.at().atZone(zone).toInstant()));
            event.setDuration(Duration.builder().minutes(15).build());
            event.setSummary(each.what());
            event.setDateTimeStamp(Date.from(now));
            event.setUid(new Uid(Integer.toHexString(each.hashCode()) + "@pentacell"));
            if (!each.detail().isBlank()) event.setDescription(each.detail());
            calendar.addEvent(event);
        }
        return Biweekly.write(calendar).go();
    }
}
