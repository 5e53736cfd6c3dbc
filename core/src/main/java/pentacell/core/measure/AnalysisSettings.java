package pentacell.core.measure;

import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.intake.KnownChemistry;

/// What an analysis should know of the run.
///
/// @param endVolts voltage the discharge is followed to, in V; empty takes the lowest reached
/// @param ratedMilliampHours capacity the model holds new, typically, in mAh; empty leaves out what
///   is held against it
/// @param chargeVolts voltage it may be charged to, in V; empty where it is not known
/// @param hotKelvin rise of temperature that counts as hot, in K
public record AnalysisSettings(
        OptionalDouble endVolts,
        OptionalDouble ratedMilliampHours,
        OptionalDouble chargeVolts,
        double hotKelvin) {
    /// A rise over ambient that sets a cell aside (common practice).
    public static final double HOT_KELVIN = 10;

    /// Nothing is known.
    public static final AnalysisSettings NONE =
            new AnalysisSettings(
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    HOT_KELVIN);

    public AnalysisSettings {
        if (endVolts.isPresent() && !(endVolts.getAsDouble() > 0 && endVolts.getAsDouble() < 5))
            throw new IllegalArgumentException(
                    "an end voltage is above 0 and under 5 V, was " + endVolts.getAsDouble());
        if (!(hotKelvin > 0))
            throw new IllegalArgumentException("a rise is above 0 K, was " + hotKelvin);
    }

    /// For a cell of a model, or of a chemistry while that is not known.
    ///
    /// @param endVolts voltage the discharge was to end at, in V
    public static AnalysisSettings of(
            double endVolts, Chemistry chemistry, Optional<CellModel> model) {
        return new AnalysisSettings(
                OptionalDouble.of(endVolts),
                model.map(each -> OptionalDouble.of(each.ratedNominalMilliampHours()))
                        .orElse(OptionalDouble.empty()),
                OptionalDouble.of(KnownChemistry.chargeVolts(Optional.of(chemistry), model)),
                HOT_KELVIN);
    }

    /// With an end voltage.
    public AnalysisSettings endingAt(double volts) {
        return new AnalysisSettings(
                OptionalDouble.of(volts), ratedMilliampHours, chargeVolts, hotKelvin);
    }

    /// With a rating.
    public AnalysisSettings rated(double milliampHours) {
        return new AnalysisSettings(
                endVolts, OptionalDouble.of(milliampHours), chargeVolts, hotKelvin);
    }
}
