package pentacell.core.test;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.test.facts.Programme;
import pentacell.core.test.facts.Programme.Charge;
import pentacell.core.test.facts.Programme.Discharge;
import pentacell.core.test.facts.Programme.Level;
import pentacell.core.test.facts.Programme.Limits;
import pentacell.core.test.facts.Programme.Pulse;
import pentacell.core.test.facts.Programme.Rest;
import pentacell.core.test.facts.Programme.Stage;

@DisplayName("how long the stages of a programme take")
final class PhaseTimesTest {
    private static final RestCurve CURVE = RestCurve.of(Chemistry.NMC);

    private static double[] stages(
            Chemistry chemistry, double volts, double ohms, Stage... stages) {
        Programme programme = new Programme(List.of(stages), 5, new Limits(4.3, 0.5, 60, 1e6));
        double[] seconds = PhaseTimes.stages(programme, chemistry, volts, 2000, ohms);
        double sum = 0;
        for (double each : seconds) sum += each;
        assertEquals(sum, PhaseTimes.seconds(programme, chemistry, volts, 2000, ohms));
        return seconds;
    }

    /// A cell of 2 Ah, half full: half of it at 1 A is an hour; then two hours down to empty.
    @Test
    void withoutResistanceItIsChargeOverCurrent() {
        double[] seconds =
                stages(
                        Chemistry.NMC,
                        CURVE.volts(0.5),
                        0,
                        new Charge(1, 4.2, 0.1),
                        new Rest(900),
                        new Discharge(0.5, CURVE.volts(0)),
                        new Charge(2, 4.2, 0.1));
        assertArrayEquals(new double[] {3600, 900, 4 * 3600, 3600}, seconds, 40);
        assertEquals(900, seconds[1]);
    }

    /// A pulse takes charge: 1 A for 720 s is a tenth of 2 Ah, and not there for the discharge.
    @Test
    void whatAPulseTakesIsGone() {
        double[] seconds =
                stages(
                        Chemistry.NMC,
                        CURVE.volts(0.5),
                        0,
                        new Pulse(List.of(new Level(1, 700), new Level(2, 10))),
                        new Discharge(1, CURVE.volts(0)));
        assertArrayEquals(new double[] {710, 3600 - 720}, seconds, 20);
        double[] emptied =
                stages(
                        Chemistry.NMC,
                        CURVE.volts(0.1),
                        0,
                        new Pulse(List.of(new Level(1, 3600))),
                        new Charge(1, 4.2, 0.1));
        assertEquals(7200, emptied[1], 20, "it cannot be emptier than empty");
    }

    /// Against a charge followed second by second: the rest curve and the drop over the resistance,
    /// steady current to the limit, steady voltage to the last current. The taper is the formula's
    /// own simplification, hence a quarter.
    @ParameterizedTest(name = "from {0} of the charge at {1} A with {2} mΩ to {3} V, last {4} A")
    @CsvSource({
        "0.2, 1, 60, 4.2, 0.1",
        "0.0, 2, 90, 4.2, 0.05",
        "0.5, 1, 150, 4.2, 0.1",
        "0.1, 1, 60, 4.1, 0.1",
        "0.3, 0.5, 100, 4.0, 0.25",
        "0.85, 1, 120, 4.1, 0.1"
    })
    void aChargeTakesAsLongAsOneFollowedInSteps(
            double share, double amps, double milliohms, double limit, double last) {
        double ohms = milliohms / 1000;
        double followed = 0;
        double charge = share;
        for (double current = amps; current > last && charge < 1; followed++) {
            charge += current / 3600 / 2;
            current = Math.min(amps, (limit - CURVE.volts(Math.min(1, charge))) / ohms);
        }
        double told =
                stages(Chemistry.NMC, CURVE.volts(share), ohms, new Charge(amps, limit, last))[0];
        assertEquals(1, told / followed, 0.25, told + " s against " + followed);
    }

    @ParameterizedTest(name = "{0} A with {1} mΩ to {2} V")
    @CsvSource({"1, 60, 3.0", "2, 150, 2.8", "0.4, 90, 3.3"})
    void aDischargeEndsWhereTheDropMeetsTheEnd(double amps, double milliohms, double end) {
        double followed = 0;
        for (double charge = 1; CURVE.volts(charge) - amps * milliohms / 1000 > end; followed++)
            charge -= amps / 3600 / 2;
        double told =
                stages(Chemistry.NMC, CURVE.volts(1), milliohms / 1000, new Discharge(amps, end))[
                        0];
        assertEquals(followed, told, 2);
    }

    @Test
    void aFullCellNeedsNoChargeAndAnEmptyOneGivesNone() {
        assertArrayEquals(
                new double[] {0, 0},
                stages(
                        Chemistry.NMC,
                        CURVE.volts(0.9),
                        0,
                        new Charge(1, CURVE.volts(0.6), 0.1),
                        new Discharge(1, 4.19)),
                1e-6);
    }

    /// Iron phosphate is full at its limit, though it falls far back at rest.
    @Test
    void atItsLimitIronPhosphateIsFull() {
        RestCurve lfp = RestCurve.of(Chemistry.LFP);
        double[] seconds =
                stages(
                        Chemistry.LFP,
                        lfp.volts(0.5),
                        0,
                        new Charge(1, Chemistry.LFP.chargeLimitVolts(), 1));
        assertEquals(3600, seconds[0], 1);
    }

    @ParameterizedTest
    @CsvSource({"0, 0.1", "-5, 0.1", "NaN, 0.1", "2000, -0.1", "2000, NaN"})
    void whatCannotBeIsRefused(double milliampHours, double ohms) {
        Programme rest = new Programme(List.of(new Rest(60)), 5, new Limits(4.3, 0.5, 60, 1e6));
        assertThrows(
                IllegalArgumentException.class,
                () -> PhaseTimes.stages(rest, Chemistry.NMC, 3.7, milliampHours, ohms));
    }
}
