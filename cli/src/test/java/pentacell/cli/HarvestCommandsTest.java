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
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// The `diagnose` and `triage` commands by their contracts.
final class HarvestCommandsTest {
    @TempDir Path folder;
    private final StringWriter out = new StringWriter();
    private final StringWriter err = new StringWriter();

    @ParameterizedTest(name = "{0} {1}: {2}, {3}, groups {4}")
    // the first three are cases of common practice
    @CsvSource(
            delimiter = '|',
            value = {
                "4.05;3.40;4.05       |                         | low-group         | repair     | [2]",
                "4.40;0;4.41;0;0      | --no-balance-leads      | overcharged-group | scrap      | [1,3]",
                "3.9;3.92;1.32        |                         | low-group         | harvest    | [3]",
                "4.05;3.40;4.05       | --way harvest           | low-group         | harvest    | [2]",
                "2.1;2.1;2.1          |                         | all-low           | repair     | [1,2,3]",
                "3.9;3.9;3.9          | --output-voltage 0.1    | board-dead        | harvest    | []",
                "3.9;3.9;3.9          | --pack-voltage 11.7     | healthy           | use        | []",
                "3.9;3.9;3.9          | --pack-voltage 9.1      | reading-error     | read-again | [1,2,3]",
                "3.9;-3.9;3.9         |                         | reading-error     | read-again | [2]",
                "3.8;0;0.1;3.8        |                         | dead-groups       | harvest    | [2,3]",
                "4.1;4.0;3.9;4.0      |                         | drifted           | repair     | [2,3,4]",
                "3.3;3.31;3.3;2.9     | --chemistry lfp         | low-group         | repair     | [4]"
            })
    void theDiagnosisIsWrittenAsJson(
            String volts, String options, String signature, String advice, String groups)
            throws IOException {
        Path summary = folder.resolve("D.json");
        List<String> args =
                new ArrayList<>(
                        List.of("--readings", readings(volts), "--summary", summary.toString()));
        if (options != null) args.addAll(List.of(options.split(" ")));
        assertEquals(0, run("diagnose", args), err.toString());
        JsonNode json = JsonMapper.shared().readTree(Files.readString(summary));
        assertEquals(json, JsonMapper.shared().readTree(out.toString()));
        assertEquals(signature, json.get("signature").asString());
        assertEquals(advice, json.get("advice").asString());
        assertEquals(groups, json.get("groups").toString());
        JsonNode reason = json.get("reasons").get(0);
        for (String name : List.of("rule", "figure", "limit", "sentence"))
            assertTrue(reason.has(name), name);
    }

    @Test
    void badReadingsAreNamedByLine() throws IOException {
        Path file = folder.resolve("R.csv");
        Files.writeString(file, "group;voltage_v\n1;3,9\nx;3,9\n3;3,9O\n");
        assertEquals(4, run("diagnose", List.of("--readings", file.toString())));
        assertTrue(err.toString().contains("R.csv:3:"), err.toString());
        assertTrue(err.toString().contains("R.csv:4:") && err.toString().contains("letter O"));
        assertEquals(
                4, run("diagnose", List.of("--readings", folder.resolve("no.csv").toString())));
    }

    @ParameterizedTest
    @ValueSource(strings = {"--chemistry lead", "--way maybe", "--pack-voltage x"})
    void wrongUsageOfDiagnoseIsSaid(String options) throws IOException {
        List<String> args = new ArrayList<>(List.of("--readings", readings("3.9;3.9")));
        args.addAll(List.of(options.split(" ")));
        assertEquals(2, run("diagnose", args));
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource({
        "strict, 'normal recycle recycle recycle reject normal'",
        "usual, 'normal slow-charge slow-charge-watched recycle reject normal'",
        "rescue, 'normal slow-charge slow-charge slow-charge-watched reject normal'"
    })
    void eachSchoolJudgesATable(String school, String verdicts) throws IOException {
        Path file = folder.resolve("CELLS.csv");
        Files.writeString(
                file,
                "cell_id,voltage_v,chemistry\nA-1,3.7,nmc\nA-2,2.6,nmc\nA-3,2.0,\nA-4,1.2,nmc\nA-5,4.4,nmc\nA-6,2.55,lfp\n");
        Path csv = folder.resolve("V.csv");
        List<String> args =
                List.of("--cells", file.toString(), "--school", school, "--out", csv.toString());
        assertEquals(0, run("triage", args), err.toString());
        List<String> lines = Files.readAllLines(csv);
        assertEquals("cell_id,verdict,reason", lines.get(0));
        assertEquals(
                verdicts,
                String.join(" ", lines.stream().skip(1).map(line -> line.split(",")[1]).toList()));
    }

    @Test
    void aCellWithoutAVoltageIsABadLine() throws IOException {
        Path file = folder.resolve("CELLS.csv");
        Files.writeString(file, "cell_id,voltage_v\nA-1,3.7\nA-2,\n");
        assertEquals(4, run("triage", List.of("--cells", file.toString())));
        assertTrue(err.toString().contains("CELLS.csv:3:"), err.toString());
        assertEquals(0, run("triage", List.of("--cells", file.toString(), "--skip-bad-lines")));
        assertTrue(out.toString().contains("A-1,normal,"), out.toString());
        assertEquals(2, run("triage", List.of("--cells", file.toString(), "--school", "own")));
    }

    private String readings(String volts) throws IOException {
        StringBuilder csv = new StringBuilder("group,voltage_v\n");
        int group = 0;
        for (String each : volts.split(";"))
            csv.append(++group).append(',').append(each).append('\n');
        Path file = folder.resolve("R.csv");
        Files.writeString(file, csv);
        return file.toString();
    }

    private int run(String command, List<String> args) {
        out.getBuffer().setLength(0);
        List<String> all = new ArrayList<>(List.of(command));
        all.addAll(args);
        return Main.commandLine()
                .setOut(new PrintWriter(out))
                .setErr(new PrintWriter(err))
                .execute(all.toArray(String[]::new));
    }
}
