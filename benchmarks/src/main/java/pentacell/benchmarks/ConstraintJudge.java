package pentacell.benchmarks;

import com.google.ortools.Loader;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import com.google.ortools.sat.Literal;
import java.util.Arrays;

/// A general constraint solver on the same lot: which cell into which group, the smallest group as
/// large as can be.
final class ConstraintJudge {
    private ConstraintJudge() {}

    /// @param usable smallest group in mAh; −1 when none was found
    /// @param bound no smallest group is above this, in mAh
    record Verdict(long usable, long bound) {}

    static Verdict judge(MatchCase wanted, double seconds) {
        Loader.loadNativeLibraries();
        long[] milliampHours = wanted.milliampHours();
        long[] tenths = wanted.tenthsOfMilliohms();
        int groups = wanted.rules().series();
        CpModel model = new CpModel();
        Literal[][] in = new Literal[milliampHours.length][groups];
        for (int cell = 0; cell < in.length; cell++) {
            for (int group = 0; group < groups; group++)
                in[cell][group] = model.newBoolVar(cell + " in " + group);
            model.addAtMostOne(in[cell]);
        }
        IntVar least = model.newIntVar(0, Arrays.stream(milliampHours).sum() / groups, "least");
        for (int group = 0; group < groups; group++) {
            LinearExprBuilder sum = LinearExpr.newBuilder();
            LinearExprBuilder count = LinearExpr.newBuilder();
            for (int cell = 0; cell < in.length; cell++) {
                sum.addTerm(in[cell][group], milliampHours[cell]);
                count.add(in[cell][group]);
            }
            model.addEquality(count, wanted.rules().groupSizes().get(group));
            model.addGreaterOrEqual(sum, least);
            if (wanted.rules().maxIrSpreadMilliohms().isPresent()) {
                long limit = Math.round(10 * wanted.rules().maxIrSpreadMilliohms().getAsDouble());
                IntVar low = model.newIntVar(0, 100_000, "low " + group);
                for (int cell = 0; cell < in.length; cell++) {
                    model.addLessOrEqual(low, tenths[cell]).onlyEnforceIf(in[cell][group]);
                    model.addGreaterOrEqual(
                                    LinearExpr.newBuilder().add(low).add(limit).build(),
                                    tenths[cell])
                            .onlyEnforceIf(in[cell][group]);
                }
            }
        }
        model.maximize(least);
        CpSolver solver = new CpSolver();
        solver.getParameters().setMaxTimeInSeconds(seconds).setNumWorkers(2);
        CpSolverStatus status = solver.solve(model);
        boolean found = status == CpSolverStatus.OPTIMAL || status == CpSolverStatus.FEASIBLE;
        long bound =
                status == CpSolverStatus.INFEASIBLE
                        ? -1
                        : (long) Math.floor(solver.bestObjectiveBound() + 1e-6);
        return new Verdict(found ? Math.round(solver.objectiveValue()) : -1, bound);
    }
}
