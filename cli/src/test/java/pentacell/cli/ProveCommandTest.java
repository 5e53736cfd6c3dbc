package pentacell.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/// The command `prove` by its contract, on logs that `simulate` wrote.
final class ProveCommandTest {
    @TempDir Path folder;
    private Commands commands = new Commands(Path.of(""));

    private Path cells = Path.of("");
    private Path groups = Path.of("");
    private Path curve = Path.of("");

    /// Five groups of four; the third holds a tenth less.
    @BeforeEach
    void simulate() throws IOException {
        commands = new Commands(folder);
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
                commands.run(
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
        return commands.run(all.toArray(new String[0]));
    }

    @Test
    void whatWasSimulatedIsFoundInItsLog() {
        double simulated = commands.json().get("usableAh").asDouble();
        assertEquals(
                0,
                prove(curve, "--groups", groups.toString(), "--cells", cells.toString()),
                commands.errors());
        assertEquals(simulated, commands.json().get("deliveredAh").asDouble(), 0.01);
        assertEquals(simulated, commands.json().get("predictedAh").asDouble(), 0.01);
        assertTrue(commands.json().get("reachedEnd").asBoolean());
        assertEquals(3, commands.json().get("endedByGroup").asInt());
        assertEquals(3, commands.json().get("replaceFirst").asInt());
        assertEquals(5, commands.json().get("groupVoltsAtEnd").size());
        assertTrue(commands.json().get("restSpreadMillivolts").isNull(), "there is no rest in it");
        for (JsonNode group : commands.json().get("groups")) {
            boolean isWeak = group.get("group").asInt() == 3;
            assertEquals(isWeak ? "low-capacity" : "ok", group.get("cause").asString());
            // a tenth of 8.8 Ah
            assertEquals(isWeak ? 0.88 : 0, group.get("missingAh").asDouble(), 0.08);
        }
    }

    @Test
    void timesAndSignsComeInAnyManner() throws IOException {
        assertEquals(0, prove(curve));
        JsonNode plain = commands.json();
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
        assertEquals(
                0, prove(Files.writeString(folder.resolve("t.csv"), turned)), commands.errors());
        assertEquals(
                plain.get("deliveredAh").asDouble(),
                commands.json().get("deliveredAh").asDouble(),
                1e-3);
        assertEquals(
                plain.get("deliveredWh").asDouble(),
                commands.json().get("deliveredWh").asDouble(),
                0.02);
        assertEquals(3, commands.json().get("replaceFirst").asInt());
    }

    @Test
    void badLinesAreNamedAndTheRestIsTaken() throws IOException {
        List<String> lines = new java.util.ArrayList<>(Files.readAllLines(curve));
        lines.add(40, "oops,1,2,3,4,5,6,7");
        lines.add(90, "5,18,4,4,4,4,4,4");
        Path broken = Files.write(folder.resolve("broken.csv"), lines);
        assertEquals(0, prove(broken));
        assertTrue(commands.errors().contains("broken.csv:41: time \"oops\""), commands.errors());
        assertTrue(
                commands.errors().contains("broken.csv:91: time goes back to 5"),
                commands.errors());
        assertEquals(3, commands.json().get("endedByGroup").asInt());
    }

    @Test
    void whatIsNoLoadTestIsRefused() throws IOException {
        assertEquals(4, prove(folder.resolve("none.csv")));
        assertEquals(
                4, prove(Files.writeString(folder.resolve("a.csv"), "time_s,current_a\n0,1\n")));
        assertTrue(commands.errors().contains("group_1_v"), commands.errors());
        assertEquals(
                4,
                prove(
                        Files.writeString(
                                folder.resolve("b.csv"),
                                "time_s,current_a,group_1_v\n0,0,4\n10,0,4\n")));
        assertTrue(commands.errors().contains("nothing is drawn"), commands.errors());
        assertEquals(
                4,
                prove(
                        Files.writeString(
                                folder.resolve("c.csv"),
                                "time_s,current_a,group_1_v,group_3_v\n0,0,4,4\n")));
        assertEquals(2, prove(curve, "--groups", groups.toString()));
    }
}
