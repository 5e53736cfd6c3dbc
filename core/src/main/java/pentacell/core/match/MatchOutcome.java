package pentacell.core.match;

import java.util.OptionalDouble;

/// What a match ended with.
public sealed interface MatchOutcome {

    /// Groups were found.
    record Matched(MatchResult result) implements MatchOutcome {}

    /// No groups keep to the limits.
    ///
    /// @param limit the limit that stands in the way
    /// @param sentence what is missing and what would work, in words
    /// @param nearest the nearest value of that limit that works, in the limit's unit, when there
    ///   is one
    record Infeasible(Limit limit, String sentence, OptionalDouble nearest)
            implements MatchOutcome {}

    /// What can stand in the way of a match.
    enum Limit {
        CELLS,
        MIN_SOH,
        MAX_IR,
        MAX_IR_SPREAD,
        MAX_MODELS,
        LOCKS,
        SCHOOL,
        TARGET,
        SPARES
    }
}
