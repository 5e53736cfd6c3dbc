package pentacell.core.build.facts;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import pentacell.core.cell.CellId;
import pentacell.core.state.InOrder;

/// A pack while it is put together.
///
/// @param layout where its cans stand, once that was said
/// @param ticked steps that are done, by code
/// @param inHolder cells that stand in the holder, in the order they were put there
/// @param plugs how its balance leads are spread
/// @param taps what each lead of the plug read last, by position
/// @param readings of its groups, oldest first
/// @param whole what the whole pack read last
/// @param standing how far it is
/// @param standingReason why, as it was said; empty for nothing
/// @param standingSince when that was said
public record Assembly(
        String pack,
        Optional<Layout> layout,
        Joining joining,
        Balancing balancing,
        Map<String, Ticked> ticked,
        Set<CellId> inHolder,
        Plugs plugs,
        SortedMap<Integer, OptionalDouble> taps,
        List<GroupReading> readings,
        Map<MeterPoint, Double> whole,
        PackStanding standing,
        String standingReason,
        Optional<Instant> standingSince) {
    public Assembly {
        ticked = InOrder.of(ticked);
        inHolder = Collections.unmodifiableSet(new LinkedHashSet<>(inHolder));
        taps = Collections.unmodifiableSortedMap(new TreeMap<>(taps));
        readings = List.copyOf(readings);
        whole = Map.copyOf(whole);
    }

    /// A pack of which nothing was said: to be welded, top balanced.
    public static Assembly of(String pack) {
        return new Assembly(
                pack,
                Optional.empty(),
                Joining.WELD,
                Balancing.TOP,
                Map.of(),
                Set.of(),
                Plugs.ONE,
                new TreeMap<>(),
                List.of(),
                Map.of(),
                PackStanding.BUILDING,
                "",
                Optional.empty());
    }

    /// The last reading of a group, from 0.
    public Optional<GroupReading> lastOf(int group) {
        for (int i = readings.size() - 1; i >= 0; i--)
            if (readings.get(i).group() == group) return Optional.of(readings.get(i));
        return Optional.empty();
    }

    Assembly plus(Instant at, AssemblyFact fact) {
        Growing next = new Growing();
        switch (fact) {
            case AssemblyFact.LayoutChosen chosen -> next.layout = Optional.of(chosen.layout());
            case AssemblyFact.JoiningChosen chosen -> next.joining = chosen.joining();
            case AssemblyFact.BalancingChosen chosen -> next.balancing = chosen.balancing();
            case AssemblyFact.GroupVoltageRead read ->
                    next.readings.add(new GroupReading(at, read.group(), read.volts()));
            case AssemblyFact.TapsRead read ->
                    read.readings().forEach(tap -> next.taps.put(tap.lead(), tap.volts()));
            case AssemblyFact.CellPut put -> {
                if (put.put() == AssemblyFact.Put.IN) next.inHolder.add(put.cell());
                else next.inHolder.remove(put.cell());
            }
            case AssemblyFact.PlugsSaid said -> next.plugs = said.plugs();
            case AssemblyFact.TapsCleared cleared -> next.taps.clear();
            case AssemblyFact.WholeRead read -> next.whole.put(read.point(), read.volts());
            case AssemblyFact.WorkTicked work -> {
                if (work.tick() == AssemblyFact.Tick.OPEN) next.ticked.remove(work.step());
                else next.ticked.put(work.step(), new Ticked(at, work.remark(), work.photo()));
            }
            case AssemblyFact.StandingSaid said -> {
                next.standing = said.standing();
                next.standingReason = said.reason();
                next.standingSince = Optional.of(at);
            }
        }
        return next.assembly();
    }

    /// It while it changes.
    private final class Growing {
        private Optional<Layout> layout = Assembly.this.layout;
        private Joining joining = Assembly.this.joining;
        private Balancing balancing = Assembly.this.balancing;
        private final Map<String, Ticked> ticked = new LinkedHashMap<>(Assembly.this.ticked);
        private final Set<CellId> inHolder = new LinkedHashSet<>(Assembly.this.inHolder);
        private Plugs plugs = Assembly.this.plugs;
        private final SortedMap<Integer, OptionalDouble> taps = new TreeMap<>(Assembly.this.taps);
        private final List<GroupReading> readings = new ArrayList<>(Assembly.this.readings);
        private final Map<MeterPoint, Double> whole = new EnumMap<>(MeterPoint.class);
        private PackStanding standing = Assembly.this.standing;
        private String standingReason = Assembly.this.standingReason;
        private Optional<Instant> standingSince = Assembly.this.standingSince;

        private Growing() {
            whole.putAll(Assembly.this.whole);
        }

        private Assembly assembly() {
            return new Assembly(
                    pack,
                    layout,
                    joining,
                    balancing,
                    ticked,
                    inHolder,
                    plugs,
                    taps,
                    readings,
                    whole,
                    standing,
                    standingReason,
                    standingSince);
        }
    }
}
