package pentacell.desktop.prove;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.build.SwapAdvice;
import pentacell.core.journal.Fact;
import pentacell.core.prove.PackVerdict;
import pentacell.core.prove.ProvedPack;
import pentacell.core.prove.ProvedPack.Tested;
import pentacell.core.prove.Shortfall;
import pentacell.core.prove.WorkshopRatio;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.JudgedPack;
import pentacell.desktop.frame.PackInHand;

/// What Prove knows: the pack in hand with all that was measured of it, judged away from the
/// window's thread.
final class ProveModel {
    /// Cells named for a swap: as many as what is missing is worth, and one more to choose from.
    private static final int ONE_MORE = 1;

    private static final int MOST_SWAPS = 6;

    private static final String CORRECTED = "expect-as-packs-gave";

    private final Desk desk;
    private final PackInHand inHand;
    private final JudgedPack<Judged> judged;
    private final ReadOnlyObjectWrapper<Optional<Tested>> test =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private Optional<String> chosenTest = Optional.empty();

    /// A pack, judged.
    ///
    /// @param swaps for the group that its last whole test says to mend
    /// @param ratio of all packs of the workshop so far
    /// @param correction what is expected of the pack as a part of what its cells say, when the
    ///   other packs are to tell
    record Judged(
            ProvedPack pack,
            PackVerdict verdict,
            List<SwapAdvice> swaps,
            Optional<WorkshopRatio> ratio,
            OptionalDouble correction) {
        Judged {
            swaps = List.copyOf(swaps);
        }
    }

    ProveModel(Desk desk) {
        this.desk = desk;
        inHand = new PackInHand(desk);
        inHand.nameProperty().subscribe(name -> chosenTest = Optional.empty());
        judged = new JudgedPack<>(desk, inHand, "prove", this::judge);
        judged.property().subscribe(now -> look());
    }

    Desk desk() {
        return desk;
    }

    PackInHand inHand() {
        return inHand;
    }

    /// The pack in hand; empty while none is matched.
    ReadOnlyObjectProperty<Optional<Judged>> judgedProperty() {
        return judged.property();
    }

    /// The load test that is looked at: the one chosen, else the last that proves something.
    ReadOnlyObjectProperty<Optional<Tested>> testProperty() {
        return test.getReadOnlyProperty();
    }

    /// Looks at a test.
    void look(String name) {
        chosenTest = Optional.of(name);
        look();
    }

    /// Whether it is expected what the other packs of the workshop gave.
    boolean isCorrected() {
        return desk.settings().get(CORRECTED).map(Boolean::parseBoolean).orElse(false);
    }

    /// Expects what the other packs of the workshop gave, or what cells say.
    void correct(boolean isWanted) {
        desk.settings().put(CORRECTED, String.valueOf(isWanted));
        judged.now();
    }

    private void look() {
        List<Tested> tests =
                judged.property().get().map(now -> now.pack().shown()).orElse(List.of());
        test.set(
                tests.stream()
                        .filter(each -> chosenTest.equals(Optional.of(each.name())))
                        .findFirst()
                        .or(() -> last(tests.stream().filter(Tested::proves)))
                        .or(() -> last(tests.stream())));
    }

    private static Optional<Tested> last(Stream<Tested> tests) {
        return tests.reduce((one, next) -> next);
    }

    /// Says whether somebody looks: nothing is worked out while nobody does.
    void watched(boolean isWatched) {
        judged.watched(isWatched);
    }

    private JudgedPack.Judge<Judged> judge() {
        boolean isCorrected = isCorrected();
        return (state, stock, name) -> judge(state, stock, name, isCorrected);
    }

    private static Optional<Judged> judge(
            WorkshopState state, JudgedStock stock, String name, boolean isCorrected) {
        Optional<WorkshopRatio> ratio = WorkshopRatio.of(state, stock);
        OptionalDouble correction =
                isCorrected
                        ? ratio.flatMap(all -> all.without(name))
                                .map(others -> OptionalDouble.of(others.mean()))
                                .orElse(OptionalDouble.empty())
                        : OptionalDouble.empty();
        return ProvedPack.of(state, stock, name, correction)
                .map(pack ->
                        new Judged(
                                pack,
                                PackVerdict.of(pack),
                                swaps(state, stock, pack),
                                ratio,
                                correction));
    }

    private static List<SwapAdvice> swaps(WorkshopState state, JudgedStock stock, ProvedPack pack) {
        return pack.lastWhole()
                .flatMap(Tested::shortfall)
                .map(shortfall ->
                        SwapAdvice.of(
                                state,
                                stock,
                                pack.built().pack().name(),
                                shortfall.group(),
                                swaps(shortfall)))
                .orElse(List.of());
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
