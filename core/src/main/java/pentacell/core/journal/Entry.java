package pentacell.core.journal;

/// A fact in the journal.
///
/// @param sequence counts all facts of a journal from 1
/// @param fact the fact
public record Entry(long sequence, Fact fact) {}
