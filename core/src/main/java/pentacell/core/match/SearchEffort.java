package pentacell.core.match;

/// How hard to search, as work and not as time, so that the same input, seed and effort give the
/// same answer anywhere.
///
/// @param rounds rounds at most, above 0; a round is about an eighth of a second of two cores
/// @param seed seed of all random choices
public record SearchEffort(int rounds, long seed) {
    private static final int ROUNDS_PER_SECOND = 8;

    public SearchEffort {
        if (rounds < 1)
            throw new IllegalArgumentException("a search has at least 1 round, was " + rounds);
    }

    /// The work that a machine of today does in the given time, with some to spare.
    public static SearchEffort forSeconds(double seconds, long seed) {
        return new SearchEffort((int) Math.clamp(seconds * ROUNDS_PER_SECOND, 1, 100_000), seed);
    }
}
