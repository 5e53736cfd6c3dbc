package pentacell.core.build.facts;

import java.time.Instant;
import java.util.Map;
import pentacell.core.state.Chapter;
import pentacell.core.state.InOrder;
import pentacell.core.state.WorkshopState;

/// The packs that are put together.
///
/// @param all by name, in the order something was first said of them
public record Assemblies(Map<String, Assembly> all) {
    /// The chapter of building.
    public static final Chapter<Assemblies> CHAPTER =
            Chapter.timed(
                    AssemblyFact.class,
                    Assemblies.class,
                    new Assemblies(Map.of()),
                    Assemblies::plus);

    public Assemblies {
        all = InOrder.of(all);
    }

    /// Those of a workshop.
    public static Assemblies of(WorkshopState state) {
        return state.slice(Assemblies.class);
    }

    /// How a pack is put together; as nothing was said when nothing was.
    public Assembly assembly(String pack) {
        Assembly known = all.get(pack);
        return known == null ? Assembly.of(pack) : known;
    }

    private Assemblies plus(Instant at, AssemblyFact fact) {
        return new Assemblies(InOrder.with(all, fact.pack(), assembly(fact.pack()).plus(at, fact)));
    }
}
