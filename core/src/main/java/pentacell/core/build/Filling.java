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

    /// It is in already.
    record AlreadyIn(CellId id, int group, Spot spot) implements Filling {}

    /// It belongs elsewhere.
    record NotOfThisPack(CellId id) implements Filling {}

    /// In words.
    default String sentence() {
        return switch (this) {
            case GoesTo to ->
                    "%s: group %d, %s, positive end %s"
                            .formatted(
                                    to.id(), to.group() + 1, to.spot(), to.isUp() ? "up" : "down");
            case AlreadyIn in ->
                    "%s is in already: group %d, %s".formatted(in.id(), in.group() + 1, in.spot());
            case NotOfThisPack not -> not.id() + " does not belong to this pack";
        };
    }
}
