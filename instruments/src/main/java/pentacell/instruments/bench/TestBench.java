package pentacell.instruments.bench;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import pentacell.core.bay.Bay;
import pentacell.core.bay.Instrument;
import pentacell.core.bay.Programme;
import pentacell.core.cell.CellId;
import pentacell.core.fact.Cell;
import pentacell.core.fact.RunFact;
import pentacell.core.fact.RunFact.RunEnd;
import pentacell.core.measure.OpenRun;
import pentacell.core.measure.SampleLog;
import pentacell.instruments.protocol.Ask;
import pentacell.instruments.protocol.Tell;
import pentacell.workshop.logbook.LogbookException;

/// Runs tests on the instruments of a workshop.
///
/// Samples are written to the workshop file a few times a second, and shown only then. A line that
/// is cut is taken up again, and what was missed is asked for; an instrument that no longer knows a
/// run breaks it, and what had come in is analysed as far as it goes. The same holds when the
/// program itself was stopped: it takes up its open runs when it starts.
public final class TestBench implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(TestBench.class);
    private static final long KEEP_MILLIS = 150;
    private static final long RECONNECT_NANOS = TimeUnit.SECONDS.toNanos(1);

    private final Keeper keeper;
    private final Consumer<Finished> onFinished;
    private final Consumer<String> onTrouble;
    private final Map<String, Link> links = new LinkedHashMap<>();
    private final Map<String, GrowingRun> runs = new LinkedHashMap<>();
    private final Object lock = new Object();
    private volatile Runnable onKept = () -> {};
    private final ScheduledExecutorService worker =
            Executors.newSingleThreadScheduledExecutor(
                    task -> Thread.ofPlatform().daemon().name("test bench").unstarted(task));

    /// An instrument and the line to it. Guarded by the bench's lock, but for asking.
    private static final class Link {
        private final Instrument instrument;
        private Optional<InstrumentClient> client = Optional.empty();
        private LinkState state = LinkState.NOT_YET;
        private long nextTry = System.nanoTime();

        Link(Instrument instrument) {
            this.instrument = instrument;
        }
    }

    /// @param onFinished hears of each run that ended, on the bench's own thread
    /// @param onTrouble hears what could not be done, on the bench's own thread
    @SuppressWarnings("FutureReturnValueIgnored")
    public TestBench(Keeper keeper, Consumer<Finished> onFinished, Consumer<String> onTrouble) {
        this.keeper = keeper;
        this.onFinished = onFinished;
        this.onTrouble = onTrouble;
        takeUp();
        worker.scheduleWithFixedDelay(this::work, 0, KEEP_MILLIS, TimeUnit.MILLISECONDS);
    }

    /// Hears, on the bench's own thread, each time that samples were kept.
    public void onKept(Runnable heard) {
        onKept = heard;
    }

    /// Takes up the runs that were open when the program stopped.
    private void takeUp() {
        for (OpenRun open : OpenRun.of(keeper.state())) {
            try {
                runs.put(open.run(), new GrowingRun(open, keeper.samples(open.run())));
            } catch (LogbookException failure) {
                onTrouble.accept(String.valueOf(failure.getMessage()));
            }
        }
    }

    /// Connects an instrument; goes on trying until it answers.
    ///
    /// @param instrument with an address `host:port`
    public void connect(Instrument instrument) {
        synchronized (lock) {
            links.putIfAbsent(instrument.name(), new Link(instrument));
        }
    }

    /// Lets go of an instrument.
    public void disconnect(String name) {
        synchronized (lock) {
            Link link = links.remove(name);
            if (link != null) link.client.ifPresent(InstrumentClient::close);
        }
    }

    /// How the line to an instrument is.
    public LinkState link(String name) {
        synchronized (lock) {
            Link link = links.get(name);
            return link == null ? LinkState.NOT_YET : link.state;
        }
    }

    /// The runs that are open, with the samples that are on the disk.
    public List<LiveRun> runs() {
        synchronized (lock) {
            return runs.values().stream().map(GrowingRun::live).toList();
        }
    }

    /// Puts a cell into a bay and starts its programme; away from the UI thread.
    ///
    /// @throws BenchException when it cannot be done
    public void start(CellId id, Bay bay, Programme programme) throws BenchException {
        Link link = ready(bay.instrument());
        Cell cell =
                keeper.state()
                        .cell(id)
                        .orElseThrow(() -> new BenchException("There is no cell " + id + "."));
        if (!OpenRun.of(cell).isEmpty())
            throw new BenchException(
                    id + " is in " + OpenRun.of(cell).get(0).bay() + " already; unload it there.");
        synchronized (lock) {
            for (GrowingRun run : runs.values())
                if (run.bay.equals(bay.name()))
                    throw new BenchException(
                            bay.name() + " holds " + run.cell + "; unload it first.");
        }
        String run = OpenRun.nextName(cell);
        try {
            keeper.log(
                    "Start test of " + id,
                    List.of(new RunFact.RunStarted(id, run, bay.name(), programme.words())));
            OpenRun open =
                    OpenRun.of(keeper.state().cell(id).orElseThrow()).stream()
                            .filter(each -> each.run().equals(run))
                            .findFirst()
                            .orElseThrow();
            synchronized (lock) {
                runs.put(run, new GrowingRun(open, new SampleLog.Builder().build()));
            }
        } catch (LogbookException failure) {
            throw new BenchException(String.valueOf(failure.getMessage()));
        }
        try {
            InstrumentClient client = link.client.orElseThrow();
            if (link.state.simulated())
                client.ask(
                        number -> new Ask.Insert(number, bay.slot(), id.text()), Tell.Done.class);
            client.ask(
                    number -> new Ask.Start(number, bay.slot(), run, programme), Tell.Done.class);
        } catch (IOException | InstrumentClient.RefusedException refused) {
            String why = bay.name() + " did not start: " + refused.getMessage() + ".";
            finish(run, RunEnd.BROKEN, why);
            throw new BenchException(why);
        }
    }

    /// Stops what runs in a bay; its results follow as of any run that ends. Away from the UI
    /// thread.
    public void stop(Bay bay) throws BenchException {
        Link link = ready(bay.instrument());
        try {
            link.client
                    .orElseThrow()
                    .ask(number -> new Ask.Stop(number, bay.slot()), Tell.Done.class);
        } catch (IOException | InstrumentClient.RefusedException refused) {
            throw new BenchException(bay.name() + " did not stop: " + refused.getMessage() + ".");
        }
    }

    /// Reads a cell with a meter and logs it; away from the UI thread.
    public void read(CellId id, Bay bay) throws BenchException {
        Link link = ready(bay.instrument());
        MeterReading.take(link.client.orElseThrow(), link.state.simulated(), id, bay, keeper);
    }

    /// Lets a stand-in fail; for practice and for tests. Away from the UI thread.
    public void fail(Bay bay, Ask.FaultKind fault, double afterSeconds) throws BenchException {
        try {
            ready(bay.instrument())
                    .client
                    .orElseThrow()
                    .ask(
                            number -> new Ask.Fault(number, bay.slot(), fault, afterSeconds),
                            Tell.Done.class);
        } catch (IOException | InstrumentClient.RefusedException refused) {
            throw new BenchException(String.valueOf(refused.getMessage()));
        }
    }

    private Link ready(String name) throws BenchException {
        synchronized (lock) {
            Link link = links.get(name);
            if (link == null || link.client.isEmpty() || !link.state.connected())
                throw new BenchException(
                        name
                                + " does not answer. Check that it is on and its cable or adapter is there; it is tried again every second.");
            return link;
        }
    }

    private void work() {
        try {
            reconnect();
            keep();
            finishEnded();
        } catch (LogbookException failure) {
            onTrouble.accept(String.valueOf(failure.getMessage()));
        } catch (RuntimeException fault) {
            LOG.error("the test bench failed", fault);
            onTrouble.accept("The test bench failed, and it is a fault of ours: " + fault);
        }
    }

    private void reconnect() {
        List<Link> lost;
        synchronized (lock) {
            long now = System.nanoTime();
            lost =
                    links.values().stream()
                            .filter(link -> link.client.isEmpty() && now - link.nextTry >= 0)
                            .toList();
        }
        for (Link link : lost) reconnect(link);
    }

    private void reconnect(Link link) {
        String address = link.instrument.address();
        int colon = address.lastIndexOf(':');
        try {
            InstrumentClient client =
                    InstrumentClient.connect(
                            address.substring(0, colon),
                            Integer.parseInt(address.substring(colon + 1)),
                            new Ear(link));
            Tell.Identity identity = client.ask(Ask.Identify::new, Tell.Identity.class);
            // before anything new can be started on it, or a run just begun would seem forgotten
            takeUpRuns(link, client);
            synchronized (lock) {
                link.client = Optional.of(client);
                link.state =
                        new LinkState(
                                true, identity.name(), identity.speed(), identity.simulated());
            }
        } catch (IOException
                | InstrumentClient.RefusedException
                | IndexOutOfBoundsException
                | NumberFormatException failure) {
            synchronized (lock) {
                link.client.ifPresent(InstrumentClient::close);
                link.client = Optional.empty();
                link.state =
                        new LinkState(
                                false,
                                "does not answer at " + address,
                                link.state.speed(),
                                link.state.simulated());
                link.nextTry = System.nanoTime() + RECONNECT_NANOS;
            }
        }
    }

    /// Asks an instrument that answers again for the runs it had; those it does not know are
    /// broken.
    private void takeUpRuns(Link link, InstrumentClient client)
            throws IOException, InstrumentClient.RefusedException {
        Tell.SlotStates states = client.ask(Ask.Slots::new, Tell.SlotStates.class);
        List<GrowingRun> open;
        synchronized (lock) {
            open =
                    runs.values().stream()
                            .filter(run -> instrumentOf(run.bay).equals(link.instrument.name()))
                            .toList();
        }
        for (GrowingRun run : open) {
            Optional<Tell.SlotState> slot =
                    states.slots().stream()
                            .filter(state -> state.run().equals(Optional.of(run.run)))
                            .findFirst();
            if (slot.isPresent()) replay(client, slot.get().slot(), run);
            else
                finish(
                        run.run,
                        RunEnd.BROKEN,
                        "the instrument does not know this run any more; it was started anew");
        }
    }

    private void replay(InstrumentClient client, int slot, GrowingRun run)
            throws IOException, InstrumentClient.RefusedException {
        int from;
        synchronized (lock) {
            from = run.seen();
        }
        client.ask(number -> new Ask.Replay(number, slot, run.run, from), Tell.Done.class);
    }

    private static String instrumentOf(String bay) {
        int dot = bay.lastIndexOf(" · ");
        return dot < 0 ? bay : bay.substring(0, dot);
    }

    /// Hears one instrument; on its client's thread.
    private final class Ear implements InstrumentClient.Listener {
        private final Link link;

        Ear(Link link) {
            this.link = link;
        }

        @Override
        public void told(Tell event) {
            synchronized (lock) {
                switch (event) {
                    case Tell.Samples samples ->
                            run(samples.run())
                                    .ifPresent(run -> run.add(samples.first(), samples.rows()));
                    case Tell.Stage stage ->
                            run(stage.run()).ifPresent(run -> run.stage(stage.stage()));
                    case Tell.Ended ended ->
                            run(ended.run()).ifPresent(run -> run.end(ended.how(), ended.words()));
                    case Tell.Answer answer -> LOG.debug("an answer nobody waits for {}", answer);
                }
            }
        }

        private Optional<GrowingRun> run(String name) {
            return Optional.ofNullable(runs.get(name));
        }

        @Override
        public void lost() {
            synchronized (lock) {
                link.client = Optional.empty();
                link.state =
                        new LinkState(
                                false,
                                "the line was cut; trying again",
                                link.state.speed(),
                                link.state.simulated());
                link.nextTry = System.nanoTime();
            }
        }
    }

    private void keep() throws LogbookException {
        Map<String, SampleLog> grown = new LinkedHashMap<>();
        Map<String, Integer> kept = new LinkedHashMap<>();
        List<GrowingRun> gaps = new ArrayList<>();
        synchronized (lock) {
            for (GrowingRun run : runs.values()) {
                if (run.takeGap()) gaps.add(run);
                if (run.size() == run.keptCount()) continue;
                grown.put(run.run, run.soFar());
                kept.put(run.run, run.keptCount());
            }
        }
        for (GrowingRun run : gaps) askAgain(run);
        if (grown.isEmpty()) return;
        keeper.keepSamples(grown, kept);
        synchronized (lock) {
            grown.forEach((name, log) -> {
                GrowingRun run = runs.get(name);
                if (run != null) run.kept(log);
            });
        }
        onKept.run();
    }

    private void askAgain(GrowingRun run) {
        Optional<InstrumentClient> client;
        synchronized (lock) {
            Link link = links.get(instrumentOf(run.bay));
            client = link == null ? Optional.empty() : link.client;
        }
        int slot = Integer.parseInt(run.bay.substring(run.bay.lastIndexOf(' ') + 1));
        client.ifPresent(line -> {
            try {
                replay(line, slot, run);
            } catch (IOException | InstrumentClient.RefusedException failure) {
                LOG.warn("what was missed of {} could not be had", run.run, failure);
            }
        });
    }

    private void finishEnded() {
        List<GrowingRun> ended;
        synchronized (lock) {
            ended =
                    runs.values().stream()
                            .filter(run -> run.isComplete() && run.size() == run.keptCount())
                            .toList();
        }
        for (GrowingRun run : ended) finish(run.run, end(run.how()), run.words());
    }

    private static RunEnd end(String how) {
        return switch (how) {
            case "done" -> RunEnd.DONE;
            case "stopped" -> RunEnd.STOPPED;
            case "limit" -> RunEnd.LIMIT;
            default -> RunEnd.BROKEN;
        };
    }

    private void finish(String name, RunEnd end, String words) {
        GrowingRun run;
        synchronized (lock) {
            run = runs.get(name);
        }
        if (run == null) return;
        try {
            Optional<Finished> finished = RunFinish.of(keeper, run, end, words);
            remove(name);
            finished.ifPresent(onFinished);
        } catch (LogbookException failure) {
            onTrouble.accept(String.valueOf(failure.getMessage()));
        }
    }

    private void remove(String name) {
        synchronized (lock) {
            runs.remove(name);
        }
    }

    /// Lets go of all lines; what runs goes on running and is taken up at the next start.
    @Override
    public void close() {
        worker.shutdown();
        try {
            if (!worker.awaitTermination(5, TimeUnit.SECONDS))
                LOG.warn("the test bench did not stop");
            keep();
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        } catch (LogbookException failure) {
            LOG.warn("the last samples were not kept", failure);
        }
        synchronized (lock) {
            links.values().forEach(link -> link.client.ifPresent(InstrumentClient::close));
            links.clear();
        }
    }
}
