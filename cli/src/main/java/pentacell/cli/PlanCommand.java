package pentacell.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import pentacell.core.match.Candidate;
import pentacell.core.plan.NeedLine;
import pentacell.core.plan.PackPlan;
import pentacell.core.plan.PackPlanner;
import pentacell.workshop.exchange.CellCsv;
import pentacell.workshop.exchange.CellTable;
import pentacell.workshop.exchange.NeedJson;
import pentacell.workshop.exchange.PlanFiles;
import picocli.CommandLine;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/// Which packs meet a need.
@Command(
        name = "plan",
        mixinStandardHelpOptions = true,
        sortOptions = false,
        description =
                "From what a pack must power to groups in series and cells in parallel, with what stands in the way of each.",
        footer = {
            "",
            "NEED.json: chemistry; device {lowTripVolts, highTripVolts}; load {steadyWatts, peakWatts, efficiency, idleWatts,",
            "wattHoursPerKilometre}; wanted {hours, kilometres}; cell {capacityMah, milliohms, maxContinuousAmps, maxPeakAmps, grams,",
            "format, price}; box {lengthMillimetres, widthMillimetres, heightMillimetres}; charger {volts, amps, supplyWatts}; board",
            "{series, chemistry, continuousAmps, peakAmps, balanceLeads}: what they mean is under cautions. With --stock the cell is the mean of the",
            "table's cells where NEED.json says nothing, and there are no more than those.",
            "A file may be up to 32 MiB.",
            "",
            "Example:",
            "  ./pentacell plan --need need.json --stock demo/lot.csv --summary PLAN.json",
            "  ./pentacell plan --line \"60w peak 150w 8h 20-30v\" --stock demo/lot.csv"
        })
final class PlanCommand implements Callable<Integer> {
    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec = CommandLine.Model.CommandSpec.create();

    @ArgGroup(exclusive = true, multiplicity = "1")
    private Asked asked = new Asked();

    /// One of these.
    static final class Asked {
        @Option(
                names = "--need",
                paramLabel = "NEED.json",
                description = "what the pack must power")
        private @Nullable Path need;

        @Option(
                names = "--line",
                paramLabel = "TEXT",
                description =
                        "the same in one line, of cells of --stock: \"60w peak 150w 8h 10.5-15v\"")
        private @Nullable String line;
    }

    @Option(names = "--stock", paramLabel = "LOT.csv", description = "table of cells there are")
    private @Nullable Path stock;

    @CommandLine.Mixin private Result result = new Result();

    @Override
    public Integer call() throws IOException {
        PrintWriter errors = spec.commandLine().getErr();
        Optional<List<Candidate>> cells = Optional.empty();
        if (stock != null) {
            List<Candidate> candidates = new ArrayList<>();
            CellTable table =
                    CellCsv.read(stock, row -> row.candidate().ifPresent(candidates::add));
            table.notes().forEach(errors::println);
            table.problems().forEach(problem -> errors.println(problem.text()));
            if (!table.problems().isEmpty()) return Exit.UNREADABLE_INPUT;
            cells = Optional.of(candidates);
        }
        if (asked.line != null && cells.isEmpty())
            throw Usage.wrong(spec, "--line needs --stock: it says nothing of the cells");
        NeedJson.Read read =
                asked.need != null
                        ? NeedJson.read(asked.need, cells)
                        : NeedJson.of(
                                NeedLine.read(String.valueOf(asked.line)), cells.orElse(List.of()));
        if (asked.line != null && read.asked().isEmpty())
            throw Usage.wrong(spec, read.problems().get(0).text());
        read.problems().forEach(problem -> errors.println(problem.text()));
        if (read.asked().isEmpty()) return Exit.UNREADABLE_INPUT;
        NeedJson.Asked wanted = read.asked().get();
        PackPlan plan = PackPlanner.plan(wanted.need(), wanted.supply());
        result.give(PlanFiles.json(plan, wanted));
        plan.nearest().ifPresent(sentence -> errors.println("no pack meets this: " + sentence));
        return plan.best().isPresent() ? Exit.DONE : Exit.NO_SOLUTION;
    }
}
