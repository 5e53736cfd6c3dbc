package pentacell.core.harvest;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.Journal;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorFact;
import pentacell.core.donor.DonorRecord;
import pentacell.core.donor.Donors;
import pentacell.core.harvest.Repair.Hold;
import pentacell.core.school.RepairSchool;
import pentacell.core.school.Schools;

final class RepairTest {

    @Test
    void theLowGroupIsBroughtUpToAboutTwoTenthsUnderTheLimitAtATenthOfItsCapacity() {
        RepairPlan plan = plans("4.05 3.40 4.05", OptionalDouble.of(4.4), 2).get(0);
        assertEquals(2, plan.group());
        // 4.0 V, 0.1 C, 24 h, a few 10 mV: common practice
        assertEquals(4.0, plan.setVolts(), 1e-9);
        assertEquals(0.44, plan.limitAmps(), 1e-9);
        assertEquals(24, plan.restHours());
        assertEquals(3.97, plan.passVolts(), 1e-9);
    }

    @Test
    void theChargeIsTheDifferenceOnTheRestCurve() {
        RestCurve curve = RestCurve.of(Chemistry.NMC);
        RepairPlan plan = plans("4.05 3.40 4.05", OptionalDouble.of(4.4), 2).get(0);
        double whole = (curve.share(4.0) - curve.share(3.40)) * 4.4;
        // the supply comes off at a tenth of its limit, a little before the group is there
        assertEquals(whole, plan.ampHours().orElseThrow(), 0.02 * whole);
        assertTrue(plan.ampHours().orElseThrow() <= whole);
        double hours = plan.chargeHours().orElseThrow();
        assertTrue(hours > whole / 0.44 && hours < whole / 0.44 + 1, "took " + hours + " h");
    }

    @Test
    void theTaperAgreesWithASimulationOfTheSameGroupStepByStep() {
        // the group as a rest curve behind a resistance, one second at a time
        RepairPlan plan = plans("4.05 3.40 4.05", OptionalDouble.of(4.4), 2).get(0);
        RestCurve curve = RestCurve.of(Chemistry.NMC);
        double ohms = 0.05;
        double share = curve.share(3.40);
        double amps = plan.limitAmps();
        double seconds = 0;
        while (amps > plan.stopAmps() && seconds < 1e6) {
            amps = Math.min(plan.limitAmps(), (plan.setVolts() - curve.volts(share)) / ohms);
            share += amps / 3600 / 4.4;
            seconds++;
        }
        assertEquals(seconds / 3600, plan.chargeHours().orElseThrow(), 0.05 * seconds / 3600);
    }

    @ParameterizedTest(name = "{0}: group {1} to {2} V at {3} A")
    @CsvSource(
            delimiter = '|',
            value = {
                "3.80 3.40 3.82 | 2 | 3.80 | 0.44", // never over the groups it joins
                "3.90 3.92 2.40 | 3 | 3.90 | 0.22", // under the normal band twice as gently
                "2.40 2.42 2.41 | 1 | 4.00 | 0.22",
                "4.10 3.98 3.87 | 3 | 4.00 | 0.44"
            })
    void thePlanKeepsToTheOthersAndIsGentleWithTheDeep(
            String volts, int group, double setVolts, double amps) {
        RepairPlan plan =
                plans(volts, OptionalDouble.of(4.4), 2).stream()
                        .filter(each -> each.group() == group)
                        .findFirst()
                        .orElseThrow(() -> new AssertionError("no plan for group " + group));
        assertEquals(setVolts, plan.setVolts(), 1e-9);
        assertEquals(amps, plan.limitAmps(), 1e-9);
    }

    /// 40 Ah of four cells side by side, from 6 % to the level of its sisters: the taper takes most
    /// of it, for the curve is nearly flat. Followed second by second.
    @Test
    void theTaperOfAFlatCurveIsFollowedAllTheWay() {
        PackReadings readings = PackReadings.of(Chemistry.LFP, List.of(3.31, 3.10, 3.31, 3.31));
        RepairPlan plan =
                Repair.plans(
                                readings,
                                Diagnose.pack(readings, Schools.USUAL),
                                OptionalDouble.of(40),
                                4,
                                Schools.USUAL)
                        .get(0);
        assertEquals(3.31, plan.setVolts(), 1e-9);
        RestCurve curve = RestCurve.of(Chemistry.LFP);
        double share = curve.share(3.10);
        double amps = plan.limitAmps();
        double ampHours = 0;
        int seconds = 0;
        while (amps > plan.stopAmps()) {
            amps = Math.min(plan.limitAmps(), (3.31 - curve.volts(share)) / (0.10 / 4));
            ampHours += amps / 3600;
            share += amps / 3600 / 40;
            seconds++;
        }
        assertEquals(ampHours, plan.ampHours().orElseThrow(), 0.02 * ampHours);
        assertEquals(23.0, plan.ampHours().orElseThrow(), 0.2);
        assertEquals(seconds / 3600.0, plan.chargeHours().orElseThrow(), 0.02 * seconds / 3600);
    }

    @Test
    void anLfpPackIsNotAskedToRestWhereNoLfpCellRests() {
        PackReadings readings = PackReadings.of(Chemistry.LFP, List.of(2.31, 2.30, 2.33));
        RepairPlan plan =
                Repair.plans(
                                readings,
                                Diagnose.pack(readings, Schools.USUAL),
                                OptionalDouble.of(5),
                                2,
                                Schools.USUAL)
                        .get(0);
        assertEquals(3.45, plan.setVolts(), 1e-9);
        assertEquals(3.33, plan.passVolts(), 1e-9);
    }

    @Test
    void aGroupOfUnknownChemistryIsNotChargedOverWhatBothBear() {
        PackReadings low =
                new PackReadings(
                        Chemistry.NMC,
                        false,
                        List.of(2.31, 2.30, 2.33),
                        OptionalInt.empty(),
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        Set.of());
        Repair.plans(low, Diagnose.pack(low, Schools.USUAL), OptionalDouble.of(5), 2, Schools.USUAL)
                .forEach(plan -> assertEquals(3.60, plan.setVolts(), 1e-9));
    }

    @Test
    void withoutACapacityTheTimeIsNotInvented() {
        RepairPlan plan = plans("4.05 3.40 4.05", OptionalDouble.empty(), 1).get(0);
        assertEquals(0.5, plan.limitAmps());
        assertTrue(plan.chargeHours().isEmpty() && plan.ampHours().isEmpty());
    }

    @Test
    void whatIsNotAdvisedHasNoPlan() {
        assertEquals(List.of(), plans("3.90 3.92 0.40", OptionalDouble.of(4.4), 2));
        assertEquals(List.of(), plans("3.90 4.40 3.91", OptionalDouble.of(4.4), 2));
    }

    @ParameterizedTest(name = "after {0} h at {1} V: {2}")
    // a drop of a few 10 mV at most in 24 h: common practice
    @CsvSource({
        "2, 3.990, WAITS",
        "2, 3.900, FELL", // that bad needs no waiting
        "24, 3.970, HELD",
        "25, 3.969, FELL",
        "30, 4.001, HELD"
    })
    void aGroupHoldsOrFallsByItsReadingAfterTheWait(int hours, double volts, Hold hold) {
        DonorRecord.Charge charge = charged(hours, volts);
        Instant now = charge.readAgain().get(0).at();
        assertEquals(
                hold, Repair.hold(charge, Chemistry.NMC, RepairSchool.REPAIR_FIRST, now).verdict());
    }

    @Test
    void aGroupNotReadAgainIsDueWhenTheWaitIsOver() {
        DonorRecord.Charge charge = new DonorRecord.Charge(2, 4.0, Journal.BEGIN, List.of());
        Instant due = Repair.dueAt(charge, RepairSchool.REPAIR_FIRST);
        assertEquals(Duration.ofHours(24), Duration.between(Journal.BEGIN, due));
        RepairSchool policy = RepairSchool.REPAIR_FIRST;
        assertEquals(
                Hold.WAITS,
                Repair.hold(charge, Chemistry.NMC, policy, due.minusSeconds(1)).verdict());
        assertEquals(Hold.DUE, Repair.hold(charge, Chemistry.NMC, policy, due).verdict());
    }

    private static DonorRecord.Charge charged(int hours, double volts) {
        TreeMap<Integer, Double> again = new TreeMap<>();
        again.put(2, volts);
        Journal journal =
                new Journal()
                        .log(new DonorFact.DonorAdded(Donor.of("K01", "", "", "")))
                        .log(new DonorFact.GroupCharged("K01", 2, 4.0))
                        .wait(Duration.ofHours(hours))
                        .log(new DonorFact.GroupsRead("K01", again));
        return Donors.of(journal.state()).record("K01").orElseThrow().charges().get(0);
    }

    private static List<RepairPlan> plans(String volts, OptionalDouble ampHours, int cells) {
        PackReadings readings =
                PackReadings.of(
                        Chemistry.NMC,
                        java.util.Arrays.stream(volts.split(" ")).map(Double::valueOf).toList());
        return Repair.plans(
                readings, Diagnose.pack(readings, Schools.USUAL), ampHours, cells, Schools.USUAL);
    }
}
