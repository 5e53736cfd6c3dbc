package pentacell.instruments.simulated;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.cell.Chemistry;

/// A program that does not speak this protocol gets no answer: a web page can make a browser send
/// lines to a local port, behind a request of the browser's own.
final class StrangerTest {
    private static final String IDENTIFY = "{\"ask\":\"identify\",\"id\":1}\n";

    private static String said(SimulatedInstrument instrument, String sent) throws Exception {
        try (Socket socket = new Socket(InetAddress.getLoopbackAddress(), instrument.port())) {
            socket.getOutputStream().write(sent.getBytes(StandardCharsets.UTF_8));
            socket.shutdownOutput();
            return new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    private static SimulatedInstrument instrument() throws Exception {
        return SimulatedInstrument.start(
                StandIn.FOUR_SLOT,
                "Charger A",
                1,
                id -> new VirtualCell(CellTruth.sound(Chemistry.NMC, 2000, 0.06, 0.9)),
                7,
                0);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "POST / HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: 30\r\n\r\n",
                "hello\n",
                "\n",
                "{}\n"
            })
    void aFirstLineThatIsNoMessageEndsTheConnection(String first) throws Exception {
        try (SimulatedInstrument instrument = instrument()) {
            assertEquals("", said(instrument, first + IDENTIFY));
        }
    }

    @Test
    void laterNonsenseIsRefusedAndTheRestAnswered() throws Exception {
        try (SimulatedInstrument instrument = instrument()) {
            String said = said(instrument, IDENTIFY + "nonsense\n" + IDENTIFY);
            assertEquals(2, said.split("\"identity\"", -1).length - 1, said);
            assertTrue(said.contains("refused"), said);
        }
    }
}
