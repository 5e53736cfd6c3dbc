package pentacell.core.plan;

import java.util.OptionalDouble;

/// What a check came to.
///
/// @param limit what must be kept, in words; empty where there is none
/// @param figure what the pack has, in words
/// @param margin room that is left, as a share of the limit; below 0 when it is broken; empty where
///   there is no measure of it
/// @param sentence both, for a person
/// @param source where the limit comes from
/// @param limitNumber the limit as a number; NaN where there is none
/// @param figureNumber the figure as a number; NaN where there is none
public record Checked(
        Check check,
        Verdict verdict,
        String limit,
        String figure,
        OptionalDouble margin,
        String sentence,
        String source,
        double limitNumber,
        double figureNumber) {

    /// How grave it is.
    public enum Verdict {
        FINE,
        /// Nothing is said of it yet: this is what it takes.
        ADVICE,
        /// To be seen to before it is built.
        CAUTION,
        /// Must not be built like this.
        STOP
    }

    public boolean isFine() {
        return verdict == Verdict.FINE || verdict == Verdict.ADVICE;
    }
}
