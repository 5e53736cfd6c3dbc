package pentacell.desktop.frame;

/// Something that *Find or do* found.
///
/// @param words what it is called there
/// @param where whether taking it goes to its station
/// @param action takes it; on the UI thread
public record Found(String words, Where where, Runnable action) {
    /// Where taking something leads.
    public enum Where {
        /// To its station.
        AT_STATION,
        /// It shows itself wherever one is.
        ANYWHERE
    }

    @Override
    public String toString() {
        return words;
    }
}
