package pentacell.core.pack;

/// Which cells to leave out when the lot is larger than the pack, and what is made best first.
public enum Selection {
    /// Every cell is used; the spread of the groups is minimised.
    ALL,
    /// Cells are left out so that the smallest group is as large as possible, then the spread is
    /// minimised.
    STRONGEST,
    /// Cells are left out so that the spread is smallest, then the smallest group is made large.
    TIGHTEST
}
