package pentacell.core.intake;

import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.school.Schools;

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

    /// The schools the workshop follows.
    default Schools schools() {
        return Schools.USUAL;
    }
}
