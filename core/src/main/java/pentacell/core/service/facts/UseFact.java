package pentacell.core.service.facts;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import pentacell.core.cell.CellId;
import pentacell.core.journal.Fact;
import pentacell.core.prove.facts.PackLog;
import pentacell.core.unit.Limit;

/// What can be logged of a pack in use.
public sealed interface UseFact extends Fact {
    /// The name of the pack.
    String pack();

    /// A history was taken over from a board or an instrument.
    ///
    /// @param log its name; one of that name before is replaced
    /// @param from when its first reading was taken; its seconds count from there
    record HistoryLogged(String pack, String log, Instant from, PackLog readings)
            implements UseFact {}

    /// The pack was read by hand: its current in A, drawn positive, and the voltage of every group
    /// in V.
    record GroupsSeen(String pack, double amps, List<Double> volts) implements UseFact {
        public GroupsSeen {
            Limit.PACK_CURRENT.checked(amps);
            volts = List.copyOf(volts);
            if (volts.isEmpty()) throw new IllegalArgumentException("a pack has a group");
            volts.forEach(Limit.VOLTAGE::checked);
        }
    }

    /// The voltage of a can was read while the pack rested, in V.
    record CanProbed(String pack, CellId cell, double volts) implements UseFact {
        public CanProbed {
            Limit.VOLTAGE.checked(volts);
        }
    }

    /// The temperature of a can was read while the pack rested near full, in °C.
    record CanWarm(String pack, CellId cell, double celsius) implements UseFact {
        public CanWarm {
            Limit.WARMTH.checked(celsius);
        }
    }

    /// Something happened.
    record EventNoted(String pack, String words, LocalDate on) implements UseFact {}

    /// A group was discharged alone, or its charge told by a test of the whole pack.
    ///
    /// @param group from 0
    /// @param ampHours it gave, in Ah, above 0
    record GroupRetested(String pack, int group, double ampHours, LocalDate on) implements UseFact {
        public GroupRetested {
            Limit.GROUP_CHARGE.checked(ampHours);
            if (group < 0) throw new IllegalArgumentException("groups count from 0");
        }
    }

    /// A can that was off its bar was joined again.
    record CellReconnected(String pack, CellId cell) implements UseFact {}

    /// A cell left a group and another took its place.
    ///
    /// @param group from 0
    /// @param reason why it left
    record CellReplaced(String pack, int group, CellId out, CellId in, String reason)
            implements UseFact {}

    /// Alarm limits were set.
    record AlarmsSet(String pack, Alarms alarms) implements UseFact {}

    /// A person decided that what is said of a group is no trouble.
    ///
    /// @param group from 0
    record TroubleSetAside(String pack, int group, Trouble trouble, String reason)
            implements UseFact {}
}
