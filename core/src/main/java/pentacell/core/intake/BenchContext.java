package pentacell.core.intake;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;

/// What the quick line needs to know of the workshop to see that a value is odd.
public interface BenchContext {
    /// The cell that a line without an id is about.
    Optional<CellId> cellInHand();

    /// Whether the cell was logged before.
    boolean isKnown(CellId cell);

    /// The model of a cell, known already or to be expected from its donor.
    Optional<CellModel> modelOf(CellId cell);

    /// How many cans of it stay together as one.
    default int cansOf(CellId cell) {
        return 1;
    }

    /// The last capacity of a cell in mAh.
    OptionalDouble lastMilliampHours(CellId cell);

    /// First voltages in V of the other cells of the same donor.
    default double[] neighbourVolts(CellId cell) {
        return new double[0];
    }

    /// What is logged of a cell with its first reading; nothing of one that is known.
    ///
    /// @param before what holds when it is logged
    default List<CellFact> introduced(WorkshopState before, CellId cell) {
        return List.of();
    }

    /// The schools the workshop follows.
    default Schools schools() {
        return Schools.USUAL;
    }
}
