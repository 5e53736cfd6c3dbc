package pentacell.core.measure;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static pentacell.core.measure.Logs.line;

import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.hipparchus.analysis.integration.SimpsonIntegrator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.cell.Oddity;

/// What an analysis finds in logs whose truth is known in closed form.
final class AnalyseTest {

    /// A line from 4 V falling 1 V an hour at 1 A crosses the end after (4 − end) hours: capacity
    /// and energy follow in closed form, Q = t·I, E = I·(4t − t²/2).
    @ParameterizedTest
    @CsvSource({"3.0, 1", "2.8, 1", "3.0, 7", "2.8, 13", "3.3333, 60"})
    void constantCurrentDownALineGivesTheClosedForm(double end, double every) {
        SampleLog log = new Logs().stretch(5000, every, -1, t -> 4 - t / 3600).log();
        Discharge discharge =
                Analyse.log(log, AnalysisSettings.NONE.endingAt(end)).discharge().orElseThrow();
        double hours = 4 - end;
        assertTrue(discharge.reachedEnd());
        assertEquals(1000 * hours, discharge.milliampHours(), 1e-6 * 1000);
        assertEquals(4 * hours - hours * hours / 2, discharge.wattHours(), 1e-5);
        assertEquals((4 + end) / 2, discharge.meanVolts(), 1e-5);
        assertEquals((4 + end) / 2, discharge.midVolts(), 1e-3 * every);
        assertEquals(3600 * hours, discharge.endSeconds(), 1e-6);
    }

    /// A current that swings, against a general-purpose integrator.
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5})
    void aSwingingCurrentAgreesWithSimpson(int seed) {
        Random random = new Random(seed);
        double swing = 0.05 + 0.4 * random.nextDouble();
        double period = 300 + 900 * random.nextDouble();
        Logs logs = new Logs();
        for (int t = 0; t <= 7200; t += 5)
            logs.sample(t, 4.1 - t / 7200.0, -(1 + swing * Math.sin(t / period)));
        Discharge discharge =
                Analyse.log(logs.log(), AnalysisSettings.NONE).discharge().orElseThrow();
        double coulombs =
                new SimpsonIntegrator()
                        .integrate(1_000_000, t -> 1 + swing * Math.sin(t / period), 0, 7200);
        assertEquals(
                coulombs / 3.6, discharge.milliampHours(), 0.001 * coulombs / 3.6, "seed " + seed);
    }

    @Test
    void stepsOfAWholeRunAreRecognised() {
        SampleLog log =
                new Logs()
                        .stretch(3600, 10, 1, line(3.6, 4.2, 3600))
                        .stretch(1800, 10, 0.1, t -> 4.2)
                        .stretch(900, 10, 0, t -> 4.17)
                        .stretch(5400, 10, -1, line(4.1, 3.0, 5390))
                        .stretch(600, 10, 0, t -> 3.3)
                        .stretch(1200, 10, 1, line(3.5, 3.7, 1200))
                        .log();
        Analysis analysis = Analyse.log(log, AnalysisSettings.NONE.endingAt(3.0));
        assertEquals(
                List.of(
                        StepKind.CHARGE,
                        StepKind.REST,
                        StepKind.DISCHARGE,
                        StepKind.REST,
                        StepKind.CHARGE),
                analysis.steps().stream().map(RunStep::kind).toList());
        assertEquals(1500, analysis.discharge().orElseThrow().milliampHours(), 2);
        assertEquals(4.2, analysis.chargeEnd().orElseThrow().volts(), 1e-9);
        assertEquals(0.1, analysis.chargeEnd().orElseThrow().amps(), 1e-9);
        assertTrue(analysis.resistance().isEmpty(), "no pulse, no resistance");
        assertTrue(analysis.anomalies().isEmpty(), () -> analysis.anomalies().toString());
    }

    @Test
    void theLastFullDischargeOfSeveralCyclesCounts() {
        SampleLog log =
                new Logs()
                        .stretch(3600, 10, -1, line(4.1, 3.0, 3590))
                        .stretch(600, 10, 0, t -> 3.3)
                        .stretch(3600, 10, 1, line(3.4, 4.2, 3590))
                        .stretch(600, 10, 0, t -> 4.18)
                        .stretch(3500, 10, -1, line(4.1, 3.0, 3490))
                        .stretch(600, 10, 0, t -> 3.3)
                        .stretch(900, 10, 1, line(3.4, 3.7, 890))
                        .log();
        Discharge discharge =
                Analyse.log(log, AnalysisSettings.NONE.endingAt(3.0)).discharge().orElseThrow();
        assertEquals(3500 / 3.6, discharge.milliampHours(), 2);
    }

    /// IEC 61960-3 arithmetic (from memory): R = (U1 − U2) / (I2 − I1), here (3.90 − 3.82) / (2.0 −
    /// 0.4) = 50 mΩ.
    @Test
    void theTwoStepMethodIsRecognised() {
        SampleLog log =
                new Logs()
                        .stretch(60, 1, 0, t -> 3.95)
                        .stretch(11, 1, -0.4, t -> 3.90)
                        .stretch(2, 1, -2.0, t -> 3.82)
                        .stretch(60, 1, 0, t -> 3.94)
                        .log();
        DcResistance resistance =
                Analyse.log(log, AnalysisSettings.NONE).resistance().orElseThrow();
        assertEquals(DcResistance.Method.TWO_STEP, resistance.method());
        assertEquals(50, resistance.milliohms(), 1e-9);
    }

    /// ΔV / ΔI (common practice): (3.95 − 3.85) / 1.5 = 66.7 mΩ.
    @Test
    void aPulseBetweenRestsGivesItsResistance() {
        SampleLog log =
                new Logs()
                        .stretch(60, 1, 0, t -> 3.95)
                        .stretch(10, 1, -1.5, t -> 3.85)
                        .stretch(60, 1, 0, t -> 3.95)
                        .log();
        Analysis analysis = Analyse.log(log, AnalysisSettings.NONE);
        assertEquals(StepKind.PULSE, analysis.steps().get(1).kind());
        assertEquals(66.667, analysis.resistance().orElseThrow().milliohms(), 0.001);
        assertEquals(DcResistance.Method.PULSE, analysis.resistance().orElseThrow().method());
    }

    @Test
    void aLostContactIsABlipAndDoesNotCutTheCapacity() {
        SampleLog log =
                new Logs()
                        .stretch(1800, 5, -1, line(4.1, 3.6, 1800))
                        .stretch(10, 5, 0, t -> 3.68)
                        .stretch(1800, 5, -1, line(3.6, 3.0, 1795))
                        .log();
        Analysis analysis = Analyse.log(log, AnalysisSettings.NONE.endingAt(3.0));
        assertEquals(1, analysis.steps().size());
        assertEquals(1000, analysis.discharge().orElseThrow().milliampHours(), 3);
        assertEquals(
                List.of(Oddity.CONTACT_BLIP),
                analysis.anomalies().stream().map(Anomaly::kind).toList());
        assertEquals(1800, analysis.anomalies().get(0).atSeconds(), 5);
    }

    @Test
    void aDipOfTheVoltageIsToldOnceAndIsNoEnd() {
        Logs logs = new Logs();
        for (int t = 0; t <= 3600; t += 5)
            logs.sample(t, t == 1000 ? 2.9 : 4.1 - 1.1 * t / 3600, -1);
        Analysis analysis = Analyse.log(logs.log(), AnalysisSettings.NONE.endingAt(3.0));
        assertEquals(1000, analysis.discharge().orElseThrow().milliampHours(), 2);
        assertEquals(
                List.of(Oddity.CONTACT_BLIP),
                analysis.anomalies().stream().map(Anomaly::kind).toList());
    }

    @Test
    void whatIsOddIsNamed() {
        assertOdd(
                Oddity.STOPPED_EARLY,
                new Logs().stretch(1800, 5, -1, line(4.1, 3.6, 1800)).log(),
                AnalysisSettings.NONE.endingAt(3.0));
        assertOdd(
                Oddity.STOPPED_EARLY,
                new Logs().stretch(1800, 5, -1, line(4.1, 3.6, 1800)).log(),
                AnalysisSettings.NONE);
        assertOdd(
                Oddity.OVER_RATING,
                new Logs().stretch(3600, 5, -1, line(4.1, 3.0, 3595)).log(),
                AnalysisSettings.NONE.endingAt(3.0).rated(800));
        assertOdd(
                Oddity.FAR_UNDER_RATING,
                new Logs().stretch(720, 5, -1, line(4.1, 3.0, 715)).log(),
                AnalysisSettings.NONE.endingAt(3.0).rated(2000));
        assertOdd(
                Oddity.RISES_UNDER_LOAD,
                new Logs()
                        .stretch(1800, 5, -1, line(4.1, 3.6, 1800))
                        .stretch(600, 5, -1, line(3.6, 3.7, 600))
                        .stretch(1200, 5, -1, line(3.7, 3.0, 1195))
                        .log(),
                AnalysisSettings.NONE.endingAt(3.0));
        Logs hole = new Logs().stretch(1200, 5, -1, line(4.1, 3.8, 1200));
        for (int t = 1800; t <= 3600; t += 5) hole.sample(t, 3.6 - 0.6 * (t - 1800) / 1800, -1);
        assertOdd(Oddity.TIME_GAP, hole.log(), AnalysisSettings.NONE.endingAt(3.0));
    }

    /// Charged to {0} V: over the limit or not; a cell that gives its charge at 3.2 V is iron
    /// phosphate, whoever did not say so.
    @ParameterizedTest
    @CsvSource({
        "4.20, 3.6, false",
        "4.22, 3.6, false",
        "4.35, 3.6, true",
        "3.65, 3.2, false",
        "3.70, 3.2, true",
        "3.75, 3.2, true"
    })
    void aChargeOverTheLimitIsNamed(double chargeVolts, double middle, boolean isNamed) {
        SampleLog log =
                new Logs()
                        .stretch(3600, 10, 0.5, line(3.3, chargeVolts, 3590))
                        .stretch(600, 10, 0, t -> Math.min(chargeVolts, middle + 0.4))
                        .stretch(3600, 10, -0.5, line(middle + 0.1, middle - 0.1, 3590))
                        .stretch(600, 10, -0.5, line(middle - 0.1, 2.5, 590))
                        .log();
        assertEquals(
                isNamed,
                Analyse.log(log, AnalysisSettings.NONE.endingAt(2.5)).anomalies().stream()
                        .anyMatch(each -> each.kind() == Oddity.OVERCHARGED));
    }

    /// The current of the ladder is that of the discharge: a short pulse at 3 A is not.
    @Test
    void theHeatIsOfTheDischarge() {
        SampleLog.Builder builder = new SampleLog.Builder();
        for (int t = 0; t <= 7200; t += 10)
            builder.add(
                    t,
                    4.1 - 1.1 * t / 7200,
                    t < 600 ? 1.5 : t < 700 ? 0 : t < 710 ? -3 : -0.5,
                    22 + 14.0 * t / 7200);
        Heat heat = Analyse.log(builder.build(), AnalysisSettings.NONE).heat().orElseThrow();
        assertEquals(0.5, heat.amps(), 0.01);
    }

    @Test
    void aHotCanIsNamed() {
        SampleLog.Builder builder = new SampleLog.Builder();
        for (int t = 0; t <= 3600; t += 10)
            builder.add(t, 4.1 - 1.1 * t / 3600, -1, 22 + 14.0 * t / 3600);
        Analysis analysis = Analyse.log(builder.build(), AnalysisSettings.NONE.endingAt(3.0));
        assertEquals(14, analysis.heat().orElseThrow().riseKelvin(), 1e-9);
        assertTrue(
                analysis.anomalies().stream().anyMatch(each -> each.kind() == Oddity.HOT),
                () -> analysis.anomalies().toString());
    }

    private static void assertOdd(Oddity expected, SampleLog log, AnalysisSettings settings) {
        Analysis analysis = Analyse.log(log, settings);
        assertEquals(
                List.of(expected),
                analysis.anomalies().stream().map(Anomaly::kind).toList(),
                () -> analysis.anomalies().toString());
        assertFalse(analysis.anomalies().get(0).sentence().contains("{"));
    }

    @Test
    void theLimitsAreAnswered() {
        assertTrue(Analyse.log(new Logs().log(), AnalysisSettings.NONE).steps().isEmpty());
        Analysis one = Analyse.log(new Logs().sample(0, 3.7, 0).log(), AnalysisSettings.NONE);
        assertEquals(List.of(StepKind.REST), one.steps().stream().map(RunStep::kind).toList());
        assertTrue(one.discharge().isEmpty());
        Analysis short2 = Analyse.log(new Logs().sample(0, 3.7, -1).log(), AnalysisSettings.NONE);
        assertEquals(0, short2.discharge().orElseThrow().milliampHours());
        SampleLog.Builder builder = new SampleLog.Builder();
        builder.add(0, 3.7, 0, Double.NaN);
        assertThrows(IllegalArgumentException.class, () -> builder.add(0, 3.7, 0, Double.NaN));
        assertThrows(
                IllegalArgumentException.class, () -> builder.add(1, Double.NaN, 0, Double.NaN));
    }

    /// Whatever the log, steps cover every sample once and in order, and charge is not negative.
    @ParameterizedTest
    @ValueSource(ints = {11, 12, 13, 14, 15, 16, 17, 18})
    void stepsCoverEverySampleOnce(int seed) {
        Random random = new Random(seed);
        SampleLog.Builder builder = new SampleLog.Builder();
        double now = 0;
        for (int i = 0; i < 400; i++) {
            now += 0.5 + 20 * random.nextDouble();
            double amps = random.nextInt(3) - 1;
            builder.add(now, 2.5 + 1.7 * random.nextDouble(), amps, Double.NaN);
        }
        SampleLog log = builder.build();
        List<RunStep> steps = Analyse.log(log, AnalysisSettings.NONE).steps();
        assertEquals(0, steps.get(0).first());
        assertEquals(log.size() - 1, steps.get(steps.size() - 1).last());
        IntStream.range(1, steps.size())
                .forEach(i ->
                        assertEquals(
                                steps.get(i - 1).last() + 1, steps.get(i).first(), "seed " + seed));
        assertTrue(steps.stream().allMatch(step -> step.milliampHours() >= 0));
    }
}
