package pentacell.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import picocli.CommandLine;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// The command `prove` by its contract, on logs that `simulate` wrote.
final class ProveCommandTest {
    @TempDir Path folder;
    private final StringWriter out = new StringWriter();
    private final StringWriter err = new StringWriter();
    private Path cells = Path.of("");
    private Path groups = Path.of("");
    private Path curve = Path.of("");

    private int run(String... arguments) {
        out.getBuffer().setLength(0);
        CommandLine line = Main.commandLine(arguments);
        line.setOut(new PrintWriter(out, true)).setErr(new PrintWriter(err, true));
        return line.execute(arguments);
    }

    private JsonNode json() {
        return JsonMapper.shared().readTree(out.toString());
    }

    /// Five groups of four; the third holds a tenth less.
    @BeforeEach
    void simulate() throws IOException {
        StringBuilder lot = new StringBuilder("cell_id,capacity_mah,ir_mohm\n");
        StringBuilder grouping = new StringBuilder("cell_id,group\n");
        for (int group = 1; group <= 5; group++)
            for (int i = 1; i <= 4; i++) {
                String id = "C%d-%d".formatted(group, i);
                lot.append("%s,%d,40\n".formatted(id, group == 3 ? 1980 : 2200));
                grouping.append("%s,%d\n".formatted(id, group));
            }
        cells = Files.writeString(folder.resolve("lot.csv"), lot);
        groups = Files.writeString(folder.resolve("groups.csv"), grouping);
        curve = folder.resolve("curve.csv");
        assertEquals(
                0,
                run(
                        "simulate",
                        "--groups",
                        groups.toString(),
                        "--cells",
                        cells.toString(),
                        "--load",
                        "4A",
                        "--end-voltage",
                        "3",
                        "--step",
                        "10",
                        "--out",
                        curve.toString()));
    }

    private int prove(Path log, String... more) {
        List<String> all =
                new java.util.ArrayList<>(
                        List.of("prove", "--log", log.toString(), "--end-voltage", "3.0"));
        all.addAll(List.of(more));
        return run(all.toArray(new String[0]));
    }

    @Test
    void whatWasSimulatedIsFoundInItsLog() {
        double simulated = json().get("usableAh").asDouble();
        assertEquals(
                0,
                prove(curve, "--groups", groups.toString(), "--cells", cells.toString()),
                err.toString());
        assertEquals(simulated, json().get("deliveredAh").asDouble(), 0.01);
        assertEquals(simulated, json().get("predictedAh").asDouble(), 0.01);
        assertTrue(json().get("reachedEnd").asBoolean());
        assertEquals(3, json().get("endedByGroup").asInt());
        assertEquals(3, json().get("replaceFirst").asInt());
        assertEquals(5, json().get("groupVoltsAtEnd").size());
        assertTrue(json().get("restSpreadMillivolts").isNull(), "there is no rest in it");
        for (JsonNode group : json().get("groups")) {
            boolean isWeak = group.get("group").asInt() == 3;
            assertEquals(isWeak ? "low-capacity" : "ok", group.get("cause").asString());
            // a tenth of 8.8 Ah
            assertEquals(isWeak ? 0.88 : 0, group.get("missingAh").asDouble(), 0.08);
        }
    }

    @Test
    void timesAndSignsComeInAnyManner() throws IOException {
        assertEquals(0, prove(curve));
        JsonNode plain = json();
        StringBuilder turned = new StringBuilder();
        for (String line : Files.readAllLines(curve)) {
            String[] words = line.split(",");
            if (turned.isEmpty()) {
                turned.append("Timestamp;Current (mA)");
                for (int g = 1; g <= 5; g++) turned.append(";Group %d mV".formatted(g));
            } else {
                turned.append(
                        Instant.ofEpochSecond(1_780_000_000L)
                                .plusMillis((long) (1000 * Double.parseDouble(words[0]))));
                turned.append(
                        String.format(Locale.ROOT, ";%.1f", -1000 * Double.parseDouble(words[2])));
                for (int g = 0; g < 5; g++)
                    turned.append(
                            String.format(
                                    Locale.ROOT, ";%.2f", 1000 * Double.parseDouble(words[3 + g])));
            }
            turned.append('\n');
        }
        assertEquals(0, prove(Files.writeString(folder.resolve("t.csv"), turned)), err.toString());
        assertEquals(
                plain.get("deliveredAh").asDouble(), json().get("deliveredAh").asDouble(), 1e-3);
        assertEquals(
                plain.get("deliveredWh").asDouble(), json().get("deliveredWh").asDouble(), 0.02);
        assertEquals(3, json().get("replaceFirst").asInt());
    }

    @Test
    void badLinesAreNamedAndTheRestIsTaken() throws IOException {
        List<String> lines = new java.util.ArrayList<>(Files.readAllLines(curve));
        lines.add(40, "oops,1,2,3,4,5,6,7");
        lines.add(90, "5,18,4,4,4,4,4,4");
        Path broken = Files.write(folder.resolve("broken.csv"), lines);
        assertEquals(0, prove(broken));
        assertTrue(err.toString().contains("broken.csv:41: time \"oops\""), err.toString());
        assertTrue(err.toString().contains("its time goes back"), err.toString());
        assertEquals(3, json().get("endedByGroup").asInt());
    }

    @Test
    void whatIsNoLoadTestIsRefused() throws IOException {
        assertEquals(4, prove(folder.resolve("none.csv")));
        assertEquals(
                4, prove(Files.writeString(folder.resolve("a.csv"), "time_s,current_a\n0,1\n")));
        assertTrue(err.toString().contains("group_1_v"), err.toString());
        assertEquals(
                4,
                prove(
                        Files.writeString(
                                folder.resolve("b.csv"),
                                "time_s,current_a,group_1_v\n0,0,4\n10,0,4\n")));
        assertTrue(err.toString().contains("nothing is drawn"), err.toString());
        assertEquals(
                4,
                prove(
                        Files.writeString(
                                folder.resolve("c.csv"),
                                "time_s,current_a,group_1_v,group_3_v\n0,0,4,4\n")));
        assertEquals(2, prove(curve, "--groups", groups.toString()));
    }
}
