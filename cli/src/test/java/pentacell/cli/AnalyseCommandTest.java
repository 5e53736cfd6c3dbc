package pentacell.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// The `analyse` command by its contract.
final class AnalyseCommandTest {
    @TempDir Path folder;
    private final StringWriter out = new StringWriter();
    private final StringWriter err = new StringWriter();

    private int run(String... args) {
        return Main.commandLine()
                .setOut(new PrintWriter(out))
                .setErr(new PrintWriter(err))
                .execute(args);
    }

    private Path log(String text) throws IOException {
        Path file = folder.resolve("run-17.csv");
        Files.writeString(file, text);
        return file;
    }

    private static String discharge(String bad) {
        StringBuilder text = new StringBuilder("time_s,voltage_v,current_a\n0,4.1,0\n");
        for (int t = 10; t <= 3610; t += 10) {
            if (t == 1000) text.append(bad);
            text.append(t).append(',').append(4.0 - (t - 10) / 3600.0).append(",-1\n");
        }
        return text.append("3620,3.3,0\n").toString();
    }

    @Test
    void theSummaryHasWhatTheContractNames() throws IOException {
        Path summary = folder.resolve("A.json");
        int code =
                run(
                        "analyse",
                        log(discharge("1000,x,-1\n")).toString(),
                        "--end-voltage",
                        "3.2",
                        "--summary",
                        summary.toString());
        assertEquals(0, code, err.toString());
        JsonNode json = JsonMapper.shared().readTree(Files.readString(summary));
        assertEquals(json, JsonMapper.shared().readTree(out.toString()));
        assertEquals(800, json.get("dischargeCapacityMah").asDouble(), 2);
        assertEquals(2.88, json.get("dischargeEnergyWh").asDouble(), 0.01);
        assertEquals(3.6, json.get("meanVoltage").asDouble(), 0.005);
        assertTrue(json.get("reachedEndVoltage").asBoolean());
        assertEquals(2880, json.get("durationSeconds").asDouble(), 10);
        assertTrue(json.get("dcResistanceMohm").isNull());
        assertEquals(List.of("rest", "discharge", "rest"), kinds(json));
        assertEquals(10, json.get("steps").get(1).get("startSeconds").asDouble());
        assertEquals(102, json.get("problems").get(0).get("line").asInt());
        assertEquals(0, json.get("anomalies").size());
        assertTrue(err.toString().contains("run-17.csv:102: voltage \"x\" is not a number"));
    }

    private static List<String> kinds(JsonNode json) {
        return json.get("steps").valueStream().map(step -> step.get("kind").asString()).toList();
    }

    @ParameterizedTest
    @CsvSource({
        "--end-voltage, 9, 2",
        "--end-voltage, NaN, 2",
        "--rated, 0, 2",
        "--rated, 2000, 0"
    })
    void optionsAreChecked(String option, String value, int code) throws IOException {
        assertEquals(code, run("analyse", log(discharge("")).toString(), option, value));
    }

    @Test
    void aFileWithoutSamplesIsUnreadable() throws IOException {
        assertEquals(4, run("analyse", folder.resolve("none.csv").toString()));
        assertEquals(4, run("analyse", log("hello\n").toString()));
        assertTrue(err.toString().contains("none.csv: there is no such file"), err.toString());
    }
}
