package pentacell.core.stock;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import pentacell.core.build.facts.Assemblies;
import pentacell.core.build.facts.PackStanding;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.core.state.WorkshopState;

/// Cells for which something is to be done on the shelf. Those that are built into finished packs
/// lie on none, and those handed over are gone.
public final class ShelfLists {
    private ShelfLists() {}

    /// Cells that lie in no place.
    public static List<CellRecord> loose(WorkshopState state) {
        return here(state, cell -> cell.place().isEmpty());
    }

    /// Cells that want a label, fit or not.
    public static List<CellRecord> toLabel(WorkshopState state) {
        return here(state, CellRecord::needsLabel);
    }

    private static List<CellRecord> here(WorkshopState state, Predicate<CellRecord> isWanted) {
        Set<CellId> builtIn = builtIn(state);
        return Cells.of(state).all().values().stream()
                .filter(cell -> cell.handedOver().isEmpty())
                .filter(isWanted)
                .filter(cell -> !builtIn.contains(cell.id()))
                .toList();
    }

    private static Set<CellId> builtIn(WorkshopState state) {
        Set<CellId> cells = new HashSet<>();
        for (Pack pack : Packs.of(state).all().values())
            if (Assemblies.of(state).assembly(pack.name()).standing() == PackStanding.FINAL)
                pack.groups().forEach(cells::addAll);
        return cells;
    }
}
