package pentacell.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
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
    private Commands commands = new Commands(Path.of(""));

    @BeforeEach
    void begin() {
        commands = new Commands(folder);
    }

    @Test
    void aSwapIsSaidBeforeTheBoardIsPluggedIn() throws IOException {
        String readings =
                commands.write("t.csv", "lead,volts\n0,0\n1,4.1\n2,12.3\n3,8.2\n4,16.4\n");
        Path summary = folder.resolve("t.json");
        assertEquals(
                0,
                commands.run(
                        "taps",
                        "--series",
                        "4",
                        "--readings",
                        readings,
                        "--summary",
                        summary + ""));
        assertFalse(commands.json().get("safeToPlugIn").asBoolean());
        JsonNode fault = commands.json().get("faults").get(0);
        assertEquals("swapped", fault.get("kind").asString());
        assertEquals("[2,3]", fault.get("leads").toString());
        assertFalse(fault.has("groups"));
        assertTrue(commands.errors().contains("changed places"));
        assertEquals(commands.json(), JsonMapper.shared().readTree(Files.readString(summary)));
    }

    @Test
    void aLeadThatIsMissingOrEmptyReadsNothing() throws IOException {
        String readings = commands.write("t.csv", "lead;volts\n0;0\n1;3,3\n2;\n3;9,9\n");
        assertEquals(
                0,
                commands.run(
                        "taps", "--series", "4", "--readings", readings, "--chemistry", "lfp"));
        assertEquals(2, commands.json().get("faults").size(), commands.said());
        assertEquals("open", commands.json().get("faults").get(1).get("kind").asString());
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "lead,volts;0,0;1,four | is not a number",
                "lead,volts;0,0;1,4;1,4 | is there twice",
                "lead,volts;0,0;9,4 | leads 0 to 2",
                "pin,x;0,0 | no lead has a reading"
            })
    void readingsThatAreWrongAreSaid(String table, String words) throws IOException {
        String file = commands.write("t.csv", table.replace(";", "\n"));
        assertEquals(4, commands.run("taps", "--series", "2", "--readings", file));
        assertTrue(commands.errors().contains(words), commands.errors());
        assertEquals(2, commands.run("taps", "--series", "0", "--readings", file));
    }

    @Test
    void currentsAndDropsOfALayout() throws IOException {
        assertEquals(
                0,
                commands.run("network", "--layout", commands.write("l.json", LAYOUT), "--load=10A"),
                commands.errors());
        // 0.5833 and 0.5 mΩ more stand before B
        double top = 7.0e-8 * 0.02 / (2 * 8 * 0.15e-6);
        double toB = 0.05 + top + 0.0005;
        double amps = 10 * toB / (0.05 + toB);
        assertEquals(amps, commands.json().get("cellAmps").get("A").asDouble(), 1e-5);
        assertEquals(10 - amps, commands.json().get("cellAmps").get("B").asDouble(), 1e-5);
        assertEquals(
                -(10 - amps), commands.json().get("conductorAmps").get("top").asDouble(), 1e-5);
        assertEquals(4 - 0.05 * amps, commands.json().get("terminalVolts").asDouble(), 1e-5);
        assertEquals(0, commands.json().get("nodeVolts").get("n0").asDouble());
        assertEquals(amps / 5, commands.json().get("worstCellShare").asDouble(), 1e-5);
        JsonNode hottest = commands.json().get("hottest");
        assertEquals("top", hottest.get(0).get("id").asString());
        // two layers of 8 × 0.15 mm are one of 8 × 0.3 mm: 6 A · √(16.6 · 2.4 ÷ (16.3 · 1.2)), by
        // hand
        assertEquals(8.563, hottest.get(0).get("ampsAllowed").asDouble(), 1e-3);
        assertTrue(hottest.get(1).get("ampsAllowed").isNull());
    }

    @Test
    void aPackOfAWorkshopIsSolvedAsItIsLaidOut() throws IOException {
        String file = folder.resolve("demo.pentacell").toString();
        assertEquals(0, commands.run("demo", "--write", file), commands.errors());
        assertEquals(
                0,
                commands.run("network", "--pack", file, "Long night 24 V", "--load=10A"),
                commands.errors());
        assertEquals(70, commands.json().get("cellAmps").size());
        double sum = 0;
        for (JsonNode amps : commands.json().get("cellAmps")) sum += amps.asDouble();
        assertEquals(70, sum, 1e-3, "seven groups of 10 A");
        assertEquals(4, commands.run("network", "--pack", file, "No pack", "--load=10A"));
        assertTrue(commands.errors().contains("Long night 24 V"), commands.errors());
        assertEquals(4, commands.run("network", "--pack", file, "Dome shutter 12 V", "--load=1A"));
        assertTrue(commands.errors().contains("take a layout"), commands.errors());
        assertEquals(2, commands.run("network", "--load=1A"));
        paperOf(file);
    }

    private void paperOf(String file) throws IOException {
        Map<String, String> words = new LinkedHashMap<>();
        for (String what : List.of("build-book", "name-plate", "template", "pick-list"))
            words.put(what, "Long night 24 V");
        words.put("labels", "HB");
        words.put("donors", "What lots gave");
        words.put("pack", "Load tests");
        for (String what : words.keySet()) {
            Path out = folder.resolve(what + ".pdf");
            assertEquals(
                    0,
                    commands.run(
                            "report",
                            file,
                            "--what",
                            what,
                            "--pack",
                            "Long night 24 V",
                            "--out",
                            out.toString()),
                    commands.errors());
            try (PDDocument paper = Loader.loadPDF(out.toFile())) {
                String text = new PDFTextStripper().getText(paper);
                assertTrue(text.contains(words.get(what)), text);
            }
        }
        Path svg = folder.resolve("faces.svg");
        assertEquals(
                0,
                commands.run(
                        "report",
                        file,
                        "--what",
                        "faces",
                        "--pack",
                        "Long night 24 V",
                        "--out",
                        svg.toString()));
        assertTrue(Files.readString(svg).contains("<svg"));
        assertEquals(
                4, commands.run("report", file, "--what", "build-book", "--out", svg.toString()));
        assertTrue(commands.errors().contains("say --pack with one of"), commands.errors());
        assertEquals(2, commands.run("report", file, "--what", "song", "--out", svg.toString()));
        assertTrue(commands.errors().contains("build-book"), commands.errors());
        assertEquals(
                4,
                commands.run(
                        "report",
                        file,
                        "--what",
                        "faces",
                        "--pack",
                        "Dome shutter 12 V",
                        "--out",
                        svg.toString()));
    }

    @Test
    void aChargeFlowsTheOtherWay() throws IOException {
        assertEquals(
                0,
                commands.run(
                        "network", "--layout", commands.write("l.json", LAYOUT), "--load=-4A"));
        assertTrue(commands.json().get("cellAmps").get("A").asDouble() < -1.9);
        assertTrue(commands.json().get("terminalVolts").asDouble() > 4.09);
    }

    @ParameterizedTest(name = "{1} → {2}")
    @CsvSource(
            delimiter = '|',
            value = {
                "\"positive\": \"p0\", \"negative\": \"n0\"}} | \"positive\": \"zz\", \"negative\": \"n0\"}} | hangs on nothing",
                "\"from\": \"n0\", \"to\": \"n1\" | \"from\": \"q\", \"to\": \"r\" | node q is joined to no cell",
                "\"from\": \"n0\", \"to\": \"n1\", \"milliohms\": 0.5 | \"from\": \"n0\", \"to\": \"p0\", \"milliohms\": 0 | cell A is shorted",
                "\"milliohms\": 50} | \"milliohms\": \"x\"} | cells[0].milliohms: expected a number",
                "\"nickel\" | \"gold\" | conductors[0]: material is copper",
                "\"terminals\" | \"ends\" | terminals: is missing",
                "\"cells\" | \"cells | is not JSON"
            })
    void whatIsWrongWithALayoutIsSaid(String part, String wrong, String sentence)
            throws IOException {
        String layout =
                commands.write(
                        "l.json", LAYOUT.replaceFirst(java.util.regex.Pattern.quote(part), wrong));
        assertEquals(4, commands.run("network", "--layout", layout, "--load=5A"), commands.said());
        assertTrue(commands.errors().contains(sentence), commands.errors());
        assertTrue(commands.errors().startsWith("l.json:"), commands.errors());
    }

    @Test
    void aLoadIsACurrent() throws IOException {
        String layout = commands.write("l.json", LAYOUT);
        assertEquals(2, commands.run("network", "--layout", layout, "--load=much"));
        assertEquals(
                2, commands.run("network", "--layout", layout, "--load=5A", "--celsius", "900"));
    }
}
