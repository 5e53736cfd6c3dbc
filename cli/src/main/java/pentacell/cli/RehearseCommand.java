package pentacell.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.Writer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/// Runs the small commands once with nobody watching, for the machine to learn what they need. The
/// long ones are left out: what is learnt is loaded with every start, needed or not.
@Command(
        name = "rehearse",
        hidden = true,
        description = "Runs the commands once, for later starts to be quick.")
final class RehearseCommand implements Callable<Integer> {
    @Parameters(paramLabel = "FOLDER", description = "where files are made")
    private Path folder = Path.of("");

    @Override
    public Integer call() throws IOException {
        Path cells =
                Files.writeString(
                        folder.resolve("cells.csv"),
                        "cell_id,voltage_v\nA1,3.71\nA2,2.30\nA3,0.40\n");
        Path readings =
                Files.writeString(
                        folder.resolve("readings.csv"),
                        "group,voltage_v\n1,3.71\n2,3.70\n3,3.12\n");
        run("triage", "--cells", cells.toString());
        run("diagnose", "--readings", readings.toString());
        return Exit.DONE;
    }

    private static void run(String... arguments) {
        PrintWriter nobody = new PrintWriter(Writer.nullWriter());
        CommandLine command = Main.commandLine(arguments);
        command.setOut(nobody).setErr(nobody).execute(arguments);
    }
}
