package pentacell.cli;

import java.nio.file.Path;
import org.slf4j.LoggerFactory;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/// The program's entry: one command a run.
@Command(
        name = "pentacell",
        mixinStandardHelpOptions = true,
        version = "Pentacell 0.1.0",
        description = "Grades, matches and builds packs from salvaged cells.",
        subcommands = {
            DemoCommand.class,
            OpenCommand.class,
            ShotsCommand.class,
            MatchCommand.class,
            DiagnoseCommand.class,
            TriageCommand.class,
            AnalyseCommand.class,
            InstrumentCommand.class,
            LotCommand.class
        },
        footer = {
            "",
            "Also: ./pentacell test   sets up what is missing and runs every test.",
            "Exit codes: 0 done, 1 a fault of ours, 2 wrong usage, 3 no solution under the limits, 4 unreadable input."
        })
public final class Main implements Runnable {
    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec = CommandLine.Model.CommandSpec.create();

    private Main() {}

    /// Runs one command and ends the program with its exit code.
    public static void main(String[] arguments) {
        System.exit(run(arguments));
    }

    static int run(String... arguments) {
        return commandLine().execute(arguments);
    }

    static CommandLine commandLine() {
        return new CommandLine(new Main())
                .setCaseInsensitiveEnumValuesAllowed(true)
                .setExecutionExceptionHandler(Main::faultOfOurs);
    }

    private static int faultOfOurs(
            Exception fault, CommandLine command, CommandLine.ParseResult parsed) {
        LoggerFactory.getLogger(Main.class).error("command failed", fault);
        command.getErr()
                .println(
                        "pentacell: this is a fault of ours ("
                                + fault
                                + "). The log is "
                                + Path.of(
                                        System.getProperty("user.home"), ".pentacell", "log.txt"));
        return Exit.FAULT_OF_OURS;
    }

    @Override
    public void run() {
        spec.commandLine().usage(spec.commandLine().getOut());
    }
}
