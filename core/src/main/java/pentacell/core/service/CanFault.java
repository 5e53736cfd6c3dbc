package pentacell.core.service;

/// What a search through the cells of a group is after.
public enum CanFault {
    BROKEN_JOINT("a can off its bar"),
    HEATER("a can that warms itself");

    private final String words;

    CanFault(String words) {
        this.words = words;
    }

    /// In a few words.
    public String words() {
        return words;
    }
}
