package pentacell.instruments.bench;

import java.io.IOException;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.LongFunction;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import pentacell.instruments.protocol.Ask;
import pentacell.instruments.protocol.LineReader;
import pentacell.instruments.protocol.Tell;
import pentacell.instruments.protocol.Wire;

/// The program's end of the line to an instrument.
final class InstrumentClient implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(InstrumentClient.class);
    private static final int CONNECT_MILLIS = 2000;
    private static final int ANSWER_SECONDS = 5;

    private final Socket socket;
    private final Writer out;
    private final Listener listener;
    private final AtomicLong numbers = new AtomicLong();
    private final Map<Long, CompletableFuture<Tell.Answer>> open = new ConcurrentHashMap<>();

    /// Hears what an instrument tells unasked; on the client's own thread.
    interface Listener {
        void told(Tell event);

        /// The connection is gone.
        ///
        /// @param complaint what the instrument did wrong, if that was why
        void lost(Optional<String> complaint);
    }

    /// What was asked was refused.
    static final class RefusedException extends Exception {
        private static final long serialVersionUID = 1;

        RefusedException(String why) {
            super(why);
        }
    }

    private InstrumentClient(Socket socket, Listener listener) throws IOException {
        this.socket = socket;
        this.listener = listener;
        out = new OutputStreamWriter(socket.getOutputStream(), StandardCharsets.UTF_8);
    }

    /// Connects to an instrument that is asked and not listened to.
    ///
    /// @param address `host:port`
    /// @throws IllegalArgumentException when it is no address
    static InstrumentClient connect(String address) throws IOException {
        int colon = address.lastIndexOf(':');
        if (colon < 1 || !address.substring(colon + 1).matches("\\d{1,5}"))
            throw new IllegalArgumentException(
                    "\"%s\" is no address such as 127.0.0.1:7801".formatted(address));
        return connect(
                address.substring(0, colon),
                Integer.parseInt(address.substring(colon + 1)),
                new Deaf());
    }

    private static final class Deaf implements Listener {
        @Override
        public void told(Tell event) {}

        @Override
        public void lost(Optional<String> complaint) {}
    }

    static InstrumentClient connect(String host, int port, Listener listener) throws IOException {
        Socket socket = new Socket();
        try {
            socket.connect(new InetSocketAddress(host, port), CONNECT_MILLIS);
            InstrumentClient client = new InstrumentClient(socket, listener);
            Thread.ofVirtual().name("instrument").start(client::listen);
            return client;
        } catch (IOException failure) {
            socket.close();
            throw failure;
        }
    }

    private void listen() {
        Optional<String> complaint = Optional.empty();
        try (LineReader in = new LineReader(socket.getInputStream())) {
            for (Optional<String> line = in.next(); line.isPresent(); line = in.next())
                hear(line.get());
        } catch (LineReader.EndlessLineException sick) {
            complaint = Optional.ofNullable(sick.getMessage());
        } catch (IOException gone) {
            LOG.debug("the line is gone", gone);
        } finally {
            close();
            // first the reason, then those who wait for an answer
            listener.lost(complaint);
            open.values()
                    .forEach(waiting ->
                            waiting.completeExceptionally(new IOException("the line is gone")));
        }
    }

    private void hear(String line) {
        try {
            Tell tell = Wire.tell(line);
            if (tell instanceof Tell.Answer answer) answered(answer);
            else listener.told(tell);
        } catch (Wire.NotUnderstoodException odd) {
            LOG.warn("an instrument said something odd", odd);
        } catch (RuntimeException odd) {
            // one sick message is no reason to lose the line
            LOG.warn("what an instrument said could not be taken", odd);
        }
    }

    private void answered(Tell.Answer answer) {
        CompletableFuture<Tell.Answer> waiting = open.remove(answer.answers());
        if (waiting != null) waiting.complete(answer);
    }

    /// Asks and waits for the answer.
    ///
    /// @throws RefusedException when the instrument will not
    /// @throws IOException when it does not answer
    <A extends Tell.Answer> A ask(LongFunction<Ask> make, Class<A> type)
            throws RefusedException, IOException {
        long number = numbers.incrementAndGet();
        CompletableFuture<Tell.Answer> waiting = new CompletableFuture<>();
        open.put(number, waiting);
        send(make.apply(number));
        try {
            Tell.Answer answer = waiting.get(ANSWER_SECONDS, TimeUnit.SECONDS);
            if (answer instanceof Tell.Refused refused) throw new RefusedException(refused.why());
            if (!type.isInstance(answer))
                throw new IOException("answered " + answer.getClass().getSimpleName());
            return type.cast(answer);
        } catch (TimeoutException late) {
            throw new IOException("no answer in " + ANSWER_SECONDS + " s", late);
        } catch (ExecutionException gone) {
            throw new IOException("the line is gone", gone);
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            throw new IOException("was stopped", stopped);
        } finally {
            open.remove(number);
        }
    }

    private synchronized void send(Ask ask) throws IOException {
        out.write(Wire.line(ask));
        out.write('\n');
        out.flush();
    }

    @Override
    public void close() {
        try {
            socket.close();
        } catch (IOException failure) {
            LOG.debug("could not close a line", failure);
        }
    }
}
