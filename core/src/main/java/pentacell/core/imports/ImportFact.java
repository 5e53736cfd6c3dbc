package pentacell.core.imports;

import pentacell.core.journal.Fact;

/// What can be logged of files that were taken in.
public sealed interface ImportFact extends Fact {

    /// A file of readings was taken in.
    ///
    /// @param name its file name
    /// @param sha256 fingerprint of its bytes
    /// @param cells how many cells came from it
    record FileImported(String name, String sha256, int cells) implements ImportFact {}
}
