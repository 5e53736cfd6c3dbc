package pentacell.core.circuit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.Discharged.EndedBy;

final class PackSimulationTest {
    /// 3 V empty, 4.2 V full.
    private static final VoltageCurve LINE =
            VoltageCurve.straight(new double[] {0, 1}, new double[] {3, 4.2});

    private static final double SLOPE = 1.2;

    private static Discharged discharge(
            List<List<CircuitCell>> groups, VoltageCurve curve, Load load, double end) {
        return PackSimulation.discharge(groups, curve, load, end, 1, (t, v, i, each) -> {});
    }

    @ParameterizedTest(name = "{0} A to {1} V")
    @CsvSource({"1, 3.2", "2, 3.2", "4, 3.5", "0.5, 3.05"})
    void oneCellOnALineIsAsTheFormulaSays(double amps, double end) {
        double ohms = 0.05;
        Discharged outcome =
                discharge(
                        List.of(List.of(new CircuitCell(2, ohms))), LINE, new Load.Amps(amps), end);
        // it ends where the rest voltage is end + I·R
        double left = (end + amps * ohms - 3) / SLOPE;
        double hours = 2 * (1 - left) / amps;
        assertEquals(2 * (1 - left), outcome.ampHours(), 1e-9);
        assertEquals(3600 * hours, outcome.seconds(), 1e-5);
        double first = 4.2 - amps * ohms;
        assertEquals(amps * hours * (first + end) / 2, outcome.wattHours(), 1e-6);
        assertEquals(amps * amps * ohms * hours, outcome.heatWattHours(), 1e-9);
        assertEquals(1, outcome.worstShare(), 1e-12);
        assertEquals(2 * left, outcome.leftAmpHours().get(0), 1e-9);
        assertEquals(end, outcome.groupVolts().get(0), 1e-9);
        assertEquals(EndedBy.VOLTAGE, outcome.endedBy());
    }

    @ParameterizedTest(name = "steps of {0} s")
    @ValueSource(doubles = {0.3, 1, 9, 47, 49, 90})
    @DisplayName("two cells in parallel: the states part and meet again by an exponential")
    void twoCellsShareAsTheDifferentialEquationSays(double width) {
        double amps = 2;
        double r1 = 0.04;
        double r2 = 0.06;
        double charge = 2 * 3600;
        List<double[]> steps = new ArrayList<>();
        Discharged outcome =
                PackSimulation.discharge(
                        List.of(List.of(new CircuitCell(2, r1), new CircuitCell(2, r2))),
                        LINE,
                        new Load.Amps(amps),
                        3.2,
                        width,
                        (t, volts, i, each) -> steps.add(new double[] {t, volts}));
        double rate = 2 * SLOPE / (charge * (r1 + r2));
        // what a rule of the second order may miss; two rules meet at a fifth of r1·Q ÷ m, 48 s
        double missed = 1e-9 + 5e-4 * Math.pow(rate * width, 2);
        for (double[] step : steps) {
            // δ' = −(I·(r2 − r1) + 2·m·δ) ÷ (Q·(r1 + r2)), from i1·r1 − i2·r2 = m·δ
            double apart = -amps * (r2 - r1) / (2 * SLOPE) * (1 - Math.exp(-rate * step[0]));
            double mean = 1 - amps * step[0] / (2 * charge);
            double s1 = mean + apart / 2;
            double i1 = (amps * r2 + SLOPE * apart) / (r1 + r2);
            assertEquals(3 + SLOPE * s1 - i1 * r1, step[1], missed, "at " + step[0] + " s");
        }
        // at first by resistance alone: 0.06 ÷ 0.10 of the current, over half of it
        assertEquals(1.2, outcome.worstShareAtStart(), 1e-12);
        assertEquals(1.2, outcome.worstShare(), 1e-12);
        assertEquals(0, outcome.worstPlace());
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {1, 2, 3, 4})
    void whatTheCellsLoseIsWhatComesOutAndTheHeat(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Chemistry chemistry = random.nextBoolean() ? Chemistry.NMC : Chemistry.LFP;
        VoltageCurve curve = RestCurve.of(chemistry).curve();
        List<List<CircuitCell>> groups = new ArrayList<>();
        for (int g = 0; g < 4; g++)
            groups.add(
                    List.of(
                            new CircuitCell(
                                    1.8 + 0.4 * random.nextDouble(),
                                    0.03 + 0.04 * random.nextDouble())));
        Load load = seed % 2 == 0 ? new Load.Amps(1.5) : new Load.Watts(18);
        Discharged outcome = discharge(groups, curve, load, chemistry.endVolts() + 0.6);
        double stored = 0;
        for (int g = 0; g < 4; g++) {
            double whole = groups.get(g).get(0).ampHours();
            double left = outcome.leftAmpHours().get(g) / whole;
            int parts = 20_000;
            for (int i = 0; i < parts; i++)
                stored +=
                        curve.volts(left + (1 - left) * (i + 0.5) / parts)
                                * whole
                                * (1 - left)
                                / parts;
        }
        assertEquals(stored, outcome.wattHours() + outcome.heatWattHours(), 1e-4 * stored);
        if (load instanceof Load.Watts watts)
            assertEquals(
                    watts.watts() * outcome.seconds() / 3600, outcome.wattHours(), 1e-4 * stored);
    }

    @Test
    void theWeakestGroupEndsItAndTheOthersKeepWhatTheyHaveOver() {
        List<List<CircuitCell>> groups = new ArrayList<>();
        for (double ampHours : new double[] {2.2, 2.0, 2.1})
            groups.add(List.of(new CircuitCell(ampHours, 0.05), new CircuitCell(ampHours, 0.05)));
        Discharged outcome = discharge(groups, LINE, new Load.Amps(2), 3.1);
        assertEquals(1, outcome.group());
        assertEquals(0.4, outcome.leftAmpHours().get(0) - outcome.leftAmpHours().get(1), 1e-6);
        assertTrue(outcome.groupVolts().get(0) > outcome.groupVolts().get(1));
    }

    @Test
    void whatCannotBeDrawnEndsItAtOnce() {
        List<List<CircuitCell>> one = List.of(List.of(new CircuitCell(2, 0.05)));
        // at most E² ÷ 4R = 4.2² ÷ 0.2 = 88.2 W
        Discharged tooMuch = discharge(one, LINE, new Load.Watts(90), 1);
        assertEquals(EndedBy.POWER, tooMuch.endedBy());
        assertEquals(0, tooMuch.ampHours());
        assertEquals(0, discharge(one, LINE, new Load.Amps(30), 3).seconds());
        // a curve that ends over the end voltage: it ends when nothing is left
        Discharged whole = discharge(one, LINE, new Load.Amps(1), 2.5);
        assertEquals(EndedBy.CHARGE, whole.endedBy());
        assertEquals(2, whole.ampHours(), 1e-9);
        assertThrows(
                IllegalArgumentException.class,
                () -> discharge(List.of(), LINE, new Load.Amps(1), 3));
        assertThrows(
                IllegalArgumentException.class,
                () -> discharge(List.of(List.of()), LINE, new Load.Amps(1), 3));
        assertThrows(IllegalArgumentException.class, () -> new Load.Amps(Double.NaN));
        assertThrows(IllegalArgumentException.class, () -> new Load.Watts(-1));
    }

    @Test
    void aCapacityMeasuredUnderOtherConditionsIsCarriedOverToTheWhole() {
        // ended at 3.0 V under 2 A and 50 mΩ: at rest 3.1 V, 1/12 of the charge is left
        CircuitCell cell = CircuitCell.measured(LINE, 1.1, 0.05, 2, 3.0);
        assertEquals(1.2, cell.ampHours(), 1e-9);
        Discharged again = discharge(List.of(List.of(cell)), LINE, new Load.Amps(2), 3.0);
        assertEquals(1.1, again.ampHours(), 1e-9, "the same test gives the same again");
        assertThrows(
                IllegalArgumentException.class,
                () -> CircuitCell.measured(LINE, 1.1, 0.05, 30, 3.0));
    }

    @ParameterizedTest(name = "{0}")
    @ValueSource(strings = {"watts", "amps", "parts"})
    void aFinerStepChangesNothingThatCounts(String kind) {
        SplittableRandom random = new SplittableRandom(5);
        List<List<CircuitCell>> groups = new ArrayList<>();
        for (int g = 0; g < 7; g++) {
            List<CircuitCell> group = new ArrayList<>();
            for (int i = 0; i < 10; i++)
                group.add(
                        new CircuitCell(
                                2 + 0.3 * random.nextDouble(), 0.03 + 0.03 * random.nextDouble()));
            groups.add(group);
        }
        VoltageCurve curve = RestCurve.of(Chemistry.NMC).curve();
        Load load =
                switch (kind) {
                    case "watts" -> new Load.Watts(200);
                    case "amps" -> new Load.Amps(12);
                    default ->
                            new Load.Profile(
                                    List.of(
                                            new Load.Part(new Load.Watts(300), 40.5),
                                            new Load.Part(new Load.Rest(), 7),
                                            new Load.Part(new Load.Amps(3), 90)));
                };
        Discharged coarse = discharge(groups, curve, load, 3.0);
        Discharged fine =
                PackSimulation.discharge(groups, curve, load, 3.0, 0.1, (t, v, i, each) -> {});
        assertEquals(fine.ampHours(), coarse.ampHours(), 1e-5 * fine.ampHours());
        assertEquals(fine.heatWattHours(), coarse.heatWattHours(), 1e-4 * fine.heatWattHours());
        assertEquals(fine.worstShare(), coarse.worstShare(), 1e-3);
    }

    @Test
    @DisplayName("2S3P against a circuit simulator (ngspice) that solves the same circuit")
    void aPackAgreesWithTheCircuitSimulator(@TempDir Path folder) throws Exception {
        assertTrue(
                Files.isExecutable(Path.of("/usr/bin/ngspice")),
                "the outside judge is missing: ./pentacell test installs ngspice");
        double[][] ampHours = {{2.0, 1.6, 2.4}, {2.2, 1.9, 2.1}};
        double[][] ohms = {{0.03, 0.08, 0.05}, {0.06, 0.04, 0.09}};
        StringBuilder netlist = new StringBuilder("* two groups of three\n");
        List<List<CircuitCell>> groups = new ArrayList<>();
        for (int g = 0; g < 2; g++) {
            List<CircuitCell> group = new ArrayList<>();
            for (int i = 0; i < 3; i++) {
                group.add(new CircuitCell(ampHours[g][i], ohms[g][i]));
                // on a line a cell is a capacitor of Q ÷ m
                netlist.append(
                        "C%d%d n%d%d g%d %.9f IC=1.2\nR%d%d g%d n%d%dx %.9f\nV%d%d n%d%dx n%d%d 3\n"
                                .formatted(
                                        g,
                                        i,
                                        g,
                                        i,
                                        g,
                                        ampHours[g][i] * 3600 / SLOPE,
                                        g,
                                        i,
                                        g + 1,
                                        g,
                                        i,
                                        ohms[g][i],
                                        g,
                                        i,
                                        g,
                                        i,
                                        g,
                                        i));
            }
            groups.add(group);
        }
        Path out = folder.resolve("out.txt");
        netlist.append(
                """
                Vgnd g0 0 0
                I1 g2 0 4
                .tran 1 1800 0 1 UIC
                .control
                run
                linearize v(g1) v(g2)
                wrdata %s v(g1) v(g2)
                quit
                .endc
                .end
                """
                        .formatted(out));
        Path file = Files.writeString(folder.resolve("pack.cir"), netlist);
        Process spice =
                new ProcessBuilder("/usr/bin/ngspice", "-b", file.toString())
                        .redirectErrorStream(true)
                        .start();
        String said = new String(spice.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertTrue(Files.exists(out), () -> "the circuit simulator said: " + said);
        List<double[]> ours = new ArrayList<>();
        PackSimulation.discharge(
                groups,
                LINE,
                new Load.Amps(4),
                3.0,
                1,
                (t, volts, amps, each) -> ours.add(new double[] {each[0], each[1]}));
        int compared = 0;
        for (String line : Files.readAllLines(out)) {
            String[] words = line.strip().split("\\s+");
            int second = (int) Math.round(Double.parseDouble(words[0]));
            if (second < 1 || second >= ours.size()) continue;
            double g1 = Double.parseDouble(words[1]);
            double g2 = Double.parseDouble(words[3]);
            assertEquals(g1, ours.get(second)[0], 2e-4, "group 1 at " + second);
            assertEquals(g2 - g1, ours.get(second)[1], 2e-4, "group 2 at " + second);
            compared++;
        }
        assertTrue(compared > 1000, "compared " + compared);
    }
}
