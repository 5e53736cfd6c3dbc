package pentacell.desktop.frame;

import java.util.List;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.pack.Packs;
import pentacell.core.state.WorkshopState;

/// The matched pack that a station works on: the last one matched until another is taken.
public final class PackInHand {
    private final Desk desk;
    private final ReadOnlyObjectWrapper<String> name = new ReadOnlyObjectWrapper<>("");

    public PackInHand(Desk desk) {
        this.desk = desk;
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
        name.set(names.isEmpty() ? "" : names.get(names.size() - 1));
    }
}
