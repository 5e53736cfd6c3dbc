package pentacell.core.triage;

import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.school.BandSchool;
import pentacell.core.school.HoldSchool;
import pentacell.core.school.IntakeVerdict;
import pentacell.core.unit.Quantity;

/// What happens to a cell next, after its first voltage.
///
/// @param verdict the verdict it follows from
/// @param chargeAmps current to charge with, in A; empty when it is not charged
/// @param slowUntilVolts voltage up to which it is charged slowly, in V; empty when it is not
/// @param holdDays length of its hold test in days; 0 when there is none
public record Instruction(
        IntakeVerdict verdict,
        OptionalDouble chargeAmps,
        OptionalDouble slowUntilVolts,
        int holdDays) {
    /// A usual charge, in A, or half of capacity where that is less (common practice).
    private static final double USUAL_AMPS = 1.0;

    /// A slow charge is a tenth of capacity, but 0.2 to 0.5 A (common practice).
    private static final double SLOW_SHARE = 0.1;

    private static final double LEAST_SLOW_AMPS = 0.2;
    private static final double MOST_SLOW_AMPS = 0.5;

    /// The instruction that follows from a verdict.
    ///
    /// @param hold the school of hold tests in force: how long the cell lies
    public static Instruction of(
            IntakeVerdict verdict, Optional<CellModel> model, BandSchool bands, HoldSchool hold) {
        return switch (verdict) {
            case RECYCLE, REJECT ->
                    new Instruction(verdict, OptionalDouble.empty(), OptionalDouble.empty(), 0);
            case NORMAL ->
                    new Instruction(
                            verdict,
                            OptionalDouble.of(usualAmps(model)),
                            OptionalDouble.empty(),
                            hold.days());
            case SLOW_CHARGE ->
                    new Instruction(
                            verdict,
                            OptionalDouble.of(slowAmps(model)),
                            OptionalDouble.of(bands.normalFromVolts()),
                            hold.days());
            case SLOW_CHARGE_WATCHED ->
                    new Instruction(
                            verdict,
                            OptionalDouble.of(LEAST_SLOW_AMPS),
                            OptionalDouble.of(bands.normalFromVolts()),
                            hold.rescuedDays());
        };
    }

    private static double usualAmps(Optional<CellModel> model) {
        return model.map(known ->
                        Math.min(
                                USUAL_AMPS,
                                Math.min(
                                        known.ratedMinimumMilliampHours() / 2000,
                                        known.limits().chargeAmps())))
                .orElse(USUAL_AMPS);
    }

    private static double slowAmps(Optional<CellModel> model) {
        return model.map(known ->
                        Math.clamp(
                                SLOW_SHARE * known.ratedMinimumMilliampHours() / 1000,
                                LEAST_SLOW_AMPS,
                                MOST_SLOW_AMPS))
                .orElse(LEAST_SLOW_AMPS);
    }

    /// The instruction in words.
    ///
    /// @param chemistry chemistry of the cell
    public String words(Chemistry chemistry) {
        return switch (verdict) {
            case RECYCLE -> "tape the ends, into the recycle box";
            case REJECT -> "tape the ends, keep it apart outdoors, hand it in";
            case NORMAL ->
                    "%s to %s, capacity, hold %d days"
                            .formatted(amps(), volts(chemistry.chargeLimitVolts()), holdDays);
            case SLOW_CHARGE ->
                    "%s up to %s first, then as usual, hold %d days"
                            .formatted(amps(), volts(slowUntilVolts.orElse(Double.NaN)), holdDays);
            case SLOW_CHARGE_WATCHED ->
                    "%s up to %s, warm is out; as usual, hold %d days"
                            .formatted(amps(), volts(slowUntilVolts.orElse(Double.NaN)), holdDays);
        };
    }

    private String amps() {
        return Quantity.CURRENT.text(chargeAmps.orElse(Double.NaN));
    }

    /// A setting of a charger, in hundredths.
    private static String volts(double volts) {
        return Quantity.VOLTAGE.text(volts, 2);
    }
}
