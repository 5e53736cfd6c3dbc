package pentacell.core.line;

/// A piece of a line as it was understood.
///
/// @param text value with unit, or what it means
/// @param kind what it will be logged as
public record Piece(String text, String kind, Look look) {
    /// The kind of a piece that keeps its line from being logged.
    public static final String NOT_UNDERSTOOD = "not understood";

    /// How much attention a piece needs.
    public enum Look {
        PLAIN,
        /// Can be logged, but is worth a second look.
        ODD,
        /// Cannot be logged.
        REFUSED
    }

    /// A piece without anything odd about it.
    public static Piece plain(String text, String kind) {
        return new Piece(text, kind, Look.PLAIN);
    }

    /// A piece that was not understood.
    public static Piece refused(String text) {
        return new Piece(text, NOT_UNDERSTOOD, Look.REFUSED);
    }
}
