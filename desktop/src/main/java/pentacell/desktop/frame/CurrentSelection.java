package pentacell.desktop.frame;

import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.donor.DonorRecord;
import pentacell.core.donor.Donors;
import pentacell.core.pack.Packs;
import pentacell.core.state.WorkshopState;

/// The one thing that is selected, whatever it is: the card shows it, every station follows it. It
/// is named by a value that stays the same while the thing changes, such as a cell's id.
public final class CurrentSelection {
    private final Supplier<WorkshopState> state;
    private final ReadOnlyObjectWrapper<Optional<Object>> thing =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Optional<CellId>> cell =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Optional<String>> donor =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyIntegerWrapper found = new ReadOnlyIntegerWrapper(0);
    private Optional<Object> beforePack = Optional.empty();
    private Consumer<PackWork> handOver = work -> {};

    /// A donor as something to select.
    public record OfDonor(String code) {}

    /// A matched pack as something to select.
    public record OfPack(String name) {}

    CurrentSelection(Supplier<WorkshopState> state) {
        this.state = state;
    }

    /// Selects a thing of any kind; a station's card shows it.
    public void select(Object selected) {
        set(Optional.of(selected));
    }

    /// Selects a donor.
    public void selectDonor(String code) {
        select(new OfDonor(code));
    }

    /// Follows the work to a pack, unless a cell of it is looked at; away from packs, back to what
    /// was looked at before.
    ///
    /// @param pack the one in hand, of an empty name before there is one; none where the work is
    ///   not on a pack
    public void follow(Optional<String> pack) {
        boolean isOnPack = thing.get().filter(OfPack.class::isInstance).isPresent();
        if (pack.isEmpty()) {
            if (isOnPack && beforePack.isPresent()) set(beforePack);
            beforePack = Optional.empty();
        } else if (!isOf(pack.get())) {
            if (!isOnPack) beforePack = thing.get();
            select(new OfPack(pack.get()));
        }
    }

    private boolean isOf(String pack) {
        return cell.get()
                .filter(id ->
                        Packs.of(state.get())
                                .pack(pack)
                                .filter(each -> each.groupOf(id).isPresent())
                                .isPresent())
                .isPresent();
    }

    /// Selects nothing.
    public void selectNothing() {
        set(Optional.empty());
    }

    private void set(Optional<Object> selected) {
        // what is no longer selected is told first, so that never two kinds are at a time
        Optional<CellId> nextCell =
                selected.filter(CellId.class::isInstance).map(CellId.class::cast);
        Optional<String> nextDonor =
                selected.filter(OfDonor.class::isInstance)
                        .map(OfDonor.class::cast)
                        .map(OfDonor::code);
        if (nextCell.isEmpty()) cell.set(nextCell);
        donor.set(nextDonor);
        cell.set(nextCell);
        thing.set(selected);
    }

    /// Selects a cell that somebody looks for: its place shows itself.
    public void find(CellId id) {
        select(id);
        found.set(found.get() + 1);
    }

    /// Hands work to the station that takes it: it is shown, and takes it in hand.
    public void handOver(PackWork work) {
        handOver.accept(work);
    }

    /// Names who knows the stations.
    void onHandOver(Consumer<PackWork> taker) {
        handOver = taker;
    }

    /// Counts the times a cell was looked for.
    public ReadOnlyIntegerProperty foundProperty() {
        return found.getReadOnlyProperty();
    }

    /// What is selected.
    public ReadOnlyObjectProperty<Optional<Object>> thingProperty() {
        return thing.getReadOnlyProperty();
    }

    /// The selected cell, when it is one.
    public ReadOnlyObjectProperty<Optional<CellId>> cellProperty() {
        return cell.getReadOnlyProperty();
    }

    /// The code of the selected donor, when it is one.
    public ReadOnlyObjectProperty<Optional<String>> donorProperty() {
        return donor.getReadOnlyProperty();
    }

    /// The selected cell as it is now.
    public Optional<CellRecord> cell() {
        return cell.get().flatMap(Cells.of(state.get())::cell);
    }

    /// The selected donor as it is now.
    public Optional<DonorRecord> donor() {
        return donor.get().flatMap(Donors.of(state.get())::record);
    }
}
