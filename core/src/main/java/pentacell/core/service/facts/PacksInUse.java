package pentacell.core.service.facts;

import java.time.Instant;
import java.util.Map;
import pentacell.core.state.Chapter;
import pentacell.core.state.InOrder;
import pentacell.core.state.WorkshopState;

/// What was logged of packs in use.
///
/// @param all by name of the pack, in the order something was first logged
public record PacksInUse(Map<String, PackInUse> all) {
    /// The chapter of packs in use.
    public static final Chapter<PacksInUse> CHAPTER =
            Chapter.timed(
                    UseFact.class, PacksInUse.class, new PacksInUse(Map.of()), PacksInUse::plus);

    public PacksInUse {
        all = InOrder.of(all);
    }

    /// Those of a workshop.
    public static PacksInUse of(WorkshopState state) {
        return state.slice(PacksInUse.class);
    }

    /// What was logged of a pack.
    public PackInUse pack(String name) {
        PackInUse known = all.get(name);
        return known == null ? PackInUse.of(name) : known;
    }

    private PacksInUse plus(Instant at, UseFact fact) {
        return new PacksInUse(InOrder.with(all, fact.pack(), pack(fact.pack()).plus(at, fact)));
    }
}
