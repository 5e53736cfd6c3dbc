package pentacell.core.match;

import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.unit.Limit;

/// A cell that may go into a pack, with what a match looks at.
///
/// @param id the cell
/// @param milliampHours measured capacity in mAh, above 0 and at most 100000
/// @param milliohms internal resistance in mΩ, when measured
/// @param model name of its model, empty when not known
/// @param donor code of its donor, empty when not known
/// @param chemistry chemistry, when known
/// @param ratedMilliampHours rated minimum capacity in mAh, when known
/// @param location where it lies, in words
/// @param isRescued whether it was deeply discharged once
public record Candidate(
        CellId id,
        double milliampHours,
        OptionalDouble milliohms,
        String model,
        String donor,
        Optional<Chemistry> chemistry,
        OptionalDouble ratedMilliampHours,
        String location,
        boolean isRescued) {
    public Candidate {
        Limit.CAPACITY.checked(milliampHours);
    }

    /// State of health as a share, when the rating is known.
    public OptionalDouble soh() {
        return ratedMilliampHours.isPresent()
                ? OptionalDouble.of(milliampHours / ratedMilliampHours.getAsDouble())
                : OptionalDouble.empty();
    }
}
