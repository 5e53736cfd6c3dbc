package pentacell.core.pack;

import java.util.List;

/// Lets two members of a match change places.
public final class MatchSwap {
    private MatchSwap() {}

    /// The groups after a swap. Either may be outside of all groups: the other then leaves them.
    public static <T> List<List<T>> in(List<List<T>> groups, T first, T second) {
        return groups.stream()
                .map(group -> group.stream().map(each -> swapped(each, first, second)).toList())
                .toList();
    }

    private static <T> T swapped(T each, T first, T second) {
        if (each.equals(first)) return second;
        return each.equals(second) ? first : each;
    }
}
