package pentacell.core.harvest;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.donor.DonorRecord;
import pentacell.core.donor.WarningSign;
import pentacell.core.intake.KnownChemistry;
import pentacell.core.judgement.Judged;
import pentacell.core.judgement.Reason;
import pentacell.core.judgement.Rule;
import pentacell.core.school.BandSchool;
import pentacell.core.school.RepairSchool;
import pentacell.core.school.RepairSchool.Way;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;

/// Whether and how the low groups of a pack are brought up, and whether they held.
///
/// A group is charged from a bench supply with constant current, then at constant voltage. While
/// the current I flows the group rests I·R under its terminals, so the constant current ends at the
/// state of charge that belongs to set − I·R on the rest curve; from there the current is (set −
/// rest voltage) ÷ R, and t = ∫ dQ ÷ I until it has fallen to the stop.
public final class Repair {
    /// Resistance to direct current of a used cell in Ω, where none is measured (common practice:
    /// 50 to 90 mΩ at 1 kHz, direct current sees more).
    private static final double USED_CELL_OHMS = 0.10;

    /// A group whose capacity is not known is charged with this, in A (common practice).
    private static final double UNKNOWN_GROUP_AMPS = 0.5;

    /// The supply comes off at this share of its limit.
    private static final double STOP_SHARE = 0.1;

    /// Less than this is not worth charging for, in V and as a share.
    private static final double LEAST_RISE_VOLTS = 0.01;

    private static final double LEAST_RISE_SHARE = 0.001;

    /// A full LFP cell rests at this or more after a day, whatever it was charged to, in V (common
    /// practice).
    private static final double LFP_RESTS_FULL_VOLTS = 3.36;

    /// Steps in which the taper is followed.
    private static final int TAPER_STEPS = 2_000;

    private Repair() {}

    /// What speaks against charging groups of a pack; nothing when it can be tried.
    static List<Reason> against(
            PackReadings readings, Signature signature, List<Integer> groups, Schools schools) {
        List<Reason> against = new ArrayList<>();
        forbiddingSign(readings).ifPresent(against::add);
        BandSchool bands = schools.bands(readings.chemistry());
        double floor = Math.max(schools.repair().deadVolts(), bands.recoveryFloorVolts());
        // groups that sank together in storage are one sleepy pack: a school that rescues tries it
        boolean isTried =
                signature == Signature.ALL_LOW
                        && bands.rescues()
                        && new GroupLevels(readings, schools.repair()).sankTogether();
        for (int group : groups)
            if (readings.volts(group) < floor && !isTried)
                against.add(
                        new Reason(
                                Rule.UNDER_RECOVERY_FLOOR,
                                readings.volts(group),
                                floor,
                                "Group " + group));
        if (readings.signs().contains(WarningSign.NO_BALANCE_LEADS))
            against.add(Reason.noted(Rule.DRIFTS_AGAIN, ""));
        if (schools.repair().way() == Way.HARVEST)
            against.add(Reason.noted(Rule.SCHOOL_HARVESTS, schools.repair().name()));
        return against;
    }

    static Optional<Reason> forbiddingSign(PackReadings readings) {
        List<String> seen =
                readings.signs().stream()
                        .filter(WarningSign::forbidsRepair)
                        .sorted()
                        .map(WarningSign::words)
                        .toList();
        return seen.isEmpty()
                ? Optional.empty()
                : Optional.of(Reason.noted(Rule.SIGN_FORBIDS_REPAIR, String.join(", ", seen)));
    }

    /// The plan for each group that is to be brought up, lowest group number first; none when the
    /// diagnosis does not advise repair.
    ///
    /// @param groupAmpHours what a group holds, in Ah
    /// @param cellsOfGroup cells in parallel, 1 when not known
    public static List<RepairPlan> plans(
            PackReadings readings,
            Diagnosis diagnosis,
            OptionalDouble groupAmpHours,
            int cellsOfGroup,
            Schools schools) {
        if (diagnosis.advice() != Advice.REPAIR) return List.of();
        BandSchool bands = schools.bands(readings.chemistry());
        double goal = setVolts(readings, diagnosis, schools.repair());
        RestCurve curve = RestCurve.of(readings.chemistry());
        List<RepairPlan> plans = new ArrayList<>();
        for (int group = 1; group <= readings.groupVolts().size(); group++) {
            double rise = curve.share(goal) - curve.share(readings.volts(group));
            boolean isWorthIt =
                    goal - readings.volts(group) > LEAST_RISE_VOLTS && rise > LEAST_RISE_SHARE;
            if (!diagnosis.groups().contains(group) || !isWorthIt) continue;
            // under the normal band twice as gently
            boolean deep = readings.volts(group) < bands.normalFromVolts();
            double amps =
                    groupAmpHours.isPresent()
                            ? groupAmpHours.getAsDouble() * schools.repair().chargeShare()
                            : UNKNOWN_GROUP_AMPS;
            plans.add(
                    plan(
                            group,
                            readings,
                            goal,
                            deep ? amps / 2 : amps,
                            groupAmpHours,
                            USED_CELL_OHMS / cellsOfGroup,
                            schools.repair()));
        }
        return plans;
    }

    /// About 0.2 V under the limit, and never over the level of the groups it is to join.
    private static double setVolts(
            PackReadings readings, Diagnosis diagnosis, RepairSchool policy) {
        double byChemistry =
                readings.chemistry().chargeLimitVolts() - policy.setPointUnderLimitVolts();
        double careful =
                readings.isChemistryKnown()
                        ? byChemistry
                        : Math.min(byChemistry, KnownChemistry.EITHER_CHARGE_VOLTS);
        return switch (diagnosis.signature()) {
            case LOW_GROUP ->
                    Math.min(careful, GroupLevels.expectedVolts(readings.groupVolts(), policy));
            case DRIFTED ->
                    Math.min(
                            careful,
                            readings.groupVolts().stream()
                                    .mapToDouble(Double::doubleValue)
                                    .max()
                                    .orElse(careful));
            default -> careful;
        };
    }

    private static RepairPlan plan(
            int group,
            PackReadings readings,
            double setVolts,
            double limitAmps,
            OptionalDouble groupAmpHours,
            double ohms,
            RepairSchool policy) {
        OptionalDouble ampHours = OptionalDouble.empty();
        OptionalDouble bulk = OptionalDouble.empty();
        OptionalDouble taper = OptionalDouble.empty();
        if (groupAmpHours.isPresent()) {
            Course course =
                    Course.of(
                            RestCurve.of(readings.chemistry()),
                            readings.volts(group),
                            setVolts,
                            limitAmps,
                            ohms,
                            groupAmpHours.getAsDouble());
            ampHours = OptionalDouble.of(course.ampHours());
            bulk = OptionalDouble.of(course.bulkHours());
            taper = OptionalDouble.of(course.taperHours());
        }
        return new RepairPlan(
                group,
                readings.volts(group),
                setVolts,
                limitAmps,
                limitAmps * STOP_SHARE,
                ampHours,
                bulk,
                taper,
                policy.restHours(),
                rested(readings.chemistry(), setVolts) - policy.passDropVolts());
    }

    /// How a charge goes: constant current until the terminals reach the set voltage, then what the
    /// resistance lets through.
    ///
    /// @param ampHours charge brought in, in Ah
    /// @param bulkHours time at the full current, in h
    /// @param taperHours time in which it falls to the stop, in h
    private record Course(double ampHours, double bulkHours, double taperHours) {
        static Course of(
                RestCurve curve,
                double fromVolts,
                double setVolts,
                double limitAmps,
                double ohms,
                double capacityAmpHours) {
            double from = curve.share(fromVolts);
            double bulkEnd = Math.max(from, curve.share(setVolts - limitAmps * ohms));
            double end = Math.max(bulkEnd, curve.share(setVolts - STOP_SHARE * limitAmps * ohms));
            double taperHours = 0;
            double step = (end - bulkEnd) / TAPER_STEPS;
            for (int i = 0; i < TAPER_STEPS && step > 0; i++) {
                double amps =
                        Math.min(
                                limitAmps,
                                (setVolts - curve.volts(bulkEnd + (i + 0.5) * step)) / ohms);
                taperHours += step * capacityAmpHours / amps;
            }
            return new Course(
                    (end - from) * capacityAmpHours,
                    (bulkEnd - from) * capacityAmpHours / limitAmps,
                    taperHours);
        }
    }

    /// What a charged group rests at after a day, in V: what it was charged to, but for LFP charged
    /// over its plateau, which falls back to it.
    private static double rested(Chemistry chemistry, double chargedVolts) {
        return chemistry == Chemistry.LFP
                ? Math.min(LFP_RESTS_FULL_VOLTS, chargedVolts)
                : chargedVolts;
    }

    /// Whether a group that was brought up held its charge.
    public enum Hold {
        /// The wait is not over.
        WAITS,
        /// The wait is over, it is to be read again.
        DUE,
        HELD,
        FELL
    }

    /// What a charged group must still read after the wait, in V.
    public static double passVolts(
            DonorRecord.Charge charge, Chemistry chemistry, RepairSchool policy) {
        return rested(chemistry, charge.volts()) - policy.passDropVolts();
    }

    /// The chemistry the groups of a donor are charged as.
    public static Chemistry chemistry(DonorRecord record, WorkshopState state) {
        return record.donor()
                .chemistry(Catalogue.of(state).model(record.donor().cellModel()))
                .orElse(Chemistry.NMC);
    }

    /// When a charged group is to be read again.
    public static Instant dueAt(DonorRecord.Charge charge, RepairSchool policy) {
        return charge.at().plus(Duration.ofSeconds(Math.round(policy.restHours() * 3600)));
    }

    /// Whether a charged group held, by the first reading after the wait; an earlier one tells only
    /// when it is bad already.
    public static Judged<Hold> hold(
            DonorRecord.Charge charge, Chemistry chemistry, RepairSchool policy, Instant now) {
        Instant due = dueAt(charge, policy);
        for (DonorRecord.Reading reading : charge.readAgain()) {
            double drop = rested(chemistry, charge.volts()) - reading.volts();
            boolean fell = drop > policy.passDropVolts() + 1e-9;
            if (reading.at().isBefore(due) && !fell) continue;
            return Judged.because(
                    fell ? Hold.FELL : Hold.HELD,
                    new Reason(Rule.HELD, drop, policy.passDropVolts(), "Group " + charge.group()));
        }
        return new Judged<>(now.isBefore(due) ? Hold.WAITS : Hold.DUE, List.of());
    }
}
