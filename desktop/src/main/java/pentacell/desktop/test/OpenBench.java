package pentacell.desktop.test;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import pentacell.core.measure.SampleLog;
import pentacell.core.test.facts.Bay;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Lane;
import pentacell.desktop.kit.Background;
import pentacell.instruments.bench.BenchException;
import pentacell.instruments.bench.Finished;
import pentacell.instruments.bench.InstrumentProbe;
import pentacell.instruments.bench.Keeper;
import pentacell.instruments.bench.LinkState;
import pentacell.instruments.bench.LiveRun;
import pentacell.instruments.bench.TestBench;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.LogbookException;

/// The bench of the workshop that is open: its instruments and stand-ins, what runs there, and work
/// at it, which goes on away from the UI thread.
final class OpenBench {
    private static final String NOTHING_OPEN = "Open a workshop first.";

    private final Desk desk;
    private final Listener listener;
    private final Lane working;
    private final StandIns standIns;
    private Optional<Logbook> book = Optional.empty();
    private Optional<TestBench> bench = Optional.empty();

    /// Who hears of the bench; on the UI thread.
    interface Listener {
        /// A run ended.
        void finished(Finished finished);

        /// Samples are on the disk.
        void kept();

        /// A line came up or was lost.
        void lineChanged();
    }

    OpenBench(Desk desk, Listener listener) {
        this.desk = desk;
        this.listener = listener;
        standIns = new StandIns(desk);
        working = desk.work().lane("bays");
    }

    void begin(Logbook opened) {
        book = Optional.of(opened);
        standIns.begin(opened::state);
        TestBench begun =
                new TestBench(
                        keeper(opened),
                        finished -> Background.tell(() -> listener.finished(finished)),
                        trouble -> Background.tell(() -> desk.notices().say(trouble)));
        begun.onKept(Background.news(listener::kept));
        // a line that goes down because the workshop is closed is no news
        begun.onLine(() ->
                Background.tell(() -> {
                    if (bench.equals(Optional.of(begun))) listener.lineChanged();
                }));
        bench = Optional.of(begun);
        followState();
    }

    /// Facts go through the desk, so that every view hears of them.
    private Keeper keeper(Logbook opened) {
        return Keeper.of(opened, (words, facts) -> desk.ledger().logFrom(opened, words, facts));
    }

    void end() {
        bench.ifPresent(TestBench::close);
        bench = Optional.empty();
        standIns.close();
        book = Optional.empty();
    }

    /// Connects what is new on the bench, and lets it hear that something was logged or undone.
    void followState() {
        bench.ifPresent(each -> {
            standIns.connect(each, desk.ledger().state());
            each.logChanged();
        });
    }

    StandIns standIns() {
        return standIns;
    }

    LinkState link(String instrument) {
        return bench.map(each -> each.link(instrument)).orElse(LinkState.NOT_YET);
    }

    /// The runs that are open, by the name of their bay.
    Map<String, LiveRun> runs() {
        Map<String, LiveRun> runs = new HashMap<>();
        bench.ifPresent(each -> each.runs().forEach(run -> runs.put(run.bay(), run)));
        return runs;
    }

    /// Something done at the bench.
    interface Work {
        void at(TestBench bench) throws BenchException;
    }

    /// Does something at the bench.
    void run(Work work, Runnable onDone, Consumer<String> onFailed) {
        if (bench.isEmpty()) {
            desk.notices().say(NOTHING_OPEN);
            onFailed.accept(NOTHING_OPEN);
            return;
        }
        TestBench at = bench.get();
        working.run(
                job -> {
                    work.at(at);
                    return true;
                },
                done -> onDone.run(),
                failure -> {
                    String why = String.valueOf(failure.getMessage());
                    desk.notices().say(why);
                    onFailed.accept(why);
                });
    }

    /// Where the bench of the open workshop keeps what it hears.
    Optional<Keeper> keeper() {
        return book.map(this::keeper);
    }

    /// Work with what is kept.
    interface KeeperWork<T> {
        T with(Keeper keeper) throws LogbookException;
    }

    /// Reads or writes the workshop file.
    <T> void withKeeper(KeeperWork<T> work, Consumer<T> onDone) {
        book.ifPresent(opened -> {
            Keeper keeper = keeper(opened);
            working.run(
                    job -> work.with(keeper),
                    onDone,
                    failure -> desk.notices().say(String.valueOf(failure.getMessage())));
        });
    }

    /// The samples of runs; of a run that is open, those that are on the disk.
    void samples(List<String> runs, Consumer<Map<String, SampleLog>> onUi) {
        withKeeper(
                keeper -> {
                    Map<String, SampleLog> read = new LinkedHashMap<>();
                    for (String run : runs) read.put(run, keeper.samples(run));
                    return read;
                },
                onUi);
    }

    /// Asks an instrument at an address for its bays.
    void ask(String name, String address, Consumer<List<Bay>> onBays, Consumer<String> onTrouble) {
        working.run(
                job -> InstrumentProbe.bays(name, address),
                onBays,
                failure -> onTrouble.accept(String.valueOf(failure.getMessage())));
    }
}
