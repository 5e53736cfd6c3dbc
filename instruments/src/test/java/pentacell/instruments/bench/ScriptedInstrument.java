package pentacell.instruments.bench;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// An adapter as somebody else might write it: it says the lines of a script, well or badly formed.
final class ScriptedInstrument implements AutoCloseable {
    private final ServerSocket server;
    private final Map<String, List<String>> script;
    private final BlockingQueue<JsonNode> asked = new LinkedBlockingQueue<>();

    /// @param script what is said to each kind of request; `ID` stands for its number
    ScriptedInstrument(Map<String, List<String>> script) throws IOException {
        this.script = script;
        server = new ServerSocket(0, 10, InetAddress.getLoopbackAddress());
        Thread.ofVirtual().start(this::serve);
    }

    int port() {
        return server.getLocalPort();
    }

    /// The requests so far, in order.
    BlockingQueue<JsonNode> asked() {
        return asked;
    }

    private void serve() {
        while (!server.isClosed()) {
            try (Socket socket = server.accept();
                    BufferedReader in =
                            new BufferedReader(
                                    new InputStreamReader(
                                            socket.getInputStream(), StandardCharsets.UTF_8));
                    Writer out =
                            new OutputStreamWriter(
                                    socket.getOutputStream(), StandardCharsets.UTF_8)) {
                for (String line = in.readLine(); line != null; line = in.readLine()) {
                    JsonNode ask = JsonMapper.shared().readTree(line);
                    asked.add(ask);
                    for (String said : script.getOrDefault(ask.get("ask").asString(), List.of()))
                        out.write(said.replace("ID", ask.get("id").asString()) + "\n");
                    out.flush();
                }
            } catch (IOException gone) {
                // the next connection is waited for, until the server is closed
            }
        }
    }

    @Override
    public void close() throws IOException {
        server.close();
    }
}
