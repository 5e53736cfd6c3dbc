package pentacell.core.circuit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.Charged.EndedBy;
import pentacell.core.circuit.PackCharge.Board;
import pentacell.core.circuit.PackCharge.Charger;

/// Charge, load profiles and ageing, against closed forms and balances.
@DisplayName("charge, load profiles and ageing")
final class ChargeAndAgeingTest {
    /// 3 V empty, 4.2 V full.
    private static final VoltageCurve LINE =
            VoltageCurve.straight(new double[] {0, 1}, new double[] {3, 4.2});

    private static List<List<CircuitCell>> string(double... ampHours) {
        List<List<CircuitCell>> groups = new ArrayList<>();
        for (double each : ampHours) groups.add(List.of(new CircuitCell(each, 0.05)));
        return groups;
    }

    private static List<Double> shares(int groups, double share) {
        return Collections.nCopies(groups, share);
    }

    @ParameterizedTest(name = "{0} A, ends at {1} A")
    @CsvSource({"1, 0.1", "2, 0.05", "0.5, 0.1"})
    void oneCellOnALineChargesAsTheFormulaSays(double amps, double endAmps) {
        Charged charged =
                PackCharge.charge(
                        string(2),
                        LINE,
                        shares(1, 0),
                        new Charger(amps, 4.2, endAmps, 100),
                        Board.NONE,
                        0.5);
        // at I the terminals reach 4.2 V when the rest voltage is 4.2 − I·R
        double share = 1 - amps * 0.05 / 1.2;
        double constant = 3600 * 2 * share / amps;
        // then I falls by e in R·Q ÷ slope
        double tau = 0.05 * 2 * 3600 / 1.2;
        assertEquals(constant, charged.constantCurrentSeconds(), 1);
        assertEquals(constant + tau * Math.log(amps / endAmps), charged.seconds(), 1);
        assertEquals(2 - endAmps * 0.05 / 1.2 * 2, charged.ampHours(), 1e-3);
        assertEquals(EndedBy.TAPER, charged.endedBy());
        assertEquals(4.2, charged.groupVolts().get(0), 1e-6);
    }

    @Test
    void whatIsPutInIsWhatTheCellsHoldAndTheHeat() {
        Charged charged =
                PackCharge.charge(
                        string(2, 2, 2),
                        LINE,
                        shares(3, 0.1),
                        new Charger(1, 12.6, 0.02, 50),
                        Board.NONE,
                        1);
        double held = charged.ampHours();
        // a line: the mean of the rest voltages at both ends, times the charge, for three groups
        double end = 0.1 + held / 2;
        double stored = 3 * held * (3 + 1.2 * (0.1 + end) / 2);
        assertTrue(charged.wattHours() > stored);
        double atFullCurrent = 3 * 0.05 * charged.constantCurrentSeconds() / 3600;
        assertEquals(stored + atFullCurrent, charged.wattHours(), 0.01);
    }

    @Test
    void withoutBalancingTheFullerGroupEndsItAndTheOthersStayShort() {
        Board watching = new Board(4.25, 9, 0);
        Charged charged =
                PackCharge.charge(
                        string(2, 2, 2),
                        LINE,
                        List.of(0.5, 0.2, 0.2),
                        new Charger(1, 12.6, 0.05, 50),
                        watching,
                        1);
        assertEquals(EndedBy.GROUP_OVER, charged.endedBy());
        assertEquals(0, charged.group());
        assertEquals(
                0.6, charged.missingAmpHours().get(1) - charged.missingAmpHours().get(0), 1e-6);
    }

    @Test
    void aBalancerTakesFromTheFullerGroupWhatItHasOver() {
        Charged charged =
                PackCharge.charge(
                        string(2, 2),
                        LINE,
                        List.of(0.4, 0.3),
                        new Charger(0.05, 8.4, 0.01, 400),
                        new Board(4.3, 4.15, 0.06),
                        5);
        assertEquals(EndedBy.TAPER, charged.endedBy());
        // 0.1 of 2 Ah more at the begin
        assertEquals(0.2, charged.bledAmpHours().get(0) - charged.bledAmpHours().get(1), 0.03);
        assertEquals(charged.groupVolts().get(0), charged.groupVolts().get(1), 0.02);
    }

    @Test
    void aChargerThatNeverTapersStopsByTheClock() {
        Charged charged =
                PackCharge.charge(
                        string(2),
                        LINE,
                        shares(1, 0),
                        new Charger(0.1, 4.2, 0.01, 3),
                        Board.NONE,
                        1);
        assertEquals(EndedBy.TIME, charged.endedBy());
        assertEquals(0.3, charged.ampHours(), 1e-3);
        assertThrows(IllegalArgumentException.class, () -> new Charger(0, 4.2, 0.1, 1));
        assertThrows(IllegalArgumentException.class, () -> new Board(Double.NaN, 1, 1));
        assertThrows(
                IllegalArgumentException.class,
                () ->
                        PackCharge.charge(
                                string(2, 2),
                                LINE,
                                shares(1, 0),
                                new Charger(1, 8.4, 0.1, 1),
                                Board.NONE,
                                1));
    }

    @Test
    void aProfileDrawsTheSumOfItsParts() {
        Load.Profile profile =
                new Load.Profile(
                        List.of(
                                new Load.Part(new Load.Amps(2), 60),
                                new Load.Part(new Load.Rest(), 30),
                                new Load.Part(new Load.Amps(1), 30)));
        Discharged given =
                PackSimulation.discharge(string(2), LINE, profile, 3.2, 7, (t, v, i, each) -> {});
        // 150 A·s in 120 s; it ends while 2 A flow, at 3.3 V at rest
        assertEquals(2 * (1 - 0.25), given.ampHours(), 1e-9);
        double rounds = Math.floor(given.ampHours() * 3600 / 150);
        double rest = given.ampHours() * 3600 - 150 * rounds;
        assertEquals(120 * rounds + rest / 2, given.seconds(), 1e-6);
        assertThrows(
                IllegalArgumentException.class,
                () -> new Load.Profile(List.of(new Load.Part(new Load.Rest(), 5))));
        assertThrows(IllegalArgumentException.class, () -> new Load.Part(profile, 5));
    }

    @Test
    @DisplayName("at rest the cells of a group meet: a fuller one charges the other")
    void cellsOfAGroupMeetAtRest() {
        List<Double> resting = new ArrayList<>();
        List<List<CircuitCell>> pair =
                List.of(List.of(new CircuitCell(2, 0.03), new CircuitCell(2, 0.09)));
        PackSimulation.discharge(
                pair,
                LINE,
                new Load.Profile(
                        List.of(
                                new Load.Part(new Load.Amps(4), 600),
                                new Load.Part(new Load.Rest(), 3000))),
                3.1,
                1,
                (t, volts, amps, each) -> {
                    if (amps == 0) resting.add(volts);
                });
        // 2400 C of 14400 are gone: both meet at 5/6, which is 4.0 V; what parted them falls by e
        // in
        // Q·(r1 + r2) ÷ 2m = 360 s, and the stiffer cell, emptied further, weighs more until then
        double first = 4.0 - resting.get(0);
        assertTrue(first > 0.005, first + " V under at first");
        assertEquals(first * Math.exp(-1), 4.0 - resting.get(360), 2e-4);
        assertEquals(4.0, resting.get(2999), 1e-4);
    }

    private static Ageing.Aged aged(int cycles, List<List<CircuitCell>> groups) {
        return Ageing.after(
                cycles, groups, RestCurve.of(Chemistry.NMC).curve(), new Load.Amps(1), 3.0, 30);
    }

    @Test
    void alikeCellsAgeAlikeByTheFormula() {
        Ageing.Aged aged = aged(100, string(2, 2));
        assertEquals(2 * Math.pow(1 - 0.0004, 100), aged.groups().get(0).get(0).ampHours(), 1e-9);
        assertEquals(0, aged.spreadAmpHours(), 1e-12);
        assertEquals(0.05, aged(0, string(2)).groups().get(0).get(0).ohms());
    }

    @Test
    void theHarderWorkedGroupAgesFasterAndTheGroupsPart() {
        // one current and one resistance: by capacity the smaller works 2 ÷ 1.6 times as hard
        List<List<CircuitCell>> uneven = string(2, 1.6);
        Ageing.Aged aged = aged(25, uneven);
        double mean = (1 / 2.0 + 1 / 1.6) / 2;
        assertEquals(
                1.6 * Math.pow(1 - 0.0004 / 1.6 / mean, 25),
                aged.groups().get(1).get(0).ampHours(),
                1e-6);
        assertEquals(
                2 * Math.pow(1 - 0.0004 / 2 / mean, 25),
                aged.groups().get(0).get(0).ampHours(),
                1e-6);
        assertTrue(aged(500, uneven).usable().ampHours() < aged.usable().ampHours());
        assertThrows(IllegalArgumentException.class, () -> aged(-1, uneven));
    }

    @Test
    void theHotterCellAgesFaster() {
        List<List<CircuitCell>> string =
                List.of(List.of(new CircuitCell(2, 0.03)), List.of(new CircuitCell(2, 0.09)));
        Ageing.Aged aged = aged(25, string);
        assertTrue(aged.groups().get(1).get(0).ampHours() < aged.groups().get(0).get(0).ampHours());
    }

    @Test
    void whatTheCellsGaveAddsUp() {
        List<List<CircuitCell>> groups =
                List.of(
                        List.of(new CircuitCell(2.1, 0.03), new CircuitCell(1.9, 0.07)),
                        List.of(new CircuitCell(2.0, 0.05), new CircuitCell(2.2, 0.06)));
        Discharged given =
                PackSimulation.discharge(
                        groups, LINE, new Load.Amps(2), 3.1, 1, (t, v, i, each) -> {});
        double heat = 0;
        for (List<Discharged.CellUse> group : given.cells()) {
            assertEquals(
                    given.ampHours(),
                    group.stream().mapToDouble(Discharged.CellUse::ampHours).sum(),
                    1e-9);
            for (Discharged.CellUse each : group) heat += each.heatWatts();
        }
        assertEquals(given.heatWattHours(), heat * given.seconds() / 3600, 1e-9);
        assertTrue(given.hottestCellWatts() > heat / 4);
    }
}
