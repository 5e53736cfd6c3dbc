package pentacell.core.pack;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;

/// A pack in the making: its matched groups after every swap, what is locked and what is already
/// picked.
///
/// @param name what the pack is called
/// @param rules what its match kept to
/// @param groups the cells of each group, in series order
/// @param locked cells that stay in their group
/// @param picked cells already taken from their place
/// @param spares cells kept for repairs; none of them is in a group
/// @param earlier its groups before they were matched anew, newest first, no more than
///   [#MOST_EARLIER]
public record Pack(
        String name,
        MatchRules rules,
        List<List<CellId>> groups,
        Set<CellId> locked,
        Set<CellId> picked,
        Set<CellId> spares,
        List<Earlier> earlier) {
    /// How many earlier matches are remembered.
    public static final int MOST_EARLIER = 8;

    public Pack {
        groups = groups.stream().map(List::copyOf).toList();
        locked = Set.copyOf(locked);
        picked = Set.copyOf(picked);
        spares = Set.copyOf(spares);
        earlier = List.copyOf(earlier);
    }

    /// Groups that were matched anew since.
    public record Earlier(MatchRules rules, List<List<CellId>> groups) {
        public Earlier {
            groups = groups.stream().map(List::copyOf).toList();
        }
    }

    /// A pack whose groups were matched for the first time.
    static Pack of(PackFact.GroupsMatched matched) {
        return of(matched, Set.of(), List.of());
    }

    private static Pack of(
            PackFact.GroupsMatched matched, Set<CellId> spares, List<Earlier> earlier) {
        return new Pack(
                matched.pack(),
                matched.rules(),
                matched.groups(),
                matched.locked().keySet(),
                Set.of(),
                outside(matched.groups(), spares),
                earlier);
    }

    /// Matched anew: what is kept for repairs stays so, and the groups are remembered.
    private Pack anew(PackFact.GroupsMatched matched) {
        List<Earlier> before = new ArrayList<>(List.of(new Earlier(rules, groups)));
        before.addAll(earlier.subList(0, Math.min(earlier.size(), MOST_EARLIER - 1)));
        return of(matched, spares, before);
    }

    private static Set<CellId> outside(List<List<CellId>> groups, Set<CellId> cells) {
        Set<CellId> outside = new HashSet<>(cells);
        groups.forEach(outside::removeAll);
        return outside;
    }

    /// The group a cell is in, counted from 0; empty when it is on the shelf.
    public OptionalInt groupOf(CellId cell) {
        for (int group = 0; group < groups.size(); group++)
            if (groups.get(group).contains(cell)) return OptionalInt.of(group);
        return OptionalInt.empty();
    }

    /// The number of cells in all groups.
    public int cellCount() {
        return groups.stream().mapToInt(List::size).sum();
    }

    /// What each group holds by its cells, in mAh; empty for a group with a cell that was never
    /// measured.
    public List<OptionalDouble> milliampHours(Cells cells) {
        return groups.stream().map(group -> milliampHours(cells, group)).toList();
    }

    private static OptionalDouble milliampHours(Cells cells, List<CellId> group) {
        double sum = 0;
        for (CellId each : group) {
            OptionalDouble held =
                    cells.cell(each).map(CellRecord::milliampHours).orElse(OptionalDouble.empty());
            if (held.isEmpty()) return held;
            sum += held.getAsDouble();
        }
        return OptionalDouble.of(sum);
    }

    /// The cells that are spoken for: those in the groups and those kept for repairs.
    public Set<CellId> cells() {
        Set<CellId> cells = new HashSet<>(spares);
        groups.forEach(cells::addAll);
        return cells;
    }

    Pack plus(PackFact fact) {
        return switch (fact) {
            case PackFact.GroupsMatched matched -> anew(matched);
            case PackFact.CellsSwapped swapped -> swap(swapped.first(), swapped.second());
            case PackFact.CellLock lock ->
                    new Pack(
                            name,
                            rules,
                            groups,
                            changed(locked, lock.cell(), lock.lock() == PackFact.Lock.LOCKED),
                            picked,
                            spares,
                            earlier);
            case PackFact.PackDissolved dissolved -> this;
            case PackFact.CellPicked pick ->
                    new Pack(
                            name,
                            rules,
                            groups,
                            locked,
                            changed(picked, pick.cell(), pick.pick() == PackFact.Pick.TAKEN),
                            spares,
                            earlier);
            case PackFact.CellReserved reserved -> reserve(reserved);
        };
    }

    private Pack swap(CellId first, CellId second) {
        List<List<CellId>> swapped = MatchSwap.in(groups, first, second);
        Set<CellId> members = new HashSet<>();
        swapped.forEach(members::addAll);
        Set<CellId> stillPicked = new HashSet<>(picked);
        stillPicked.retainAll(members);
        return new Pack(
                name, rules, swapped, locked, stillPicked, outside(swapped, spares), earlier);
    }

    private Pack reserve(PackFact.CellReserved reserved) {
        boolean isKept =
                reserved.reserve() == PackFact.Reserve.KEPT && groupOf(reserved.cell()).isEmpty();
        return new Pack(
                name,
                rules,
                groups,
                locked,
                picked,
                changed(spares, reserved.cell(), isKept),
                earlier);
    }

    private static Set<CellId> changed(Set<CellId> cells, CellId cell, boolean present) {
        Set<CellId> copy = new HashSet<>(cells);
        if (present) copy.add(cell);
        else copy.remove(cell);
        return copy;
    }
}
