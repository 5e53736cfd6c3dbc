package pentacell.core.build.facts;

/// How groups are brought to the same state before they are joined in series.
public enum Balancing {
    /// All in parallel, at the charge limit until the current has fallen.
    TOP("top balance"),
    /// All in parallel, at the end voltage.
    BOTTOM("bottom balance"),
    /// Left to the board's balancer.
    BOARD("the board’s balancer");

    private final String words;

    Balancing(String words) {
        this.words = words;
    }

    /// In words.
    public String words() {
        return words;
    }
}
