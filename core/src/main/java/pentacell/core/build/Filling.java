package pentacell.core.build;

import pentacell.core.assembly.Spot;
import pentacell.core.cell.CellId;

/// What is said of a can that is held over the holder.
public sealed interface Filling {
    /// It goes there.
    ///
    /// @param group from 0
    /// @param isUp whether its positive end is on the top face
    record GoesTo(CellId id, int group, Spot spot, boolean isUp) implements Filling {}

    /// It belongs elsewhere.
    record NotOfThisPack(CellId id) implements Filling {}

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
