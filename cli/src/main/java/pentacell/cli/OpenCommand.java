package pentacell.cli;

import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import pentacell.desktop.PentacellApp;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/// Starts the program with a workshop.
@Command(
        name = "open",
        mixinStandardHelpOptions = true,
        description = "Starts with a workshop file; makes it when it is not there.",
        footer = {"", "Example:", "  ./pentacell open bench.pentacell"})
final class OpenCommand implements Callable<Integer> {
    @Parameters(arity = "0..1", paramLabel = "FILE", description = "the workshop file")
    private @Nullable Path file;

    @Override
    public Integer call() {
        open(Optional.ofNullable(file));
        return Exit.DONE;
    }

    static void open(Optional<Path> file) {
        PentacellApp.run(file.map(Path::toAbsolutePath));
    }
}
