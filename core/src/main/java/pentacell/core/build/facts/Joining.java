package pentacell.core.build.facts;

/// How conductors are joined to cans.
public enum Joining {
    WELD("welded"),
    SOLDER("soldered"),
    HOLDER("spring holders"),
    SCREW("screw terminals");

    private final String words;

    Joining(String words) {
        this.words = words;
    }

    /// In words.
    public String words() {
        return words;
    }
}
