package pentacell.core.cell;

import java.util.Map;
import java.util.Optional;
import pentacell.core.state.Chapter;
import pentacell.core.state.InOrder;
import pentacell.core.state.WorkshopState;

/// The trays on the shelf.
///
/// @param all by name, in the order they were first put there
public record Trays(Map<String, Tray> all) {
    /// The chapter of the trays.
    public static final Chapter<Trays> CHAPTER =
            Chapter.of(
                    TrayFact.class,
                    Trays.class,
                    new Trays(Map.of()),
                    (trays, fact) ->
                            switch (fact) {
                                case TrayFact.TrayAdded added -> trays.with(added.tray());
                            });

    public Trays {
        all = InOrder.of(all);
    }

    /// The trays of a workshop.
    public static Trays of(WorkshopState state) {
        return state.slice(Trays.class);
    }

    /// A tray by its name.
    public Optional<Tray> tray(String name) {
        return Optional.ofNullable(all.get(name));
    }

    private Trays with(Tray tray) {
        return new Trays(InOrder.with(all, tray.name(), tray));
    }
}
