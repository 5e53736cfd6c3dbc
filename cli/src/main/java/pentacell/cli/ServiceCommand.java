package pentacell.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import pentacell.core.prove.GroupLog;
import pentacell.core.service.ServiceFindingWords;
import pentacell.core.service.WarmthTrend;
import pentacell.core.service.Watch;
import pentacell.workshop.exchange.GroupLogCsv;
import pentacell.workshop.exchange.ServiceFiles;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/// What stands out in the history of a pack in use.
@Command(
        name = "service",
        mixinStandardHelpOptions = true,
        sortOptions = false,
        description =
                "The history of a pack in use: which group strays, the likely cause, and what to look at next.",
        footer = {
            "",
            "H.csv: time (as 2026-03-01T12:00:00), current_a (either sign), group_1_v … group_S_v, over days to years. How the",
            "voltage runs over charge is taken from the log itself. A healthy pack has no findings.",
            "",
            "Example:",
            "  ./pentacell service --log year.csv --parallel 20 --summary S.json"
        })
final class ServiceCommand implements Callable<Integer> {
    private static final int MOST_PARALLEL = 2000;

    /// A group may be read so much over its charge limit, in V.
    private static final double OVER_LIMIT_VOLTS = 0.3;

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec = CommandLine.Model.CommandSpec.create();

    @Option(names = "--log", required = true, paramLabel = "H.csv", description = "the history")
    private Path log = Path.of("");

    @Option(
            names = "--parallel",
            required = true,
            paramLabel = "P",
            description = "cells in each group")
    private int parallel;

    @CommandLine.Mixin private ChemistryOption chemistryOption = new ChemistryOption();

    @CommandLine.Mixin private Result result = new Result();

    @Override
    public Integer call() throws IOException {
        if (parallel < 1 || parallel > MOST_PARALLEL)
            throw Usage.wrong(
                    spec, "--parallel must be 1 to %d, was %d".formatted(MOST_PARALLEL, parallel));
        PrintWriter errors = spec.commandLine().getErr();
        GroupLogCsv.Read read = GroupLogCsv.read(log);
        GroupLogWords.say(errors, log, read);
        if (read.log().isEmpty()) return Exit.UNREADABLE_INPUT;
        GroupLog history = read.log().get();
        sayImpossible(errors, history);
        Watch watch = Watch.of(history, parallel);
        result.give(ServiceFiles.json(watch, WarmthTrend.of(history)));
        watch.findings().forEach(finding -> errors.println(ServiceFindingWords.sentence(finding)));
        return Exit.DONE;
    }

    private void sayImpossible(PrintWriter errors, GroupLog history) {
        double most = chemistryOption.get().chargeLimitVolts() + OVER_LIMIT_VOLTS;
        for (int g = 0; g < history.series(); g++) {
            double highest = 0;
            for (int i = 0; i < history.size(); i++)
                highest = Math.max(highest, history.volts().get(g).get(i));
            if (highest > most)
                errors.printf(
                        "group %d was read at %.3f V: no cell of the %s has that%n",
                        g + 1, highest, chemistryOption.get().words());
        }
    }
}
