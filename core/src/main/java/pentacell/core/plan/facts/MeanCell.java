package pentacell.core.plan.facts;

import java.util.OptionalDouble;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.Chemistry;

/// A cell of a pack, as the mean of them all.
///
/// @param ampHours its whole charge, in Ah
/// @param ohms its resistance in Ω
/// @param maxContinuousAmps it may give for long
/// @param maxPeakAmps it may give for moments
/// @param grams its mass
/// @param format its size, where the box matters
/// @param price of one, in any currency
public record MeanCell(
        double ampHours,
        double ohms,
        double maxContinuousAmps,
        double maxPeakAmps,
        double grams,
        CellFormat format,
        OptionalDouble price) {
    /// A salvaged cell gives half its capacity an hour for long and all of it for moments, where
    /// nothing else is said (common practice).
    public static final double CONTINUOUS_AN_HOUR = 0.5;

    public static final double PEAK_AN_HOUR = 1;

    public MeanCell {
        if (!(ampHours > 0 && ampHours <= 1000))
            throw new IllegalArgumentException(
                    "a cell holds above 0 and at most 1000 Ah, was " + ampHours);
        if (!(ohms > 0 && ohms <= 100))
            throw new IllegalArgumentException("a cell has above 0 and at most 100 Ω, was " + ohms);
        if (!(maxContinuousAmps > 0 && maxPeakAmps >= maxContinuousAmps && maxPeakAmps <= 1000))
            throw new IllegalArgumentException(
                    "a cell's continuous current is above 0 A and its peak at least as high; was %s and %s A"
                            .formatted(maxContinuousAmps, maxPeakAmps));
        if (!(grams > 0 && grams <= 100_000))
            throw new IllegalArgumentException("a cell weighs above 0 g, was " + grams);
    }

    /// A salvaged cell of which only capacity, resistance and size are known.
    public static MeanCell salvaged(
            double ampHours, double ohms, CellFormat format, Chemistry chemistry) {
        return new MeanCell(
                ampHours,
                ohms,
                CONTINUOUS_AN_HOUR * ampHours,
                PEAK_AN_HOUR * ampHours,
                format.approximateGrams(chemistry),
                format,
                OptionalDouble.empty());
    }
}
