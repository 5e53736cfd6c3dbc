package pentacell.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import pentacell.workshop.exchange.SafeCsv;
import picocli.CommandLine.Model.CommandSpec;

/// How a command gives its result.
final class Result {
    private Result() {}

    /// Gives JSON on standard output, and in a file when one was named.
    static void give(CommandSpec spec, @Nullable Path summary, String json) throws IOException {
        if (summary != null) SafeCsv.write(summary, json);
        PrintWriter output = spec.commandLine().getOut();
        output.print(json);
        output.flush();
    }
}
