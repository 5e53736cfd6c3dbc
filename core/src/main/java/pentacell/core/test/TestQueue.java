package pentacell.core.test;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.intake.WaitingForTest;
import pentacell.core.judgement.Judged;
import pentacell.core.measure.HeatLadder;
import pentacell.core.measure.HoldShelf;
import pentacell.core.measure.OpenRun;
import pentacell.core.measure.TestProgramme;
import pentacell.core.school.IntakeVerdict;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;
import pentacell.core.test.facts.Bay;
import pentacell.core.test.facts.Bench;
import pentacell.core.test.facts.Instrument;
import pentacell.core.test.facts.Programme;

/// What waits for the bays of a workshop, and the plan for it.
public final class TestQueue {
    /// A cell resting this full needs no charge before its capacity is measured.
    private static final double FULL_SHARE = 0.97;

    private final WorkshopState state;
    private final LearnedTimes learned;
    private final List<WaitingForTest> waiting;

    private TestQueue(WorkshopState state) {
        this.state = state;
        learned = LearnedTimes.of(state);
        Set<CellId> inBays = new HashSet<>();
        for (OpenRun open : OpenRun.of(state)) inBays.add(open.cell().id());
        waiting = new ArrayList<>();
        for (WaitingForTest each : WaitingForTest.of(state))
            if (!inBays.contains(each.cell().id())) waiting.add(each);
        for (CellRecord cell : Cells.of(state).all().values())
            if (!inBays.contains(cell.id())) againAtLess(cell).ifPresent(waiting::add);
    }

    /// The queue of a workshop.
    public static TestQueue of(WorkshopState state) {
        return new TestQueue(state);
    }

    /// A cell that became hot waits for a gentler run although it has a capacity.
    private Optional<WaitingForTest> againAtLess(CellRecord cell) {
        Judged<HeatLadder.Rung> heat = HeatLadder.judge(cell);
        boolean isAgain =
                heat.verdict() == HeatLadder.Rung.AGAIN_AT_LESS
                        && cell.milliampHours().isPresent()
                        && cell.handedOver().isEmpty()
                        && cell.decision().isEmpty();
        if (!isAgain) return Optional.empty();
        return Optional.of(WaitingForTest.after(IntakeVerdict.NORMAL, cell, state));
    }

    /// The cells that wait.
    public List<WaitingForTest> waiting() {
        return List.copyOf(waiting);
    }

    /// A waiting cell.
    public Optional<WaitingForTest> waiting(CellId id) {
        return waiting.stream().filter(each -> each.cell().id().equals(id)).findFirst();
    }

    /// All bays of the workshop.
    public List<Bay> bays() {
        return Bench.of(state).instruments().values().stream()
                .map(Instrument::bays)
                .flatMap(List::stream)
                .toList();
    }

    /// The programme of a waiting cell in a bay.
    public Programme programme(WaitingForTest cell, Bay bay) {
        return programme(cell, bay, OptionalDouble.empty());
    }

    /// The programme of a waiting cell in a bay with a discharge current a person asks for, in A.
    public Programme programme(WaitingForTest cell, Bay bay, OptionalDouble askedAmps) {
        return TestProgramme.of(
                cell,
                Catalogue.of(state).modelOf(cell.cell()),
                Schools.of(state).test(),
                bay,
                askedAmps);
    }

    /// Whether a bay can measure the capacity of a waiting cell: one that only discharges can when
    /// the cell stands full.
    public boolean suits(WaitingForTest cell, Bay bay) {
        if (Bench.of(state).baysAside().contains(bay.name())) return false;
        // a full charge of what may be iron phosphate is no test
        if (!cell.instruction().isChemistryKnown()) return false;
        boolean onlyDischarges = bay.chargeAmps() == 0 && bay.dischargeAmps() > 0;
        return bay.canTest(cell.chemistry()) || onlyDischarges && standsFull(cell);
    }

    private static boolean standsFull(WaitingForTest cell) {
        return RestCurve.of(cell.chemistry()).share(cell.cell().volts().orElse(0)) >= FULL_SHARE;
    }

    /// How long a waiting cell's test takes in a bay, by prediction and past runs.
    public Duration expected(WaitingForTest cell, Bay bay) {
        double seconds =
                seconds(state, cell.cell(), cell.chemistry(), programme(cell, bay))
                        * learned.factor(bay.instrument());
        return Duration.ofSeconds(Math.max(60, Math.round(seconds)));
    }

    /// How long the whole test of a cell that is in a bay takes there.
    public Duration expected(CellRecord cell, Bay bay) {
        return expected(WaitingForTest.after(IntakeVerdict.NORMAL, cell, state), bay);
    }

    /// Predicted seconds of a programme for a cell, before what was learned.
    static double seconds(
            WorkshopState state, CellRecord cell, Chemistry chemistry, Programme programme) {
        OptionalDouble rated = CellModel.ratedOf(Catalogue.of(state).modelOf(cell));
        double capacity =
                cell.milliampHours().orElse(PhaseTimes.USUAL_SHARE_OF_RATING * rated.orElse(2000));
        return PhaseTimes.seconds(
                programme,
                chemistry,
                cell.volts().orElse(chemistry.nominalVolts()),
                capacity,
                cell.dcMilliohms().orElse(1000 * PhaseTimes.USUAL_OHMS) / 1000);
    }

    /// The plan.
    ///
    /// @param freeAt when each bay that is busy will be free, by its name
    /// @param failed bays that cannot be used
    /// @param more bays that are not there but are thought of
    public TestPlan plan(
            LocalDateTime now,
            Map<String, LocalDateTime> freeAt,
            Set<String> failed,
            List<Bay> more) {
        List<Bay> usable = new ArrayList<>(bays());
        usable.removeIf(bay -> failed.contains(bay.name()) || bay.dischargeAmps() == 0);
        usable.addAll(more);
        List<TestJob> jobs = new ArrayList<>();
        for (WaitingForTest each : waiting) {
            Map<String, Duration> durations = new HashMap<>();
            // bays of one instrument are alike: predicted once
            Map<String, Duration> byKind = new HashMap<>();
            for (Bay bay : usable)
                if (suits(each, bay))
                    durations.put(
                            bay.name(),
                            byKind.computeIfAbsent(
                                    bay.instrument() + bay.chargeAmps() + "/" + bay.dischargeAmps(),
                                    kind -> expected(each, bay)));
            jobs.add(new TestJob(each.cell().id(), durations));
        }
        List<BayTime> times =
                usable.stream()
                        .map(bay -> new BayTime(bay.name(), freeAt.getOrDefault(bay.name(), now)))
                        .toList();
        return Planner.plan(jobs, times, Bench.of(state).hours(), now, room());
    }

    private Planner.HoldRoom room() {
        int usual = Schools.of(state).hold().days();
        Map<CellId, Integer> longer = new HashMap<>();
        for (WaitingForTest each : waiting)
            if (each.instruction().holdDays() > usual)
                longer.put(each.cell().id(), each.instruction().holdDays());
        return new Planner.HoldRoom(HoldShelf.of(state).free(), usual, longer);
    }
}
