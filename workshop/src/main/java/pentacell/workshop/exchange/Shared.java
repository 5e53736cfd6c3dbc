package pentacell.workshop.exchange;

import java.util.HashMap;
import java.util.Map;

/// One object for each value that a long table repeats: a million cells are of some dozen models
/// and have a few thousand different readings.
final class Shared<T> {
    /// A column in which every value is another one gains nothing and shall not fill the memory.
    private static final int MOST = 1 << 14;

    private final Map<T, T> known = new HashMap<>();

    /// An equal value, the same one each time.
    T of(T value) {
        T before = known.get(value);
        if (before != null) return before;
        if (known.size() < MOST) known.put(value, value);
        return value;
    }
}
