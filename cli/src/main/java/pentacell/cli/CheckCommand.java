package pentacell.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import pentacell.core.Chapters;
import pentacell.core.unit.Count;
import pentacell.workshop.exchange.CheckFiles;
import pentacell.workshop.exchange.OutputFile;
import pentacell.workshop.logbook.FileCheck;
import pentacell.workshop.logbook.Problem;
import pentacell.workshop.logbook.Salvage;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/// Looks whether a workshop file is whole.
@Command(
        name = "check",
        mixinStandardHelpOptions = true,
        sortOptions = false,
        description = "Says whether a workshop is whole, without changing it.",
        footer = {
            "",
            "Examples:",
            "  ./pentacell check bench.pentacell",
            "  ./pentacell check bench.pentacell --salvage saved.pentacell --summary C.json"
        })
final class CheckCommand implements Callable<Integer> {
    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec = CommandLine.Model.CommandSpec.create();

    @Parameters(paramLabel = "FILE", description = "the workshop")
    private Path file = Path.of("");

    @Option(
            names = "--salvage",
            paramLabel = "NEW.pentacell",
            description = "write what can be read into a new file")
    private @Nullable Path fresh;

    @CommandLine.Mixin private Result result = new Result();

    @Override
    public Integer call() throws IOException {
        PrintWriter errors = spec.commandLine().getErr();
        if (!Files.isRegularFile(file)) {
            errors.println(
                    file
                            + (Files.exists(file)
                                    ? " is a folder, not a workshop file."
                                    : " is not there."));
            return Exit.UNREADABLE_INPUT;
        }
        FileCheck check;
        try {
            check = FileCheck.of(file, Chapters.ALL);
        } catch (IOException unreadable) {
            errors.println(file + " cannot be read: " + unreadable.getMessage());
            return Exit.UNREADABLE_INPUT;
        }
        say(check.problems(), errors);
        Optional<Salvage.Saved> saved = Optional.empty();
        boolean isSalvageRefused = false;
        if (fresh != null)
            try {
                if (Files.exists(fresh))
                    throw new OutputFile.Refused(fresh + " is there already. Choose another name.");
                saved = Optional.of(Salvage.of(file, fresh, Chapters.ALL));
                say(saved.get(), errors);
            } catch (OutputFile.Refused failure) {
                return FilesOfCommand.said(spec.commandLine(), failure);
            } catch (IOException failure) {
                errors.println("Nothing was salvaged: " + failure.getMessage());
                isSalvageRefused = true;
            }
        String json = CheckFiles.json(check, saved);
        result.give(json);
        return check.isWhole() && !isSalvageRefused ? Exit.DONE : Exit.UNREADABLE_INPUT;
    }

    private void say(List<Problem> problems, PrintWriter errors) {
        for (Problem each : problems)
            errors.println(file + ": " + each.where() + ": " + each.sentence());
    }

    private static void say(Salvage.Saved saved, PrintWriter errors) {
        errors.println(
                "%s holds %s in %s%s.%s"
                        .formatted(
                                saved.file(),
                                Count.of(saved.facts(), "entry", "entries"),
                                Count.of(saved.acts(), "act", "acts"),
                                saved.fromCopy() == 0
                                        ? ""
                                        : ", %d of them from a backup".formatted(saved.fromCopy()),
                                saved.lost().isEmpty() ? " Nothing was lost." : " Lost:"));
        for (Problem each : saved.lost())
            errors.println("  " + each.where() + ": " + each.sentence());
    }
}
