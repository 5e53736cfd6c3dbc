package pentacell.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import pentacell.core.measure.Analyse;
import pentacell.core.measure.AnalysisSettings;
import pentacell.core.unit.Count;
import pentacell.workshop.exchange.AnalysisFiles;
import pentacell.workshop.exchange.RunLog;
import pentacell.workshop.exchange.RunLogCsv;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/// Reads a log of a test and says what it shows.
@Command(
        name = "analyse",
        mixinStandardHelpOptions = true,
        sortOptions = false,
        description =
                "Finds capacity, energy, steps, resistance and whatever is odd in the log of a test.",
        footer = {
            "",
            "LOG.csv has columns for time, voltage and current (temperature if there is one), with units",
            "in their names if possible: time_s, Voltage (mV), current / mA. Lines that cannot be read are",
            "told on standard error and left out.",
            "",
            "Example:",
            "  ./pentacell analyse run-17.csv --end-voltage 3.0 --summary A.json"
        })
final class AnalyseCommand implements Callable<Integer> {
    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec = CommandLine.Model.CommandSpec.create();

    @Parameters(paramLabel = "LOG.csv", description = "the log of one run")
    private Path log = Path.of("");

    @Option(
            names = "--end-voltage",
            paramLabel = "V",
            description = "voltage the discharge counts to (default: the lowest it reached)")
    private @Nullable Double endVoltage;

    @Option(
            names = "--rated",
            paramLabel = "MAH",
            description = "rated capacity, to compare the measured one with")
    private @Nullable Double rated;

    @CommandLine.Mixin private Result result = new Result();

    @Override
    public Integer call() throws IOException {
        AnalysisSettings settings = AnalysisSettings.NONE;
        if (endVoltage != null) {
            if (!(endVoltage > 0 && endVoltage < 5))
                throw Usage.wrong(
                        spec, "--end-voltage must be above 0 and under 5 V, was " + endVoltage);
            settings = settings.endingAt(endVoltage);
        }
        if (rated != null) {
            if (!(rated > 0 && rated < 100_000))
                throw Usage.wrong(
                        spec, "--rated must be above 0 and under 100000 mAh, was " + rated);
            settings = settings.rated(rated);
        }
        RunLog read = RunLogCsv.read(log);
        PrintWriter errors = spec.commandLine().getErr();
        read.problems().forEach(problem -> errors.println(problem.text()));
        if (read.skipped() > read.problems().size())
            errors.printf(
                    "%s could not be read%n",
                    Count.of(read.skipped() - read.problems().size(), "more line", "more lines"));
        read.notes().forEach(note -> errors.println(read.name() + ": " + note));
        if (read.log().size() == 0) return Exit.UNREADABLE_INPUT;
        String json = AnalysisFiles.summary(read, Analyse.log(read.log(), settings));
        result.give(json);
        return Exit.DONE;
    }
}
