package pentacell.instruments.simulated;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.Oddity;
import pentacell.core.measure.Analyse;
import pentacell.core.measure.Analysis;
import pentacell.core.measure.AnalysisSettings;
import pentacell.core.measure.Anomaly;
import pentacell.core.measure.SampleLog;
import pentacell.core.test.facts.Programme;
import pentacell.core.test.facts.Programme.Charge;
import pentacell.core.test.facts.Programme.Discharge;
import pentacell.core.test.facts.Programme.Level;
import pentacell.core.test.facts.Programme.Limits;
import pentacell.core.test.facts.Programme.Pulse;
import pentacell.core.test.facts.Programme.Rest;

/// What the program finds in the log of a stand-in against what the stand-in hides.
@Tag("exhaustive")
final class HiddenTruthTest {

    private static Programme usual(Chemistry chemistry, double amps, double endVolts) {
        double full = chemistry.chargeLimitVolts();
        return new Programme(
                List.of(
                        new Charge(1, full, 0.05),
                        new Rest(1800),
                        new Pulse(List.of(new Level(0.5, 900))),
                        new Rest(600),
                        new Pulse(List.of(new Level(0.2, 10), new Level(1, 1))),
                        new Rest(120),
                        new Discharge(amps, endVolts),
                        new Rest(600),
                        new Charge(1, full, 0.05)),
                10,
                new Limits(full + 0.05, 0.5, 60, 1e6));
    }

    private static SlotRun run(CellTruth truth, Programme programme, long seed) {
        return new SlotRun(
                "R", programme, SlotTruth.GOOD, new VirtualCell(truth), new Random(seed));
    }

    private static Analysis analyse(SlotRun run, double endVolts) {
        SampleLog.Builder builder = new SampleLog.Builder();
        for (double[] row : run.rows()) builder.add(row[0], row[1], row[2], row[3]);
        return Analyse.log(builder.build(), AnalysisSettings.NONE.endingAt(endVolts));
    }

    static Stream<Integer> seeds() {
        return IntStream.range(0, 200).boxed();
    }

    /// Capacity within 0.5 % and resistance within 3 % of the truth, for any cell at any rate.
    @ParameterizedTest
    @MethodSource("seeds")
    void theTruthOfARandomCellIsRecovered(int seed) {
        Random random = new Random(seed);
        Chemistry chemistry = random.nextInt(4) == 0 ? Chemistry.LFP : Chemistry.NMC;
        double ohms = 0.03 + 0.09 * random.nextDouble();
        CellTruth truth =
                new CellTruth(
                        chemistry,
                        800 + 2700 * random.nextDouble(),
                        ohms,
                        ohms * (0.2 + 0.4 * random.nextDouble()),
                        20 + 60 * random.nextDouble(),
                        0.0001 * random.nextDouble(),
                        0,
                        1,
                        0.1 + 0.5 * random.nextDouble());
        double amps = 0.2 + 0.8 * random.nextDouble();
        double end = chemistry.endVolts() + 0.4 * random.nextDouble();
        SlotRun run = run(truth, usual(chemistry, amps, end), seed);
        run.pass(1e6);
        assertEquals("done", run.how());
        Analysis analysis = analyse(run, end);
        double delivered = run.deliveredMilliampHours().orElseThrow();
        assertEquals(
                delivered,
                analysis.discharge().orElseThrow().milliampHours(),
                0.005 * delivered,
                "seed " + seed);
        double twoStep = twoStepMilliohms(truth, 0.2, 1);
        assertEquals(
                twoStep,
                analysis.resistance().orElseThrow().milliohms(),
                0.03 * twoStep,
                "seed " + seed);
        assertEquals(List.of(), analysis.anomalies(), "seed " + seed);
    }

    /// What the two-step method (IEC 61960-3, from memory) sees of the circuit in closed form: R0
    /// and what the slow pair gains in the second of the larger current, less what it had from the
    /// first.
    private static double twoStepMilliohms(CellTruth truth, double first, double second) {
        double slow = truth.slowOhms();
        double atFirst = first * slow * (1 - Math.exp(-10 / truth.slowSeconds()));
        double atSecond =
                second * slow + (atFirst - second * slow) * Math.exp(-1 / truth.slowSeconds());
        return 1000 * (truth.ohms() + (atSecond - atFirst) / (second - first));
    }

    /// A slow discharge from full to empty finds the capacity at rest itself.
    @Test
    void aSlowDischargeFindsTheWholeCapacity() {
        SlotRun run =
                run(
                        CellTruth.sound(Chemistry.NMC, 2000, 0.05, 0.5),
                        usual(Chemistry.NMC, 0.1, 2.6),
                        1);
        run.pass(1e6);
        assertEquals(
                2000, analyse(run, 2.6).discharge().orElseThrow().milliampHours(), 0.01 * 2000);
    }

    @Test
    void aBlipAHeaterAndASwappedCellAreCaught() {
        SlotRun blip =
                run(CellTruth.sound(Chemistry.NMC, 2000, 0.06, 0.9), usual(Chemistry.NMC, 1, 3), 2);
        blip.pass(1000);
        while (blip.stage() < 6) blip.pass(10);
        blip.loseContactAt(blip.seconds() + 2000);
        blip.pass(1e6);
        assertEquals(List.of(Oddity.CONTACT_BLIP), kinds(analyse(blip, 3)));

        SlotRun heater =
                run(
                        CellTruth.sound(Chemistry.NMC, 2000, 0.06, 0.9).asHeater(),
                        usual(Chemistry.NMC, 1, 3),
                        3);
        heater.pass(1e6);
        assertTrue(
                kinds(analyse(heater, 3)).contains(Oddity.HOT),
                () -> kinds(analyse(heater, 3)).toString());

        SlotRun swapped =
                run(CellTruth.sound(Chemistry.NMC, 2000, 0.06, 0.9), usual(Chemistry.NMC, 1, 3), 4);
        while (swapped.stage() < 6) swapped.pass(10);
        swapped.swapAt(
                swapped.seconds() + 1500,
                new VirtualCell(CellTruth.sound(Chemistry.NMC, 1500, 0.08, 0.4)));
        swapped.pass(1e6);
        assertTrue(kinds(analyse(swapped, 3)).contains(Oddity.CONTACT_BLIP));
    }

    private static List<Oddity> kinds(Analysis analysis) {
        return analysis.anomalies().stream().map(Anomaly::kind).toList();
    }

    /// A step of the circuit against its closed form: U(t) = OCV + I·R0 + I·R1·(1 − e^(−t/τ)).
    @Test
    void aStepOfCurrentFollowsTheClosedForm() {
        CellTruth truth = new CellTruth(Chemistry.LFP, 1e6, 0.05, 0.03, 40, 0, 0, 1, 0.5);
        VirtualCell cell = new VirtualCell(truth);
        double open = cell.volts(0);
        for (int t = 1; t <= 200; t++) {
            cell.pass(-1, 1);
            assertEquals(
                    open - 0.05 - 0.03 * (1 - Math.exp(-t / 40.0)), cell.volts(-1), 1e-4, "s " + t);
        }
    }

    @Test
    void theSameSeedGivesTheSameLog() {
        CellTruth truth = CellTruth.sound(Chemistry.NMC, 1800, 0.07, 0.3);
        SlotRun one = run(truth, usual(Chemistry.NMC, 1, 3), 9);
        SlotRun two = run(truth, usual(Chemistry.NMC, 1, 3), 9);
        one.pass(1e6);
        for (int i = 0; i < 200_000; i += 1000) two.pass(1000);
        assertEquals(one.rows().size(), two.rows().size());
        for (int i = 0; i < one.rows().size(); i++)
            assertEquals(
                    List.of(one.rows().get(i)[0], one.rows().get(i)[1], one.rows().get(i)[2]),
                    List.of(two.rows().get(i)[0], two.rows().get(i)[1], two.rows().get(i)[2]));
        assertEquals(
                OptionalDouble.empty(),
                run(truth, usual(Chemistry.NMC, 1, 3), 9).deliveredMilliampHours());
    }
}
