package pentacell.core.match;

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
import com.google.ortools.sat.Literal;
import java.util.Collections;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Selection;

/// The matcher against judges that share nothing with it: trying everything, and a constraint
/// solver that proves its optimum.
@DisplayName("Matcher against outside judges")
@Tag("exhaustive")
final class OutsideJudgesTest {

    @RepeatedTest(60)
    @DisplayName("up to 12 cells: as good as trying every grouping")
    void smallLotsReachTheBestOfAllGroupings(RepetitionInfo repetition) {
        long seed = repetition.getCurrentRepetition();
        SplittableRandom random = new SplittableRandom(seed);
        int groups = random.nextInt(2, 5);
        int parallel = random.nextInt(1, 12 / groups + 1);
        int cells = Math.min(12, groups * parallel + random.nextInt(3));
        Selection selection =
                cells == groups * parallel
                        ? Selection.values()[random.nextInt(3)]
                        : random.nextBoolean() ? Selection.STRONGEST : Selection.TIGHTEST;
        int[] capacities = random.ints(cells, 1500, 2600).toArray();
        BruteForce judge = new BruteForce(capacities, groups, parallel);
        MatchRules rules = MatcherTest.exact(Collections.nCopies(groups, parallel), selection);
        MatchFigures figures =
                Lots.matched(
                                Matcher.match(
                                        Lots.ofCapacities(capacities),
                                        rules,
                                        new SearchEffort(6, seed)))
                        .figures();
        Score best = judge.best(selection);
        String where =
                "seed " + seed + " " + selection + " " + rules.arrangement() + " of " + cells;
        assertEquals(best.usable(), Math.round(figures.usableMilliampHours()), where);
        assertEquals(best.spread(), Math.round(figures.spreadMilliampHours()), where);
    }

    /// Tries every grouping: each cell into each group that has room, or left out; empty groups are
    /// taken in order only.
    private static final class BruteForce {
        private final int[] capacities;
        private final int parallel;
        private final long[] sum;
        private final int[] count;

        BruteForce(int[] capacities, int groups, int parallel) {
            this.capacities = capacities;
            this.parallel = parallel;
            this.sum = new long[groups];
            this.count = new int[groups];
        }

        Score best(Selection selection) {
            return place(
                    0,
                    capacities.length - sum.length * parallel,
                    selection,
                    new Score(-1, Long.MAX_VALUE));
        }

        private Score place(int cell, int mayLeaveOut, Selection selection, Score best) {
            if (cell == capacities.length) {
                long least = java.util.Arrays.stream(sum).min().orElseThrow();
                Score score =
                        new Score(least, java.util.Arrays.stream(sum).max().orElseThrow() - least);
                return score.isBetterThan(best, selection) ? score : best;
            }
            Score found =
                    mayLeaveOut > 0 ? place(cell + 1, mayLeaveOut - 1, selection, best) : best;
            for (int group = 0; group < sum.length; group++) {
                if (count[group] == parallel) continue;
                count[group]++;
                sum[group] += capacities[cell];
                found = place(cell + 1, mayLeaveOut, selection, found);
                count[group]--;
                sum[group] -= capacities[cell];
                if (count[group] == 0) break;
            }
            return found;
        }
    }

    @ParameterizedTest(name = "{0}S{1}P of {2} worn cells, IR spread up to {3} mΩ")
    @DisplayName("about 40 cells: the smallest group that CP-SAT proves the largest possible")
    @CsvSource({"5, 8, 42, 1000", "4, 10, 42, 14", "10, 4, 40, 12", "4, 10, 44, 10"})
    void lotsOfFortyReachTheProvenOptimum(int groups, int parallel, int cells, double irSpread) {
        List<Candidate> lot = Lots.worn(cells, 40L + groups);
        MatchRules rules =
                MatcherTest.exact(Collections.nCopies(groups, parallel), Selection.STRONGEST)
                        .withMaxIrSpread(java.util.OptionalDouble.of(irSpread));
        MatchResult result = Lots.matched(Matcher.match(lot, rules, new SearchEffort(16, 1)));
        long ours = Math.round(result.figures().usableMilliampHours());
        // whoever claims more must show it: the solver proves that ours + 1 cannot be reached, or
        // finds it
        assertEquals(
                CpSolverStatus.INFEASIBLE,
                solve(lot, groups, parallel, irSpread, ours + 1),
                () -> "a smallest group above " + ours + " mAh exists");
        assertTrue(ours > 0);
    }

    /// Asks for any grouping whose every sum is at least `atLeast`.
    private static CpSolverStatus solve(
            List<Candidate> lot, int groups, int parallel, double irSpread, long atLeast) {
        Loader.loadNativeLibraries();
        CpModel model = new CpModel();
        Literal[][] in = new Literal[lot.size()][groups];
        for (int cell = 0; cell < lot.size(); cell++) {
            for (int group = 0; group < groups; group++)
                in[cell][group] = model.newBoolVar(cell + " in " + group);
            model.addAtMostOne(in[cell]);
        }
        long[] tenthsOfMilliohms =
                lot.stream().mapToLong(c -> Math.round(10 * c.milliohms().orElseThrow())).toArray();
        for (int group = 0; group < groups; group++) {
            LinearExprBuilder sum = LinearExpr.newBuilder();
            LinearExprBuilder count = LinearExpr.newBuilder();
            IntVar low = model.newIntVar(0, 100_000, "low " + group);
            for (int cell = 0; cell < lot.size(); cell++) {
                BoolVar here = (BoolVar) in[cell][group];
                sum.addTerm(here, Math.round(lot.get(cell).milliampHours()));
                count.add(here);
                model.addLessOrEqual(low, tenthsOfMilliohms[cell]).onlyEnforceIf(here);
                model.addGreaterOrEqual(
                                LinearExpr.newBuilder()
                                        .add(low)
                                        .add(Math.round(10 * irSpread))
                                        .build(),
                                tenthsOfMilliohms[cell])
                        .onlyEnforceIf(here);
            }
            model.addEquality(count, parallel);
            model.addGreaterOrEqual(sum, atLeast);
        }
        CpSolver solver = new CpSolver();
        solver.getParameters().setMaxTimeInSeconds(60).setNumWorkers(2);
        return solver.solve(model);
    }
}
