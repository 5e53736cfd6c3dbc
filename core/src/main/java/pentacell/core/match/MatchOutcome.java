package pentacell.core.match;

import java.util.OptionalDouble;

/// What a match ended with.
public sealed interface MatchOutcome {

    /// Groups were found.
    record Matched(MatchResult result) implements MatchOutcome {}

    /// No groups keep to the limits.
    ///
    /// @param why the rule that cannot be kept, and what would work
    record Infeasible(MatchObstacle why) implements MatchOutcome {
        /// The limit that cannot be kept.
        public Limit limit() {
            return why.limit();
        }

        /// The nearest value of that limit that works, in the limit's unit, when there is one.
        public OptionalDouble nearest() {
            return why.nearest();
        }
    }

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
