package pentacell.core.build.facts;

/// Where the whole pack is read.
public enum MeterPoint {
    /// Between the pack's own ends, before the board.
    PACK("pack"),
    /// Behind the board, at the output.
    OUTPUT("output");

    private final String words;

    MeterPoint(String words) {
        this.words = words;
    }

    /// In words.
    public String words() {
        return words;
    }
}
