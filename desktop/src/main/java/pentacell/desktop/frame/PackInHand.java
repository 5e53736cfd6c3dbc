package pentacell.desktop.frame;

import java.util.List;
import java.util.function.Predicate;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.assembly.Assemblies;
import pentacell.core.assembly.Standing;
import pentacell.core.pack.Packs;
import pentacell.core.state.WorkshopState;

/// The matched pack that a station works on: until another is taken, the last one matched that is
/// as far as the station wants it.
public final class PackInHand {
    private final Desk desk;
    private final Predicate<Standing> isWanted;
    private final ReadOnlyObjectWrapper<String> name = new ReadOnlyObjectWrapper<>("");

    /// A pack that is in the making.
    public PackInHand(Desk desk) {
        this(desk, standing -> standing != Standing.FINAL);
    }

    /// @param isWanted how far the pack is that is taken when none is in hand
    public PackInHand(Desk desk, Predicate<Standing> isWanted) {
        this.desk = desk;
        this.isWanted = isWanted;
        desk.ledger().stateProperty().subscribe(this::follow);
    }

    /// Its name; empty when none is matched.
    public ReadOnlyObjectProperty<String> nameProperty() {
        return name.getReadOnlyProperty();
    }

    /// Its name; empty when none is matched.
    public String name() {
        return name.get();
    }

    /// The packs there are: matched ones.
    public List<String> names() {
        return List.copyOf(Packs.of(desk.ledger().state()).all().keySet());
    }

    /// Takes another one, when there is one of that name.
    public void take(String other) {
        if (names().contains(other)) name.set(other);
    }

    private void follow(WorkshopState state) {
        if (Packs.of(state).pack(name.get()).isPresent()) return;
        List<String> names = names();
        List<String> wanted =
                names.stream()
                        .filter(each ->
                                isWanted.test(Assemblies.of(state).assembly(each).standing()))
                        .toList();
        List<String> among = wanted.isEmpty() ? names : wanted;
        name.set(among.isEmpty() ? "" : among.get(among.size() - 1));
    }
}
