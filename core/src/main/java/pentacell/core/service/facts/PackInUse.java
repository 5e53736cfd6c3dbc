package pentacell.core.service.facts;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import pentacell.core.cell.CellId;
import pentacell.core.prove.facts.PackLog;
import pentacell.core.state.InOrder;

/// A pack in use with all that was logged of it.
///
/// @param logs histories by name, in the order they were first taken over
/// @param seen readings by hand, oldest first
/// @param probes what cans read at rest last, since they were joined, in V
/// @param warm how warm cans were last, in °C
/// @param events what happened, in the order it was told
/// @param retests of groups, in the order they were told
/// @param changes what was mended, oldest first
/// @param alarms limits that were set; empty for the usual ones
/// @param setAside troubles that a person says are none
public record PackInUse(
        String pack,
        Map<String, History> logs,
        List<Seen> seen,
        Map<CellId, Read> probes,
        Map<CellId, Read> warm,
        List<Event> events,
        List<Retest> retests,
        List<Change> changes,
        Optional<Alarms> alarms,
        List<SetAside> setAside) {
    public PackInUse {
        logs = InOrder.of(logs);
        seen = List.copyOf(seen);
        probes = InOrder.of(probes);
        warm = InOrder.of(warm);
        events = List.copyOf(events);
        retests = List.copyOf(retests);
        changes = List.copyOf(changes);
        setAside = List.copyOf(setAside);
    }

    /// A history that was taken over.
    ///
    /// @param from when its first reading was taken
    public record History(String name, Instant from, PackLog readings) {
        /// When its last reading was taken.
        public Instant to() {
            List<Double> seconds = readings.seconds();
            return seconds.isEmpty()
                    ? from
                    : from.plusMillis(Math.round(1000 * seconds.get(seconds.size() - 1)));
        }
    }

    /// A reading by hand.
    ///
    /// @param amps drawn positive, in A
    /// @param volts of every group, in V
    public record Seen(Instant at, double amps, List<Double> volts) {
        public Seen {
            volts = List.copyOf(volts);
        }
    }

    /// A figure that was read of a can.
    public record Read(Instant at, double figure) {}

    /// Something that happened.
    public record Event(LocalDate on, String words) {}

    /// What a group gave.
    ///
    /// @param group from 0
    public record Retest(int group, LocalDate on, double ampHours) {}

    /// Something that was mended.
    ///
    /// @param cell that was joined again, or that left
    /// @param replacedBy what took its place; empty when it was joined again
    /// @param reason why it left; empty for none
    public record Change(Instant at, CellId cell, Optional<CellId> replacedBy, String reason) {}

    /// A trouble that a person says is none.
    ///
    /// @param group from 0
    public record SetAside(int group, Trouble trouble, String reason, Instant at) {}

    /// A pack of which nothing was logged in use.
    public static PackInUse of(String pack) {
        return new PackInUse(
                pack,
                Map.of(),
                List.of(),
                Map.of(),
                Map.of(),
                List.of(),
                List.of(),
                List.of(),
                Optional.empty(),
                List.of());
    }

    /// Whether anything was logged of it.
    public boolean isKnown() {
        return !equals(of(pack));
    }

    /// When something was mended last.
    public Optional<Instant> lastChange() {
        return changes.isEmpty()
                ? Optional.empty()
                : Optional.of(changes.get(changes.size() - 1).at());
    }

    PackInUse plus(Instant at, UseFact fact) {
        return switch (fact) {
            case UseFact.HistoryLogged logged ->
                    with(draft ->
                            draft.logs.put(
                                    logged.log(),
                                    new History(logged.log(), logged.from(), logged.readings())));
            case UseFact.GroupsSeen read ->
                    with(draft -> draft.seen.add(new Seen(at, read.amps(), read.volts())));
            case UseFact.CanProbed probed ->
                    with(draft -> draft.probes.put(probed.cell(), new Read(at, probed.volts())));
            case UseFact.CanWarm read ->
                    with(draft -> draft.warm.put(read.cell(), new Read(at, read.celsius())));
            case UseFact.EventNoted noted ->
                    with(draft -> draft.events.add(new Event(noted.on(), noted.words())));
            case UseFact.GroupRetested retested ->
                    with(draft ->
                            draft.retests.add(
                                    new Retest(
                                            retested.group(), retested.on(), retested.ampHours())));
            case UseFact.CellReconnected joined ->
                    with(draft ->
                            draft.changes(new Change(at, joined.cell(), Optional.empty(), "")));
            case UseFact.CellReplaced replaced ->
                    with(draft ->
                            draft.changes(
                                    new Change(
                                            at,
                                            replaced.out(),
                                            Optional.of(replaced.in()),
                                            replaced.reason())));
            case UseFact.AlarmsSet set -> with(draft -> draft.alarms = Optional.of(set.alarms()));
            case UseFact.TroubleSetAside aside ->
                    with(draft ->
                            draft.setAside.add(
                                    new SetAside(
                                            aside.group(), aside.trouble(), aside.reason(), at)));
        };
    }

    private PackInUse with(Consumer<Draft> change) {
        Draft draft = new Draft(this);
        change.accept(draft);
        return draft.end();
    }

    private static final class Draft {
        private final String pack;
        private final Map<String, History> logs;
        private final List<Seen> seen;
        private final Map<CellId, Read> probes;
        private final Map<CellId, Read> warm;
        private final List<Event> events;
        private final List<Retest> retests;
        private final List<Change> changes;
        private Optional<Alarms> alarms;
        private final List<SetAside> setAside;

        Draft(PackInUse from) {
            pack = from.pack;
            logs = new LinkedHashMap<>(from.logs);
            seen = new ArrayList<>(from.seen);
            probes = new LinkedHashMap<>(from.probes);
            warm = new LinkedHashMap<>(from.warm);
            events = new ArrayList<>(from.events);
            retests = new ArrayList<>(from.retests);
            changes = new ArrayList<>(from.changes);
            alarms = from.alarms;
            setAside = new ArrayList<>(from.setAside);
        }

        /// What a can read before it was mended says nothing of it any more.
        void changes(Change change) {
            changes.add(change);
            probes.remove(change.cell());
            warm.remove(change.cell());
        }

        PackInUse end() {
            return new PackInUse(
                    pack, logs, seen, probes, warm, events, retests, changes, alarms, setAside);
        }
    }
}
