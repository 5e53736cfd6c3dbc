package pentacell.core.unit;

import java.util.List;
import java.util.stream.Collectors;

/// Numbers of things in words, singular and plural right.
public final class Count {
    private Count() {}

    /// Such as `1 cell waits`, `3 cells wait`.
    public static String of(long number, String one, String many) {
        return number + " " + (number == 1 ? one : many);
    }

    /// Groups by number: `Group 2`, `Groups 1, 3 and 4`.
    ///
    /// @param groups counted from 1, at least one
    public static String groups(List<Integer> groups) {
        if (groups.size() == 1) return "Group " + groups.getFirst();
        String before =
                groups.subList(0, groups.size() - 1).stream()
                        .map(String::valueOf)
                        .collect(Collectors.joining(", "));
        return "Groups " + before + " and " + groups.getLast();
    }
}
