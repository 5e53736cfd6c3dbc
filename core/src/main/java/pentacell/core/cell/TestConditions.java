package pentacell.core.cell;

import java.util.Optional;
import java.util.OptionalDouble;

/// What a capacity was measured with; a number without it is not comparable.
///
/// @param chargeEndVolts voltage the charge ended at, in V
/// @param dischargeAmps discharge current in A
/// @param endVolts voltage the discharge ended at, in V
/// @param chargeCutoffAmps current the charge ended at, in A
/// @param restMinutes rest between charge and discharge, in min
/// @param celsius temperature of the can while it was discharged, in °C
/// @param bay bay it was measured in
/// @param run name of the run its samples lie under
public record TestConditions(
        OptionalDouble chargeEndVolts,
        OptionalDouble dischargeAmps,
        OptionalDouble endVolts,
        OptionalDouble chargeCutoffAmps,
        OptionalDouble restMinutes,
        OptionalDouble celsius,
        Optional<String> bay,
        Optional<String> run) {
    /// Nothing was written down.
    public static final TestConditions NOT_STATED =
            new TestConditions(
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    Optional.empty(),
                    Optional.empty());

    /// The usual bench run: discharge at the given current to the given voltage, from a full charge
    /// of 4.2 V.
    public static TestConditions of(double chargeEndVolts, double dischargeAmps, double endVolts) {
        return new TestConditions(
                OptionalDouble.of(chargeEndVolts),
                OptionalDouble.of(dischargeAmps),
                OptionalDouble.of(endVolts),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Optional.empty(),
                Optional.empty());
    }
}
