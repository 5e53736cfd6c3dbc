package pentacell.core.circuit;

import java.util.Collections;
import java.util.List;

/// A cell as a part of a circuit.
///
/// @param ampHours its whole charge, from full to empty, in Ah
/// @param ohms its resistance in Ω
public record CircuitCell(double ampHours, double ohms) {
    public CircuitCell {
        if (!(ampHours > 0 && ampHours <= 1000))
            throw new IllegalArgumentException(
                    "a cell holds above 0 and at most 1000 Ah, was " + ampHours);
        if (!(ohms > 0 && ohms <= 100))
            throw new IllegalArgumentException("a cell has above 0 and at most 100 Ω, was " + ohms);
    }

    /// A cell whose capacity was measured by a discharge that ended before it was empty: under the
    /// current I it reached the end voltage U when its rest voltage was U + I·R, and what was still
    /// in it then belongs to the whole.
    ///
    /// @param measuredAmpHours what was taken out, from full, in Ah
    /// @param testAmps current of that discharge in A
    /// @param testEndVolts voltage it ended at, in V
    public static CircuitCell measured(
            VoltageCurve curve,
            double measuredAmpHours,
            double ohms,
            double testAmps,
            double testEndVolts) {
        double left = curve.share(testEndVolts + testAmps * ohms);
        if (!(left < 1))
            throw new IllegalArgumentException(
                    "a discharge at %s A does not begin: full, the cell is at %s V already"
                            .formatted(testAmps, testEndVolts));
        return new CircuitCell(measuredAmpHours / (1 - left), ohms);
    }

    /// The cans of a unit with the figures of this whole, all alike.
    public List<CircuitCell> cans(int count) {
        return Collections.nCopies(count, new CircuitCell(ampHours / count, ohms * count));
    }
}
