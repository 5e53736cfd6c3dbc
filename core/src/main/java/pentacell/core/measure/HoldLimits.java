package pentacell.core.measure;

import java.util.Optional;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.judgement.Reason;
import pentacell.core.judgement.Rule;
import pentacell.core.measure.HoldTest.Verdict;
import pentacell.core.school.HoldSchool;
import pentacell.core.unit.Quantity;

/// What a cell may lose on the hold shelf.
///
/// A school names its limits in mV from full in the 4.2 V class, as the trade does. Judged is the
/// charge they stand for on the rest curve, so that they hold for either chemistry and at any
/// level. The limits grow with the time it lies; a loss over a week's limit in less than a week is
/// too much at once.
///
/// After a full charge a cell must stand near full: what has gone before the first reading that
/// counts is lost as well. On the plateau of iron phosphate a voltage does not tell the charge: no
/// cell passes there, and it is out only for what it lost beyond the doubt of the meter.
final class HoldLimits {
    /// A meter cannot tell less than this, in V (common practice).
    private static final double METER_VOLTS = 0.005;

    /// A reading some hours before its time counts as in time.
    private static final double IN_TIME_SHARE = 0.9;

    /// A cell that settles lower than this under full has lost charge already, as a share: worn
    /// cells settle up to 0.1 V under the limit (common practice).
    private static final double MOST_LACKING = 0.15;

    /// Over this iron phosphate is above its plateau, in V: more than 95 % full.
    static final double PLATEAU_VOLTS = 3.34;

    private final HoldSchool policy;
    private final Chemistry chemistry;
    private final RestCurve curve;
    private final double fullVolts;

    HoldLimits(Optional<CellModel> model, HoldSchool policy) {
        this.policy = policy;
        chemistry = CellModel.chemistryOf(model);
        curve = RestCurve.of(chemistry);
        // a model of a lower limit rests as much lower when it is full
        double limit = model.map(each -> each.limits().chargeVolts()).orElse(5.0);
        fullVolts = curve.volts(1) - Math.max(0, chemistry.chargeLimitVolts() - limit);
    }

    /// A verdict and why.
    record Found(Verdict verdict, Reason reason) {}

    HoldSchool policy() {
        return policy;
    }

    /// Judges a cell by the first and the last reading that count.
    ///
    /// @param lain days between them
    /// @param days how long it is to lie
    Found judge(double first, double last, double lain, int days) {
        double weeks = lain / 7;
        double lacking = curve.share(fullVolts) - curve.share(first + doubtVolts());
        if (lacking > MOST_LACKING)
            return found(Verdict.OUT, Rule.HOLD_NOT_FULL, first, fullVolts, "");
        double out = share(policy.outMillivolts(), first) * Math.max(1, weeks);
        double surelyLost = curve.share(first - doubtVolts()) - curve.share(last + doubtVolts());
        double lost = curve.share(first) - curve.share(last);
        String note =
                "%s in %s"
                        .formatted(
                                Quantity.MILLIVOLTS.text(1000 * (first - last)),
                                Quantity.DAYS.text(lain));
        if (surelyLost > out)
            return found(Verdict.OUT, Rule.HOLD_OUT, 100 * surelyLost, 100 * out, note);
        if (lain < IN_TIME_SHARE * days)
            return found(Verdict.LYING, Rule.HOLD_NOT_DONE, lain, days, "");
        if (isOnPlateau(last))
            return found(Verdict.UNTOLD, Rule.HOLD_ON_PLATEAU, last, PLATEAU_VOLTS, "");
        double fine =
                Math.max(
                        share(1000 * METER_VOLTS, first),
                        share(policy.fineMillivoltsAWeek() * Math.max(weeks, 1e-9), first));
        // over the plateau iron phosphate is nearly full, and what it fell is mostly settling
        if (lost <= fine || chemistry == Chemistry.LFP)
            return found(
                    Verdict.FINE, Rule.HOLD_FINE, 100 * lost, 100 * Math.max(fine, lost), note);
        return lain < IN_TIME_SHARE * 2 * days
                ? found(Verdict.EXTEND, Rule.HOLD_EXTEND, 100 * lost, 100 * fine, note)
                : found(Verdict.OUT, Rule.HOLD_OUT_AFTER_ALL, 100 * lost, 100 * fine, note);
    }

    private static Found found(
            Verdict verdict, Rule rule, double figure, double limit, String note) {
        return new Found(verdict, new Reason(rule, figure, limit, note));
    }

    private boolean isOnPlateau(double volts) {
        return chemistry == Chemistry.LFP && volts < PLATEAU_VOLTS;
    }

    private double doubtVolts() {
        return chemistry == Chemistry.LFP ? METER_VOLTS : 0;
    }

    /// The charge a fall of voltage of the 4.2 V class stands for, as a share: from where it stood,
    /// and for iron phosphate from full, as the school means it.
    private double share(double millivolts, double first) {
        RestCurve meant = RestCurve.of(Chemistry.NMC);
        double from = chemistry == Chemistry.NMC ? Math.min(first, meant.volts(1)) : meant.volts(1);
        return meant.share(from) - meant.share(from - millivolts / 1000);
    }
}
