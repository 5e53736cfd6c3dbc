package pentacell.core.build;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.Spot;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.pack.Pack;
import pentacell.core.state.WorkshopState;

/// What is said of a can that is held over the holder.
public sealed interface Filling {
    /// It goes there.
    ///
    /// @param group from 0
    /// @param isUp whether its positive end is on the top face
    record GoesTo(CellId id, int group, Spot spot, boolean isUp) implements Filling {}

    /// It belongs elsewhere.
    record NotOfThisPack(CellId id) implements Filling {}

    /// What is said of a can of a pack: its group and place, or that it does not belong here. A
    /// unit goes where its first can goes.
    static Filling of(WorkshopState state, Pack pack, CellId id, Layout layout) {
        int group = pack.groupOf(id).orElse(-1);
        if (group < 0) return new NotOfThisPack(id);
        List<CellId> cans = new ArrayList<>();
        for (CellId each : pack.groups().get(group)) {
            int count = Cells.of(state).cell(each).map(CellRecord::count).orElse(1);
            cans.addAll(Collections.nCopies(count, each));
        }
        Spot spot = layout.places().get(group).get(cans.indexOf(id));
        return new GoesTo(id, group, spot, Layout.isUp(group));
    }

    /// In words.
    default String sentence() {
        return switch (this) {
            case GoesTo to ->
                    "%s: group %d, %s, positive end %s"
                            .formatted(
                                    to.id(), to.group() + 1, to.spot(), to.isUp() ? "up" : "down");
            case NotOfThisPack not -> not.id() + " does not belong to this pack";
        };
    }
}
