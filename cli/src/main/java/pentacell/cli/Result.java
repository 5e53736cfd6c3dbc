package pentacell.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import pentacell.workshop.exchange.OutputFile;
import picocli.CommandLine;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;

/// The result of a command: always on standard output as JSON, and in a file when one is named.
final class Result {
    private static final Path STANDARD_OUTPUT = Path.of("-");

    @CommandLine.Spec(CommandLine.Spec.Target.MIXEE)
    private CommandSpec spec = CommandSpec.create();

    @Option(
            names = "--summary",
            paramLabel = "FILE.json",
            description =
                    "also write the result to this file; it goes to standard output as JSON in any case")
    private @Nullable Path summary;

    /// Gives the result.
    void give(String json) throws IOException {
        if (summary != null && !isStandardOutput(summary)) OutputFile.write(summary, json);
        PrintWriter output = spec.commandLine().getOut();
        output.print(json);
        output.flush();
    }

    /// Writes another output: to a file, or to standard output for `-`.
    static void write(CommandSpec spec, Path out, String text) throws IOException {
        if (!isStandardOutput(out)) {
            OutputFile.write(out, text);
            return;
        }
        PrintWriter output = spec.commandLine().getOut();
        output.print(text);
        output.flush();
    }

    static boolean isStandardOutput(Path named) {
        return named.equals(STANDARD_OUTPUT);
    }
}
