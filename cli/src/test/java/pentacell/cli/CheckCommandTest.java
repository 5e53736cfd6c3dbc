package pentacell.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.LogbookException;
import pentacell.workshop.logbook.Opening;
import picocli.CommandLine;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// The `check` command by its contract.
final class CheckCommandTest {
    private static final int PAGE = 4096;

    @TempDir private Path folder;
    private final StringWriter out = new StringWriter();
    private final StringWriter err = new StringWriter();
    private Path file = Path.of("");

    @BeforeEach
    void aWorkshop() throws Exception {
        file = folder.resolve("bench.pentacell");
        write(file, false);
    }

    private static void write(Path file, boolean withUndone) throws LogbookException {
        try (Logbook book =
                assertInstanceOf(Opening.Opened.class, Logbook.open(file, Clock.systemUTC()))
                        .logbook()) {
            for (int i = 1; i <= 200; i++) {
                CellId cell = new CellId("K-" + i);
                if (withUndone) {
                    book.log("slip", List.of(new CellFact.VoltageRead(cell, 1)));
                    book.undo();
                }
                book.log(
                        "Log " + cell,
                        List.of(
                                new CellFact.VoltageRead(cell, 3.6),
                                new CellFact.CellNoted(cell, "a note of some length, to fill it")));
            }
        }
    }

    @Test
    void aWholeFileIsSaidToBeWhole() throws Exception {
        byte[] before = Files.readAllBytes(file);
        Path summary = folder.resolve("C.json");
        assertEquals(0, run("check", file.toString(), "--summary", summary.toString()), "" + err);
        JsonNode json = JsonMapper.shared().readTree(Files.readString(summary));
        assertEquals(json, JsonMapper.shared().readTree(out.toString()));
        assertTrue(json.get("whole").asBoolean());
        assertEquals(200, json.get("acts").asInt());
        assertEquals(400, json.get("facts").asInt());
        assertEquals(200, json.get("cells").asInt());
        assertEquals(0, json.get("problems").size());
        assertTrue(json.get("salvaged").isNull());
        assertTrue(Arrays.equals(before, Files.readAllBytes(file)));
        assertFalse(Files.exists(folder.resolve("bench.pentacell-wal")));
    }

    /// Acts and times do not count: what holds does.
    @Test
    void filesThatHoldTheSameHaveTheSameState() throws Exception {
        Path other = folder.resolve("other.pentacell");
        write(other, true);
        assertEquals(0, run("check", file.toString()));
        String state = JsonMapper.shared().readTree(out.toString()).get("state").asString();
        assertEquals(64, state.length());
        out.getBuffer().setLength(0);
        assertEquals(0, run("check", other.toString()));
        JsonNode json = JsonMapper.shared().readTree(out.toString());
        assertEquals(state, json.get("state").asString());
        assertEquals(600, json.get("acts").asInt());
        out.getBuffer().setLength(0);
        Path saved = folder.resolve("saved.pentacell");
        assertEquals(0, run("check", other.toString(), "--salvage", saved.toString()), "" + err);
        out.getBuffer().setLength(0);
        assertEquals(0, run("check", saved.toString()));
        assertEquals(state, JsonMapper.shared().readTree(out.toString()).get("state").asString());
    }

    @Test
    void aDamagedFileIsNamedAndSalvaged() throws Exception {
        for (Path each : copies()) Files.delete(each);
        byte[] bytes = Files.readAllBytes(file);
        Arrays.fill(bytes, bytes.length / 2, bytes.length - PAGE, (byte) 0x55);
        Files.write(file, bytes);
        Path saved = folder.resolve("saved.pentacell");
        assertEquals(4, run("check", file.toString(), "--salvage", saved.toString()));
        JsonNode json = JsonMapper.shared().readTree(out.toString());
        assertFalse(json.get("whole").asBoolean());
        for (JsonNode each : json.get("problems"))
            for (String name : List.of("kind", "where", "sentence"))
                assertFalse(each.get(name).asString().isBlank());
        assertTrue(json.get("problems").size() > 0);
        assertTrue(json.get("salvaged").get("lost").size() > 0);
        assertTrue(err.toString().contains("saved.pentacell holds "), err.toString());
        out.getBuffer().setLength(0);
        assertEquals(0, run("check", saved.toString()), "" + err);
        assertEquals(
                json.get("salvaged").get("acts"),
                JsonMapper.shared().readTree(out.toString()).get("acts"));
    }

    @Test
    void whatIsNoWorkshopIsRefusedInWords() throws Exception {
        assertEquals(4, run("check", folder.resolve("none.pentacell").toString()));
        assertTrue(err.toString().contains("none.pentacell is not there."), err.toString());
        assertEquals(4, run("check", folder.toString()));
        Path text = Files.writeString(folder.resolve("cells.csv"), "cell_id,capacity_mah\n");
        assertEquals(4, run("check", text.toString()));
        JsonNode json = JsonMapper.shared().readTree(out.toString());
        assertEquals("not-a-workshop", json.get("problems").get(0).get("kind").asString());
        assertTrue(json.get("format").isNull());
        assertTrue(json.get("state").isNull());
        out.getBuffer().setLength(0);
        Path empty = Files.createFile(folder.resolve("empty.pentacell"));
        assertEquals(4, run("check", empty.toString(), "--salvage", folder + "/x.pentacell"));
        assertTrue(err.toString().contains("Nothing was salvaged: "), err.toString());
    }

    @Test
    void theDemoIsWholeAndTheSameEachTimeItIsWritten() throws Exception {
        List<String> states = new ArrayList<>();
        for (String name : List.of("one.pentacell", "two.pentacell")) {
            DemoWorkshop.write(folder.resolve(name));
            out.getBuffer().setLength(0);
            assertEquals(0, run("check", folder.resolve(name).toString()), err.toString());
            JsonNode json = JsonMapper.shared().readTree(out.toString());
            assertEquals(219, json.get("cells").asInt());
            states.add(json.get("state").asString());
        }
        assertEquals(states.get(0), states.get(1));
    }

    private List<Path> copies() throws Exception {
        List<Path> copies = new ArrayList<>();
        Path folder = file.resolveSibling("bench.pentacell-backups");
        try (var files = Files.list(folder)) {
            files.filter(each -> each.toString().endsWith(".pentacell")).forEach(copies::add);
        }
        return copies;
    }

    private int run(String... arguments) {
        CommandLine line = Main.commandLine(arguments);
        line.setOut(new PrintWriter(out, true));
        line.setErr(new PrintWriter(err, true));
        return line.execute(arguments);
    }
}
