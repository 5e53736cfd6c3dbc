package pentacell.core.pack;

import java.util.HashSet;
import java.util.List;
import java.util.OptionalInt;
import java.util.Set;
import pentacell.core.cell.CellId;

/// A pack in the making: its matched groups after every swap, what is locked and what is already
/// picked.
///
/// @param name what the pack is called
/// @param rules what its match kept to
/// @param groups the cells of each group, in series order
/// @param locked cells that stay in their group
/// @param picked cells already taken from their place
/// @param spares cells kept for repairs; none of them is in a group
public record Pack(
        String name,
        MatchRules rules,
        List<List<CellId>> groups,
        Set<CellId> locked,
        Set<CellId> picked,
        Set<CellId> spares) {
    public Pack {
        groups = groups.stream().map(List::copyOf).toList();
        locked = Set.copyOf(locked);
        picked = Set.copyOf(picked);
        spares = Set.copyOf(spares);
    }

    /// A pack whose groups were matched; what is kept for its repairs stays so.
    static Pack of(PackFact.GroupsMatched matched, Set<CellId> spares) {
        return new Pack(
                matched.pack(),
                matched.rules(),
                matched.groups(),
                matched.locked().keySet(),
                Set.of(),
                outside(matched.groups(), spares));
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

    /// The cells that are spoken for: those in the groups and those kept for repairs.
    public Set<CellId> cells() {
        Set<CellId> cells = new HashSet<>(spares);
        groups.forEach(cells::addAll);
        return cells;
    }

    Pack plus(PackFact fact) {
        return switch (fact) {
            case PackFact.GroupsMatched matched -> of(matched, spares);
            case PackFact.CellsSwapped swapped -> swap(swapped.first(), swapped.second());
            case PackFact.CellLock lock ->
                    new Pack(
                            name,
                            rules,
                            groups,
                            changed(locked, lock.cell(), lock.lock() == PackFact.Lock.LOCKED),
                            picked,
                            spares);
            case PackFact.CellPicked pick ->
                    new Pack(
                            name,
                            rules,
                            groups,
                            locked,
                            changed(picked, pick.cell(), pick.pick() == PackFact.Pick.TAKEN),
                            spares);
            case PackFact.CellReserved reserved -> reserve(reserved);
        };
    }

    private Pack swap(CellId first, CellId second) {
        List<List<CellId>> swapped = MatchSwap.in(groups, first, second);
        Set<CellId> members = new HashSet<>();
        swapped.forEach(members::addAll);
        Set<CellId> stillPicked = new HashSet<>(picked);
        stillPicked.retainAll(members);
        return new Pack(name, rules, swapped, locked, stillPicked, outside(swapped, spares));
    }

    private Pack reserve(PackFact.CellReserved reserved) {
        boolean isKept =
                reserved.reserve() == PackFact.Reserve.KEPT && groupOf(reserved.cell()).isEmpty();
        return new Pack(
                name, rules, groups, locked, picked, changed(spares, reserved.cell(), isKept));
    }

    private static Set<CellId> changed(Set<CellId> cells, CellId cell, boolean present) {
        Set<CellId> copy = new HashSet<>(cells);
        if (present) copy.add(cell);
        else copy.remove(cell);
        return copy;
    }
}
