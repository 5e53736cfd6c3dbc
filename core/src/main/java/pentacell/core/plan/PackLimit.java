package pentacell.core.plan;

import java.util.OptionalDouble;

/// A limit of the need with what a pack comes to. One that is not kept is an obstacle: the pack is
/// not feasible.
///
/// @param limit what must be kept
/// @param figure what the pack has
/// @param isKept whether the pack is feasible as far as this limit goes
public record PackLimit(Check check, Sense sense, double limit, double figure, boolean isKept) {
    private static final double HAIR = 1e-9;

    /// On which side of its limit a figure must be.
    public enum Sense {
        AT_MOST,
        AT_LEAST
    }

    static PackLimit atMost(Check check, double limit, double figure) {
        return new PackLimit(check, Sense.AT_MOST, limit, figure, figure <= limit + HAIR);
    }

    static PackLimit atLeast(Check check, double limit, double figure) {
        return new PackLimit(check, Sense.AT_LEAST, limit, figure, figure >= limit - HAIR);
    }

    /// Room that is left, as a share of the limit; below 0 when it is not kept; empty where the
    /// limit is 0.
    OptionalDouble margin() {
        double room = sense == Sense.AT_MOST ? limit - figure : figure - limit;
        return Double.isFinite(room / limit)
                ? OptionalDouble.of(room / limit)
                : OptionalDouble.empty();
    }
}
