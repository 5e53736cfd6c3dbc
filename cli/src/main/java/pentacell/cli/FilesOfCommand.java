package pentacell.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import pentacell.workshop.exchange.OutputFile;
import picocli.CommandLine;
import picocli.CommandLine.Model.ArgSpec;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Model.OptionSpec;
import picocli.CommandLine.ParseResult;

/// Looks at the files of a command before it runs, the same for every command: what it writes may
/// be none of what it reads, and streams are read once.
final class FilesOfCommand {
    private static final Set<String> WRITTEN =
            Set.of("--out", "--summary", "--trade-off", "--write", "--salvage");

    private FilesOfCommand() {}

    /// Runs the command that was asked for.
    static int run(ParseResult asked) {
        ParseResult last = asked;
        while (last.hasSubcommand()) last = last.subcommand();
        boolean isHelp = last.isUsageHelpRequested() || last.isVersionHelpRequested();
        CommandSpec spec = last.commandSpec();
        try {
            if (!isHelp) prepare(spec);
        } catch (IOException failure) {
            return said(spec.commandLine(), failure);
        }
        return new CommandLine.RunLast().execute(asked);
    }

    /// Says what is wrong with a file.
    ///
    /// @return its exit code
    static int said(CommandLine command, IOException failure) {
        command.getErr().println("pentacell: " + failure.getMessage());
        return failure instanceof OutputFile.Refused ? Exit.WRONG_USAGE : Exit.UNREADABLE_INPUT;
    }

    private static void prepare(CommandSpec spec) throws IOException {
        Map<ArgSpec, Path> inputs = new LinkedHashMap<>();
        List<Path> outputs = new ArrayList<>();
        for (ArgSpec each : spec.args()) {
            Object value = each.getValue();
            if (!(value instanceof Path file)) continue;
            boolean isWritten =
                    each instanceof OptionSpec option && WRITTEN.contains(option.longestName());
            if (!isWritten) inputs.put(each, file);
            else if (!Result.isStandardOutput(file)) outputs.add(file);
        }
        Set<Path> seen = new HashSet<>();
        for (Path each : outputs) {
            OutputFile.check(each, inputs.values());
            if (!seen.add(each.toAbsolutePath().normalize()) && !OutputFile.isNowhere(each))
                throw new OutputFile.Refused(
                        each + " is named twice. Each output needs a file of its own.");
        }
        for (Map.Entry<ArgSpec, Path> each : inputs.entrySet()) {
            Path readable = Inputs.readable(each.getValue());
            if (!readable.equals(each.getValue())) each.getKey().setValue(readable);
        }
    }
}
