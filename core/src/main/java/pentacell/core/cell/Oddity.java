package pentacell.core.cell;

import java.util.Locale;
import pentacell.core.judgement.Rule;

/// What can be odd in the curve of a test run.
public enum Oddity {
    /// The contact was lost for a moment, or a step in the voltage says that it changed.
    CONTACT_BLIP(Rule.CONTACT_LOST),
    /// The discharge stopped far above its end voltage.
    STOPPED_EARLY(Rule.STOPPED_EARLY),
    /// More came out than the model ever held.
    OVER_RATING(Rule.CAPACITY_OVER_RATING),
    /// Hardly anything came out.
    FAR_UNDER_RATING(Rule.CAPACITY_FAR_UNDER_RATING),
    /// The voltage rose while current was drawn.
    RISES_UNDER_LOAD(Rule.RISES_UNDER_LOAD),
    /// The log has a hole.
    TIME_GAP(Rule.TIME_GAP),
    /// It was charged over its limit.
    OVERCHARGED(Rule.CHARGED_OVER_LIMIT),
    /// The can became hot.
    HOT(Rule.HOT);

    private final Rule rule;

    Oddity(Rule rule) {
        this.rule = rule;
    }

    /// The rule that found it.
    public Rule rule() {
        return rule;
    }

    /// The code used in files, such as `contact-blip`.
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
