package pentacell.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import pentacell.core.build.BuildFindingWords;
import pentacell.core.build.TapCheck;
import pentacell.core.build.TapVerdict;
import pentacell.workshop.exchange.TapFiles;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/// Whether the balance leads sit where they belong.
@Command(
        name = "taps",
        mixinStandardHelpOptions = true,
        sortOptions = false,
        description = "Before a board is plugged in: which balance leads sit on the wrong joint.",
        footer = {
            "",
            "T.csv: lead,volts; the plug's positions from 0 to S, each read against the pack's negative terminal. Position k",
            "belongs on the positive of group k, position 0 on the pack's negative. An empty reading is a lead that reads nothing.",
            "",
            "Example:",
            "  ./pentacell taps --series 7 --readings taps.csv"
        })
final class TapsCommand implements Callable<Integer> {
    private static final int MOST_SERIES = 400;

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec = CommandLine.Model.CommandSpec.create();

    @Option(
            names = "--series",
            required = true,
            paramLabel = "S",
            description = "groups of the pack")
    private int series;

    @Option(
            names = "--readings",
            required = true,
            paramLabel = "T.csv",
            description = "what each lead reads")
    private Path readings = Path.of("");

    @CommandLine.Mixin private ChemistryOption chemistryOption = new ChemistryOption();

    @CommandLine.Mixin private Result result = new Result();

    @Override
    public Integer call() throws IOException {
        if (series < 1 || series > MOST_SERIES)
            throw Usage.wrong(
                    spec, "--series must be 1 to %d, was %d".formatted(MOST_SERIES, series));
        TapFiles.Readings read = TapFiles.read(readings, series);
        PrintWriter errors = spec.commandLine().getErr();
        read.problems().forEach(problem -> errors.println(problem.text()));
        if (!read.problems().isEmpty()) return Exit.UNREADABLE_INPUT;
        TapVerdict verdict = TapCheck.of(read.volts(), chemistryOption.get());
        result.give(TapFiles.json(verdict));
        verdict.faults().forEach(fault -> errors.println(BuildFindingWords.sentence(fault)));
        return Exit.DONE;
    }
}
