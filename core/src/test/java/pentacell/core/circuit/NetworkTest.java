package pentacell.core.circuit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.circuit.Network.Cell;
import pentacell.core.circuit.Network.Flow;
import pentacell.core.circuit.Network.Wire;

/// Currents in packs: Ohm by hand, a ladder's closed form, a circuit simulator, balances.
final class NetworkTest {
    private static Wire wire(String id, String from, String to, double ohms) {
        return new Wire(id, from, to, ohms, OptionalDouble.empty());
    }

    @Test
    @DisplayName("two cells in parallel: by conductance, and what one drives into the other")
    void twoCellsByHand() {
        List<Cell> cells =
                List.of(new Cell("a", "p", "n", 4.1, 0.04), new Cell("b", "p", "n", 4.0, 0.06));
        Flow loaded = Network.solve(cells, List.of(), "p", "n", 10);
        // U = (4.1/0.04 + 4.0/0.06 − 10) ÷ (1/0.04 + 1/0.06)
        double volts = (102.5 + 4.0 / 0.06 - 10) / (25 + 1 / 0.06);
        assertEquals(volts, loaded.terminalVolts(), 1e-12);
        assertEquals((4.1 - volts) / 0.04, loaded.cellAmps().get(0), 1e-9);
        assertEquals((4.1 - volts) / 0.04 / 5, loaded.worstShare(), 1e-9);
        Flow rest = Network.solve(cells, List.of(), "p", "n", 0);
        assertEquals(1, rest.cellAmps().get(0), 1e-9, "0.1 V over 0.1 Ω");
        assertEquals(-1, rest.cellAmps().get(1), 1e-9);
        assertTrue(Double.isNaN(rest.worstShare()));
        assertTrue(Network.solve(cells, List.of(), "p", "n", -5).terminalVolts() > 4.06);
    }

    /// Cells of a group along two bars; leads at one corner, or at opposite ends.
    private static List<Wire> bars(int cells, double ohms) {
        List<Wire> wires = new ArrayList<>();
        for (int i = 1; i < cells; i++) {
            wires.add(wire("p" + i, "p" + (i - 1), "p" + i, ohms));
            wires.add(wire("n" + i, "n" + (i - 1), "n" + i, ohms));
        }
        return wires;
    }

    private static List<Cell> group(int cells, double ohms) {
        List<Cell> group = new ArrayList<>();
        for (int i = 0; i < cells; i++) group.add(new Cell("c" + i, "p" + i, "n" + i, 4, ohms));
        return group;
    }

    @Test
    @DisplayName("closed form: a ladder's currents fall as cosh")
    void aLadderFallsAsTheHyperbolicCosine() {
        int cells = 12;
        double cell = 0.05;
        double bar = 0.0008;
        Flow flow = Network.solve(group(cells, cell), bars(cells, bar), "p0", "n0", 20);
        // i(k+1) − 2·i(k) + i(k−1) = (2·bar ÷ cell)·i(k), nothing flows beyond the last
        double step = Math.log(1 + bar / cell + Math.sqrt(Math.pow(1 + bar / cell, 2) - 1));
        double sum = 0;
        for (int k = 0; k < cells; k++) sum += Math.cosh((cells - k - 0.5) * step);
        for (int k = 0; k < cells; k++)
            assertEquals(
                    20 * Math.cosh((cells - k - 0.5) * step) / sum, flow.cellAmps().get(k), 1e-9);
    }

    @Test
    @DisplayName("leads at one corner load the corner cells (common practice)")
    void whereTheLeadsLeaveMatters() {
        Flow corner = Network.solve(group(10, 0.03), bars(10, 0.002), "p0", "n0", 30);
        Flow diagonal = Network.solve(group(10, 0.03), bars(10, 0.002), "p0", "n9", 30);
        Flow middle = Network.solve(group(10, 0.03), bars(10, 0.002), "p5", "n5", 30);
        assertEquals(
                corner.worstShare(), corner.cellAmps().get(0) / 3, 1e-9, "the corner works most");
        assertTrue(corner.worstShare() > 1.25, "corner " + corner.worstShare());
        assertTrue(diagonal.worstShare() < 0.75 * corner.worstShare(), diagonal + " " + corner);
        assertTrue(middle.worstShare() < corner.worstShare());
    }

    /// A pack of S groups of P along bars, linked by a few bridges, with cells that differ.
    private static List<Cell> pack(Random random, int series, int parallel, List<Wire> wires) {
        List<Cell> cells = new ArrayList<>();
        for (int g = 0; g < series; g++) {
            for (int i = 0; i < parallel; i++)
                cells.add(
                        new Cell(
                                "c%d_%d".formatted(g, i),
                                "p%d_%d".formatted(g, i),
                                "n%d_%d".formatted(g, i),
                                3.9 + 0.05 * random.nextDouble(),
                                0.03 + 0.04 * random.nextDouble()));
            for (int i = 1; i < parallel; i++)
                for (String end : List.of("p", "n"))
                    wires.add(
                            wire(
                                    "%s%d_%d".formatted(end, g, i),
                                    "%s%d_%d".formatted(end, g, i - 1),
                                    "%s%d_%d".formatted(end, g, i),
                                    0.0005 + 0.002 * random.nextDouble()));
            for (int i = 0; g > 0 && i < parallel; i += 3)
                wires.add(
                        wire(
                                "b%d_%d".formatted(g, i),
                                "p%d_%d".formatted(g - 1, i),
                                "n%d_%d".formatted(g, i),
                                0.001));
        }
        return cells;
    }

    @RepeatedTest(10)
    void currentsAddUpAndNoPowerIsLost(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        List<Wire> wires = new ArrayList<>();
        int series = 1 + random.nextInt(5);
        int parallel = 1 + random.nextInt(8);
        List<Cell> cells = pack(random, series, parallel, wires);
        double amps = 40 * random.nextDouble() - 15;
        String top = "p%d_0".formatted(series - 1);
        Flow flow = Network.solve(cells, wires, top, "n0_0", amps);
        for (int g = 0; g < series; g++) {
            double sum = 0;
            for (int i = 0; i < parallel; i++) sum += flow.cellAmps().get(g * parallel + i);
            assertEquals(amps, sum, 1e-7);
        }
        double given = 0;
        double heat = 0;
        for (int i = 0; i < cells.size(); i++) {
            double through = flow.cellAmps().get(i);
            given += cells.get(i).volts() * through;
            heat += through * through * cells.get(i).ohms();
        }
        for (Network.Hot hot : Network.hottest(wires, flow)) heat += hot.watts();
        assertEquals(given, heat + amps * flow.terminalVolts(), 1e-6 * (1 + Math.abs(given)));
    }

    @Test
    @DisplayName("3S4P against a circuit simulator (ngspice) that solves the same circuit")
    void agreesWithTheCircuitSimulator(@TempDir Path folder) throws Exception {
        assertTrue(
                Files.isExecutable(Path.of("/usr/bin/ngspice")),
                "the outside judge is missing: ./pentacell test installs ngspice");
        List<Wire> wires = new ArrayList<>();
        List<Cell> cells = pack(new Random(3), 3, 4, wires);
        Flow flow = Network.solve(cells, wires, "p2_0", "n0_3", 25);
        StringBuilder netlist = new StringBuilder("* three groups of four\n");
        for (Cell cell : cells)
            netlist.append(
                    "V%s %sx %s %.9f%nR%s %sx %s %.9f%n"
                            .formatted(
                                    cell.id(),
                                    cell.id(),
                                    spice(cell.negative()),
                                    cell.volts(),
                                    cell.id(),
                                    cell.id(),
                                    spice(cell.positive()),
                                    cell.ohms()));
        for (Wire each : wires)
            netlist.append(
                    "RW%s %s %s %.9f%n"
                            .formatted(
                                    each.id(), spice(each.from()), spice(each.to()), each.ohms()));
        netlist.append("ILOAD p2_0 0 25\n.op\n.control\nrun\nprint all\n.endc\n.end\n");
        Path file = Files.writeString(folder.resolve("pack.cir"), netlist);
        Process spice =
                new ProcessBuilder("/usr/bin/ngspice", "-b", file.toString())
                        .redirectErrorStream(true)
                        .start();
        String said = new String(spice.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        Map<String, Double> theirs = new TreeMap<>();
        for (String line : said.split("\\R")) {
            String[] words = line.strip().split("\\s*=\\s*");
            if (words.length == 2 && words[1].matches("[-+0-9.e]+"))
                theirs.put(words[0].strip(), Double.parseDouble(words[1]));
        }
        int compared = 0;
        for (Cell cell : cells) {
            Double amps = theirs.get("v" + cell.id() + "#branch");
            if (amps == null) continue;
            // the simulator counts a source's current into its positive end
            assertEquals(-amps, flow.cellAmps().get(cells.indexOf(cell)), 1e-3 * Math.abs(amps));
            compared++;
        }
        assertEquals(12, compared, said);
        assertEquals(
                theirs.getOrDefault("p2_0", Double.NaN),
                flow.terminalVolts(),
                1e-3 * flow.terminalVolts());
    }

    private static String spice(String node) {
        return node.equals("n0_3") ? "0" : node;
    }

    @Test
    void aLargePackIsSolved() {
        List<Wire> wires = new ArrayList<>();
        List<Cell> cells = pack(new Random(1), 14, 193, wires);
        Flow flow = Network.solve(cells, wires, "p13_0", "n0_0", 100);
        double sum = flow.cellAmps().stream().mapToDouble(each -> each).sum();
        assertEquals(14 * 100, sum, 1e-5);
    }

    @Test
    void whatCannotBeSolvedSaysWhich() {
        List<Cell> one = List.of(new Cell("a", "p", "n", 4, 0.05));
        assertWrong("hangs on nothing", one, List.of(), "x", "n");
        assertWrong(
                "node q is joined to no cell", one, List.of(wire("w", "q", "r", 0.1)), "p", "n");
        assertWrong("cell a is shorted", one, List.of(wire("w", "p", "n", 0)), "p", "n");
        assertWrong(
                "cell a is shorted",
                one,
                List.of(wire("w", "p", "m", 0), wire("v", "m", "n", 0)),
                "p",
                "n");
        assertWrong("both terminals", one, List.of(), "p", "p");
        assertWrong(
                "is not joined to the negative terminal",
                List.of(one.get(0), new Cell("b", "s", "t", 4, 0.05)),
                List.of(),
                "p",
                "n");
        assertWrong("no cell", List.of(), List.of(wire("w", "p", "n", 1)), "p", "n");
        assertThrows(IllegalArgumentException.class, () -> new Cell("a", "p", "n", 4, 0));
    }

    private static void assertWrong(
            String words, List<Cell> cells, List<Wire> wires, String positive, String negative) {
        IllegalArgumentException wrong =
                assertThrows(
                        IllegalArgumentException.class,
                        () -> Network.solve(cells, wires, positive, negative, 1));
        assertTrue(String.valueOf(wrong.getMessage()).contains(words), wrong.getMessage());
    }

    @Test
    void aConductorWithoutResistanceJoinsItsNodes() {
        List<Cell> cells =
                List.of(new Cell("a", "p", "m", 4, 0.05), new Cell("b", "k", "n", 4, 0.05));
        Flow flow = Network.solve(cells, List.of(wire("w", "m", "k", 0)), "p", "n", 3);
        assertEquals(8 - 0.3, flow.terminalVolts(), 1e-6);
        assertEquals(3, flow.wireAmps().get(0) * -1, 1e-3);
    }
}
