package pentacell.workshop.exchange;

import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ForkJoinPool;
import java.util.function.Consumer;

/// Rows of a long file that are read on another processor while those before are worked on: a
/// million lines take as long as the slower of the two, not as both.
final class ReadAhead {
    private static final int BATCH = 2048;

    private ReadAhead() {}

    /// Some rows, and what ended the reading after them.
    private record Batch<T>(List<T> rows, Optional<RuntimeException> failure, boolean isLast) {}

    /// Works on all rows, in their order. When reading fails the rows before are worked on first.
    ///
    /// @param rows each a value of its own: one may not change when the next is read
    static <T> void forEach(Iterator<T> rows, Consumer<T> work) {
        boolean isLast = false;
        for (CompletableFuture<Batch<T>> next = reading(rows); !isLast; ) {
            Batch<T> batch = next.join();
            isLast = batch.isLast();
            if (!isLast) next = reading(rows);
            batch.rows().forEach(work);
            if (batch.failure().isPresent()) throw batch.failure().get();
        }
    }

    private static <T> CompletableFuture<Batch<T>> reading(Iterator<T> rows) {
        return CompletableFuture.supplyAsync(() -> batch(rows), ForkJoinPool.commonPool());
    }

    private static <T> Batch<T> batch(Iterator<T> rows) {
        List<T> some = new ArrayList<>(BATCH);
        try {
            while (some.size() < BATCH && rows.hasNext()) some.add(rows.next());
            return new Batch<>(some, Optional.empty(), some.size() < BATCH);
        } catch (RuntimeException failure) {
            return new Batch<>(some, Optional.of(failure), true);
        }
    }
}
