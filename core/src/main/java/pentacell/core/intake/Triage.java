package pentacell.core.intake;

import pentacell.core.judgement.Judged;
import pentacell.core.judgement.Reason;
import pentacell.core.judgement.Rule;
import pentacell.core.school.BandSchool;
import pentacell.core.school.IntakeVerdict;

/// The verdict by first voltage.
public final class Triage {
    private Triage() {}

    /// Judges a cell by its first resting voltage.
    ///
    /// @param volts first resting voltage in V, finite
    /// @throws IllegalArgumentException when the voltage is not finite
    public static Judged<IntakeVerdict> judge(double volts, BandSchool policy) {
        if (!Double.isFinite(volts))
            throw new IllegalArgumentException("a voltage must be finite, was " + volts);
        if (volts < 0)
            return Judged.because(IntakeVerdict.REJECT, Reason.of(Rule.VOLTAGE_REVERSED, volts, 0));
        if (volts > policy.overVolts())
            return Judged.because(
                    IntakeVerdict.REJECT,
                    new Reason(Rule.VOLTAGE_OVER_LIMIT, volts, policy.overVolts(), "overcharged"));
        BandSchool.Band band = policy.bandOf(volts);
        return Judged.because(
                band.verdict(),
                new Reason(
                        Rule.VOLTAGE_IN_BAND,
                        volts,
                        band.fromVolts(),
                        band.verdict().words() + " (" + policy.name() + ")"));
    }
}
