package pentacell.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import pentacell.core.circuit.Load;
import pentacell.core.circuit.PackSimulation;
import pentacell.core.circuit.RestCurve;
import pentacell.core.circuit.VoltageCurve;
import pentacell.core.prove.LoadTest;
import pentacell.core.prove.ProveLoad;
import pentacell.workshop.exchange.GroupLogCsv;
import pentacell.workshop.exchange.ProveFiles;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/// What a pack really gave, which group ended it and why.
@Command(
        name = "prove",
        mixinStandardHelpOptions = true,
        sortOptions = false,
        description = "A load test of a whole pack: what it gave, which group ended it and why.",
        footer = {
            "",
            "P.csv: time_s (or a time as 2026-03-01T12:00:00), current_a (either sign), group_1_v … group_S_v. A rest before and",
            "after the load tells more. With --groups and --cells what the cells should give is predicted.",
            "",
            "Example:",
            "  ./pentacell prove --log test.csv --end-voltage 3.0 --summary P.json"
        })
final class ProveCommand implements Callable<Integer> {
    private static final double STEP_SECONDS = 5;

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec = CommandLine.Model.CommandSpec.create();

    @Option(names = "--log", required = true, paramLabel = "P.csv", description = "the test's log")
    private Path log = Path.of("");

    @Option(
            names = "--end-voltage",
            required = true,
            paramLabel = "V",
            description = "voltage of a group at which the test ends")
    private double endVolts;

    @CommandLine.Mixin private ChemistryOption chemistryOption = new ChemistryOption();

    @Option(
            names = "--groups",
            paramLabel = "GROUPS.csv",
            description = "which cell is in which group")
    private @Nullable Path groups;

    @Option(names = "--cells", paramLabel = "LOT.csv", description = "table of cells")
    private @Nullable Path cells;

    @CommandLine.Mixin private Result result = new Result();

    @Override
    public Integer call() throws IOException {
        if (!(endVolts > 0 && endVolts < 5))
            throw Usage.wrong(spec, "--end-voltage must be above 0 and under 5 V, was " + endVolts);
        if ((groups == null) != (cells == null))
            throw Usage.wrong(spec, "--groups and --cells go together");
        PrintWriter errors = spec.commandLine().getErr();
        GroupLogCsv.Read read = GroupLogCsv.read(log);
        GroupLogWords.say(errors, log, read);
        if (read.log().isEmpty()) return Exit.UNREADABLE_INPUT;
        LoadTest test;
        try {
            test = ProveLoad.judge(read.log().get(), endVolts, chemistryOption.get());
        } catch (IllegalArgumentException none) {
            errors.println(log.getFileName() + ": " + none.getMessage());
            return Exit.UNREADABLE_INPUT;
        }
        OptionalDouble predicted = OptionalDouble.empty();
        if (groups != null && cells != null) {
            VoltageCurve curve = RestCurve.of(chemistryOption.get()).curve();
            GroupedLot lot = GroupedLot.read(groups, cells, curve);
            lot.notes().forEach(errors::println);
            lot.problems().forEach(problem -> errors.println(problem.text()));
            if (!lot.problems().isEmpty()) return Exit.UNREADABLE_INPUT;
            predicted =
                    OptionalDouble.of(
                            PackSimulation.discharge(
                                            lot.circuit(),
                                            curve,
                                            new Load.Amps(test.meanAmps()),
                                            endVolts,
                                            STEP_SECONDS,
                                            (seconds, volts, amps, each) -> {})
                                    .ampHours());
        }
        result.give(ProveFiles.json(test, predicted));
        return Exit.DONE;
    }
}
