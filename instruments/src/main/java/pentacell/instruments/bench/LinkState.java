package pentacell.instruments.bench;

/// Whether an instrument answers.
///
/// @param connected whether it does
/// @param words what is wrong, or who it is
/// @param speed how many of its seconds pass in one
/// @param simulated whether it is a stand-in
public record LinkState(boolean connected, String words, double speed, boolean simulated) {
    static final LinkState NOT_YET = new LinkState(false, "connecting", 1, false);
}
