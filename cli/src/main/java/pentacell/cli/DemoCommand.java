package pentacell.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import pentacell.desktop.PentacellApp;
import pentacell.workshop.logbook.LogbookException;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/// Starts the program with the demo workshop, made anew each time.
@Command(
        name = "demo",
        mixinStandardHelpOptions = true,
        description =
                "Starts with the demo workshop, which is made anew each time; play with it as you like.",
        footer = {"", "Example:", "  ./pentacell demo"})
final class DemoCommand implements Callable<Integer> {
    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec = CommandLine.Model.CommandSpec.create();

    @Option(
            names = "--file",
            paramLabel = "FILE",
            description = "where the demo's file is made (default: ~/.pentacell/demo)")
    private Path file =
            Path.of(System.getProperty("user.home"), ".pentacell", "demo", "Tarn Hollow.pentacell");

    @Option(names = "--only-file", description = "make the file and end")
    private boolean onlyFile;

    @Override
    public Integer call() throws LogbookException {
        try {
            DemoWorkshop.write(file);
        } catch (IOException failure) {
            spec.commandLine().getErr().println("pentacell: " + failure.getMessage());
            return Exit.UNREADABLE_INPUT;
        }
        if (!onlyFile) PentacellApp.run(Optional.of(file));
        return Exit.DONE;
    }
}
