package pentacell.desktop.frame;

/// Work on a pack that one station hands to another.
///
/// @param pack its name
public record PackWork(String pack, Kind kind) {
    /// What is to be done with it.
    public enum Kind {
        PLAN,
        MATCH,
        BUILD,
        PROVE,
        SERVICE
    }
}
