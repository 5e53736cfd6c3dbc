package pentacell.desktop.frame;

import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.build.facts.Assemblies;
import pentacell.core.build.facts.PackStanding;
import pentacell.core.pack.Packs;
import pentacell.core.state.WorkshopState;

/// The matched pack that a station works on: until another is taken, the last one matched that is
/// as far as the station wants it.
public final class PackInHand {
    private final Desk desk;
    private final Predicate<PackStanding> isWanted;
    private final ReadOnlyObjectWrapper<String> name = new ReadOnlyObjectWrapper<>("");

    /// A pack that is in the making.
    public PackInHand(Desk desk) {
        this(desk, PackInHand::isInTheMaking);
    }

    /// @param isWanted how far the pack is that is taken when none is in hand
    public PackInHand(Desk desk, Predicate<PackStanding> isWanted) {
        this.desk = desk;
        this.isWanted = isWanted;
        desk.ledger().stateProperty().subscribe(this::follow);
    }

    /// Whether a pack is still worked on at the bench.
    public static boolean isInTheMaking(PackStanding standing) {
        return standing != PackStanding.FINAL;
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

    /// The pack that is taken when none is in hand: the last one matched that is as far as wanted,
    /// else the last one; empty when none is matched.
    public static Optional<String> first(WorkshopState state, Predicate<PackStanding> isWanted) {
        List<String> names = List.copyOf(Packs.of(state).all().keySet());
        Optional<String> last = names.stream().reduce((one, next) -> next);
        return names.stream()
                .filter(each -> isWanted.test(Assemblies.of(state).assembly(each).standing()))
                .reduce((one, next) -> next)
                .or(() -> last);
    }

    /// Takes the pack of work that is handed over, when it is of a kind that is done here.
    ///
    /// @return whether it is
    public boolean takes(PackWork work, PackWork.Kind kind) {
        if (work.kind() != kind) return false;
        take(work.pack());
        return true;
    }

    /// The packs that fit what is typed into *Find or do*.
    ///
    /// @param wanted in lower case, not empty
    /// @param word what is done with them here
    public List<Found> find(String wanted, int most, String word) {
        return Found.packs(names(), wanted, most, word, this::take);
    }

    private void follow(WorkshopState state) {
        if (Packs.of(state).pack(name.get()).isEmpty()) name.set(first(state, isWanted).orElse(""));
    }
}
