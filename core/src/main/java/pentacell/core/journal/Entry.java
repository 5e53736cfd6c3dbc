package pentacell.core.journal;

/// A fact in the journal.
///
/// @param sequence counts all facts of a journal from 1
/// @param fact the fact
/// @param origin how it came into the journal
public record Entry(long sequence, Fact fact, Origin origin) {
    public Entry {
        if (fact instanceof Origin.Marked)
            throw new IllegalArgumentException("the origin is the entry's own: " + fact);
    }

    /// A fact as it is given to be logged: of the origin it is [marked][Origin#mark] with, else
    /// typed.
    public Entry(long sequence, Fact fact) {
        this(
                sequence,
                fact instanceof Origin.Marked marked ? marked.fact() : fact,
                fact instanceof Origin.Marked marked ? marked.origin() : Origin.TYPED);
    }
}
