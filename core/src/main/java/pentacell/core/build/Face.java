package pentacell.core.build;

/// A face of a pack.
public enum Face {
    TOP("top"),
    /// Seen mirrored, as it lies when the pack is turned over.
    BOTTOM("bottom");

    private final String words;

    Face(String words) {
        this.words = words;
    }

    /// In words.
    public String words() {
        return words;
    }
}
