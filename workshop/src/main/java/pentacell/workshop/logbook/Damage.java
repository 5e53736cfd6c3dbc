package pentacell.workshop.logbook;

import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import pentacell.core.unit.Count;

/// A workshop file that is not whole: what was found, and what can be done. Nothing in the file was
/// changed.
///
/// @param file the file as it was named
/// @param problems what is wrong, at least one
/// @param copy the latest copy that is whole, if there is one
/// @param canGoOn whether the file is sound as far as it goes, so that one can go on with it
public record Damage(Path file, List<Problem> problems, Optional<WholeCopy> copy, boolean canGoOn) {
    private static final int NAMED = 3;

    public Damage {
        problems = List.copyOf(problems);
        if (problems.isEmpty()) throw new IllegalArgumentException("damage has a problem");
    }

    /// A copy of the file that is whole.
    ///
    /// @param at when it was made
    /// @param acts acts in it
    /// @param missing the first of the acts that can be read in the damaged file and are not in the
    ///   copy
    /// @param missingCount how many acts are known to be missing in the copy
    public record WholeCopy(
            Path file, Instant at, long acts, List<MissingAct> missing, long missingCount) {
        public WholeCopy {
            missing = List.copyOf(missing);
        }
    }

    /// An act that a copy lacks.
    ///
    /// @param words what it is called
    /// @param at when it was logged, if that can be read
    public record MissingAct(String words, Optional<Instant> at) {}

    /// What was found, in a few sentences.
    public String message() {
        StringBuilder text = new StringBuilder(file.getFileName() + " is not whole. ");
        for (Problem each : problems.subList(0, Math.min(NAMED, problems.size())))
            text.append(each.line()).append(' ');
        if (problems.size() > NAMED)
            text.append("And ")
                    .append(Count.of(problems.size() - NAMED, "more problem", "more problems"))
                    .append(". ");
        return text.append("Nothing in it was changed.").toString();
    }
}
