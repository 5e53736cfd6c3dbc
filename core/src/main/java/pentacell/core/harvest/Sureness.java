package pentacell.core.harvest;

/// How sure a diagnosis is.
public enum Sureness {
    /// The figure is half over its limit or more, and the whole-pack voltage confirms the readings.
    SURE("sure"),
    /// Over the limit, but nothing else confirms it.
    LIKELY("likely"),
    /// So near the limit that a second reading may change it, or only an outward sign speaks for
    /// it.
    POSSIBLE("possible, read again to be sure");

    private static final double CLEAR = 1.5;
    private static final double CLOSE = 1.1;

    private final String words;

    Sureness(String words) {
        this.words = words;
    }

    /// The sureness in words.
    public String words() {
        return words;
    }

    /// How sure a finding is.
    ///
    /// @param margin figure ÷ limit; 1 is right at the limit
    static Sureness of(double margin, Confirmation sum) {
        if (margin < CLOSE) return POSSIBLE;
        return margin >= CLEAR && sum == Confirmation.CONFIRMED ? SURE : LIKELY;
    }

    /// Whether a second measurement agrees with the readings.
    enum Confirmation {
        CONFIRMED,
        UNCHECKED
    }
}
