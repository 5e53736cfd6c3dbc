package pentacell.desktop.frame;

import java.util.Optional;
import java.util.function.Supplier;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;

/// The pack in hand as a station judges it: anew at every change while somebody looks, away from
/// the window's thread. What comes late, after something newer was asked, is dropped.
///
/// @param <T> what is made of it
public final class JudgedPack<T> {
    private final Desk desk;
    private final PackInHand inHand;
    private final String lane;
    private final Supplier<Judge<T>> judging;
    private final ReadOnlyObjectWrapper<Optional<T>> judged =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private int turn;
    private final WhileWatched work = new WhileWatched(this::workOut);

    /// Judges a pack of a workshop; empty when it is not matched.
    ///
    /// @param <T> what is made of it
    public interface Judge<T> {
        Optional<T> of(WorkshopState state, JudgedStock stock, String pack);
    }

    /// @param lane where it is judged
    /// @param judging asked on the window's thread for the judge of now
    public JudgedPack(Desk desk, PackInHand inHand, String lane, Supplier<Judge<T>> judging) {
        this.desk = desk;
        this.inHand = inHand;
        this.lane = lane;
        this.judging = judging;
        inHand.nameProperty().subscribe(name -> work.refresh());
        desk.ledger().stateProperty().subscribe(state -> work.refresh());
    }

    /// What was made of it last; empty while no pack is matched.
    public ReadOnlyObjectProperty<Optional<T>> property() {
        return judged.getReadOnlyProperty();
    }

    /// Says whether somebody looks: nothing is worked out while nobody does.
    public void watched(boolean isWatched) {
        work.watched(isWatched);
    }

    /// Judges it anew, whoever looks.
    public void now() {
        work.now();
    }

    private void workOut() {
        int number = ++turn;
        WorkshopState state = desk.ledger().state();
        JudgedStock stock = desk.ledger().judged();
        String pack = inHand.name();
        Judge<T> judge = judging.get();
        desk.work()
                .lane(lane)
                .run(
                        () -> judge.of(state, stock, pack),
                        done -> {
                            if (number == turn) judged.set(done);
                        });
    }
}
