package pentacell.desktop.frame;

import java.util.List;
import java.util.Optional;
import pentacell.core.journal.Fact;
import pentacell.desktop.frame.QuickSource.Chip;
import pentacell.desktop.frame.QuickSource.Look;

/// A line as a station understood it.
public sealed interface QuickLine {
    /// It says one thing that can be logged.
    ///
    /// @param words of the act
    /// @param unsaid what it is about, when the line itself does not say so
    /// @param chips what was understood, piece by piece
    record ToLog(String words, Optional<String> unsaid, List<Chip> chips, Fact fact)
            implements QuickLine {
        public ToLog {
            chips = List.copyOf(chips);
        }

        public ToLog(String words, List<Chip> chips, Fact fact) {
            this(words, Optional.empty(), chips, fact);
        }

        /// The same line said to be about something.
        public ToLog about(String subject) {
            return new ToLog(words, Optional.of(subject), chips, fact);
        }
    }

    /// It cannot be logged.
    ///
    /// @param why in words, with what was expected
    record No(String why) implements QuickLine {}

    /// A plain piece of a line.
    static Chip chip(String text, String kind) {
        return new Chip(text, kind, Look.PLAIN);
    }
}
