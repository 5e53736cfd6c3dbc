package pentacell.instruments.bench;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import pentacell.instruments.bench.InstrumentClient.RefusedException;
import pentacell.instruments.protocol.Ask;
import pentacell.instruments.protocol.Tell;
import pentacell.instruments.protocol.Wire;

/// A load test of a whole pack over the line: a board reads the groups, a load draws until the
/// first is empty, then the pack rests a while. Runs in a thread of its own.
///
/// The load is let go whatever happens: at the end, when it is stopped, when a line is cut; and a
/// load that hears nothing for ten seconds lets go by itself.
public final class LoadTestRun implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(LoadTestRun.class);
    private static final String SWITCH_OFF =
            "The load did not answer when it was to stop: switch it off by hand.";
    private static final double REST_BEFORE_SECONDS = 60;
    private static final double REST_AFTER_SECONDS = 600;
    private static final double MOMENT_SECONDS = 10;
    private static final long SHORTEST_PAUSE_MILLIS = 15;
    private static final long LONGEST_PAUSE_MILLIS = 2000;

    /// Moments are handed on in batches, so that each batch is one entry of the workshop.
    private static final long BATCH_NANOS = 1_000_000_000L;

    private final Wanted wanted;
    private final Listener listener;
    private volatile boolean isStopped;
    private boolean hasDrawn;

    /// What is wanted.
    ///
    /// @param board address of the board, `host:port`
    /// @param load address of the load; may be the board's
    /// @param amps to be drawn, above 0
    /// @param endVolts of a group, at which it ends
    /// @param series groups of the pack
    public record Wanted(String board, String load, double amps, double endVolts, int series) {
        public Wanted {
            if (!(amps > 0 && amps <= 10_000))
                throw new IllegalArgumentException(
                        "a load draws above 0 and up to 10000 A, was " + amps);
        }
    }

    /// A moment of the test.
    ///
    /// @param seconds since its begin
    /// @param amps drawn
    /// @param volts of each group
    public record Moment(double seconds, double amps, List<Double> volts) {
        public Moment {
            volts = List.copyOf(volts);
        }
    }

    /// Hears what comes; on the run's own thread.
    public interface Listener {
        /// Some moments more.
        ///
        /// @param isSimulated whether board or load is a stand-in
        void read(List<Moment> moments, boolean isSimulated);

        /// It is over.
        ///
        /// @param how in a sentence
        void ended(String how);
    }

    private LoadTestRun(Wanted wanted, Listener listener) {
        this.wanted = wanted;
        this.listener = listener;
    }

    /// Begins a test.
    public static LoadTestRun begin(Wanted wanted, Listener listener) {
        LoadTestRun run = new LoadTestRun(wanted, listener);
        Thread.ofVirtual().name("pack run").start(run::go);
        return run;
    }

    /// Ends it: the load is let go at once.
    public void stop() {
        isStopped = true;
    }

    @Override
    public void close() {
        stop();
    }

    private void go() {
        try (InstrumentClient board = InstrumentClient.connect(wanted.board());
                InstrumentClient load = InstrumentClient.connect(wanted.load())) {
            String how = run(board, load);
            listener.ended(letGo(load) ? how : how + " " + SWITCH_OFF);
        } catch (IOException | RefusedException | IllegalArgumentException failure) {
            listener.ended(
                    "The test broke off: %s. Are board and load switched on and their adapters running?%s"
                            .formatted(failure.getMessage(), hasDrawn ? " " + SWITCH_OFF : ""));
        }
    }

    private static Tell.Identity identity(InstrumentClient instrument)
            throws IOException, RefusedException {
        Tell.Identity identity = instrument.ask(Ask.Identify::new, Tell.Identity.class);
        Optional<String> stranger = Wire.stranger(identity);
        if (stranger.isPresent()) throw new RefusedException(stranger.get());
        return identity;
    }

    private String run(InstrumentClient board, InstrumentClient load)
            throws IOException, RefusedException {
        Tell.Identity ofBoard = identity(board);
        boolean isSimulated = ofBoard.isStandIn() || identity(load).isStandIn();
        double speed = ofBoard.speed() > 0 ? ofBoard.speed() : 1;
        long pause =
                Math.clamp(
                        Math.round(1000 * MOMENT_SECONDS / speed),
                        SHORTEST_PAUSE_MILLIS,
                        LONGEST_PAUSE_MILLIS);
        List<Moment> batch = new ArrayList<>();
        long handedOn = System.nanoTime();
        double begun = Double.NaN;
        double ended = Double.NaN;
        double told = Double.NEGATIVE_INFINITY;
        try {
            while (!isStopped) {
                Tell.Groups read = board.ask(Ask.Groups::new, Tell.Groups.class);
                if (read.volts().size() != wanted.series())
                    return "The board reads %d groups, the pack has %d: is it another pack's?"
                            .formatted(read.volts().size(), wanted.series());
                if (Double.isNaN(begun)) begun = read.seconds();
                double at = read.seconds() - begun;
                double lowest = read.volts().stream().mapToDouble(each -> each).min().orElse(0);
                boolean isLoaded = read.amps() > 0.5 * wanted.amps();
                if (at - told >= MOMENT_SECONDS || isLoaded && lowest <= wanted.endVolts()) {
                    batch.add(new Moment(at, read.amps(), read.volts()));
                    told = at;
                }
                if (Double.isNaN(ended) && isLoaded && lowest <= wanted.endVolts()) ended = at;
                boolean isDrawing = at >= REST_BEFORE_SECONDS && Double.isNaN(ended);
                double amps = isDrawing ? wanted.amps() : 0;
                hasDrawn |= amps > 0;
                load.ask(number -> new Ask.Load(number, amps), Tell.Done.class);
                if (System.nanoTime() - handedOn > BATCH_NANOS && !batch.isEmpty()) {
                    listener.read(List.copyOf(batch), isSimulated);
                    batch.clear();
                    handedOn = System.nanoTime();
                }
                if (!Double.isNaN(ended) && at - ended >= REST_AFTER_SECONDS)
                    return "A group reached its end voltage; the load is off and the pack has rested.";
                pause(pause);
            }
            return "The test was stopped; the load is off.";
        } finally {
            if (!batch.isEmpty()) listener.read(List.copyOf(batch), isSimulated);
        }
    }

    /// Whether the load draws nothing any more, as far as is known.
    private boolean letGo(InstrumentClient load) {
        if (!hasDrawn) return true;
        try {
            load.ask(number -> new Ask.Load(number, 0), Tell.Done.class);
            return true;
        } catch (IOException | RefusedException failure) {
            LOG.warn("the load was not let go", failure);
            return false;
        }
    }

    private void pause(long millis) {
        try {
            Thread.sleep(millis);
        } catch (InterruptedException ended) {
            isStopped = true;
        }
    }
}
