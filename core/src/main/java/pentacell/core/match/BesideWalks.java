package pentacell.core.match;

/// Looks for a better grouping in another way than walks do, beside them, from round to round.
interface BesideWalks {
    /// Goes on from where it stands; what comes out is at least as good as the best so far.
    ///
    /// @param rounds how many rounds' work may be done
    Grouping raised(Grouping best, double rounds);

    /// Whether walks are to wait: they have little to add until this is further on.
    default boolean isFirst() {
        return false;
    }

    /// What no grouping can beat, as far as it knows, in ticks.
    default long bound() {
        return Long.MAX_VALUE;
    }
}
