package pentacell.core.plan.facts;

/// A fuse on every cell.
///
/// @param figure diameter in mm of a bare copper wire, or amps at which another kind opens
public record CellFuse(Kind kind, double figure) {
    public CellFuse {
        Need.requireAmount("a cell fuse's figure", figure);
    }

    /// What it is.
    public enum Kind {
        /// Bare copper wire, figure in mm.
        COPPER_WIRE,
        /// Anything of which is known at how many amps it opens.
        OPENS_AT_AMPS
    }
}
