package pentacell.core.harvest;

import java.util.Locale;

/// What to do with a pack.
public enum Advice {
    USE("use it as it is"),
    REPAIR("repair: bring it up and see whether it holds"),
    HARVEST("harvest: take it apart for its cells"),
    SCRAP("scrap: hand it in whole"),
    READ_AGAIN("read it again first");

    private final String words;

    Advice(String words) {
        this.words = words;
    }

    /// The code used in files: `read-again` …
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /// The advice in words.
    public String words() {
        return words;
    }
}
