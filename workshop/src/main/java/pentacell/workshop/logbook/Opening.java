package pentacell.workshop.logbook;

/// What opening a workshop file came to.
public sealed interface Opening {
    /// The file is open and locked for this program.
    record Opened(Logbook logbook) implements Opening {}

    /// The file could not be opened; nothing in it was changed.
    ///
    /// @param message what is the matter and what to do, in words for a person
    record Refused(String message) implements Opening {}

    /// The file is not whole, and was not opened.
    ///
    /// @param damage what was found, and what can be done
    record Damaged(Damage damage) implements Opening {}
}
