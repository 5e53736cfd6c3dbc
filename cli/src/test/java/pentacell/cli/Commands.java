package pentacell.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import picocli.CommandLine;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// Runs commands as they are typed, in a folder of their own, and holds what they say.
final class Commands {
    private final Path folder;
    private final StringWriter out = new StringWriter();
    private final StringWriter err = new StringWriter();

    Commands(Path folder) {
        this.folder = folder;
    }

    /// Runs a command; what the one before said on its output is forgotten.
    ///
    /// @return its exit code
    int run(String... arguments) {
        out.getBuffer().setLength(0);
        CommandLine line = Main.commandLine(arguments);
        line.setOut(new PrintWriter(out, true)).setErr(new PrintWriter(err, true));
        return line.execute(arguments);
    }

    /// Writes a file that commands are to read.
    String write(String name, CharSequence text) throws IOException {
        return Files.writeString(folder.resolve(name), text).toString();
    }

    /// What the last command said on its output.
    String said() {
        return out.toString();
    }

    /// The same as JSON.
    JsonNode json() {
        return JsonMapper.shared().readTree(out.toString());
    }

    /// What all of them said of mistakes.
    String errors() {
        return err.toString();
    }
}
