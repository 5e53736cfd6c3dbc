package pentacell.core.pack;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import pentacell.core.cell.CellId;
import pentacell.core.state.Chapter;
import pentacell.core.state.InOrder;
import pentacell.core.state.WorkshopState;

/// The packs in the making.
///
/// @param all by name, in the order they were first matched
public record Packs(Map<String, Pack> all) {
    /// The chapter of the packs.
    public static final Chapter<Packs> CHAPTER =
            Chapter.of(PackFact.class, Packs.class, new Packs(Map.of()), Packs::plus);

    public Packs {
        all = InOrder.of(all);
    }

    /// The packs of a workshop.
    public static Packs of(WorkshopState state) {
        return state.slice(Packs.class);
    }

    /// A pack in the making.
    public Optional<Pack> pack(String name) {
        return Optional.ofNullable(all.get(name));
    }

    /// The pack a cell was matched into or is kept for, other than the given one.
    public Optional<Pack> otherPackOf(CellId cell, String pack) {
        return all.values().stream()
                .filter(other -> !other.name().equals(pack) && other.cells().contains(cell))
                .findFirst();
    }

    /// What is said of a pack that was never matched changes nothing.
    private Packs plus(PackFact fact) {
        Map<String, Pack> after = new LinkedHashMap<>(all);
        if (fact instanceof PackFact.GroupsMatched matched)
            after.merge(matched.pack(), Pack.of(matched), (before, anew) -> before.plus(matched));
        else if (fact instanceof PackFact.PackDissolved) after.remove(fact.pack());
        else after.computeIfPresent(fact.pack(), (name, pack) -> pack.plus(fact));
        return new Packs(after);
    }
}
