package pentacell.core.fact;

import java.time.Instant;
import java.util.List;

/// Facts that were logged together, with one Enter: the unit of undo, written in one transaction.
///
/// @param number counts the acts of a journal from 1
/// @param at when it was logged
/// @param words what a person would call it, such as `Log HB03-07`
/// @param entries its facts with their sequence numbers
public record Act(long number, Instant at, String words, List<Entry> entries) {
    public Act {
        entries = List.copyOf(entries);
    }

    /// A fact in the journal.
    ///
    /// @param sequence counts all facts of a journal from 1
    /// @param fact the fact
    public record Entry(long sequence, Fact fact) {}
}
