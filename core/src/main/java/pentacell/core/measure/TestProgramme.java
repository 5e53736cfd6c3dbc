package pentacell.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.intake.Instruction;
import pentacell.core.intake.KnownChemistry;
import pentacell.core.intake.WaitingForTest;
import pentacell.core.measure.HeatLadder.Rung;
import pentacell.core.school.TestSchool;
import pentacell.core.test.facts.Bay;
import pentacell.core.test.facts.Programme;
import pentacell.core.test.facts.Programme.Charge;
import pentacell.core.test.facts.Programme.Level;
import pentacell.core.test.facts.Programme.Limits;
import pentacell.core.test.facts.Programme.Pulse;
import pentacell.core.test.facts.Programme.Rest;
import pentacell.core.test.facts.Programme.Stage;

/// The programme of a cell's test in a bay: charge as its instruction says, rest, a tenth out,
/// rest, two-step pulse, discharge by the school, rest, and full again for the hold shelf.
public final class TestProgramme {
    private static final double SAMPLE_SECONDS = 10;

    /// A can hotter than this stops whatever runs, in °C (common practice).
    private static final double MOST_CELSIUS = 45;

    /// No test takes longer, in s.
    private static final double MOST_SECONDS = 3 * 86_400;

    /// Share of the rating that is taken out before the resistance is read.
    private static final double OFF_TOP_SHARE = 0.1;

    /// Rest after a pulse and after the discharge, in s.
    private static final double SHORT_REST_SECONDS = 120;

    private static final double RECOVERY_SECONDS = 600;

    /// What became hot is charged, pulsed and discharged with this share of the usual currents.
    private static final double HOT_SHARE = 0.5;

    private TestProgramme() {}

    /// The programme for a cell that waits, in a bay. A bay that cannot charge discharges what was
    /// filled elsewhere.
    ///
    /// @param askedAmps discharge current a person asks for, in A; taken as far as model and bay
    ///   allow
    public static Programme of(
            WaitingForTest waiting,
            Optional<CellModel> model,
            TestSchool policy,
            Bay bay,
            OptionalDouble askedAmps) {
        Chemistry chemistry = waiting.chemistry();
        OptionalDouble rated = CellModel.ratedOf(model);
        double full =
                Math.min(
                        KnownChemistry.chargeVolts(Optional.of(chemistry), model),
                        waiting.instruction().chargeVolts().orElse(chemistry.chargeLimitVolts()));
        boolean wasHot = HeatLadder.judge(waiting.cell()).verdict() == Rung.AGAIN_AT_LESS;
        double dischargeAmps = dischargeAmps(wasHot, model, rated, policy, bay, askedAmps);
        Optional<Charge> charge = charge(model, full, policy, bay, wasHot ? HOT_SHARE : 1);
        List<Stage> stages = new ArrayList<>();
        if (charge.isPresent()) {
            slowCharge(waiting.instruction(), charge.get(), bay).ifPresent(stages::add);
            stages.add(charge.get());
            stages.add(new Rest(Math.max(60, 60 * policy.restMinutes())));
        }
        // off the steep top of the curve, so that the charge a pulse takes is not seen as
        // resistance
        stages.add(
                new Pulse(
                        List.of(
                                new Level(
                                        dischargeAmps,
                                        Math.min(
                                                3600,
                                                3.6
                                                        * OFF_TOP_SHARE
                                                        * rated.orElse(2000)
                                                        / dischargeAmps)))));
        stages.add(new Rest(RECOVERY_SECONDS));
        stages.add(pulse(rated.orElse(2000), bay, wasHot ? HOT_SHARE : 1));
        stages.add(new Rest(SHORT_REST_SECONDS));
        stages.add(new Programme.Discharge(dischargeAmps, policy.endVolts(chemistry, model)));
        stages.add(new Rest(RECOVERY_SECONDS));
        charge.ifPresent(stages::add);
        return new Programme(
                stages, SAMPLE_SECONDS, new Limits(full + 0.05, 0.5, MOST_CELSIUS, MOST_SECONDS));
    }

    /// A usual charge; empty in a bay that cannot charge.
    private static Optional<Charge> charge(
            Optional<CellModel> model, double full, TestSchool policy, Bay bay, double part) {
        if (bay.chargeAmps() == 0) return Optional.empty();
        double amps = part * usualChargeAmps(model, bay);
        return Optional.of(new Charge(amps, full, Math.min(policy.cutoffAmps(), amps / 2)));
    }

    private static Optional<Charge> slowCharge(Instruction instruction, Charge usual, Bay bay) {
        if (instruction.slowUntilVolts().isEmpty()) return Optional.empty();
        double slow = Math.min(instruction.chargeAmps().orElse(usual.amps()), bay.chargeAmps());
        return Optional.of(new Charge(slow, instruction.slowUntilVolts().getAsDouble(), slow));
    }

    /// The charging current of a usual charge: 1 A or 0.5 C, whichever is less, and what the model
    /// and the bay allow (common practice).
    private static double usualChargeAmps(Optional<CellModel> model, Bay bay) {
        double byModel =
                model.map(known ->
                                Math.min(
                                        known.ratedMinimumMilliampHours() / 2000,
                                        known.limits().chargeAmps()))
                        .orElse(1.0);
        return Math.min(Math.min(1.0, byModel), bay.chargeAmps());
    }

    /// The school's current, as far as model and bay allow; half of it for a cell that became hot.
    private static double dischargeAmps(
            boolean wasHot,
            Optional<CellModel> model,
            OptionalDouble rated,
            TestSchool policy,
            Bay bay,
            OptionalDouble askedAmps) {
        double amps = Math.min(policy.dischargeAmps(rated), bay.dischargeAmps());
        amps = Math.min(amps, model.map(known -> known.limits().dischargeAmps()).orElse(amps));
        if (wasHot) amps *= HOT_SHARE;
        if (askedAmps.isEmpty()) return amps;
        // a person may ask for more than the school does, but not of a cell that became hot
        double most = Math.min(bay.dischargeAmps(), wasHot ? amps : Double.MAX_VALUE);
        most = Math.min(most, model.map(known -> known.limits().dischargeAmps()).orElse(most));
        return Math.min(askedAmps.getAsDouble(), most);
    }

    /// 0.2 It for 10 s, then 1 It for 1 s (IEC 61960-3, from memory), as far as the bay goes; the
    /// ratio of the currents is kept.
    private static Pulse pulse(double ratedMilliampHours, Bay bay, double part) {
        double second = part * Math.min(ratedMilliampHours / 1000, bay.dischargeAmps());
        return new Pulse(List.of(new Level(second / 5, 10), new Level(second, 1)));
    }
}
