package pentacell.core.stock;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import pentacell.core.cell.Blemish;
import pentacell.core.cell.CellFact.Decision;
import pentacell.core.cell.CellFact.ResistanceMethod;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.PrepWork;
import pentacell.core.intake.OddValues;
import pentacell.core.intake.Triage;
import pentacell.core.judgement.Judged;
import pentacell.core.judgement.Reason;
import pentacell.core.judgement.Rule;
import pentacell.core.measure.HeatLadder;
import pentacell.core.measure.HoldTest;
import pentacell.core.school.BandSchool;
import pentacell.core.school.GradePolicy;
import pentacell.core.school.IntakeVerdict;
import pentacell.core.school.Schools;

/// Judges how a cell stands: a decision by hand first, then first voltage, then capacity against
/// rating.
public final class Grader {
    private Grader() {}

    /// State of health: measured ÷ rated minimum capacity, as a share; empty until both are known.
    public static OptionalDouble soh(CellRecord cell, Optional<CellModel> model) {
        return cell.milliampHours().isPresent() && model.isPresent()
                ? OptionalDouble.of(
                        cell.milliampHours().getAsDouble()
                                / model.get().ratedMinimumMilliampHours())
                : OptionalDouble.empty();
    }

    /// The verdict by first voltage, empty until one was read.
    public static Optional<Judged<IntakeVerdict>> firstLook(
            CellRecord cell, Optional<CellModel> model, Schools schools) {
        if (cell.firstVolts().isEmpty()) return Optional.empty();
        BandSchool policy = schools.bands(CellModel.chemistryOf(model));
        return Optional.of(Triage.judge(cell.firstVolts().getAsDouble(), policy));
    }

    /// Whether a cell was ever read under its chemistry's end voltage. The mark stays for life,
    /// whatever the school and the later readings: copper that was dissolved does not come back.
    public static boolean isRescued(CellRecord cell, Optional<CellModel> model) {
        return cell.isUnder(CellModel.chemistryOf(model).endVolts());
    }

    /// Judges a cell by everything known of it.
    public static Judged<Standing> judge(
            CellRecord cell, Optional<CellModel> model, Schools schools, GradePolicy policy) {
        List<Reason> reasons = new ArrayList<>();
        Standing byFigures = byFigures(cell, model, schools, policy, reasons);
        if (!cell.openWork().isEmpty() && byFigures != Standing.OUT)
            reasons.add(
                    Reason.noted(
                            Rule.WORK_IS_OPEN,
                            cell.openWork().stream()
                                    .map(PrepWork::words)
                                    .collect(Collectors.joining(", "))));
        if (cell.handedOver().isPresent()) {
            reasons.add(0, Reason.noted(Rule.HANDED_OVER, cell.handedOver().get()));
            return new Judged<>(Standing.OUT, reasons);
        }
        if (cell.decision().isEmpty()) return new Judged<>(byFigures, reasons);
        reasons.add(0, Reason.noted(Rule.DECIDED_BY_HAND, cell.decisionReason()));
        if (cell.isDecided(Decision.OUT)) return new Judged<>(Standing.OUT, reasons);
        // the mark stays for life, whoever lets the cell through
        boolean isMarked = isRescued(cell, model);
        if (isMarked
                && reasons.stream().noneMatch(each -> each.rule() == Rule.WAS_DEEPLY_DISCHARGED))
            reasons.add(deeplyDischarged(cell, model));
        return new Judged<>(isMarked ? Standing.RESCUED : Standing.FIT, reasons);
    }

    private static Standing byFigures(
            CellRecord cell,
            Optional<CellModel> model,
            Schools schools,
            GradePolicy policy,
            List<Reason> reasons) {
        List<String> fatal =
                cell.blemishes().stream()
                        .filter(blemish -> blemish.work().isEmpty())
                        .map(Blemish::words)
                        .toList();
        if (!fatal.isEmpty()) {
            reasons.add(Reason.noted(Rule.BLEMISH_PUTS_OUT, String.join(", ", fatal)));
            return Standing.OUT;
        }
        Optional<Judged<IntakeVerdict>> firstLook = firstLook(cell, model, schools);
        firstLook.ifPresent(judged -> reasons.addAll(judged.reasons()));
        if (firstLook.isPresent() && !firstLook.get().verdict().goesOn()) return Standing.OUT;

        remarkOnResistance(cell, reasons);
        if (cell.milliampHours().isEmpty()) {
            reasons.add(
                    0, Reason.noted(firstLook.isEmpty() ? Rule.NO_VOLTAGE : Rule.NO_CAPACITY, ""));
            return firstLook.isEmpty() ? Standing.UNKNOWN : Standing.UNDER_TEST;
        }
        OptionalDouble soh = soh(cell, model);
        if (soh.isEmpty()) {
            reasons.add(0, Reason.noted(Rule.NO_MODEL, ""));
            return Standing.UNKNOWN;
        }
        Optional<Standing> atRest = heatAndHold(cell, model, schools, reasons);
        if (atRest.isPresent()) return atRest.get();
        double percent = 100 * soh.getAsDouble();
        double limit = 100 * policy.minSohShare();
        if (percent < limit) {
            reasons.add(0, Reason.of(Rule.SOH_UNDER_LIMIT, percent, limit));
            return Standing.OUT;
        }
        reasons.add(0, Reason.of(Rule.SOH_OVER_LIMIT, percent, limit));
        double ofACan = cell.count() * cell.milliohms().orElse(0);
        if (ofACan > policy.maxMilliohms().orElse(Double.POSITIVE_INFINITY)) {
            reasons.add(
                    0,
                    Reason.of(
                            Rule.RESISTANCE_OVER_GRADE,
                            ofACan,
                            policy.maxMilliohms().orElseThrow()));
            return Standing.OUT;
        }
        double ofNew =
                cell.milliampHours().getAsDouble()
                        / model.orElseThrow().ratedNominalMilliampHours();
        if (ofNew > OddValues.OVER_NEW_SHARE)
            reasons.add(
                    Reason.of(
                            Rule.CAPACITY_OVER_RATING,
                            100 * ofNew,
                            100 * OddValues.OVER_NEW_SHARE));
        if (!isRescued(cell, model)) return Standing.FIT;
        reasons.add(deeplyDischarged(cell, model));
        boolean held =
                HoldTest.of(cell, model, schools.hold())
                        .filter(test -> test.verdict() == HoldTest.Verdict.FINE)
                        .isPresent();
        if (!held)
            reasons.add(0, Reason.of(Rule.RESCUED_NOT_HELD, schools.hold().rescuedDays(), 0));
        return held ? Standing.RESCUED : Standing.UNDER_TEST;
    }

    private static Reason deeplyDischarged(CellRecord cell, Optional<CellModel> model) {
        return Reason.of(
                Rule.WAS_DEEPLY_DISCHARGED,
                cell.lowestVolts().orElse(Double.NaN),
                CellModel.chemistryOf(model).endVolts());
    }

    /// What heat in a run and loss at rest say; empty when they stand in no one's way.
    private static Optional<Standing> heatAndHold(
            CellRecord cell, Optional<CellModel> model, Schools schools, List<Reason> reasons) {
        Judged<HeatLadder.Rung> heat = HeatLadder.judge(cell);
        Optional<HoldTest> hold = HoldTest.of(cell, model, schools.hold());
        hold.ifPresent(test -> reasons.addAll(0, test.reasons()));
        if (heat.verdict() != HeatLadder.Rung.CALM) reasons.addAll(0, heat.reasons());
        boolean isOut =
                heat.verdict() == HeatLadder.Rung.OUT
                        || hold.filter(test -> test.verdict() == HoldTest.Verdict.OUT).isPresent();
        if (isOut) return Optional.of(Standing.OUT);
        boolean isOpen =
                heat.verdict() == HeatLadder.Rung.AGAIN_AT_LESS
                        || hold.filter(HoldTest::isOpen).isPresent();
        return isOpen ? Optional.of(Standing.UNDER_TEST) : Optional.empty();
    }

    private static void remarkOnResistance(CellRecord cell, List<Reason> reasons) {
        double ac = OddValues.poorMilliohms(ResistanceMethod.AC_1_KHZ);
        double dc = OddValues.poorMilliohms(ResistanceMethod.DC);
        double acOfACan = cell.count() * cell.acMilliohms().orElse(0);
        double dcOfACan = cell.count() * cell.dcMilliohms().orElse(0);
        if (acOfACan > ac) reasons.add(Reason.of(Rule.RESISTANCE_HIGH, acOfACan, ac));
        else if (dcOfACan > dc) reasons.add(Reason.of(Rule.RESISTANCE_HIGH, dcOfACan, dc));
    }
}
