package pentacell.core.test;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.google.ortools.Loader;
import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.cell.CellId;
import pentacell.core.test.facts.BenchHours;
import pentacell.core.test.facts.BenchHours.Span;

/// Plans against a constraint solver that proves the least finishing time, with somebody there day
/// and night.
@DisplayName("Planner against a constraint solver")
final class PlannerAgainstSolverTest {
    private static final LocalDateTime NOW = LocalDateTime.of(2026, 11, 2, 9, 0);
    private static final BenchHours ALWAYS = BenchHours.everyDay(new Span(0, 24));

    private static String bay(int index) {
        return "Charger A · " + (index + 1);
    }

    /// Chargers of an ampere and of half an ampere; some cells only some can do; some bays busy.
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void aPlanEndsWithinAHundredthOfTheProvenLeast(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int bays = random.nextInt(2, 6);
        int cells = random.nextInt(8, 19);
        int[] freeIn = IntStream.range(0, bays).map(i -> random.nextInt(0, 180)).toArray();
        int[][] minutes = new int[cells][bays];
        List<TestJob> jobs = new ArrayList<>();
        for (int cell = 0; cell < cells; cell++) {
            int base = random.nextInt(240, 540);
            Map<String, Duration> durations = new HashMap<>();
            for (int bay = 0; bay < bays; bay++) {
                boolean isSlow = bay >= (bays + 1) / 2;
                boolean suits = bay == 0 || random.nextInt(6) > 0;
                minutes[cell][bay] = suits ? (isSlow ? 2 * base : base) : 0;
                if (suits) durations.put(bay(bay), Duration.ofMinutes(minutes[cell][bay]));
            }
            jobs.add(new TestJob(new CellId("HB03-%02d".formatted(cell + 1)), durations));
        }
        List<BayTime> times =
                IntStream.range(0, bays)
                        .mapToObj(bay -> new BayTime(bay(bay), NOW.plusMinutes(freeIn[bay])))
                        .toList();
        TestPlan plan = Planner.plan(jobs, times, ALWAYS, NOW, new Planner.HoldRoom(1000, 7));
        assertEquals(cells, plan.planned().size());
        long ends = Duration.between(NOW, plan.finish().orElseThrow()).toMinutes();
        long least = least(minutes, freeIn);
        assertTrue(ends >= least, () -> "sooner than can be: " + ends + " < " + least);
        assertTrue(ends <= 1.01 * least, () -> "ends after " + ends + " min, least " + least);
        long bound = Duration.between(NOW, plan.earliest().orElseThrow()).toMinutes();
        assertTrue(bound <= least, () -> "the bound " + bound + " is no bound: " + least);
    }

    /// Least time in which all are done: each cell in one bay, the bays' sums under the largest.
    private static long least(int[][] minutes, int[] freeIn) {
        Loader.loadNativeLibraries();
        CpModel model = new CpModel();
        IntVar end = model.newIntVar(0, 100_000, "end");
        LinearExprBuilder[] sums = new LinearExprBuilder[freeIn.length];
        for (int bay = 0; bay < freeIn.length; bay++)
            sums[bay] = LinearExpr.newBuilder().add(freeIn[bay]);
        boolean[] used = new boolean[freeIn.length];
        for (int[] cell : minutes) {
            List<BoolVar> choices = new ArrayList<>();
            for (int bay = 0; bay < cell.length; bay++) {
                if (cell[bay] == 0) continue;
                BoolVar here = model.newBoolVar("");
                choices.add(here);
                sums[bay].addTerm(here, cell[bay]);
                used[bay] = true;
            }
            model.addExactlyOne(choices.toArray(new BoolVar[0]));
        }
        for (int bay = 0; bay < freeIn.length; bay++)
            if (used[bay]) model.addGreaterOrEqual(end, sums[bay]);
        model.minimize(end);
        CpSolver solver = new CpSolver();
        solver.getParameters().setMaxTimeInSeconds(30).setNumSearchWorkers(2).setRandomSeed(1);
        assertEquals(CpSolverStatus.OPTIMAL, solver.solve(model));
        return Math.round(solver.objectiveValue());
    }
}
