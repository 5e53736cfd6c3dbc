package pentacell.core.test;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.test.Planner.HoldRoom;
import pentacell.core.test.facts.BenchHours;
import pentacell.core.test.facts.BenchHours.Span;
import pentacell.core.test.facts.Programme;

/// Plans for the bays.
final class PlannerTest {
    private static final LocalDateTime NOW = LocalDateTime.of(2026, 11, 2, 9, 0);
    private static final BenchHours ALWAYS = BenchHours.everyDay(new Span(0, 24));
    private static final BenchHours DAY = BenchHours.everyDay(new Span(8, 22));
    private static final HoldRoom SHELF = new HoldRoom(1000, 7);

    private static List<BayTime> bays(int count) {
        return IntStream.rangeClosed(1, count).mapToObj(i -> new BayTime("A · " + i, NOW)).toList();
    }

    private static List<TestJob> jobs(int bays, double... hours) {
        List<TestJob> jobs = new ArrayList<>();
        for (int i = 0; i < hours.length; i++) {
            Map<String, Duration> durations = new HashMap<>();
            for (int bay = 1; bay <= bays; bay++)
                durations.put("A · " + bay, Duration.ofMinutes(Math.round(60 * hours[i])));
            jobs.add(new TestJob(new CellId("HB03-%02d".formatted(i + 1)), durations));
        }
        return jobs;
    }

    /// When the tests end by plain list scheduling, longest first (Graham, 1969): each goes where
    /// it is done soonest.
    private static Optional<LocalDateTime> longestFirst(
            List<TestJob> jobs, List<BayTime> bays, BenchHours hours) {
        Map<String, LocalDateTime> free = new HashMap<>();
        bays.forEach(bay -> free.put(bay.bay(), NOW));
        List<LocalDateTime> done = new ArrayList<>();
        jobs.stream()
                .filter(job -> !job.duration().isEmpty())
                .sorted(
                        Comparator.comparing(
                                        (TestJob job) -> Collections.min(job.duration().values()))
                                .reversed()
                                .thenComparing(job -> job.cell().text()))
                .forEach(job ->
                        bays.stream()
                                .map(BayTime::bay)
                                .filter(job.duration()::containsKey)
                                .min(Comparator.comparing(bay -> doneAt(job, bay, free, hours)))
                                .ifPresent(bay -> {
                                    free.put(bay, doneAt(job, bay, free, hours));
                                    done.add(free.getOrDefault(bay, NOW));
                                }));
        return done.stream().max(Comparator.naturalOrder());
    }

    private static LocalDateTime doneAt(
            TestJob job, String bay, Map<String, LocalDateTime> free, BenchHours hours) {
        return hours.next(free.getOrDefault(bay, NOW))
                .plus(job.duration().getOrDefault(bay, Duration.ZERO));
    }

    private static double hours(Optional<LocalDateTime> time) {
        return Duration.between(NOW, time.orElseThrow()).toMinutes() / 60.0;
    }

    /// {5,5,4,4,3,3,3} on three machines: longest first ends at 11, the best plan at 9; the worst
    /// case of Graham (1969), 4/3 − 1/(3m).
    @Test
    void theWorstCaseOfLongestFirstIsMended() {
        List<TestJob> jobs = jobs(3, 5, 5, 4, 4, 3, 3, 3);
        assertEquals(11, hours(longestFirst(jobs, bays(3), ALWAYS)));
        TestPlan plan = Planner.plan(jobs, bays(3), ALWAYS, NOW, SHELF);
        assertEquals(9, hours(plan.finish()));
        assertEquals(9, hours(plan.earliest()), "and that is proven");
    }

    /// 120 tests of about 11 h in four bays that are loaded from 9 to 17 h: one a day in each.
    @Test
    void theBoundKnowsTheHoursWhenSomebodyIsThere() {
        BenchHours office = BenchHours.everyDay(new Span(9, 17));
        double[] hours = new Random(4).doubles(120, 10.5, 12).toArray();
        TestPlan plan = Planner.plan(jobs(4, hours), bays(4), office, NOW, SHELF);
        double wait = hours(plan.finish()) - hours(plan.earliest());
        assertTrue(wait >= 0 && wait < 36, () -> "bound " + wait + " h before the plan's end");
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void aPlanIsNeverLaterThanTheListNorEarlierThanItsBound(int seed) {
        Random random = new Random(seed);
        int bays = 1 + random.nextInt(6);
        List<TestJob> jobs = new ArrayList<>();
        for (int i = 0; i < 30; i++) {
            Map<String, Duration> durations = new HashMap<>();
            for (int bay = 1; bay <= bays; bay++)
                if (random.nextInt(5) > 0)
                    durations.put("A · " + bay, Duration.ofMinutes(120 + random.nextInt(900)));
            jobs.add(new TestJob(new CellId("HB03-%02d".formatted(i + 1)), durations));
        }
        BenchHours hours = random.nextBoolean() ? DAY : ALWAYS;
        TestPlan plan = Planner.plan(jobs, bays(bays), hours, NOW, SHELF);
        LocalDateTime list = longestFirst(jobs, bays(bays), hours).orElseThrow();
        assertFalse(plan.finish().orElseThrow().isAfter(list), "seed " + seed);
        assertFalse(
                plan.earliest().orElseThrow().isAfter(plan.finish().orElseThrow()), "seed " + seed);
        assertEquals(30, plan.planned().size() + plan.nowhere().size());
        for (TestSlot each : plan.planned())
            assertTrue(hours.isThere(each.loadAt()), each::toString);
        for (TestSlot one : plan.planned())
            for (TestSlot other : plan.planned())
                assertTrue(
                        one.cell().equals(other.cell())
                                || !one.bay().equals(other.bay())
                                || !one.loadAt().isBefore(other.doneAt())
                                || !other.loadAt().isBefore(one.doneAt()),
                        "two cells in one bay, seed " + seed);
        assertEquals(
                plan, Planner.plan(jobs, bays(bays), hours, NOW, SHELF), "same input, same plan");
    }

    /// All ways to deal a few tests into two bays: none ends sooner.
    @ParameterizedTest
    @ValueSource(ints = {21, 22, 23, 24, 25, 26})
    void fewTestsAreDealtAsWellAsAnyWay(int seed) {
        Random random = new Random(seed);
        double[] hours = random.doubles(9, 2, 14).toArray();
        double best = Double.POSITIVE_INFINITY;
        for (int choice = 0; choice < 1 << hours.length; choice++) {
            double[] sums = new double[2];
            for (int i = 0; i < hours.length; i++)
                sums[choice >> i & 1] += Math.round(60 * hours[i]) / 60.0;
            best = Math.min(best, Math.max(sums[0], sums[1]));
        }
        TestPlan plan = Planner.plan(jobs(2, hours), bays(2), ALWAYS, NOW, SHELF);
        assertEquals(best, hours(plan.finish()), 0.01 * best, "seed " + seed);
    }

    @Test
    void cellsAreLoadedOnlyWhileSomebodyIsThere() {
        TestPlan plan = Planner.plan(jobs(1, 14, 2), bays(1), DAY, NOW, SHELF);
        // the two hours first: they end while somebody is there, the fourteen run into the night
        assertEquals(16, hours(plan.finish()));
        assertEquals(
                List.of(NOW, NOW.plusHours(2)),
                plan.swaps().stream().map(TestPlan.Swap::at).toList());
        TestSlot second = plan.swaps().get(1).loads().get(0);
        assertEquals(Optional.of(plan.swaps().get(0).loads().get(0).cell()), plan.before(second));
        assertEquals(25, hours(longestFirst(jobs(1, 14, 2), bays(1), DAY)), "longest first");
        assertEquals(1, plan.toLoad(NOW).size());
    }

    @Test
    void aFullShelfAndABayThatFailsAreSeen() {
        List<TestJob> jobs = jobs(2, 4, 4, 4, 4);
        TestPlan plan = Planner.plan(jobs, bays(2), ALWAYS, NOW, new HoldRoom(3, 7));
        assertEquals(NOW.plusHours(8), plan.shelfFullAt().orElseThrow());
        assertEquals(8, hours(plan.finish()));
        assertEquals(16, hours(Planner.plan(jobs, bays(1), ALWAYS, NOW, SHELF).finish()));
        TestPlan none = Planner.plan(jobs, List.of(), ALWAYS, NOW, SHELF);
        assertEquals(4, none.nowhere().size());
        assertEquals(Optional.empty(), none.finish());
        assertEquals(List.of(), Planner.plan(List.of(), bays(2), DAY, NOW, SHELF).planned());
    }

    /// One bay, a test a day: of two places a third cell finds one free when the first has lain its
    /// three days, but not when that one is rescued and lies three weeks.
    @Test
    void aRescuedCellKeepsItsPlaceLonger() {
        List<TestJob> jobs = jobs(1, 48, 48, 48);
        CellId first =
                Planner.plan(jobs, bays(1), ALWAYS, NOW, SHELF).planned().stream()
                        .min(Comparator.comparing(TestSlot::doneAt))
                        .orElseThrow()
                        .cell();
        assertEquals(
                Optional.empty(),
                Planner.plan(jobs, bays(1), ALWAYS, NOW, new HoldRoom(2, 3)).shelfFullAt());
        assertEquals(
                Optional.of(NOW.plusHours(144)),
                Planner.plan(jobs, bays(1), ALWAYS, NOW, new HoldRoom(2, 3, Map.of(first, 21)))
                        .shelfFullAt());
    }

    /// Closed forms: 2 Ah at 1 A to empty take two hours; a charge of what is missing at steady
    /// current and its taper, q/(I − I_end)·ln(I/I_end).
    @ParameterizedTest
    @CsvSource({"1, 2.9, 7200", "0.5, 2.9, 14400"})
    void aDischargeTakesItsChargeOverItsCurrent(double amps, double end, double seconds) {
        Programme programme =
                new Programme(
                        List.of(new Programme.Discharge(amps, end)),
                        10,
                        new Programme.Limits(4.25, 2, 45, 1e6));
        assertEquals(
                seconds,
                PhaseTimes.seconds(programme, Chemistry.NMC, 4.2, 2000, 0),
                0.01 * seconds);
    }

    @Test
    void anIdealCellChargesAtSteadyCurrentAlone() {
        Programme programme =
                new Programme(
                        List.of(new Programme.Charge(1, 4.2, 0.05), new Programme.Rest(60)),
                        10,
                        new Programme.Limits(4.25, 2, 45, 1e6));
        assertEquals(7200 + 60, PhaseTimes.seconds(programme, Chemistry.NMC, 3.0, 2000, 0), 1);
        assertTrue(
                PhaseTimes.seconds(programme, Chemistry.NMC, 3.0, 2000, 0.09) > 8000,
                "resistance makes a taper");
    }
}
