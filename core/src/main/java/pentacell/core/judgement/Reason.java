package pentacell.core.judgement;

/// One step of a judgement as data: which rule spoke, the figure it looked at and the limit it held
/// it against.
///
/// @param rule the rule that spoke
/// @param figure the measured figure, in the rule's quantity; NaN when the rule looks at none
/// @param limit the limit, in the rule's quantity; NaN when the rule has none
/// @param note words that go with it (the name of a school, a person's reason), empty when there
///   are none
public record Reason(Rule rule, double figure, double limit, String note) {
    /// A reason with figure and limit.
    public static Reason of(Rule rule, double figure, double limit) {
        return new Reason(rule, figure, limit, "");
    }

    /// A reason that is only a rule and words.
    public static Reason noted(Rule rule, String note) {
        return new Reason(rule, Double.NaN, Double.NaN, note);
    }

    /// The sentence that screen, paper and command line all show.
    public String sentence() {
        return rule.sentence(this);
    }
}
