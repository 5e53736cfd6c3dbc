package pentacell.instruments.bench;

/// Whether an instrument answers.
///
/// @param line whether it does
/// @param words what is wrong, or who it is
/// @param speed how many of its seconds pass in one
/// @param simulated whether it is a stand-in
public record LinkState(Line line, String words, double speed, boolean simulated) {
    /// Before it was first tried.
    public static final LinkState NOT_YET = new LinkState(Line.NOT_YET, "connecting", 1, false);

    /// What a line can be.
    public enum Line {
        /// Nobody tried yet.
        NOT_YET,
        /// It answers.
        UP,
        /// It did not answer, or no longer does.
        LOST
    }

    /// Whether it answers.
    public boolean connected() {
        return line == Line.UP;
    }

    /// Whether it was tried and does not answer: its bays are of no use for now.
    public boolean isLost() {
        return line == Line.LOST;
    }
}
