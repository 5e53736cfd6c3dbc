package pentacell.core.stock;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.PrepWork;
import pentacell.core.state.WorkshopState;

/// What must be done to cells before assembly.
///
/// @param work the work
/// @param cells cells it is still to be done to
public record Preparation(PrepWork work, List<CellId> cells) {
    public Preparation {
        cells = List.copyOf(cells);
    }

    /// All open work, kind by kind. Cells that are out are not worth it.
    public static List<Preparation> of(WorkshopState state, JudgedStock judged) {
        Map<PrepWork, List<CellId>> open = new EnumMap<>(PrepWork.class);
        for (CellRecord cell : Cells.of(state).all().values()) {
            if (cell.blemishes().isEmpty() || judged.standing(cell.id()) == Standing.OUT) continue;
            for (PrepWork work : cell.openWork())
                open.computeIfAbsent(work, each -> new ArrayList<>()).add(cell.id());
        }
        return open.entrySet().stream()
                .map(each -> new Preparation(each.getKey(), each.getValue()))
                .toList();
    }
}
