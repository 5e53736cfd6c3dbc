package pentacell.core.cell;

import java.util.Optional;
import pentacell.core.cell.RunFact.Break;
import pentacell.core.cell.RunFact.RunEnd;

/// How a run came to its end.
///
/// @param end the end
/// @param cause why it broke off, where the program found that out
/// @param words what the instrument said of it, in its own words; empty when it said nothing
public record RunEnding(RunEnd end, Optional<Break> cause, String words) {
    /// Its programme was done.
    public static final RunEnding DONE = told(RunEnd.DONE, "");

    /// An end that the instrument told.
    public static RunEnding told(RunEnd end, String words) {
        return new RunEnding(end, Optional.empty(), words);
    }

    /// A run that broke off.
    ///
    /// @param words what the instrument said, empty when it said nothing
    public static RunEnding broken(Break cause, String words) {
        return new RunEnding(RunEnd.BROKEN, Optional.of(cause), words);
    }

    /// What is known beyond the end itself, in words; empty when nothing is.
    public String why() {
        String found = cause.map(Break::words).orElse("");
        return found.isEmpty() || words.isBlank() ? found + words : found + ", " + words;
    }
}
