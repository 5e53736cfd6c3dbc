package pentacell.core.stock;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import pentacell.core.cell.CellFact.CellPlaced;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Place;
import pentacell.core.cell.Tray;
import pentacell.core.cell.Trays;
import pentacell.core.state.WorkshopState;

/// Finds places for cells.
public final class Shelf {
    private Shelf() {}

    /// Free places in the order a hand fills them: the first tray that takes all, else what there
    /// is in all trays.
    ///
    /// @param count how many are wanted; fewer are found when the shelf is full
    public static List<Place> free(WorkshopState state, int count) {
        List<Place> all = new ArrayList<>();
        for (Tray tray : Trays.of(state).all().values()) {
            List<Place> here = new ArrayList<>();
            for (int i = 0; i < tray.size() && here.size() < count; i++)
                if (Cells.of(state).at(tray.place(i)).isEmpty()) here.add(tray.place(i));
            if (here.size() == count) return here;
            all.addAll(here);
        }
        return List.copyOf(all.subList(0, Math.min(count, all.size())));
    }

    /// Moves cells to a place and the free places after it in its tray. A single cell that comes to
    /// where another lies changes places with it.
    ///
    /// @param cells in the order they are laid
    /// @param from where the first comes to
    /// @return one fact for each cell that moves; empty when the tray has no room for all
    public static Optional<List<CellPlaced>> move(
            WorkshopState state, Collection<CellId> cells, Place from) {
        Tray tray = Trays.of(state).all().get(from.tray());
        if (tray == null || from.row() > tray.rows() || from.column() > tray.columns())
            return Optional.empty();
        if (cells.size() == 1) return Optional.of(moveOne(state, cells.iterator().next(), from));
        Set<CellId> moving = new HashSet<>(cells);
        List<CellPlaced> moves = new ArrayList<>();
        int index = (from.row() - 1) * tray.columns() + from.column() - 1;
        for (CellId cell : cells) {
            // places that the moving cells leave are free as well
            while (index < tray.size()
                    && Cells.of(state)
                            .at(tray.place(index))
                            .filter(there -> !moving.contains(there))
                            .isPresent()) index++;
            if (index >= tray.size()) return Optional.empty();
            moves.add(new CellPlaced(cell, tray.place(index++)));
        }
        return Optional.of(List.copyOf(moves));
    }

    private static List<CellPlaced> moveOne(WorkshopState state, CellId cell, Place to) {
        Optional<CellId> there = Cells.of(state).at(to);
        CellPlaced move = new CellPlaced(cell, to);
        if (there.isEmpty() || there.get().equals(cell)) return List.of(move);
        Optional<Place> left = Cells.of(state).cell(cell).flatMap(CellRecord::place);
        Optional<Place> back =
                left.or(() ->
                        free(state, 2).stream().filter(place -> !place.equals(to)).findFirst());
        return back.map(place -> List.of(new CellPlaced(there.get(), place), move))
                .orElse(List.of());
    }
}
