package pentacell.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import pentacell.desktop.PentacellApp;
import pentacell.workshop.exchange.OutputFile;
import pentacell.workshop.logbook.LogbookException;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/// Starts the program with the demo workshop.
@Command(
        name = "demo",
        mixinStandardHelpOptions = true,
        description = "Starts with the demo workshop in its first state; play with it as you like.",
        footer = {
            "",
            "The demo is made once a day and copied after that.",
            "",
            "Examples:",
            "  ./pentacell demo",
            "  ./pentacell demo --write demo.pentacell"
        })
final class DemoCommand implements Callable<Integer> {
    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec = CommandLine.Model.CommandSpec.create();

    @Option(
            names = "--write",
            paramLabel = "FILE",
            description = "write the demo to a file and end, instead of starting with it")
    private @Nullable Path written;

    @Option(
            names = "--force",
            description = "let --write replace an existing file, but never a workshop")
    private boolean isForced;

    @Option(names = "--fresh", description = "make a new demo even when there is one")
    private boolean isFresh;

    @Override
    public Integer call() throws LogbookException {
        try {
            if (written != null) demo().write(written, isFresh, isForced);
            else open(isFresh);
        } catch (OutputFile.Refused | OutputFile.NotWritten failure) {
            return FilesOfCommand.said(spec.commandLine(), failure);
        } catch (IOException failure) {
            spec.commandLine().getErr().println("pentacell: " + failure.getMessage());
            return Exit.UNREADABLE_INPUT;
        }
        return Exit.DONE;
    }

    /// Starts with the demo as it is at its beginning.
    static void open() throws IOException, LogbookException {
        open(false);
    }

    private static void open(boolean isFresh) throws IOException, LogbookException {
        Path file = DemoWorkshop.folderOfPerson().resolve("Tarn Hollow.pentacell");
        demo().put(file, isFresh);
        PentacellApp.run(Optional.of(file));
    }

    private static DemoWorkshop demo() {
        return new DemoWorkshop(DemoWorkshop.folderOfPerson());
    }
}
