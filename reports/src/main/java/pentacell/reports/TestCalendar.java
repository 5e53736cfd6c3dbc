package pentacell.reports;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;

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
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Pentacell//tests//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        for (Event each : events) {
            // in universal time, so that no time zone needs to be written out
            Instant at = each.at().atZone(zone).toInstant();
            VEvent event = new VEvent(at, Duration.ofMinutes(15), each.what());
            event.removeIf(property -> property instanceof DtStamp);
            event.add(new DtStamp(now));
            event.add(new Uid(Integer.toHexString(each.hashCode()) + "@pentacell"));
            if (!each.detail().isBlank()) event.add(new Description(each.detail()));
            calendar.add(event);
        }
        return calendar.toString();
    }
}
