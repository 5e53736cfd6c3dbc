package pentacell.core.journal;

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

    /// Whether this act takes back or brings back another one: only the whole journal can answer
    /// what holds after it.
    public boolean turnsAnother() {
        return entries.stream()
                .map(Entry::fact)
                .anyMatch(fact ->
                        fact instanceof Amendment.ActUndone || fact instanceof Amendment.ActRedone);
    }
}
