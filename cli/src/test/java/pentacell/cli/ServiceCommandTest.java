package pentacell.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.Locale;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// The command `service` by its contract.
final class ServiceCommandTest {
    @TempDir Path folder;
    private Commands commands = new Commands(Path.of(""));

    @BeforeEach
    void begin() {
        commands = new Commands(folder);
    }

    /// Three weeks of 3.5 A by night and 7 A back by day, every ten minutes, in four groups of 40
    /// Ah.
    private String history(double shareOfSecond) throws IOException {
        RestCurve curve = RestCurve.of(Chemistry.NMC);
        StringBuilder text =
                new StringBuilder("time,current_a,group_1_v,group_2_v,group_3_v,group_4_v\n");
        double drawn = 0;
        LocalDateTime time = LocalDateTime.parse("2026-03-01T20:00:00");
        for (int i = 0; i < 21 * 144; i++, time = time.plusMinutes(10)) {
            int of = i % 144;
            double amps = of < 36 ? 3.5 : of >= 60 && drawn > 0.01 ? -7 : 0;
            text.append(time).append(String.format(Locale.ROOT, ",%.1f", amps));
            for (int g = 1; g <= 4; g++) {
                double share = 0.95 - drawn / 40 / (g == 2 ? shareOfSecond : 1);
                text.append(String.format(Locale.ROOT, ",%.3f", curve.volts(share) - 0.002 * amps));
            }
            text.append('\n');
            drawn += amps / 6;
        }
        return Files.writeString(folder.resolve("h.csv"), text).toString();
    }

    @Test
    void fiveOfTwentyOffAreCounted() throws IOException {
        Path summary = folder.resolve("s.json");
        assertEquals(
                0,
                commands.run(
                        "service",
                        "--log",
                        history(0.75),
                        "--parallel",
                        "20",
                        "--summary",
                        summary.toString()),
                commands.errors());
        assertEquals(commands.json(), JsonMapper.shared().readTree(Files.readString(summary)));
        JsonNode finding = commands.json().get("findings").get(0);
        assertEquals(2, finding.get("group").asInt());
        assertEquals("cells-off", finding.get("cause").asString());
        assertEquals(5, finding.get("cellsOff").asInt());
        assertEquals(0.75, finding.get("figures").get("capacityShare").asDouble(), 0.03);
        assertTrue(finding.get("sure").asDouble() > 0.8);
        assertTrue(finding.get("check").asString().contains("20\u00a0mV"));
        assertTrue(
                commands.json().get("spreadLowMillivolts").asDouble()
                        > commands.json().get("spreadHighMillivolts").asDouble());
        assertTrue(commands.json().has("trend"));
        assertTrue(
                commands.errors().contains("about 5 cells of 20 off the busbar"),
                commands.errors());
    }

    @Test
    void aHealthyPackHasNoFindings() throws IOException {
        assertEquals(0, commands.run("service", "--log", history(1), "--parallel", "20"));
        assertEquals(0, commands.json().get("findings").size(), commands.said());
        assertEquals(0, commands.json().get("outOfBalance").size(), commands.said());
        assertEquals(
                0,
                commands.run(
                        "service", "--log", history(1), "--parallel", "20", "--chemistry", "lfp"));
        assertTrue(commands.errors().contains("no cell of the LFP"), commands.errors());
    }

    @Test
    void whatCannotBeReadIsSaid() throws IOException {
        assertEquals(4, commands.run("service", "--log", "nowhere.csv", "--parallel", "20"));
        assertEquals(2, commands.run("service", "--log", history(1), "--parallel", "0"));
    }
}
