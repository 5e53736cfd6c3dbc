package pentacell.instruments.protocol;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.cell.Chemistry;
import pentacell.instruments.simulated.CellTruth;
import pentacell.instruments.simulated.SimulatedInstrument;
import pentacell.instruments.simulated.SlotTruth;
import pentacell.instruments.simulated.StandIn;
import pentacell.instruments.simulated.VirtualCell;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// A stand-in at the other end of a bare socket, as the author of an adapter would try it: lines
/// written by hand, answers read as plain JSON.
final class SocketTest {
    private static final String PROGRAMME =
            "{\"stages\":[{\"stage\":\"discharge\",\"amps\":1,\"volts\":3.4},{\"stage\":\"rest\",\"seconds\":60}],"
                    + "\"sampleSeconds\":30,\"limits\":{\"mostVolts\":4.25,\"leastVolts\":0.5,\"mostCelsius\":45,\"mostSeconds\":86400}}";

    private SimulatedInstrument instrument;
    private Socket socket;
    private BufferedReader in;
    private Writer out;

    @BeforeEach
    void connect() throws IOException {
        instrument =
                SimulatedInstrument.start(
                        StandIn.FOUR_SLOT,
                        "Charger A",
                        10_000,
                        id -> new VirtualCell(CellTruth.sound(Chemistry.NMC, 2000, 0.06, 0.9)),
                        1,
                        0);
        socket = new Socket(InetAddress.getLoopbackAddress(), instrument.port());
        socket.setSoTimeout(30_000);
        in =
                new BufferedReader(
                        new InputStreamReader(socket.getInputStream(), StandardCharsets.UTF_8));
        out = new OutputStreamWriter(socket.getOutputStream(), StandardCharsets.UTF_8);
    }

    @AfterEach
    void tidy() throws IOException {
        socket.close();
        instrument.close();
    }

    private void say(String line) throws IOException {
        out.write(line + "\n");
        out.flush();
    }

    /// The next line of a kind; others are passed over.
    private JsonNode next(String kind) throws IOException {
        while (true) {
            String line = in.readLine();
            if (line == null) throw new AssertionError("the line ended without " + kind);
            JsonNode node = JsonMapper.shared().readTree(line);
            if (node.get("tell").asString().equals(kind)) return node;
        }
    }

    @Test
    void itSaysWhoItIsAndWhatIsInIt() throws IOException {
        say("{\"ask\":\"identify\",\"id\":1}");
        JsonNode identity = next("identity");
        assertEquals(1, identity.get("answers").asInt());
        assertEquals(1, identity.get("protocol").asInt());
        assertEquals(4, identity.get("slots").size());
        assertEquals("nmc", identity.get("slots").get(0).get("chemistries").get(0).asString());
        say("{\"ask\":\"slots\",\"id\":2}");
        assertTrue(next("slots").get("slots").get(0).get("volts").isNull());
        say("{\"ask\":\"insert\",\"id\":3,\"slot\":1,\"cell\":\"HB03-07\"}");
        next("done");
        say("{\"ask\":\"read\",\"id\":4,\"slot\":1}");
        assertEquals(4.07, next("reading").get("volts").asDouble(), 0.001);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{'ask':'start','id':7,'slot':1,'run':'R','programme':P}   | empty",
                "{'ask':'start','id':7,'slot':9,'run':'R','programme':P}   | there is no slot 9",
                "{'ask':'start','id':7,'slot':0,'run':'R','programme':P}   | there is no slot 0",
                "{'ask':'replay','id':7,'slot':1,'run':'R','from':0}       | is not known",
                "{'ask':'read','id':7,'slot':1}                            | empty",
                "{'ask':'start','id':7,'slot':1,'run':'R'}                 | not understood",
                "{'ask':'read','id':7,'slot':-3}                           | there is no slot -3",
                "{'ask':'replay','id':7,'slot':-2147483648,'run':'R','from':-5} | there is no slot",
                "{'ask':'sing','id':7}                                     | not understood",
                "hello                                                     | not understood"
            })
    void whatItWillNotDoIsRefusedWithAReason(String line, String why) throws IOException {
        say("{\"ask\":\"identify\",\"id\":6}");
        next("identity");
        say(line.replace('\'', '"').replace("P}", PROGRAMME + "}"));
        assertTrue(next("refused").get("why").asString().contains(why), line);
        // and the line stays open
        say("{\"ask\":\"identify\",\"id\":8}");
        assertEquals(8, next("identity").get("answers").asInt());
    }

    /// Who does not read, or never ends a line, is given up; nobody else notices.
    @ParameterizedTest
    @ValueSource(strings = {"never reads", "never ends a line"})
    void aSickProgramStopsNeitherTheClockNorTheOthers(String how) throws IOException {
        try (Socket sick = new Socket(InetAddress.getLoopbackAddress(), instrument.port())) {
            Writer line = new OutputStreamWriter(sick.getOutputStream(), StandardCharsets.UTF_8);
            String said =
                    how.equals("never reads")
                            ? "{\"ask\":\"slots\",\"id\":1}\n"
                            : "x".repeat(10_000);
            assertThrows(
                    IOException.class,
                    () -> {
                        for (int i = 0; i < 1_000_000; i++) {
                            line.write(said);
                            line.flush();
                        }
                    },
                    "it is given up");
            say("{\"ask\":\"insert\",\"id\":1,\"slot\":2,\"cell\":\"-5\"}");
            next("done");
            say(
                    "{\"ask\":\"start\",\"id\":2,\"slot\":2,\"run\":\"R\",\"programme\":"
                            + PROGRAMME
                            + "}");
            assertEquals("done", next("ended").get("how").asString());
        }
    }

    @Test
    void aRunTellsItsSamplesAndCanBeReplayedFromAnywhere() throws IOException {
        say("{\"ask\":\"insert\",\"id\":1,\"slot\":2,\"cell\":\"HB03-07\"}");
        say(
                "{\"ask\":\"start\",\"id\":2,\"slot\":2,\"run\":\"R\",\"programme\":"
                        + PROGRAMME
                        + "}");
        int rows = 0;
        double lastSeconds = -1;
        while (true) {
            JsonNode node = JsonMapper.shared().readTree(in.readLine());
            if (node.get("tell").asString().equals("ended")) {
                assertEquals("done", node.get("how").asString());
                break;
            }
            if (!node.get("tell").asString().equals("samples")) continue;
            assertEquals(rows, node.get("first").asInt(), "no row is missing");
            for (JsonNode row : node.get("rows")) {
                assertTrue(row.get(0).asDouble() > lastSeconds);
                lastSeconds = row.get(0).asDouble();
                rows++;
            }
        }
        assertTrue(rows > 60, rows + " rows");
        say("{\"ask\":\"replay\",\"id\":3,\"slot\":2,\"run\":\"R\",\"from\":" + (rows - 5) + "}");
        JsonNode again = next("samples");
        assertEquals(rows - 5, again.get("first").asInt());
        assertEquals(5, again.get("rows").size());
        assertEquals("done", next("ended").get("how").asString());
    }

    @Test
    void aSlotReadsOffAsItsTruthSays() throws IOException {
        instrument.slots().setTruth(3, new SlotTruth(1.03, 0.01, 0, 0));
        say("{\"ask\":\"insert\",\"id\":1,\"slot\":3,\"cell\":\"HB03-07\"}");
        say(
                "{\"ask\":\"start\",\"id\":2,\"slot\":3,\"run\":\"R\",\"programme\":"
                        + PROGRAMME
                        + "}");
        JsonNode first = next("samples").get("rows").get(0);
        assertEquals(-1.03, first.get(2).asDouble(), 1e-9);
        assertEquals(4.07 - 0.06 - 0.01, first.get(1).asDouble(), 1e-4);
    }
}
