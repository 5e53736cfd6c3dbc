package pentacell.desktop.prove;

import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.build.SwapAdvice;
import pentacell.core.grade.JudgedStock;
import pentacell.core.journal.Fact;
import pentacell.core.prove.PackVerdict;
import pentacell.core.prove.ProvedPack;
import pentacell.core.prove.ProvedPack.Tested;
import pentacell.core.prove.Shortfall;
import pentacell.core.prove.WorkshopRatio;
import pentacell.core.state.WorkshopState;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.PackInHand;

/// What Prove knows: the pack in hand with all that was measured of it, judged away from the
/// window's thread.
final class ProveModel {
    /// Cells named for a swap: as many as what is missing is worth, and one more to choose from.
    private static final int ONE_MORE = 1;

    private static final int MOST_SWAPS = 6;

    private final Desk desk;
    private final PackInHand inHand;
    private final ReadOnlyObjectWrapper<Optional<Judged>> judged =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Optional<Tested>> test =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private Optional<String> chosenTest = Optional.empty();
    private int turn;
    private boolean isShown;
    private boolean isStale = true;

    /// A pack, judged.
    ///
    /// @param swaps for the group that its last whole test says to mend
    /// @param ratio of all packs of the workshop so far
    record Judged(
            ProvedPack pack,
            PackVerdict verdict,
            List<SwapAdvice> swaps,
            Optional<WorkshopRatio> ratio) {
        Judged {
            swaps = List.copyOf(swaps);
        }
    }

    ProveModel(Desk desk) {
        this.desk = desk;
        inHand = new PackInHand(desk);
        inHand.nameProperty()
                .subscribe(name -> {
                    chosenTest = Optional.empty();
                    refresh();
                });
        desk.ledger().stateProperty().subscribe(state -> refresh());
    }

    Desk desk() {
        return desk;
    }

    PackInHand inHand() {
        return inHand;
    }

    /// The pack in hand; empty while none is matched.
    ReadOnlyObjectProperty<Optional<Judged>> judgedProperty() {
        return judged.getReadOnlyProperty();
    }

    /// The load test that is looked at: the one chosen, else the last.
    ReadOnlyObjectProperty<Optional<Tested>> testProperty() {
        return test.getReadOnlyProperty();
    }

    /// Looks at a test.
    void look(String name) {
        chosenTest = Optional.of(name);
        look();
    }

    private void look() {
        List<Tested> tests = judged.get().map(now -> now.pack().tests()).orElse(List.of());
        test.set(
                tests.stream()
                        .filter(each -> chosenTest.equals(Optional.of(each.name())))
                        .findFirst()
                        .or(() -> tests.stream().reduce((one, next) -> next)));
    }

    /// Says whether somebody looks: nothing is worked out while nobody does.
    void watched(boolean isWatched) {
        boolean isBack = isWatched && !isShown;
        isShown = isWatched;
        if (isBack && isStale) workOut();
    }

    private void refresh() {
        if (isShown) workOut();
        else isStale = true;
    }

    private void workOut() {
        int number = ++turn;
        isStale = false;
        WorkshopState state = desk.ledger().state();
        JudgedStock stock = desk.ledger().judged();
        String name = inHand.name();
        desk.work()
                .lane("prove")
                .run(
                        () ->
                                ProvedPack.of(state, stock, name)
                                        .map(pack -> judge(state, stock, pack)),
                        done -> {
                            if (number != turn) return;
                            judged.set(done);
                            look();
                        });
    }

    private static Judged judge(WorkshopState state, JudgedStock stock, ProvedPack pack) {
        return new Judged(
                pack,
                PackVerdict.of(pack),
                pack.lastWhole()
                        .flatMap(Tested::shortfall)
                        .map(shortfall ->
                                SwapAdvice.of(
                                        state,
                                        stock,
                                        pack.built().pack().name(),
                                        shortfall.group(),
                                        swaps(shortfall)))
                        .orElse(List.of()),
                WorkshopRatio.of(state, stock));
    }

    private static int swaps(Shortfall shortfall) {
        double cells = Math.ceil(shortfall.cells().orElse(1));
        return (int) Math.clamp(cells + ONE_MORE, 1, MOST_SWAPS);
    }

    /// Logs something of the pack in hand.
    void log(String words, Fact fact) {
        desk.ledger().log(words, List.of(fact), () -> {});
    }
}
