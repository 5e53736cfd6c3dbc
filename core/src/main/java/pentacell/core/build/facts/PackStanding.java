package pentacell.core.build.facts;

/// How far a pack is.
public enum PackStanding {
    BUILDING("in the making"),
    /// In a rack or clamp kit, on the real load; cells can still go back.
    TRIAL("on trial"),
    FINAL("final"),
    APART("taken apart");

    private final String words;

    PackStanding(String words) {
        this.words = words;
    }

    /// In words.
    public String words() {
        return words;
    }
}
