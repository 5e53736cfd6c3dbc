package pentacell.core.cell;

import java.util.Optional;
import java.util.OptionalDouble;

/// A model of cell as its data sheet describes it new.
///
/// @param name maker and type as printed on the sleeve
/// @param format size of the can
/// @param chemistry chemistry family
/// @param ratedMinimumMilliampHours least capacity new, in mAh; the one that health is measured
///   against
/// @param ratedNominalMilliampHours typical capacity new, in mAh
/// @param limits what the model may be charged and discharged with
public record CellModel(
        String name,
        CellFormat format,
        Chemistry chemistry,
        double ratedMinimumMilliampHours,
        double ratedNominalMilliampHours,
        CellLimits limits) {
    /// Most that a can, and so a unit of as many as there may be, can be rated for, in mAh.
    static final double MOST_OF_A_CAN = 100_000;

    private static final double MOST_OF_A_UNIT = CellFact.CansCounted.MOST * MOST_OF_A_CAN;

    public CellModel {
        if (name.isBlank()) throw new IllegalArgumentException("a cell model needs a name");
        if (!(ratedMinimumMilliampHours > 0 && ratedMinimumMilliampHours < MOST_OF_A_UNIT))
            throw new IllegalArgumentException(
                    "rated minimum must be above 0 and under 100000 mAh, was "
                            + ratedMinimumMilliampHours);
        if (!(ratedNominalMilliampHours >= ratedMinimumMilliampHours
                && ratedNominalMilliampHours < MOST_OF_A_UNIT))
            throw new IllegalArgumentException(
                    "rated nominal must be at least the minimum and under 100000 mAh, was "
                            + ratedNominalMilliampHours);
    }

    /// What so many cans of it, kept together as one, are rated for.
    public CellModel ofCans(int count) {
        return count == 1
                ? this
                : new CellModel(
                        name,
                        format,
                        chemistry,
                        count * ratedMinimumMilliampHours,
                        count * ratedNominalMilliampHours,
                        limits.ofCans(count));
    }

    /// A model of which only the rating is known: careful limits, and the typical capacity as
    /// rated.
    public static CellModel rated(
            String name, CellFormat format, Chemistry chemistry, double milliampHours) {
        return new CellModel(
                name,
                format,
                chemistry,
                milliampHours,
                milliampHours,
                CellLimits.careful(chemistry, milliampHours));
    }

    /// The chemistry a cell is treated as: its model's, and of the 4.2 V class while that is not
    /// known.
    public static Chemistry chemistryOf(Optional<CellModel> model) {
        return model.map(CellModel::chemistry).orElse(Chemistry.NMC);
    }

    /// What a cell was rated for, in mAh; empty while its model is not known.
    public static OptionalDouble ratedOf(Optional<CellModel> model) {
        return model.map(known -> OptionalDouble.of(known.ratedMinimumMilliampHours))
                .orElse(OptionalDouble.empty());
    }
}
