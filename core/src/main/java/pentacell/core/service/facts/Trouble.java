package pentacell.core.service.facts;

import java.util.Locale;

/// What can be the matter with a group of a pack in use.
public enum Trouble {
    /// A share of the capacity is gone: cells off the bar.
    CELLS_OFF("cells off the busbar"),
    SELF_DISCHARGE("charge is lost by itself"),
    RESISTANCE("a joint, a link or worn cells"),
    /// A constant offset at any state: it is read wrongly.
    MISREAD("a lead or a meter that reads wrongly"),
    /// The others carry a load that this group does not.
    UNEVEN_LOAD("a load on part of the groups");

    private final String words;

    Trouble(String words) {
        this.words = words;
    }

    /// In words.
    public String words() {
        return words;
    }

    /// The name used in files.
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
