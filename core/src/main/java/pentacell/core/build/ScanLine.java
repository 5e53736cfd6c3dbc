package pentacell.core.build;

import java.util.List;
import java.util.Optional;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Place;
import pentacell.core.line.Line;
import pentacell.core.line.LineAct;
import pentacell.core.line.PackLines;
import pentacell.core.line.Piece;
import pentacell.core.pack.Pack;
import pentacell.core.pack.PackFact;
import pentacell.core.pack.Packs;
import pentacell.core.state.WorkshopState;

/// An id that is typed or scanned on a pick walk: the cell is checked off, or it is said why it is
/// not to be taken.
public final class ScanLine {
    private ScanLine() {}

    /// Reads an id.
    ///
    /// @param pack name of the pack whose cells are fetched
    public static Line<LineAct> read(String text, WorkshopState state, String pack) {
        return PackLines.read(text, state, pack, matched -> read(text.strip(), state, matched));
    }

    private static Line<LineAct> read(String text, WorkshopState state, Pack pack) {
        if (CellId.problem(text).isPresent())
            return Line.wrong(
                    "\"%s\" is not a cell id: it %s.".formatted(text, CellId.problem(text).get()));
        Optional<CellId> known = idAsWritten(text, state);
        if (known.isEmpty())
            return Line.wrong("No cell %s was ever logged. Read the cell again.".formatted(text));
        CellId cell = known.get();
        Optional<PickLine> line =
                PickWalk.of(pack, state, PickWalk.Order.BY_GROUP).stream()
                        .filter(each -> each.cell().equals(cell))
                        .findFirst();
        if (line.isEmpty()) return Line.wrong(notInPack(cell, state, pack));
        if (line.get().taken()) return Line.wrong(cell + " is already in the hand.");
        return new Line.Complete<>(
                List.of(Piece.plain(cell.text(), "picked")),
                "",
                LineAct.logs(
                                "Pick " + cell,
                                cell.text(),
                                new PackFact.CellPicked(pack.name(), cell, PackFact.Pick.TAKEN))
                        .answering(
                                "%s goes to group %d, position %d."
                                        .formatted(
                                                cell, line.get().group(), line.get().position())));
    }

    private static String notInPack(CellId cell, WorkshopState state, Pack pack) {
        return Packs.of(state)
                .otherPackOf(cell, pack.name())
                .map(other ->
                        "%s belongs to the pack %s. Put it back.".formatted(cell, other.name()))
                .orElseGet(() ->
                        "%s is not in this pack: it was left out. Put it back%s."
                                .formatted(cell, home(state, cell)));
    }

    /// Finds the cell meant, whatever the case it is typed in, unless ids differ by case alone.
    private static Optional<CellId> idAsWritten(String text, WorkshopState state) {
        CellId exact = new CellId(text);
        if (Cells.of(state).cell(exact).isPresent()) return Optional.of(exact);
        List<CellId> alike =
                Cells.of(state).all().keySet().stream()
                        .filter(id -> id.text().equalsIgnoreCase(text))
                        .toList();
        return alike.size() == 1 ? Optional.of(alike.getFirst()) : Optional.empty();
    }

    private static String home(WorkshopState state, CellId cell) {
        return Cells.of(state)
                .cell(cell)
                .flatMap(CellRecord::place)
                .map(Place::toString)
                .map(place -> " to " + place)
                .orElse("");
    }
}
