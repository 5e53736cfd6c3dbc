package pentacell.desktop.frame;

import java.util.List;
import pentacell.core.journal.Fact;
import pentacell.desktop.frame.QuickSource.Chip;
import pentacell.desktop.frame.QuickSource.Look;

/// A line as a station understood it.
public sealed interface QuickLine {
    /// It says one thing that can be logged.
    ///
    /// @param words of the act
    /// @param chips what was understood, piece by piece
    record ToLog(String words, List<Chip> chips, Fact fact) implements QuickLine {
        public ToLog {
            chips = List.copyOf(chips);
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
