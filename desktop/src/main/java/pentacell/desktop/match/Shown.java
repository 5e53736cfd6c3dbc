package pentacell.desktop.match;

import java.util.List;
import java.util.Optional;
import pentacell.core.cell.CellId;
import pentacell.core.match.Candidate;
import pentacell.core.match.MatchBreach;
import pentacell.core.match.MatchFigures;
import pentacell.core.match.MatchReplacement;
import pentacell.core.pack.MatchSwap;
import pentacell.core.pack.Pack;

/// A matched pack as it is shown.
///
/// @param groups the cells of each group
/// @param shelf usable cells of the pack's chemistry and size that are left over, strongest first
record Shown(Pack pack, List<List<Candidate>> groups, List<Candidate> shelf, MatchFigures figures) {
    Optional<Candidate> find(CellId cell) {
        for (List<Candidate> group : groups)
            for (Candidate each : group) if (each.id().equals(cell)) return Optional.of(each);
        return shelf.stream().filter(each -> each.id().equals(cell)).findFirst();
    }

    /// Whether a cell is kept for repairs.
    boolean isSpare(CellId cell) {
        return pack.spares().contains(cell);
    }

    boolean isLocked(CellId cell) {
        return pack.locked().contains(cell);
    }

    /// The limit that a swap would break, if any.
    Optional<MatchBreach> breachOf(CellId first, CellId second) {
        return find(first)
                .flatMap(one ->
                        find(second)
                                .flatMap(other ->
                                        MatchBreach.of(
                                                groups,
                                                MatchSwap.in(groups, one, other),
                                                pack.rules())));
    }

    /// The best cell of the shelf for the place of another, if any keeps the limits.
    Optional<MatchReplacement> replacementOf(CellId leaving) {
        return find(leaving)
                .filter(cell -> !shelf.contains(cell))
                .flatMap(cell ->
                        MatchReplacement.best(groups, cell, shelf, pack.rules(), 1).stream()
                                .findFirst());
    }

    /// The figures after two cells changed places.
    MatchFigures after(Candidate first, Candidate second) {
        return MatchFigures.of(MatchSwap.in(groups, first, second));
    }
}
