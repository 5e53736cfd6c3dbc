package pentacell.core.measure;

import java.util.stream.IntStream;

/// Some moments of a long log, where a figure of all of them is not needed.
public final class SomeMoments {
    private static final int MOST = 5000;

    private SomeMoments() {}

    /// Indices spread evenly, rising, from 0: some thousand tell of all of them.
    ///
    /// @param size how many moments there are; none under 1
    public static IntStream of(int size) {
        int count = Math.clamp(size, 0, MOST);
        return IntStream.range(0, count).map(k -> (int) ((long) k * size / count));
    }
}
