package pentacell.core.cell;

/// What must be done to a cell before it is built in.
public enum PrepWork {
    RE_SLEEVE("re-sleeve"),
    NEW_RING("new ring"),
    GRIND_TABS("grind tabs"),
    CLEAN_RUST("clean rust");

    private final String words;

    PrepWork(String words) {
        this.words = words;
    }

    /// The work in words.
    public String words() {
        return words;
    }
}
