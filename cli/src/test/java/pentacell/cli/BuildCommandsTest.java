package pentacell.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import picocli.CommandLine;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// The commands `taps` and `network` by their contracts.
final class BuildCommandsTest {
    private static final String LAYOUT =
            """
            {"cells": [
               {"id": "A", "positive": "p0", "negative": "n0", "volts": 4.0, "milliohms": 50},
               {"id": "B", "positive": "p1", "negative": "n1", "volts": 4.0, "milliohms": 50}],
             "conductors": [
               {"id": "top", "from": "p0", "to": "p1", "material": "nickel", "lengthMillimetres": 20,
                "widthMillimetres": 8, "thicknessMillimetres": 0.15, "layers": 2},
               {"id": "bottom", "from": "n0", "to": "n1", "milliohms": 0.5}],
             "terminals": {"positive": "p0", "negative": "n0"}}
            """;

    @TempDir Path folder;
    private final StringWriter out = new StringWriter();
    private final StringWriter err = new StringWriter();

    private int run(String... arguments) {
        CommandLine line = Main.commandLine(arguments);
        line.setOut(new PrintWriter(out, true)).setErr(new PrintWriter(err, true));
        return line.execute(arguments);
    }

    private String write(String name, String text) throws IOException {
        return Files.writeString(folder.resolve(name), text).toString();
    }

    private JsonNode json() {
        return JsonMapper.shared().readTree(out.toString());
    }

    @Test
    void aSwapIsSaidBeforeTheBoardIsPluggedIn() throws IOException {
        String readings = write("t.csv", "lead,volts\n0,0\n1,4.1\n2,12.3\n3,8.2\n4,16.4\n");
        Path summary = folder.resolve("t.json");
        assertEquals(
                0, run("taps", "--series", "4", "--readings", readings, "--summary", summary + ""));
        assertFalse(json().get("safeToPlugIn").asBoolean());
        JsonNode fault = json().get("faults").get(0);
        assertEquals("swapped", fault.get("kind").asString());
        assertEquals("[2,3]", fault.get("leads").toString());
        assertFalse(fault.has("groups"));
        assertTrue(err.toString().contains("changed places"));
        assertEquals(json(), JsonMapper.shared().readTree(Files.readString(summary)));
    }

    @Test
    void aLeadThatIsMissingOrEmptyReadsNothing() throws IOException {
        String readings = write("t.csv", "lead;volts\n0;0\n1;3,3\n2;\n3;9,9\n");
        assertEquals(0, run("taps", "--series", "4", "--readings", readings, "--chemistry", "lfp"));
        assertEquals(2, json().get("faults").size(), out.toString());
        assertEquals("open", json().get("faults").get(1).get("kind").asString());
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "lead,volts;0,0;1,four | is not a number",
                "lead,volts;0,0;1,4;1,4 | is there twice",
                "lead,volts;0,0;9,4 | leads 0 to 2",
                "pin,x;0,0 | no"
            })
    void readingsThatAreWrongAreSaid(String table, String words) throws IOException {
        String file = write("t.csv", table.replace(";", "\n"));
        int exit = run("taps", "--series", "2", "--readings", file);
        assertTrue(exit == 4 || words.equals("no"), err.toString());
        assertTrue(words.equals("no") || err.toString().contains(words), err.toString());
        assertEquals(2, run("taps", "--series", "0", "--readings", file));
    }

    @Test
    void currentsAndDropsOfALayout() throws IOException {
        assertEquals(
                0, run("network", "--layout", write("l.json", LAYOUT), "--load=10A"), err + "");
        // 0.5833 and 0.5 mΩ more stand before B
        double top = 7.0e-8 * 0.02 / (2 * 8 * 0.15e-6);
        double toB = 0.05 + top + 0.0005;
        double amps = 10 * toB / (0.05 + toB);
        assertEquals(amps, json().get("cellAmps").get("A").asDouble(), 1e-5);
        assertEquals(10 - amps, json().get("cellAmps").get("B").asDouble(), 1e-5);
        assertEquals(-(10 - amps), json().get("conductorAmps").get("top").asDouble(), 1e-5);
        assertEquals(4 - 0.05 * amps, json().get("terminalVolts").asDouble(), 1e-5);
        assertEquals(0, json().get("nodeVolts").get("n0").asDouble());
        assertEquals(amps / 5, json().get("worstCellShare").asDouble(), 1e-5);
        JsonNode hottest = json().get("hottest");
        assertEquals("top", hottest.get(0).get("id").asString());
        assertEquals(12, hottest.get(0).get("ampsAllowed").asDouble(), 1e-6);
        assertTrue(hottest.get(1).get("ampsAllowed").isNull());
    }

    @Test
    void aChargeFlowsTheOtherWay() throws IOException {
        assertEquals(0, run("network", "--layout", write("l.json", LAYOUT), "--load=-4A"));
        assertTrue(json().get("cellAmps").get("A").asDouble() < -1.9);
        assertTrue(json().get("terminalVolts").asDouble() > 4.09);
    }

    @ParameterizedTest(name = "{1} → {2}")
    @CsvSource(
            delimiter = '|',
            value = {
                "\"positive\": \"p0\", \"negative\": \"n0\"}} | \"positive\": \"zz\", \"negative\": \"n0\"}} | hangs on nothing",
                "\"from\": \"n0\", \"to\": \"n1\" | \"from\": \"q\", \"to\": \"r\" | node q is joined to no cell",
                "\"from\": \"n0\", \"to\": \"n1\", \"milliohms\": 0.5 | \"from\": \"n0\", \"to\": \"p0\", \"milliohms\": 0 | cell A is shorted",
                "\"milliohms\": 50} | \"milliohms\": \"x\"} | cells[0]: milliohms: expected a number",
                "\"nickel\" | \"gold\" | conductors[0]: material is copper",
                "\"terminals\" | \"ends\" | terminals: is missing",
                "\"cells\" | \"cells | is not JSON"
            })
    void whatIsWrongWithALayoutIsSaid(String part, String wrong, String sentence)
            throws IOException {
        String layout =
                write("l.json", LAYOUT.replaceFirst(java.util.regex.Pattern.quote(part), wrong));
        assertEquals(4, run("network", "--layout", layout, "--load=5A"), out.toString());
        assertTrue(err.toString().contains(sentence), err.toString());
        assertTrue(err.toString().startsWith("l.json:"), err.toString());
    }

    @Test
    void aLoadIsACurrent() throws IOException {
        String layout = write("l.json", LAYOUT);
        assertEquals(2, run("network", "--layout", layout, "--load=much"));
        assertEquals(2, run("network", "--layout", layout, "--load=5A", "--celsius", "900"));
    }
}
