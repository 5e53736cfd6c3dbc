package pentacell.desktop.match;

import java.util.List;
import java.util.Optional;
import pentacell.core.cell.CellId;
import pentacell.core.match.MatchBreach;
import pentacell.core.match.MatchWords;
import pentacell.core.pack.PackFact;
import pentacell.desktop.frame.Desk;

/// What a hand changes in a matched pack: cells swapped, locked, kept for repairs.
final class MatchHands {
    private final Desk desk;
    private final MatchModel match;

    MatchHands(Desk desk, MatchModel match) {
        this.desk = desk;
        this.match = match;
    }

    /// Lets two cells change places, unless one is locked.
    void swap(CellId first, CellId second) {
        if (match.shownProperty().get().isEmpty() || first.equals(second)) return;
        Shown now = match.shownProperty().get().get();
        for (CellId cell : List.of(first, second)) {
            if (now.isLocked(cell)) {
                desk.notices().say(cell + " is locked to its group; unlock it first (L).");
                return;
            }
        }
        boolean bothOnShelf =
                now.pack().groupOf(first).isEmpty() && now.pack().groupOf(second).isEmpty();
        if (bothOnShelf || now.pack().groupOf(first).equals(now.pack().groupOf(second))) return;
        Optional<MatchBreach> breach = now.breachOf(first, second);
        if (breach.isPresent()) {
            desk.notices()
                    .say(
                            "Not swapped: %s. Change the limit and match again, or choose another cell."
                                    .formatted(MatchWords.sentence(breach.get())));
            return;
        }
        desk.ledger()
                .log(
                        "Swap " + first + " and " + second,
                        List.of(new PackFact.CellsSwapped(now.pack().name(), first, second)),
                        () -> desk.notices().say("Swapped " + first + " and " + second + "."));
    }

    /// Locks a cell to its group, or sets it free.
    void toggleLock(CellId cell) {
        if (match.shownProperty().get().isEmpty()
                || match.shownProperty().get().get().pack().groupOf(cell).isEmpty()) return;
        Shown now = match.shownProperty().get().get();
        PackFact.Lock lock = now.isLocked(cell) ? PackFact.Lock.FREE : PackFact.Lock.LOCKED;
        desk.ledger()
                .log(
                        (lock == PackFact.Lock.LOCKED ? "Lock " : "Free ") + cell,
                        List.of(new PackFact.CellLock(now.pack().name(), cell, lock)),
                        () -> {});
    }

    /// Keeps a cell of the shelf for repairs of the pack, or sets it free.
    void toggleSpare(CellId cell) {
        if (match.shownProperty().get().isEmpty()) return;
        Shown now = match.shownProperty().get().get();
        if (now.pack().groupOf(cell).isPresent()) {
            desk.notices().say(cell + " sits in a group; a spare is a cell left over.");
            return;
        }
        PackFact.Reserve reserve =
                now.isSpare(cell) ? PackFact.Reserve.RELEASED : PackFact.Reserve.KEPT;
        boolean isKept = reserve == PackFact.Reserve.KEPT;
        desk.ledger()
                .log(
                        isKept ? "Keep " + cell + " as a spare" : "Release the spare " + cell,
                        List.of(new PackFact.CellReserved(now.pack().name(), cell, reserve)),
                        () ->
                                desk.notices()
                                        .say(
                                                isKept
                                                        ? "%s is kept for repairs of %s."
                                                                .formatted(cell, now.pack().name())
                                                        : cell + " is free again."));
    }
}
