package pentacell.core.build.facts;

/// Where the leads leave the first and the last group.
public enum TakeOff {
    /// A bar along the outer edge of the group, the lead in its middle.
    EDGE("bar along the edge"),
    /// The middle can of the outer edge.
    MIDDLE("middle of the edge"),
    /// Both leads at the same corner of their groups.
    CORNER("corner, same side"),
    /// The leads at corners across from each other.
    DIAGONAL("corners, diagonal");

    private final String words;

    TakeOff(String words) {
        this.words = words;
    }

    /// In words.
    public String words() {
        return words;
    }
}
