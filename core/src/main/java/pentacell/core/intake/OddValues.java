package pentacell.core.intake;

import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellFact.ResistanceMethod;
import pentacell.core.cell.CellModel;
import pentacell.core.judgement.Judged;
import pentacell.core.judgement.Reason;
import pentacell.core.judgement.Rule;
import pentacell.core.school.BandSchool;
import pentacell.core.school.IntakeVerdict;
import pentacell.core.school.Schools;

/// Values that can be, but make a person look twice (limits by common practice).
public final class OddValues {
    /// Capacity above this share of what the model holds new means a wrong model or an instrument
    /// that reads high.
    public static final double OVER_NEW_SHARE = 1.05;

    /// Capacity under this share of rated means a wrong cut-off or a dying cell.
    public static final double FAR_UNDER_RATING_SHARE = 0.30;

    /// Resistance over which a cell is poor for most uses, in mΩ: at 1 kHz, and by direct current,
    /// which sees a third more and the contacts as well (common practice).
    private static final double POOR_AC_MILLIOHMS = 120;

    private static final double POOR_DC_MILLIOHMS = 160;

    private static final double LEAST_MILLIOHMS = 5;
    private static final double CHANGED_SHARE = 0.10;

    private OddValues() {}

    /// What is odd about a voltage in V.
    public static Optional<Reason> voltage(
            double volts, Optional<CellModel> model, Schools schools) {
        BandSchool policy = schools.bands(CellModel.chemistryOf(model));
        Judged<IntakeVerdict> judged = Triage.judge(volts, policy);
        return judged.verdict() == IntakeVerdict.NORMAL
                ? Optional.empty()
                : Optional.of(judged.reasons().get(0));
    }

    /// Resistance over which a cell is poor for most uses, in mΩ.
    public static double poorMilliohms(ResistanceMethod method) {
        return switch (method) {
            case AC_1_KHZ -> POOR_AC_MILLIOHMS;
            case DC -> POOR_DC_MILLIOHMS;
        };
    }

    /// What is odd about the resistance of a can in mΩ.
    public static Optional<Reason> resistance(double milliohms, ResistanceMethod method) {
        double poor = poorMilliohms(method);
        if (milliohms > poor) return Optional.of(Reason.of(Rule.RESISTANCE_HIGH, milliohms, poor));
        if (milliohms < LEAST_MILLIOHMS)
            return Optional.of(
                    new Reason(
                            Rule.RESISTANCE_UNUSUAL,
                            milliohms,
                            LEAST_MILLIOHMS,
                            "leads shorted, or not a single cell?"));
        return Optional.empty();
    }

    /// What is odd about a capacity in mAh.
    public static Optional<Reason> capacity(
            double milliampHours, Optional<CellModel> model, OptionalDouble lastMilliampHours) {
        if (model.isPresent()) {
            double ofNew = milliampHours / model.get().ratedNominalMilliampHours();
            if (ofNew > OVER_NEW_SHARE)
                return Optional.of(
                        Reason.of(Rule.CAPACITY_OVER_RATING, 100 * ofNew, 100 * OVER_NEW_SHARE));
            double share = milliampHours / model.get().ratedMinimumMilliampHours();
            if (share < FAR_UNDER_RATING_SHARE)
                return Optional.of(
                        Reason.of(
                                Rule.CAPACITY_FAR_UNDER_RATING,
                                100 * share,
                                100 * FAR_UNDER_RATING_SHARE));
        }
        if (lastMilliampHours.isPresent()
                && Math.abs(milliampHours / lastMilliampHours.getAsDouble() - 1) > CHANGED_SHARE)
            return Optional.of(
                    Reason.of(
                            Rule.CAPACITY_CHANGED, milliampHours, lastMilliampHours.getAsDouble()));
        return Optional.empty();
    }
}
