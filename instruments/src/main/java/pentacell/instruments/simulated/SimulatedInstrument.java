package pentacell.instruments.simulated;

import java.io.IOException;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CopyOnWriteArraySet;
import java.util.concurrent.Executors;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import pentacell.instruments.protocol.Ask;
import pentacell.instruments.protocol.LineReader;
import pentacell.instruments.protocol.Tell;
import pentacell.instruments.protocol.Wire;

/// A stand-in that speaks the line protocol on a loopback socket. Its clock runs as fast as it is
/// told; it goes on when its connection is cut, and tells again what was missed.
public final class SimulatedInstrument implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(SimulatedInstrument.class);
    private static final long TICK_MILLIS = 20;

    private final ServerSocket server;
    private final StandInDevice device;
    private final Set<Connection> connections = new CopyOnWriteArraySet<>();
    private final ScheduledExecutorService clock =
            Executors.newSingleThreadScheduledExecutor(
                    task -> Thread.ofPlatform().daemon().name("stand-in").unstarted(task));
    private final Thread accepting =
            Thread.ofVirtual().name("stand-in accept").unstarted(this::accept);
    private long lastTick = System.nanoTime();

    private SimulatedInstrument(ServerSocket server, StandInDevice device) {
        this.server = server;
        this.device = device;
    }

    /// Starts a stand-in.
    ///
    /// @param speed how many of its seconds pass in one, 1 to 10000
    /// @param box the virtual cells by what is written on them
    /// @param port to listen on; 0 takes a free one
    public static SimulatedInstrument start(
            StandIn kind,
            String name,
            double speed,
            Function<String, VirtualCell> box,
            long seed,
            int port)
            throws IOException {
        return start(new SimulatedSlots(kind, name, speed, box, seed), port);
    }

    /// Starts a stand-in on a whole pack.
    ///
    /// @param speed how many of its seconds pass in one, 0.01 to 10000
    /// @param port to listen on; 0 takes a free one
    public static SimulatedInstrument start(
            PackDevice.Kind kind, String name, double speed, VirtualPack pack, int port)
            throws IOException {
        return start(new PackDevice(kind, name, speed, pack), port);
    }

    // each tick tells its own failures
    @SuppressWarnings("FutureReturnValueIgnored")
    private static SimulatedInstrument start(StandInDevice device, int port) throws IOException {
        ServerSocket server = new ServerSocket(port, 8, InetAddress.getLoopbackAddress());
        SimulatedInstrument instrument = new SimulatedInstrument(server, device);
        instrument.accepting.start();
        instrument.clock.scheduleAtFixedRate(
                instrument::tick, TICK_MILLIS, TICK_MILLIS, TimeUnit.MILLISECONDS);
        return instrument;
    }

    /// The port it listens on.
    public int port() {
        return server.getLocalPort();
    }

    /// What its slots are in truth; for tests and demonstrations.
    ///
    /// @throws IllegalStateException when it has none, being on a whole pack
    public SimulatedSlots slots() {
        if (device instanceof SimulatedSlots slots) return slots;
        throw new IllegalStateException("a stand-in on a whole pack has no slots");
    }

    private void accept() {
        while (!server.isClosed()) {
            try {
                Connection connection = new Connection(server.accept());
                connections.add(connection);
                Thread.ofVirtual().name("stand-in connection").start(connection::listen);
            } catch (IOException closed) {
                if (!server.isClosed()) LOG.warn("a connection was not taken", closed);
            }
        }
    }

    private void tick() {
        try {
            long now = System.nanoTime();
            double seconds = (now - lastTick) / 1e9;
            lastTick = now;
            StandInDevice.Passed passed = device.pass(seconds);
            for (Tell tell : passed.told()) connections.forEach(each -> each.send(tell));
            if (passed.cutConnections()) cutConnections();
        } catch (RuntimeException fault) {
            LOG.error("the stand-in failed", fault);
        }
    }

    private void cutConnections() {
        connections.forEach(Connection::close);
        connections.clear();
    }

    @Override
    public void close() {
        clock.shutdownNow();
        try {
            server.close();
            // until it has let go, the port is taken and one more connection may be
            if (!accepting.join(Duration.ofSeconds(5))) LOG.warn("a stand-in still accepts");
        } catch (IOException failure) {
            LOG.warn("could not close a stand-in", failure);
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
        cutConnections();
    }

    /// One program at the other end. What it is told waits in a queue, so that one that does not
    /// read keeps neither the clock nor the others waiting; when the queue is full, it is given up.
    private final class Connection {
        private static final int MOST_WAITING = 20_000;

        private final Socket socket;
        private final Writer out;
        private final BlockingQueue<Tell> waiting = new LinkedBlockingQueue<>(MOST_WAITING);
        private final Thread telling =
                Thread.ofVirtual().name("stand-in tells").unstarted(this::tell);

        Connection(Socket socket) throws IOException {
            this.socket = socket;
            out = new OutputStreamWriter(socket.getOutputStream(), StandardCharsets.UTF_8);
            telling.start();
        }

        void listen() {
            try {
                // the socket is closed when the answers are out
                LineReader in = new LineReader(socket.getInputStream());
                Optional<String> line = in.next();
                // a browser begins with a request of its own, whatever a page lets it send after
                if (line.isEmpty() || !Wire.isAsking(line.get())) {
                    LOG.warn("a connection that did not begin with a message was ended");
                    return;
                }
                for (; line.isPresent(); line = in.next()) answers(line.get()).forEach(this::send);
            } catch (IOException gone) {
                LOG.debug("a connection ended", gone);
            } finally {
                connections.remove(this);
                // what was asked last is still answered
                telling.interrupt();
            }
        }

        private List<Tell> answers(String line) {
            Ask ask;
            try {
                ask = Wire.ask(line);
            } catch (Wire.NotUnderstoodException odd) {
                return List.of(new Tell.Refused(-1, String.valueOf(odd.getMessage())));
            }
            try {
                return device.answer(ask);
            } catch (RuntimeException odd) {
                LOG.warn("could not do {}", ask, odd);
                return List.of(
                        new Tell.Refused(ask.id(), "this cannot be done: " + odd.getMessage()));
            }
        }

        void send(Tell tell) {
            if (waiting.offer(tell)) return;
            LOG.warn("a program that does not read is given up");
            connections.remove(this);
            close();
        }

        private void tell() {
            try {
                while (true) {
                    write(waiting.take());
                    if (waiting.isEmpty()) out.flush();
                }
            } catch (InterruptedException ended) {
                tellTheRest();
            } catch (IOException gone) {
                LOG.debug("nobody listens", gone);
            } finally {
                close();
            }
        }

        private void tellTheRest() {
            try {
                for (Tell each = waiting.poll(); each != null; each = waiting.poll()) write(each);
                out.flush();
            } catch (IOException gone) {
                LOG.debug("nobody listens", gone);
            }
        }

        private void write(Tell tell) throws IOException {
            out.write(Wire.line(tell));
            out.write('\n');
        }

        void close() {
            try {
                socket.close();
            } catch (IOException failure) {
                LOG.debug("could not close a connection", failure);
            }
        }
    }
}
