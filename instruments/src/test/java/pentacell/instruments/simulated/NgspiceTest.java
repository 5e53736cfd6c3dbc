package pentacell.instruments.simulated;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;

/// The virtual cell against a circuit simulator (ngspice) that solves the same circuit: a source
/// for the charge on a capacitor, R0, and one RC pair, under a train of pulses.
final class NgspiceTest {
    @TempDir Path folder;

    @Test
    void aTrainOfPulsesAgreesWithTheCircuitSimulator() throws Exception {
        assertTrue(
                Files.isExecutable(Path.of("/usr/bin/ngspice")),
                "the outside judge is missing: ./pentacell test installs ngspice");
        // LFP between 58 and 54 %: the rest curve is so straight there that a capacitor of its
        // slope is as good
        CellTruth truth = new CellTruth(Chemistry.LFP, 2000, 0.055, 0.03, 40, 0, 0, 1, 0.58);
        double farads = 7200 / RestCurve.of(Chemistry.LFP).curve().slope(0.56);
        VirtualCell cell = new VirtualCell(truth);
        double open = cell.volts(0);
        Path netlist = folder.resolve("cell.cir");
        Path out = folder.resolve("out.txt");
        Files.writeString(
                netlist,
                """
                * virtual cell under pulses
                C0 oc 0 %.6f IC=%.9f
                R0 oc a %.6f
                R1 a t %.6f
                C1 a t %.6f IC=0
                I1 t 0 PULSE(0 1 100 1m 1m 60 120)
                .tran 0.5 600 0 0.05 UIC
                .control
                run
                linearize v(t)
                wrdata %s v(t)
                quit
                .endc
                .end
                """
                        .formatted(
                                farads,
                                open,
                                truth.ohms(),
                                truth.slowOhms(),
                                truth.slowSeconds() / truth.slowOhms(),
                                out.toString()),
                StandardCharsets.UTF_8);
        Process process =
                new ProcessBuilder("/usr/bin/ngspice", "-b", netlist.toString())
                        .redirectErrorStream(true)
                        .redirectOutput(folder.resolve("log.txt").toFile())
                        .start();
        assertEquals(0, process.waitFor(), () -> "see log");
        List<double[]> theirs = new ArrayList<>();
        for (String line : Files.readAllLines(out)) {
            String[] parts = line.strip().split("\\s+");
            theirs.add(new double[] {Double.parseDouble(parts[0]), Double.parseDouble(parts[1])});
        }
        assertTrue(
                theirs.size() > 1000, () -> String.format(Locale.ROOT, "%d rows", theirs.size()));
        int row = 0;
        double worst = 0;
        for (int second = 1; second < 600; second++) {
            double amps = second - 1 >= 100 && (second - 1 - 100) % 120 < 60 ? -1 : 0;
            cell.pass(amps, 1);
            // not at the edges, where the current is between
            boolean atEdge = second >= 100 && (second - 100) % 60 < 1;
            while (row < theirs.size() - 1 && theirs.get(row)[0] < second - 1e-6) row++;
            if (!atEdge) worst = Math.max(worst, Math.abs(theirs.get(row)[1] - cell.volts(amps)));
        }
        assertTrue(worst < 0.0002, "worst difference " + worst + " V");
    }
}
