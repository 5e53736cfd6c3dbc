package pentacell.core.harvest;

import java.util.Locale;

/// What the readings of a pack's groups can show (common practice).
public enum Signature {
    HEALTHY("The groups are alike and within limits"),
    /// The protection tripped on it, or the charger stops when the others are full: run time is set
    /// by the lowest group.
    LOW_GROUP("A group is low, the others are alike"),
    ALL_LOW("All groups are low together"),
    OVERCHARGED_GROUP("A group was overcharged"),
    DEAD_GROUPS("Several groups are dead"),
    DRIFTED("The groups have drifted apart"),
    BOARD_DEAD("The groups are good but nothing comes out: the board is dead"),
    READING_ERROR("The readings cannot be right");

    private final String words;

    Signature(String words) {
        this.words = words;
    }

    /// The code used in files: `low-group` …
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /// The signature in words.
    public String words() {
        return words;
    }
}
