package pentacell.desktop.test;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import pentacell.core.bay.Bay;
import pentacell.core.bay.Programme;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.fact.WorkshopState;
import pentacell.core.intake.WaitingForTest;
import pentacell.core.measure.SampleLog;
import pentacell.core.schedule.TestPlan;
import pentacell.core.schedule.TestQueue;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.Background;
import pentacell.instruments.bench.BenchException;
import pentacell.instruments.bench.Finished;
import pentacell.instruments.bench.InstrumentProbe;
import pentacell.instruments.bench.Keeper;
import pentacell.instruments.bench.LinkState;
import pentacell.instruments.bench.LiveRun;
import pentacell.instruments.bench.TestBench;
import pentacell.instruments.protocol.Ask;
import pentacell.instruments.simulated.StandIn;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.LogbookException;

/// What Test shows and does: the bench with its instruments, the queue, the plan.
public final class TestModel {
    static final List<Integer> SPEEDS = List.of(1, 60, 600, 3600, 10_000);

    private final Desk desk;
    private final Background working = new Background("bays");
    private final StandIns standIns;
    private final ReadOnlyIntegerWrapper changes = new ReadOnlyIntegerWrapper(0);
    private final ReadOnlyIntegerWrapper kept = new ReadOnlyIntegerWrapper(0);
    private Optional<Logbook> book = Optional.empty();
    private Optional<TestBench> bench = Optional.empty();
    private TestQueue queue = TestQueue.of(WorkshopState.empty());
    private Optional<TestPlan> plan = Optional.empty();
    private Optional<TestPlan> planWithMore = Optional.empty();
    private int bayInHand = 1;
    private Optional<Finished> lastFinished = Optional.empty();

    TestModel(Desk desk) {
        this.desk = desk;
        standIns = new StandIns(desk);
        desk.whileOpen(this::begin, this::end);
        desk.stateProperty().subscribe(state -> onState());
    }

    private void begin(Logbook opened) {
        book = Optional.of(opened);
        standIns.begin(opened::state);
        bench =
                Optional.of(
                        new TestBench(
                                keeper(opened),
                                finished -> Background.tell(() -> tell(finished)),
                                trouble -> Background.tell(() -> desk.say(trouble))));
        bench.get().onKept(() -> Background.tell(() -> kept.set(kept.get() + 1)));
        connectAll();
        onState();
    }

    /// Facts go through the desk, so that every view hears of them.
    private Keeper keeper(Logbook opened) {
        return Keeper.of(opened, (words, facts) -> desk.logFrom(opened, words, facts));
    }

    private void end() {
        bench.ifPresent(TestBench::close);
        bench = Optional.empty();
        standIns.close();
        book = Optional.empty();
    }

    private void onState() {
        connectAll();
        WorkshopState state = desk.state();
        Map<String, LocalDateTime> busy = freeAt();
        desk.compute(() -> Plans.of(state, now(), busy), this::planned);
    }

    /// The queue and the plans for it.
    private record Plans(TestQueue queue, TestPlan plan, TestPlan withMore) {
        static Plans of(WorkshopState state, LocalDateTime now, Map<String, LocalDateTime> busy) {
            TestQueue queue = TestQueue.of(state);
            return new Plans(
                    queue,
                    queue.plan(now, busy, Set.of(), List.of()),
                    queue.plan(now, busy, Set.of(), StandIn.FOUR_SLOT.bays("one more")));
        }
    }

    private void planned(Plans plans) {
        queue = plans.queue();
        plan = Optional.of(plans.plan());
        planWithMore = Optional.of(plans.withMore());
        changed();
    }

    void changed() {
        changes.set(changes.get() + 1);
    }

    /// Counts what changed: queue, plan, bays, lines.
    ReadOnlyIntegerProperty changesProperty() {
        return changes.getReadOnlyProperty();
    }

    /// Counts the times that samples came in.
    ReadOnlyIntegerProperty keptProperty() {
        return kept.getReadOnlyProperty();
    }

    private void tell(Finished finished) {
        lastFinished = Optional.of(finished);
        desk.say(FinishedWords.of(finished));
        changed();
    }

    Optional<Finished> lastFinished() {
        return lastFinished;
    }

    private void connectAll() {
        bench.ifPresent(each -> standIns.connect(each, desk.state()));
    }

    /// How fast the clocks of the stand-ins run.
    int speed() {
        return standIns.speed();
    }

    /// Lets the clocks of the stand-ins run at another speed.
    public void setSpeed(int speed) {
        standIns.setSpeed(speed);
        onState();
    }

    /// The bays that run programmes, as the board numbers them.
    List<Bay> bays() {
        return queue.bays().stream()
                .filter(bay -> bay.chargeAmps() > 0 || bay.dischargeAmps() > 0)
                .toList();
    }

    /// A meter that reads cells, when there is one.
    Optional<Bay> meter() {
        return queue.bays().stream()
                .filter(bay -> bay.chargeAmps() == 0 && bay.dischargeAmps() == 0)
                .findFirst();
    }

    TestQueue queue() {
        return queue;
    }

    Optional<TestPlan> plan() {
        return plan;
    }

    /// The plan were there one more charger of four.
    Optional<TestPlan> planWithMore() {
        return planWithMore;
    }

    LinkState link(String instrument) {
        return bench.map(each -> each.link(instrument)).orElse(new LinkState(false, "", 1, false));
    }

    /// The runs that are open, by the name of their bay.
    Map<String, LiveRun> runs() {
        Map<String, LiveRun> runs = new HashMap<>();
        bench.ifPresent(each -> each.runs().forEach(run -> runs.put(run.bay(), run)));
        return runs;
    }

    LocalDateTime now() {
        return local(desk.now());
    }

    static LocalDateTime local(Instant at) {
        return LocalDateTime.ofInstant(at, ZoneId.systemDefault());
    }

    /// When each busy bay is expected to be free.
    Map<String, LocalDateTime> freeAt() {
        Map<String, LocalDateTime> free = new HashMap<>();
        for (LiveRun run : runs().values()) free.put(run.bay(), now().plus(expectedLeft(run)));
        return free;
    }

    /// How much longer a run takes, by the clock on the wall.
    Duration expectedLeft(LiveRun run) {
        double speed = standIns.speedOf(run.bay());
        double ran = run.log().size() == 0 ? 0 : run.log().seconds(run.log().size() - 1);
        double whole = expectedSeconds(run);
        return Duration.ofMillis(Math.round(1000 * Math.max(0, whole - ran) / speed));
    }

    /// How long a run takes from its start, by the clock of the instrument, in s.
    double expectedSeconds(LiveRun run) {
        Optional<Bay> bay =
                queue.bays().stream().filter(each -> each.name().equals(run.bay())).findFirst();
        return bay.flatMap(each ->
                        desk.state()
                                .cell(run.cell())
                                .map(cell -> queue.expected(cell, each).toMillis() / 1000.0))
                .orElse(4 * 3600.0);
    }

    int bayInHand() {
        return bayInHand;
    }

    void takeBay(int number) {
        bayInHand = Math.clamp(number, 1, Math.max(1, bays().size()));
        changed();
    }

    /// The bay a cell is to go into: the one the plan has for it when that is free, else the one in
    /// hand, else the first free one that suits.
    Optional<Bay> bayFor(CellId cell) {
        Map<String, LiveRun> busy = runs();
        Chemistry chemistry =
                queue.waiting(cell).map(WaitingForTest::chemistry).orElse(Chemistry.NMC);
        List<Bay> free =
                bays().stream()
                        .filter(bay -> !busy.containsKey(bay.name()) && bay.canTest(chemistry))
                        .toList();
        Optional<Bay> hand =
                bays().size() >= bayInHand
                        ? Optional.of(bays().get(bayInHand - 1)).filter(free::contains)
                        : Optional.empty();
        Optional<Bay> byPlan =
                plan.flatMap(each ->
                        each.toLoad(now()).stream()
                                .filter(job -> job.cell().equals(cell))
                                .flatMap(job ->
                                        free.stream().filter(bay -> bay.name().equals(job.bay())))
                                .findFirst());
        return byPlan.or(() -> hand).or(() -> free.stream().findFirst());
    }

    /// Loads a cell into a bay.
    void load(CellId cell, Bay bay, Runnable onLoaded, Runnable onFailed) {
        Optional<WaitingForTest> waiting = queue.waiting(cell);
        if (waiting.isEmpty()) {
            desk.say(whyNot(cell));
            onFailed.run();
            return;
        }
        Programme programme = queue.programme(waiting.get(), bay);
        doAtBench(
                each -> each.start(cell, bay, programme),
                () -> {
                    desk.select(cell);
                    desk.say("%s is in %s".formatted(cell, bay.name()));
                    onLoaded.run();
                },
                onFailed);
    }

    /// Loads what the plan has next for each bay, as far as a number of bays, whatever the hour.
    public void loadAsPlanned(int most) {
        bays().stream()
                .limit(most)
                .forEach(bay ->
                        plan.flatMap(each -> each.nextFor(bay.name()))
                                .ifPresent(job -> load(job.cell(), bay, () -> {}, () -> {})));
    }

    /// How many samples the open runs have so far.
    public int sampleCount() {
        return runs().values().stream().mapToInt(run -> run.log().size()).sum();
    }

    private String whyNot(CellId cell) {
        return runs().values().stream()
                .filter(run -> run.cell().equals(cell))
                .map(run -> cell + " is in " + run.bay() + " already.")
                .findFirst()
                .orElse(
                        cell
                                + " does not wait for a test: its card says why. A first voltage comes before it.");
    }

    void stop(Bay bay, Runnable onDone, Runnable onFailed) {
        doAtBench(each -> each.stop(bay), onDone, onFailed);
    }

    void read(CellId cell, Bay meter) {
        doAtBench(each -> each.read(cell, meter), () -> desk.select(cell), () -> {});
    }

    /// Whether a cell can be loaded now.
    public boolean canLoad(CellId cell) {
        return queue.waiting(cell).isPresent()
                && bayFor(cell).filter(bay -> link(bay.instrument()).connected()).isPresent();
    }

    /// Lets the contact of a cell in a stand-in be lost for a moment, some seconds of the
    /// instrument's clock from now.
    public void loseContact(CellId cell, double afterSeconds) {
        for (LiveRun run : runs().values())
            if (run.cell().equals(cell))
                bays().stream()
                        .filter(bay -> bay.name().equals(run.bay()))
                        .findFirst()
                        .ifPresent(bay ->
                                doAtBench(
                                        each ->
                                                each.fail(
                                                        bay,
                                                        Ask.FaultKind.CONTACT_BLIP,
                                                        afterSeconds),
                                        () -> {},
                                        () -> {}));
    }

    void practise(Bay bay, Ask.FaultKind fault) {
        doAtBench(
                each -> each.fail(bay, fault, 1),
                () -> desk.say(bay.name() + ": " + FaultWords.of(fault) + ", for practice"),
                () -> {});
    }

    private interface AtBench {
        void on(TestBench bench) throws BenchException;
    }

    private void doAtBench(AtBench what, Runnable onDone, Runnable onFailed) {
        if (bench.isEmpty()) {
            desk.say("Open a workshop first.");
            onFailed.run();
            return;
        }
        TestBench at = bench.get();
        working.run(
                () -> {
                    what.on(at);
                    return true;
                },
                done -> {
                    onDone.run();
                    changed();
                },
                failure -> {
                    desk.say(String.valueOf(failure.getMessage()));
                    onFailed.run();
                    changed();
                });
    }

    /// Reads something of the workshop file away from the UI thread.
    void withKeeper(KeeperWork work, Runnable onDone) {
        book.ifPresent(opened -> {
            Keeper keeper = keeper(opened);
            Callable<Boolean> call =
                    () -> {
                        work.on(keeper);
                        return true;
                    };
            working.run(
                    call,
                    done -> onDone.run(),
                    failure -> desk.say(String.valueOf(failure.getMessage())));
        });
    }

    /// Work with what is kept.
    interface KeeperWork {
        void on(Keeper keeper) throws LogbookException;
    }

    /// The samples of runs; of a run that is open, those that are on the disk.
    void samples(List<String> runs, java.util.function.Consumer<Map<String, SampleLog>> onUi) {
        Map<String, SampleLog> read = new LinkedHashMap<>();
        withKeeper(
                keeper -> {
                    for (String run : runs) read.put(run, keeper.samples(run));
                },
                () -> onUi.accept(read));
    }

    /// Asks an instrument at an address for its bays.
    void ask(
            String name,
            String address,
            java.util.function.Consumer<List<Bay>> onBays,
            java.util.function.Consumer<String> onTrouble) {
        working.run(
                () -> InstrumentProbe.bays(name, address),
                onBays,
                failure -> onTrouble.accept(String.valueOf(failure.getMessage())));
    }

    /// A name for one more instrument of a kind.
    String nextName(String stem) {
        List<String> names = new ArrayList<>(desk.state().instruments().keySet());
        for (char letter = 'A'; letter <= 'Z'; letter++)
            if (!names.contains(stem + " " + letter)) return stem + " " + letter;
        return stem + " " + (names.size() + 1);
    }
}
