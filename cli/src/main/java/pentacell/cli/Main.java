package pentacell.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.slf4j.LoggerFactory;
import pentacell.workshop.PersonFolder;
import pentacell.workshop.exchange.OutputFile;
import pentacell.workshop.logbook.LogbookException;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/// The program's entry: one command a run.
@Command(
        name = "pentacell",
        mixinStandardHelpOptions = true,
        versionProvider = ProgramVersion.class,
        description = "Grades, matches and builds packs from salvaged cells.",
        footer = {
            "",
            "Also: ./pentacell test   sets up what is missing and runs every test.",
            "Inputs are files or streams (-, /dev/stdin, <(…)), streams up to 1 GiB, JSON up to 32 MiB.",
            "An output may replace an existing file, but never an input, a workshop, a folder or a device; - is standard output.",
            "Exit codes: 0 done, 1 internal error, 2 wrong usage, 3 no solution under the limits, 4 unreadable input."
        })
public final class Main implements Runnable {
    private static final Map<String, Class<?>> COMMANDS = commands();

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec = CommandLine.Model.CommandSpec.create();

    private Main() {}

    /// Runs one command and ends the program with its exit code.
    public static void main(String[] arguments) {
        int code;
        try {
            code = opensPlainly(arguments) ? Exit.DONE : run(arguments);
        } catch (IOException | LogbookException notMade) {
            // said properly by the rules of the command, which meets it again
            code = run(arguments);
        } catch (RuntimeException fault) {
            code = faultOfOurs(fault, commandLine(arguments).getErr());
        }
        System.exit(code);
    }

    /// Opens the window when that is plainly all that is wanted: reading the words by the rules of
    /// every command would take a good part of the start.
    ///
    /// @return whether it was, and the window has been closed since
    private static boolean opensPlainly(String... arguments) throws IOException, LogbookException {
        if (List.of(arguments).equals(List.of("demo"))) {
            DemoCommand.open();
            return true;
        }
        boolean isOpen =
                arguments.length == 2
                        && arguments[0].equals("open")
                        && !arguments[1].startsWith("-");
        // a file alone is what a file manager says
        boolean isFile = arguments.length == 1 && arguments[0].endsWith(".pentacell");
        if (!isOpen && !isFile) return false;
        OpenCommand.open(Optional.of(Path.of(arguments[arguments.length - 1])));
        return true;
    }

    private static Map<String, Class<?>> commands() {
        Map<String, Class<?>> commands = new LinkedHashMap<>();
        commands.put("demo", DemoCommand.class);
        commands.put("open", OpenCommand.class);
        commands.put("check", CheckCommand.class);
        commands.put("shots", ShotsCommand.class);
        commands.put("match", MatchCommand.class);
        commands.put("diagnose", DiagnoseCommand.class);
        commands.put("simulate", SimulateCommand.class);
        commands.put("plan", PlanCommand.class);
        commands.put("conductor", ConductorCommand.class);
        commands.put("network", NetworkCommand.class);
        commands.put("taps", TapsCommand.class);
        commands.put("prove", ProveCommand.class);
        commands.put("service", ServiceCommand.class);
        commands.put("triage", TriageCommand.class);
        commands.put("analyse", AnalyseCommand.class);
        commands.put("instrument", InstrumentCommand.class);
        commands.put("report", ReportCommand.class);
        commands.put("lot", LotCommand.class);
        commands.put("rehearse", RehearseCommand.class);
        return commands;
    }

    static int run(String... arguments) {
        return commandLine(arguments).execute(arguments);
    }

    /// The command line that these arguments need: half of a small command's time would go into
    /// reading what the other commands take.
    static CommandLine commandLine(String... arguments) {
        CommandLine line = new CommandLine(new Main());
        if (arguments.length > 0 && COMMANDS.containsKey(arguments[0]))
            line.addSubcommand(COMMANDS.get(arguments[0]));
        else COMMANDS.values().forEach(line::addSubcommand);
        return line.setOut(PlainText.printer(line.getOut()))
                .setErr(PlainText.printer(line.getErr()))
                .setCaseInsensitiveEnumValuesAllowed(true)
                .setExecutionStrategy(FilesOfCommand::run)
                .setExecutionExceptionHandler((fault, command, parsed) ->
                        fault instanceof OutputFile.Refused
                                        || fault instanceof OutputFile.NotWritten
                                ? FilesOfCommand.said(command, (IOException) fault)
                                : faultOfOurs(fault, command.getErr()));
    }

    private static int faultOfOurs(Exception fault, PrintWriter errors) {
        LoggerFactory.getLogger(Main.class).error("command failed", fault);
        errors.println(
                "pentacell: internal error (" + fault + "). The log is " + PersonFolder.log());
        return Exit.FAULT_OF_OURS;
    }

    @Override
    public void run() {
        spec.commandLine().usage(spec.commandLine().getOut());
    }
}
