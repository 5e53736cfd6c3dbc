package pentacell.instruments.bench;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.RunEnding;
import pentacell.core.cell.RunFact;
import pentacell.core.cell.RunFact.Break;
import pentacell.core.cell.RunFact.RunEnd;
import pentacell.core.journal.Origin;
import pentacell.core.measure.OpenRun;
import pentacell.core.measure.SampleLog;
import pentacell.core.test.facts.Bay;
import pentacell.core.test.facts.Instrument;
import pentacell.core.test.facts.Programme;
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

    private final Keeper keeper;
    private final Consumer<Finished> onFinished;
    private final Consumer<String> onTrouble;
    private final Lines lines = new Lines(new LineEvents());
    private final RunTable runs = new RunTable();
    private final RunRecovery recovery;
    private final AtomicBoolean logChanged = new AtomicBoolean();
    private volatile Runnable onKept = () -> {};
    private final ScheduledExecutorService worker =
            Executors.newSingleThreadScheduledExecutor(
                    task -> Thread.ofPlatform().daemon().name("test bench").unstarted(task));

    /// @param onFinished hears of each run that ended, on the bench's own thread
    /// @param onTrouble hears what could not be done, on the bench's own thread
    @SuppressWarnings("FutureReturnValueIgnored")
    public TestBench(Keeper keeper, Consumer<Finished> onFinished, Consumer<String> onTrouble) {
        this.keeper = keeper;
        this.onFinished = onFinished;
        this.onTrouble = onTrouble;
        recovery = new RunRecovery(runs, lines, keeper, onTrouble);
        recovery.fromLog();
        worker.scheduleWithFixedDelay(this::work, 0, KEEP_MILLIS, TimeUnit.MILLISECONDS);
    }

    /// Hears, on the bench's own thread, each time that samples were kept.
    public void onKept(Runnable heard) {
        onKept = heard;
    }

    /// Hears, on a thread of the bench, when a line came up or was lost.
    public void onLine(Runnable heard) {
        lines.onChange(heard);
    }

    /// Connects an instrument; goes on trying until it answers.
    ///
    /// @param instrument with an address `host:port`
    public void connect(Instrument instrument) {
        lines.add(instrument);
    }

    /// Lets go of an instrument.
    public void disconnect(String name) {
        lines.remove(name);
    }

    /// How the line to an instrument is.
    public LinkState link(String name) {
        return lines.state(name);
    }

    /// Says that something was logged, undone or redone. A run whose start was undone is stopped
    /// and its samples wait for the redo; one whose start was redone is taken up again.
    public void logChanged() {
        logChanged.set(true);
    }

    /// The runs that are open, with the samples that are on the disk.
    public List<LiveRun> runs() {
        return runs.live();
    }

    /// Puts a cell into a bay and starts its programme; away from the UI thread.
    ///
    /// @throws BenchException when it cannot be done
    public void start(CellId id, Bay bay, Programme programme) throws BenchException {
        InstrumentClient client = lines.ready(bay);
        CellRecord cell =
                Cells.of(keeper.state())
                        .cell(id)
                        .orElseThrow(() -> new BenchException("There is no cell " + id + "."));
        if (!OpenRun.of(cell).isEmpty())
            throw new BenchException(
                    id + " is in " + OpenRun.of(cell).get(0).bay() + " already; unload it there.");
        for (GrowingRun run : runs.where(each -> each.bay.equals(bay.name())))
            throw new BenchException(bay.name() + " holds " + run.cell + "; unload it first.");
        try {
            String run = keeper.nextRun(cell);
            runs.starts(run);
            try {
                start(client, cell, bay, programme, run);
            } finally {
                runs.started(run);
            }
        } catch (LogbookException failure) {
            throw new BenchException(String.valueOf(failure.getMessage()));
        }
    }

    private void start(
            InstrumentClient client, CellRecord cell, Bay bay, Programme programme, String run)
            throws BenchException, LogbookException {
        CellId id = cell.id();
        keeper.log(
                "Start test of " + id,
                Origin.measured(isSimulated(bay))
                        .mark(
                                List.of(
                                        new RunFact.RunStarted(
                                                id, run, bay.name(), programme.words()))));
        Optional<OpenRun> open =
                Cells.of(keeper.state()).cell(id).stream()
                        .flatMap(logged -> OpenRun.of(logged).stream())
                        .filter(each -> each.run().equals(run))
                        .findFirst();
        if (open.isEmpty()) throw new BenchException("The start of " + id + " was undone.");
        runs.put(open.get(), new SampleLog.Builder().build());
        try {
            if (isSimulated(bay))
                client.ask(
                        number -> new Ask.Insert(number, bay.slot(), id.text()), Tell.Done.class);
            client.ask(
                    number -> new Ask.Start(number, bay.slot(), run, programme), Tell.Done.class);
        } catch (IOException | InstrumentClient.RefusedException refused) {
            String why = bay.name() + " did not start: " + refused.getMessage() + ".";
            finish(run, RunEnding.broken(Break.NOT_STARTED, String.valueOf(refused.getMessage())));
            throw new BenchException(why);
        }
    }

    /// Stops what runs in a bay; its results follow as of any run that ends. Away from the UI
    /// thread.
    public void stop(Bay bay) throws BenchException {
        InstrumentClient client = lines.ready(bay);
        try {
            client.ask(number -> new Ask.Stop(number, bay.slot()), Tell.Done.class);
        } catch (IOException | InstrumentClient.RefusedException refused) {
            throw new BenchException(bay.name() + " did not stop: " + refused.getMessage() + ".");
        }
    }

    /// Reads a cell with a meter and logs it; away from the UI thread.
    public void read(CellId id, Bay bay) throws BenchException {
        MeterReading.take(lines.ready(bay), isSimulated(bay), id, bay, keeper);
    }

    /// Lets a stand-in fail; for practice and for tests. Away from the UI thread.
    public void fail(Bay bay, Ask.FaultKind fault, double afterSeconds) throws BenchException {
        InstrumentClient client = lines.ready(bay);
        try {
            client.ask(
                    number -> new Ask.Fault(number, bay.slot(), fault, afterSeconds),
                    Tell.Done.class);
        } catch (IOException | InstrumentClient.RefusedException refused) {
            throw new BenchException(String.valueOf(refused.getMessage()));
        }
    }

    private boolean isSimulated(Bay bay) {
        return lines.state(bay.instrument()).simulated();
    }

    private void work() {
        try {
            lines.reconnect();
            agreeWithLog();
            List<GrowingRun> lost = recovery.missed(runs.takeGaps());
            keep();
            for (GrowingRun run : lost) finish(run.run, RunEnding.broken(Break.SAMPLES_LOST, ""));
            finishEnded();
        } catch (LogbookException failure) {
            onTrouble.accept(String.valueOf(failure.getMessage()));
        } catch (RuntimeException fault) {
            LOG.error("the test bench failed", fault);
            onTrouble.accept("The test bench stopped, internal error: " + fault);
        }
    }

    private void agreeWithLog() throws LogbookException {
        if (logChanged.getAndSet(false)) recovery.afterUndo().forEach(this::forgotten);
    }

    private void forgotten(GrowingRun run) {
        finish(run.run, RunEnding.broken(Break.FORGOTTEN, ""));
    }

    /// Hears the instruments.
    private final class LineEvents implements Lines.Listener {
        @Override
        public void told(Tell event) {
            if (event instanceof Tell.Answer) LOG.debug("an answer nobody waits for {}", event);
            runs.told(event);
        }

        @Override
        public void answers(String instrument, InstrumentClient client)
                throws IOException, InstrumentClient.RefusedException {
            recovery.from(instrument, client).forEach(TestBench.this::forgotten);
        }
    }

    private void keep() throws LogbookException {
        RunTable.Grown grown = runs.grown();
        if (grown.logs().isEmpty()) return;
        keeper.keepSamples(grown.logs(), grown.kept());
        runs.kept(grown);
        onKept.run();
    }

    private void finishEnded() {
        for (GrowingRun run : runs.ended())
            finish(run.run, RunEnding.told(end(run.how()), run.words()));
    }

    private static RunEnd end(String how) {
        return switch (how) {
            case "done" -> RunEnd.DONE;
            case "stopped" -> RunEnd.STOPPED;
            case "limit" -> RunEnd.LIMIT;
            default -> RunEnd.BROKEN;
        };
    }

    private void finish(String name, RunEnding ending) {
        Optional<GrowingRun> run = runs.get(name);
        if (run.isEmpty()) return;
        try {
            Optional<Finished> finished = RunFinish.of(keeper, run.get(), ending);
            runs.finished(name);
            finished.ifPresent(onFinished);
        } catch (LogbookException failure) {
            onTrouble.accept(String.valueOf(failure.getMessage()));
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
        lines.close();
    }
}
