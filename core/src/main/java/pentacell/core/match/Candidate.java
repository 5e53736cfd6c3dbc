package pentacell.core.match;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.unit.Limit;

/// A cell that may go into a pack, with what a match looks at; or a *unit*, cells that stay
/// together such as a welded pair, with the figures of the whole.
///
/// @param id the cell or unit
/// @param milliampHours measured capacity in mAh, above 0 and at most 100000
/// @param milliohms internal resistance in mΩ, when measured
/// @param model name of its model, empty when not known
/// @param donor code of its donor, empty when not known
/// @param chemistry chemistry, when known
/// @param format size of its cans, when known
/// @param ratedMilliampHours rated minimum capacity of one can in mAh, when known
/// @param location where it lies, in words
/// @param isRescued whether it was deeply discharged once
/// @param count cans in it, 1 to 1000
public record Candidate(
        CellId id,
        double milliampHours,
        OptionalDouble milliohms,
        String model,
        String donor,
        Optional<Chemistry> chemistry,
        Optional<CellFormat> format,
        OptionalDouble ratedMilliampHours,
        String location,
        boolean isRescued,
        int count) {
    /// Most cans in a unit.
    public static final int MOST_CANS = 1000;

    public Candidate {
        Limit.CAPACITY.checked(milliampHours);
        if (count < 1 || count > MOST_CANS)
            throw new IllegalArgumentException("a unit has 1 to 1000 cans, was " + count);
    }

    /// Capacity of each can, in mAh.
    public double milliampHoursPerCan() {
        return milliampHours / count;
    }

    /// Resistance of each can, in mΩ: as many in parallel come to that of the unit. Cells share a
    /// current by this, so limits look at it.
    public OptionalDouble milliohmsPerCan() {
        return milliohms.isPresent()
                ? OptionalDouble.of(milliohms.getAsDouble() * count)
                : OptionalDouble.empty();
    }

    /// The cans in some units.
    public static int cans(Collection<Candidate> units) {
        return units.stream().mapToInt(Candidate::count).sum();
    }

    /// Whether it fits among cells of a size: one whose size is not known may be of any.
    public boolean mayBeOf(Optional<CellFormat> size) {
        return size.isEmpty() || format.isEmpty() || format.equals(size);
    }

    /// The sizes that some units have, the one with most cans first.
    public static List<CellFormat> formats(Collection<Candidate> units) {
        return units.stream()
                .filter(unit -> unit.format().isPresent())
                .collect(
                        Collectors.groupingBy(
                                unit -> unit.format().orElseThrow(),
                                Collectors.summingInt(Candidate::count)))
                .entrySet()
                .stream()
                .sorted(
                        Map.Entry.<CellFormat, Integer>comparingByValue()
                                .reversed()
                                .thenComparing(entry -> entry.getKey().code()))
                .map(Map.Entry::getKey)
                .toList();
    }

    /// State of health as a share, when the rating is known.
    public OptionalDouble soh() {
        return ratedMilliampHours.isPresent()
                ? OptionalDouble.of(milliampHoursPerCan() / ratedMilliampHours.getAsDouble())
                : OptionalDouble.empty();
    }
}
