package pentacell.core.measure;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@DisplayName("steps of a log")
final class StepsTest {
    private static Steps.Found steps(Logs logs) {
        return Steps.of(logs.log());
    }

    private static String kinds(Steps.Found found) {
        return String.join(" ", found.steps().stream().map(step -> step.kind().name()).toList());
    }

    /// The step is the trapezoid of its own samples and half of the ramps at its sides: 120 samples
    /// of 10 s at 1.8 A with rest around are 119 whole intervals and two halves.
    @Test
    void aStepHoldsHalfOfTheRampsAtItsSides() {
        Steps.Found found =
                steps(
                        new Logs()
                                .stretch(600, 10, 0, t -> 3.7)
                                .stretch(1200, 10, 1.8, t -> 3.9)
                                .stretch(600, 10, 0, t -> 3.9)
                                .stretch(1200, 10, -1.8, t -> 3.6));
        assertEquals("REST CHARGE REST DISCHARGE", kinds(found));
        assertEquals(
                List.of(0.0, 600.0, 0.0, 597.5),
                found.steps().stream().map(RunStep::milliampHours).toList());
        RunStep charge = found.steps().get(1);
        assertEquals(600, charge.startSeconds());
        assertEquals(1790, charge.endSeconds());
        assertEquals(60, charge.first());
        assertEquals(179, charge.last());
    }

    /// A charge that turns into a discharge at once: each takes its own part of the ramp.
    @Test
    void fromChargeToDischargeEachKeepsItsOwn() {
        Steps.Found found =
                steps(
                        new Logs()
                                .stretch(1200, 10, 0.72, t -> 4)
                                .stretch(1200, 10, -0.36, t -> 3.8));
        assertEquals("CHARGE DISCHARGE", kinds(found));
        assertEquals((1190 + 5) * 0.72 / 3.6, found.steps().get(0).milliampHours(), 1e-9);
        assertEquals((1190 + 5) * 0.36 / 3.6, found.steps().get(1).milliampHours(), 1e-9);
    }

    /// Current under 10 mA, or under half a percent of the largest, is none.
    @ParameterizedTest(name = "{0} A beside {1} A: {2}")
    @CsvSource({"0.009, 1, REST", "0.011, 1, CHARGE", "0.019, 4, REST", "0.021, 4, CHARGE"})
    void aTrickleIsRest(double amps, double largest, StepKind kind) {
        Steps.Found found =
                steps(
                        new Logs()
                                .stretch(600, 10, -largest, t -> 3.7)
                                .stretch(600, 10, amps, t -> 3.7));
        assertEquals(kind, found.steps().get(1).kind());
    }

    /// A pause of so many samples of 5 s in the middle of a discharge of 15 minutes.
    @ParameterizedTest(name = "{0} samples: {1}")
    @CsvSource({
        "1, DISCHARGE",
        "3, DISCHARGE",
        "4, DISCHARGE REST DISCHARGE",
        "9, DISCHARGE REST DISCHARGE"
    })
    void aShortPauseIsALostContact(int samples, String expected) {
        Steps.Found found =
                steps(
                        new Logs()
                                .stretch(400, 5, -1, t -> 3.7)
                                .stretch(5.0 * samples, 5, 0, t -> 3.8)
                                .stretch(400, 5, -1, t -> 3.7));
        assertEquals(expected, kinds(found));
        boolean isBlip = expected.equals("DISCHARGE");
        assertEquals(isBlip ? 1 : 0, found.blips().size());
        if (isBlip) {
            assertEquals(80, found.blips().get(0).first());
            assertEquals(400, found.blips().get(0).startSeconds());
            RunStep whole = found.steps().get(0);
            assertEquals(0, whole.first());
            assertEquals(159 + samples, whole.last());
            // the ramp down and the ramp up count by half
            assertEquals((395 + 5 + 395) / 3.6, whole.milliampHours(), 1e-9);
        }
    }

    /// Samples a minute apart: one without current is a lost contact all the same; two are not.
    @Test
    void aSlowLogMayLoseASample() {
        assertEquals(
                "CHARGE",
                kinds(
                        steps(
                                new Logs()
                                        .stretch(1800, 60, 1, t -> 3.9)
                                        .stretch(60, 60, 0, t -> 3.9)
                                        .stretch(1800, 60, 1, t -> 3.9))));
        assertEquals(
                "CHARGE REST CHARGE",
                kinds(
                        steps(
                                new Logs()
                                        .stretch(1800, 60, 1, t -> 3.9)
                                        .stretch(120, 60, 0, t -> 3.9)
                                        .stretch(1800, 60, 1, t -> 3.9))));
    }

    @Test
    void aPauseBetweenChargeAndDischargeIsMeant() {
        assertEquals(
                "CHARGE REST DISCHARGE",
                kinds(
                        steps(
                                new Logs()
                                        .stretch(600, 5, 1, t -> 3.9)
                                        .stretch(5, 5, 0, t -> 3.9)
                                        .stretch(600, 5, -1, t -> 3.8))));
    }

    /// A short current with rest at its sides is a pulse; so is one that ends the log.
    @ParameterizedTest(name = "rest {0} s, {1} s at 1 A, rest {2} s: {3}")
    @CsvSource({
        "60, 60, 60, REST PULSE REST",
        "60, 95, 60, REST PULSE REST",
        "60, 105, 60, REST DISCHARGE REST",
        "60, 60, 0, REST PULSE",
        "0, 60, 60, DISCHARGE REST"
    })
    void aShortCurrentBesideRestIsAPulse(
            double before, double seconds, double after, String expected) {
        assertEquals(
                expected,
                kinds(
                        steps(
                                new Logs()
                                        .stretch(before, 5, 0, t -> 3.9)
                                        .stretch(seconds, 5, -1, t -> 3.8)
                                        .stretch(after, 5, 0, t -> 3.9))));
    }

    @Test
    void aShortChargeAfterADischargeIsNoPulse() {
        assertEquals(
                "DISCHARGE CHARGE REST",
                kinds(
                        steps(
                                new Logs()
                                        .stretch(600, 5, -1, t -> 3.5)
                                        .stretch(60, 5, 1, t -> 3.6)
                                        .stretch(60, 5, 0, t -> 3.6))));
    }

    /// What flowed in a long gap is not known and not counted.
    @Test
    void aLongGapIsNoCharge() {
        Logs logs = new Logs().stretch(600, 10, 1.8, t -> 3.9);
        for (int i = 0; i < 60; i++) logs.sample(2000 + 10 * i, 3.9, 1.8);
        assertEquals(2 * 590 * 1.8 / 3.6, steps(logs).steps().get(0).milliampHours(), 1e-9);
    }
}
