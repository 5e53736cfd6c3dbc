package pentacell.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import pentacell.core.unit.Count;
import pentacell.workshop.exchange.GroupLogCsv;

/// Says what was wrong with the log of a pack, and what was taken for granted.
final class GroupLogWords {
    private GroupLogWords() {}

    static void say(PrintWriter errors, Path log, GroupLogCsv.Read read) {
        read.problems().forEach(problem -> errors.println(problem.text()));
        if (read.skipped() > read.problems().size())
            errors.printf(
                    "%s could not be read%n",
                    Count.of(read.skipped() - read.problems().size(), "more line", "more lines"));
        read.notes().forEach(note -> errors.println(log.getFileName() + ": " + note));
    }
}
