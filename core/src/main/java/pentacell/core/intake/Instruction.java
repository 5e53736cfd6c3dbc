package pentacell.core.intake;

import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.school.BandSchool;
import pentacell.core.school.HoldSchool;
import pentacell.core.school.IntakeVerdict;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;

/// What happens to a cell next, after its first voltage.
///
/// @param verdict the verdict it follows from
/// @param chargeAmps current to charge with, in A; empty when it is not charged
/// @param chargeVolts how far it may be charged, in V; empty when it is not charged
/// @param isChemistryKnown whether it may be charged full and tested
/// @param slowUntilVolts voltage up to which it is charged slowly, in V; empty when it is not
/// @param holdDays length of its hold test in days; 0 when there is none
public record Instruction(
        IntakeVerdict verdict,
        OptionalDouble chargeAmps,
        OptionalDouble chargeVolts,
        boolean isChemistryKnown,
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
    /// @param known chemistry of the cell, empty when nobody knows it
    /// @param hold the school of hold tests in force: how long the cell lies
    /// @param isRescued whether it was ever deeply discharged
    public static Instruction of(
            IntakeVerdict verdict,
            Optional<CellModel> model,
            Optional<Chemistry> known,
            BandSchool bands,
            HoldSchool hold,
            boolean isRescued) {
        OptionalDouble amps =
                switch (verdict) {
                    case RECYCLE, REJECT -> OptionalDouble.empty();
                    case NORMAL -> OptionalDouble.of(usualAmps(model));
                    case SLOW_CHARGE -> OptionalDouble.of(slowAmps(model));
                    case SLOW_CHARGE_WATCHED -> OptionalDouble.of(LEAST_SLOW_AMPS);
                };
        if (amps.isEmpty())
            return new Instruction(
                    verdict, amps, OptionalDouble.empty(), false, OptionalDouble.empty(), 0);
        return new Instruction(
                verdict,
                amps,
                OptionalDouble.of(KnownChemistry.chargeVolts(known, model)),
                known.isPresent(),
                verdict == IntakeVerdict.NORMAL
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(bands.normalFromVolts()),
                isRescued ? hold.rescuedDays() : hold.days());
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
    public String words() {
        return switch (verdict) {
            case RECYCLE -> "tape the ends, into the recycle box";
            case REJECT -> "tape the ends, keep it apart outdoors, hand it in";
            case NORMAL ->
                    isChemistryKnown
                            ? "%s to %s, capacity, hold %s"
                                    .formatted(amps(), volts(chargeVolts), days())
                            : "name its model first; until then %s to %s at most"
                                    .formatted(amps(), volts(chargeVolts));
            case SLOW_CHARGE ->
                    "%s up to %s first, then %s"
                            .formatted(amps(), volts(slowUntilVolts), afterwards("as usual"));
            case SLOW_CHARGE_WATCHED ->
                    "%s up to %s, warm is out; %s"
                            .formatted(amps(), volts(slowUntilVolts), afterwards("as usual"));
        };
    }

    private String afterwards(String usual) {
        return isChemistryKnown ? usual + ", hold " + days() : "name its model";
    }

    private String days() {
        return Count.of(holdDays, "day", "days");
    }

    private String amps() {
        return Quantity.CURRENT.text(chargeAmps.orElse(Double.NaN));
    }

    /// A setting of a charger, in hundredths.
    private static String volts(OptionalDouble volts) {
        return Quantity.VOLTAGE.text(volts.orElse(Double.NaN), 2);
    }
}
