package pentacell.core.pack;

/// How builders decide which cells belong together.
public enum MatchSchool {
    /// Groups of equal capacity, whatever their cells are like; limits on IR or models are set
    /// beside it. The default: capacity of a pack is that of its smallest group, and computed sums
    /// reach what no sorting reaches.
    EQUAL_SUMS,
    /// The tightest IR inside the groups that the cells allow, then equal capacity.
    RESISTANCE_FIRST,
    /// All cells of the pack from one bin of capacity: the strongest run of cells no wider than the
    /// bin that holds enough.
    NARROW_BINS,
    /// Only cells within so many σ of the lot's mean capacity.
    TIGHT_POPULATION,
    /// As they come, in the order of their ids, group by group; nothing is sorted.
    AS_THEY_COME
}
