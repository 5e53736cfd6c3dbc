package pentacell.instruments.bench;

import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.RunEnding;
import pentacell.core.cell.TestRun;
import pentacell.core.judgement.Judged;
import pentacell.core.measure.RunResults;
import pentacell.core.measure.SampleLog;
import pentacell.core.school.Grading;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.Grader;
import pentacell.core.stock.Standing;
import pentacell.workshop.logbook.LogbookException;

/// Analyses a run that ended, logs what it says, and tells how the cell stands after it.
final class RunFinish {
    private RunFinish() {}

    /// @return empty when the cell is gone
    static Optional<Finished> of(Keeper keeper, GrowingRun run, RunEnding ending)
            throws LogbookException {
        WorkshopState state = keeper.state();
        Optional<CellRecord> known = Cells.of(state).cell(run.cell);
        if (known.isEmpty()) return Optional.empty();
        SampleLog log = keeper.samples(run.run);
        RunResults.Results results =
                RunResults.of(
                        state,
                        known.get(),
                        run.run,
                        Optional.of(run.bay),
                        log,
                        ending,
                        OptionalDouble.empty());
        Standing before = judge(state, known.get()).verdict();
        keeper.log(
                "Test of " + run.cell + " " + ending.end().words(),
                run.origin.mark(results.facts()));
        keeper.joinSamples(run.run);
        CellRecord tested = Cells.of(keeper.state()).cell(run.cell).orElse(known.get());
        boolean counts =
                tested.runs().stream()
                        .filter(each -> each.run().equals(run.run))
                        .allMatch(TestRun::counts);
        Judged<Standing> after = judge(keeper.state(), tested);
        return Optional.of(
                new Finished(
                        run.cell,
                        run.run,
                        run.bay,
                        ending,
                        results.analysis(),
                        counts,
                        before,
                        after));
    }

    private static Judged<Standing> judge(WorkshopState state, CellRecord cell) {
        return Grader.judge(
                cell,
                Catalogue.of(state).modelOf(cell),
                Schools.of(state),
                Grading.of(state).policy());
    }
}
