package pentacell.core.stock;

/// How a cell stands in the workshop; the ring of its mark shows it.
public enum Standing {
    /// Nothing that could be judged is known.
    UNKNOWN("not known"),
    /// Looked at, capacity not measured yet.
    UNDER_TEST("waits for test"),
    /// Measured and good.
    FIT("fit"),
    /// Measured and good, but was deeply discharged once.
    RESCUED("rescued, fit"),
    /// Not for a pack.
    OUT("out");

    private final String words;

    Standing(String words) {
        this.words = words;
    }

    /// The standing in words.
    public String words() {
        return words;
    }

    /// Whether a cell of this standing may go into a pack.
    public boolean mayBeMatched() {
        return this == FIT || this == RESCUED;
    }
}
