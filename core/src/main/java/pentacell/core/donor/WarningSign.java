package pentacell.core.donor;

/// What can be seen, felt or smelt of a pack before anything is measured.
public enum WarningSign {
    SWOLLEN("swollen", "swelling"),
    CORRODED("corroded", "corrosion"),
    WARM("warm", "warmth at rest"),
    WET("wet", "traces of water"),
    /// Its charger says done at once, or does not begin.
    CHARGER_REFUSES("refuses", "its charger refuses it"),
    /// Its board has no leads to the joints between groups.
    NO_BALANCE_LEADS("no-leads", "no balance leads");

    private final String word;
    private final String words;

    WarningSign(String word, String words) {
        this.word = word;
        this.words = words;
    }

    /// The word it is typed as in a quick line.
    public String word() {
        return word;
    }

    /// The sign in words.
    public String words() {
        return words;
    }

    /// Whether a pack with it is not to be charged again.
    public boolean forbidsRepair() {
        return switch (this) {
            case SWOLLEN, CORRODED, WARM, WET -> true;
            case CHARGER_REFUSES, NO_BALANCE_LEADS -> false;
        };
    }
}
