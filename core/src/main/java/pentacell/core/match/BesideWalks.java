package pentacell.core.match;

/// Looks for a better grouping in another way than walks do, beside them, from round to round.
interface BesideWalks {
    /// Goes on from where it stands; what comes out is at least as good as the best so far.
    ///
    /// @param rounds how many rounds' work may be done
    Grouping raised(Grouping best, double rounds);

    /// How many rounds' work it is to do before the first walk.
    ///
    /// @param rounds of the whole search
    default double roundsBefore(int rounds) {
        return 0;
    }

    /// What no grouping can beat, as far as it knows, in ticks.
    default long bound() {
        return Long.MAX_VALUE;
    }
}
