package pentacell.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import picocli.CommandLine;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// The `simulate` command by its contract.
@Tag("exhaustive")
final class SimulateCommandTest {
    @TempDir Path folder;
    private final StringWriter out = new StringWriter();
    private final StringWriter err = new StringWriter();

    private int run(String... options) throws IOException {
        List<String> words = new ArrayList<>(List.of("simulate"));
        words.addAll(List.of("--groups", file("g.csv"), "--cells", file("lot.csv")));
        words.addAll(List.of(options));
        String[] arguments = words.toArray(String[]::new);
        CommandLine line = Main.commandLine(arguments);
        line.setOut(new PrintWriter(out, true)).setErr(new PrintWriter(err, true));
        return line.execute(arguments);
    }

    private String file(String name) {
        return folder.resolve(name).toString();
    }

    private void write(String name, String text) throws IOException {
        Files.writeString(folder.resolve(name), text);
    }

    private void pack() throws IOException {
        write("g.csv", "cell_id,group,position\nA,1,1\nB,1,2\nC,2,1\nD,2,2\n");
        write(
                "lot.csv",
                "cell_id,capacity_mah,ir_mohm\nA,2000,50\nB,2000,50\nC,1900,50\nD,1900,50\nE,1,\n");
        write("line.csv", "soc,volts\n0,3.0\n1,4.2\n");
    }

    @Test
    void theOutcomeIsWrittenByItsNames() throws IOException {
        pack();
        assertEquals(
                0,
                run(
                        "--load",
                        "4A",
                        "--ocv",
                        file("line.csv"),
                        "--end-voltage",
                        "3.2",
                        "--summary",
                        file("m.json"),
                        "--out",
                        file("curve.csv")),
                err.toString());
        JsonNode json = JsonMapper.shared().readTree(Files.readString(folder.resolve("m.json")));
        assertEquals(json, JsonMapper.shared().readTree(out.toString()));
        // each cell gives 2 A; it ends at rest 3.2 + 2·0.05 = 3.3 V: a quarter is left
        assertEquals(2 * 1.9 * 0.75, json.get("usableAh").asDouble(), 1e-6);
        assertEquals(3600 * 1.9 * 0.75 / 2, json.get("durationSeconds").asDouble(), 1e-3);
        assertEquals(2, json.get("endedByGroup").asInt());
        assertEquals(3.2, json.get("groupEndVoltages").get(1).asDouble(), 1e-6);
        assertEquals(1, json.get("worstCellCurrentShare").asDouble(), 1e-6);
        assertEquals(1, json.get("worstCellCurrentShareAtStart").asDouble(), 1e-6);
        assertEquals(4 - 2 * 1.9 * 0.75, json.get("groups").get(0).get("leftAh").asDouble(), 1e-6);
        assertEquals(3.2, json.get("groups").get(1).get("endVolts").asDouble(), 1e-6);
        // four cells at 2 A and 50 mΩ
        assertEquals(4 * 4 * 0.05 * 1.9 * 0.75 / 2, json.get("heatWh").asDouble(), 1e-6);
        for (String name : List.of("usableWh", "worstCell")) assertTrue(json.has(name), name);
        List<String> curve = Files.readAllLines(folder.resolve("curve.csv"));
        assertEquals("time_s,pack_v,current_a,group_1_v,group_2_v", curve.get(0));
        assertEquals("0.0,8.2,4.0,4.1,4.1", curve.get(1));
    }

    @Test
    void aCapacityMeasuredByATestIsCarriedOverToTheWhole() throws IOException {
        pack();
        write("g.csv", "cell_id,group\nA,1\n");
        write(
                "lot.csv",
                "cell_id,capacity_mah,ir_mohm,test_amps,test_end_volts\nA,1500,50,2,3.2\n");
        assertEquals(0, run("--load", "2A", "--ocv", file("line.csv"), "--end-voltage", "3.2"));
        JsonNode json = JsonMapper.shared().readTree(out.toString());
        assertEquals(1.5, json.get("usableAh").asDouble(), 1e-6);
        assertEquals(0.5, json.get("groups").get(0).get("leftAh").asDouble(), 1e-6);
    }

    /// A pair of 25 mΩ and 4 Ah is two cells of 50 mΩ and 2 Ah, share for share.
    @Test
    void aUnitIsItsCans() throws IOException {
        pack();
        write("g.csv", "cell_id,group\nA,1\nB,1\nC,1\n");
        write("lot.csv", "cell_id,capacity_mah,ir_mohm\nA,2000,50\nB,2000,50\nC,1500,90\n");
        assertEquals(0, run("--load", "4A", "--ocv", file("line.csv")), err.toString());
        JsonNode cells = JsonMapper.shared().readTree(out.toString());
        out.getBuffer().setLength(0);
        write("g.csv", "cell_id,group\nP,1\nC,1\n");
        write("lot.csv", "cell_id,capacity_mah,ir_mohm,count\nP,4000,25,2\nC,1500,90,1\n");
        assertEquals(0, run("--load", "4A", "--ocv", file("line.csv")), err.toString());
        JsonNode unit = JsonMapper.shared().readTree(out.toString());
        for (String name : List.of("usableAh", "worstCellCurrentShare", "heatWh"))
            assertEquals(cells.get(name).asDouble(), unit.get(name).asDouble(), 1e-9, name);
        assertEquals("P", unit.get("worstCell").asString());
    }

    @Test
    void ourOwnCurvesAreUsedWithoutOne() throws IOException {
        pack();
        for (String options : List.of("--load 20W", "--load 10W --chemistry lfp")) {
            out.getBuffer().setLength(0);
            assertEquals(0, run(options.split(" ")), err.toString());
            JsonNode json = JsonMapper.shared().readTree(out.toString());
            double ampHours = json.get("usableAh").asDouble();
            assertTrue(ampHours > 3.4 && ampHours <= 3.8, options + ": " + ampHours);
        }
    }

    @ParameterizedTest(name = "{0}: exit {2}")
    @CsvSource(
            delimiter = '|',
            value = {
                "--load 4A                       | A,1 A,2               | 4 | already in line",
                "--load 4A                       | A,1 Z,2               | 4 | cell Z is in a group but not here",
                "--load 4A                       | A,1 E,2               | 4 | has no ir_mohm",
                "--load 4A                       | A,1 B,3               | 4 | group 2 has no cell",
                "--load 4A --ocv half.csv        | A,1                   | 4 | expected from 0 to 1",
                "--load 4A --ocv falls.csv       | A,1                   | 4 | a curve rises",
                "--load 4                        | A,1                   | 2 | 10A or 200W",
                "--load 0A                       | A,1                   | 2 | above 0",
                "--load 4A --chemistry tin       | A,1                   | 2 | nmc or lfp",
                "--load 0.001A --step 0.001      | A,1                   | 2 | larger load",
                "--load 4A --step 0              | A,1                   | 2 | --step",
                "--load 4A --end-voltage 9       | A,1                   | 2 | --end-voltage"
            })
    void whatIsWrongIsNamed(String options, String groups, int exit, String words)
            throws IOException {
        pack();
        write("half.csv", "soc,volts\n0,3.0\n0.5,4.2\n");
        write("falls.csv", "soc,volts\n0,3.0\n0.5,2.9\n1,4\n");
        write("g.csv", "cell_id,group\n" + groups.replace(' ', '\n') + "\n");
        String[] given =
                options.replace("half.csv", file("half.csv"))
                        .replace("falls.csv", file("falls.csv"))
                        .split(" ");
        assertEquals(exit, run(given), err.toString());
        assertTrue(err.toString().contains(words), err.toString());
    }
}
