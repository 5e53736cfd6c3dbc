package pentacell.desktop.test;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import pentacell.core.Chapters;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.measure.HoldShelf;
import pentacell.core.state.WorkshopState;
import pentacell.core.test.TestPlan;
import pentacell.core.test.TestQueue;
import pentacell.core.test.facts.Bay;
import pentacell.core.test.facts.Bench;
import pentacell.desktop.frame.Desk;
import pentacell.instruments.bench.Finished;
import pentacell.instruments.bench.LinkState;
import pentacell.instruments.bench.LiveRun;
import pentacell.instruments.protocol.Ask;

/// What Test shows and does: the bench with its instruments, the queue, the plan.
public final class TestModel {
    static final List<Integer> SPEEDS = List.of(1, 60, 600, 3600, 10_000);

    private final Desk desk;
    private final OpenBench bench;
    private final Loading loading;
    private final ReadOnlyIntegerWrapper changes = new ReadOnlyIntegerWrapper(0);
    private final ReadOnlyIntegerWrapper kept = new ReadOnlyIntegerWrapper(0);
    private TestQueue queue = TestQueue.of(Chapters.empty());
    private Optional<TestPlan> plan = Optional.empty();
    private Optional<TestPlan> planWithMore = Optional.empty();
    private boolean isPlanning;
    private int bayInHand = 1;
    private boolean shelfIsRead;
    private Optional<CellId> dueOnShelf = Optional.empty();
    private int plansAsked;
    private int plansSeen;
    private Optional<Finished> lastFinished = Optional.empty();

    TestModel(Desk desk) {
        this.desk = desk;
        bench = new OpenBench(desk, new BenchEvents());
        loading = new Loading(desk, this);
        desk.ledger()
                .whileOpen(
                        opened -> {
                            bench.begin(opened);
                            planAnew();
                        },
                        bench::end);
        desk.ledger()
                .stateProperty()
                .subscribe(state -> {
                    bench.followState();
                    planAnew();
                });
        desk.ledger().expectedProperty().subscribe(state -> followShelf());
    }

    /// Hears of the bench.
    private final class BenchEvents implements OpenBench.Listener {
        @Override
        public void finished(Finished finished) {
            lastFinished = Optional.of(finished);
            desk.notices().say(FinishedWords.of(finished));
            changed();
        }

        @Override
        public void kept() {
            kept.set(kept.get() + 1);
        }

        @Override
        public void lineChanged() {
            changed();
            planAnew();
        }
    }

    /// From now on there is always a plan: somebody looks at it.
    void beginPlanning() {
        if (isPlanning) return;
        isPlanning = true;
        planAnew();
    }

    /// Queues, and plans if somebody looks, anew; away from the UI thread.
    private void planAnew() {
        WorkshopState state = desk.ledger().state();
        int number = ++plansAsked;
        if (!isPlanning) {
            desk.work()
                    .lane("plan")
                    .run(
                            () -> TestQueue.of(state),
                            found -> {
                                queue = found;
                                plansSeen = number;
                                changed();
                            });
            return;
        }
        Map<String, LocalDateTime> busy = freeAt();
        Set<String> lost = lostBays(state);
        Instant at = desk.now();
        desk.work()
                .lane("plan")
                .run(
                        () -> TestPlans.of(state, at, busy, lost),
                        plans -> {
                            plansSeen = number;
                            planned(plans);
                        });
    }

    /// While the shelf is read, the next cell follows from the lines typed before.
    private void followShelf() {
        if (!shelfIsRead) return;
        dueOnShelf = HoldShelf.of(desk.ledger().expected()).nextDue(desk.now());
        changed();
    }

    /// Bays whose instrument does not answer.
    private Set<String> lostBays(WorkshopState state) {
        return Bench.of(state).instruments().values().stream()
                .filter(instrument -> link(instrument.name()).isLost())
                .flatMap(instrument -> instrument.bays().stream())
                .map(Bay::name)
                .collect(Collectors.toSet());
    }

    /// Whether a bay is out of the plan: set aside, or its instrument does not answer.
    boolean isOut(Bay bay) {
        return Bench.of(desk.ledger().state()).baysAside().contains(bay.name())
                || link(bay.instrument()).isLost();
    }

    private void planned(TestPlans plans) {
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

    Optional<Finished> lastFinished() {
        return lastFinished;
    }

    /// How fast the clocks of the stand-ins run.
    int speed() {
        return bench.standIns().speed();
    }

    /// Lets the clocks of the stand-ins run at another speed.
    public void setSpeed(int speed) {
        bench.standIns().setSpeed(speed);
        planAnew();
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

    /// How cells get into bays.
    Loading loading() {
        return loading;
    }

    /// The bench itself.
    OpenBench bench() {
        return bench;
    }

    LinkState link(String instrument) {
        return bench.link(instrument);
    }

    /// The runs that are open, by the name of their bay.
    Map<String, LiveRun> runs() {
        return bench.runs();
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
        double speed = bench.standIns().speedOf(run.bay());
        double ran = run.log().size() == 0 ? 0 : run.log().seconds(run.log().size() - 1);
        double whole = expectedSeconds(run);
        return Duration.ofMillis(Math.round(1000 * Math.max(0, whole - ran) / speed));
    }

    /// How long a run takes from its start, by the clock of the instrument, in s.
    double expectedSeconds(LiveRun run) {
        Optional<Bay> bay =
                queue.bays().stream().filter(each -> each.name().equals(run.bay())).findFirst();
        return bay.flatMap(each ->
                        Cells.of(desk.ledger().state())
                                .cell(run.cell())
                                .map(cell -> queue.expected(cell, each).toMillis() / 1000.0))
                .orElse(4 * 3600.0);
    }

    /// While the shelf is being read: the cell due next, to which a voltage alone belongs.
    Optional<CellId> dueOnShelf() {
        return shelfIsRead ? dueOnShelf : Optional.empty();
    }

    /// Begins or ends reading the hold shelf in the order it is due.
    void readShelf(boolean isRead) {
        shelfIsRead = isRead;
        followShelf();
        changed();
    }

    int bayInHand() {
        return bayInHand;
    }

    void takeBay(int number) {
        bayInHand = Math.clamp(number, 1, Math.max(1, bays().size()));
        changed();
    }

    /// Whether something was typed that the queue does not know of yet.
    boolean isBehind() {
        return plansSeen != plansAsked || desk.ledger().isWaiting();
    }

    /// Loads what the plan has next for each bay, as far as a number of bays, whatever the hour.
    public void loadAsPlanned(int most) {
        bays().stream()
                .limit(most)
                .forEach(bay ->
                        plan.flatMap(each -> each.nextFor(bay.name()))
                                .ifPresent(job ->
                                        loading.load(
                                                job.cell(),
                                                bay,
                                                OptionalDouble.empty(),
                                                () -> {},
                                                why -> {})));
    }

    /// How many samples the open runs have so far.
    public int sampleCount() {
        return runs().values().stream().mapToInt(run -> run.log().size()).sum();
    }

    void stop(Bay bay, Runnable onDone, Consumer<String> onFailed) {
        doAtBench(each -> each.stop(bay), onDone, onFailed);
    }

    void read(CellId cell, Bay meter) {
        doAtBench(each -> each.read(cell, meter), () -> desk.selection().select(cell), why -> {});
    }

    /// Whether a cell can be loaded now.
    public boolean canLoad(CellId cell) {
        return queue.waiting(cell).isPresent()
                && loading.bayFor(cell)
                        .filter(bay -> link(bay.instrument()).connected())
                        .isPresent();
    }

    /// Lets a stand-in fail, for practice: the run in the bay, or the next one there.
    ///
    /// @param afterSeconds by the clock of the instrument
    public void practise(int bay, Ask.FaultKind fault, double afterSeconds) {
        Bay at = bays().get(bay - 1);
        doAtBench(
                each -> each.fail(at, fault, afterSeconds),
                () ->
                        desk.notices()
                                .say(at.name() + ": " + FaultWords.of(fault) + ", for practice"),
                why -> {});
    }

    /// Does something at the bench, and says that it changed.
    void doAtBench(OpenBench.Work what, Runnable onDone, Consumer<String> onFailed) {
        bench.run(
                what,
                () -> {
                    onDone.run();
                    changed();
                },
                why -> {
                    onFailed.accept(why);
                    changed();
                });
    }

    /// A name for one more instrument of a kind.
    String nextName(String stem) {
        List<String> names =
                new ArrayList<>(Bench.of(desk.ledger().state()).instruments().keySet());
        for (char letter = 'A'; letter <= 'Z'; letter++)
            if (!names.contains(stem + " " + letter)) return stem + " " + letter;
        return stem + " " + (names.size() + 1);
    }
}
