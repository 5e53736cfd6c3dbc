package pentacell.core.journal;

/// What is said of the journal itself, of its earlier entries and of its acts.
public sealed interface Amendment extends Fact {

    /// An act is taken back: none of its facts hold any more.
    record ActUndone(long act) implements Amendment {}

    /// An act that was taken back holds again.
    record ActRedone(long act) implements Amendment {}

    /// A logged entry was wrong; another fact holds in its place. The wrong one stays to be seen.
    ///
    /// @param sequence the entry that was wrong
    /// @param replacement what holds instead, of the same family
    record EntryCorrected(long sequence, Fact replacement) implements Amendment {
        public EntryCorrected {
            if (replacement instanceof Amendment)
                throw new IllegalArgumentException(
                        "a correction puts a fact in the place of another, not " + replacement);
        }
    }

    /// A logged entry should not have been; nothing holds in its place.
    ///
    /// @param sequence the entry that was wrong
    /// @param reason why, in the person's words
    record EntryStruck(long sequence, String reason) implements Amendment {}

    /// From here on the readings of stand-ins count like any others: this journal is for practice,
    /// as the demo's is.
    record StandInsCount() implements Amendment {}

    /// What stood here could not be read when the journal was salvaged from a damaged file.
    ///
    /// @param words what is known of it, may be empty
    record EntryLost(String words) implements Amendment {}
}
