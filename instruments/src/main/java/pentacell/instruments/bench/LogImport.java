package pentacell.instruments.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.RunEnding;
import pentacell.core.cell.RunFact;
import pentacell.core.imports.ImportFact;
import pentacell.core.journal.Amendment;
import pentacell.core.journal.Fact;
import pentacell.core.journal.Origin;
import pentacell.core.measure.RunResults;
import pentacell.core.measure.SampleLog;
import pentacell.core.state.WorkshopState;
import pentacell.workshop.exchange.RunLog;
import pentacell.workshop.logbook.LogbookException;

/// Takes the log files of instruments in as runs.
public final class LogImport {
    private LogImport() {}

    /// The cell a file is named after: the longest known id in its name.
    public static Optional<CellId> cellOf(String fileName, WorkshopState state) {
        String name = fileName.toLowerCase(Locale.ROOT);
        return Cells.of(state).all().keySet().stream()
                .filter(id -> stands(name, id.text().toLowerCase(Locale.ROOT)))
                .max(Comparator.comparingInt(id -> id.text().length()));
    }

    /// Whether an id stands in a name and does not go on: HB03-1 is not in HB03-12.
    private static boolean stands(String name, String id) {
        int at = name.indexOf(id);
        if (at < 0) return false;
        int after = at + id.length();
        boolean endsThere = after >= name.length() || !Character.isDigit(name.charAt(after));
        boolean beginsThere = at == 0 || !Character.isLetterOrDigit(name.charAt(at - 1));
        return endsThere && beginsThere;
    }

    /// Takes a log in as a run of a cell.
    ///
    /// @return what it says
    /// @throws LogbookException when it could not be written
    public static RunResults.Results take(RunLog log, CellId id, Keeper keeper)
            throws LogbookException {
        WorkshopState state = keeper.state();
        CellRecord cell =
                Cells.of(state)
                        .cell(id)
                        .orElseThrow(() -> new IllegalArgumentException("no cell " + id));
        String run = keeper.nextRun(cell);
        RunResults.Results results =
                RunResults.of(
                        state,
                        cell,
                        run,
                        Optional.empty(),
                        log.log(),
                        RunEnding.DONE,
                        OptionalDouble.empty());
        List<Fact> facts = new ArrayList<>();
        facts.add(new RunFact.RunStarted(id, run, log.name(), "as logged"));
        results.facts().stream()
                // when it was charged is not known: it is laid on the shelf by hand
                .filter(fact -> !(fact instanceof RunFact.HoldBegan))
                .forEach(facts::add);
        facts.addAll(shorter(log, cell, keeper));
        facts.add(new ImportFact.FileImported(log.name(), log.sha256(), 1));
        keeper.keepSamples(Map.of(run, log.log()), Map.of());
        keeper.log("Take in " + log.name() + " as " + id, Origin.IMPORTED.mark(facts));
        return results;
    }

    /// Strikes what was taken in of the same log when it was shorter: it had gone on since.
    private static List<Fact> shorter(RunLog log, CellRecord cell, Keeper keeper)
            throws LogbookException {
        List<Fact> struck = new ArrayList<>();
        for (CellRecord.LifeLineEntry entry : cell.lifeLine()) {
            boolean isBegun =
                    entry.fate() == CellRecord.Fate.STANDING
                            && entry.fact() instanceof RunFact.RunStarted started
                            && started.bay().equals(log.name())
                            && isBeginning(keeper.samples(started.run()), log.log());
            if (!isBegun) continue;
            // all that was logged with it
            cell.lifeLine().stream()
                    .filter(each -> each.at().equals(entry.at()))
                    .filter(each -> each.fate() == CellRecord.Fate.STANDING)
                    .map(each ->
                            new Amendment.EntryStruck(
                                    each.sequence(), "the log " + log.name() + " went on"))
                    .forEach(struck::add);
        }
        return struck;
    }

    private static boolean isBeginning(SampleLog shorter, SampleLog whole) {
        int last = shorter.size() - 1;
        return last >= 0
                && last < whole.size() - 1
                && isSame(shorter, whole, 0)
                && isSame(shorter, whole, last);
    }

    // the file keeps them to the microsecond and the microvolt
    private static boolean isSame(SampleLog one, SampleLog other, int sample) {
        return Math.abs(one.seconds(sample) - other.seconds(sample)) < 1e-5
                && Math.abs(one.volts(sample) - other.volts(sample)) < 1e-5;
    }
}
