package pentacell.core.match;

/// Who watches a search: may stop it, and hears how it goes.
public interface SearchWatch {
    /// Whether the search should end now with the best it has. Asked by every thread of the search.
    boolean stop();

    /// Called after every round of the search, from the thread that started the match.
    void searched(Progress progress);

    /// How far a search is.
    ///
    /// @param round rounds done
    /// @param rounds rounds at most
    /// @param usableMilliampHours smallest group of the best match so far, in mAh
    /// @param spreadMilliampHours its spread in mAh
    /// @param bounds what cannot be beaten
    record Progress(
            int round,
            int rounds,
            double usableMilliampHours,
            double spreadMilliampHours,
            CapacityBounds bounds) {}

    /// Nobody watches: the search ends by itself.
    SearchWatch NOBODY =
            new SearchWatch() {
                @Override
                public boolean stop() {
                    return false;
                }

                @Override
                public void searched(Progress progress) {}
            };
}
