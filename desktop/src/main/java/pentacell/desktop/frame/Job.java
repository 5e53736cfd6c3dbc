package pentacell.desktop.frame;

import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.desktop.kit.Background;

/// A piece of work in a lane, to be watched and cancelled. Cancelled work still delivers its
/// result, which is then the best it had; whoever took it asks [#isCancelled].
public final class Job {
    private final ReadOnlyObjectWrapper<Optional<Object>> progress =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final AtomicReference<Optional<Object>> latest =
            new AtomicReference<>(Optional.empty());
    private volatile boolean isCancelled;

    Job() {}

    /// No work at all, to begin with.
    public static Job none() {
        return new Job();
    }

    /// Asks the work to end early.
    public void cancel() {
        isCancelled = true;
    }

    /// Whether it was asked to end early; from any thread.
    public boolean isCancelled() {
        return isCancelled;
    }

    /// Tells how it goes, from the thread that works: the last one told is shown, those before it
    /// may be skipped.
    public void tell(Object sofar) {
        if (latest.getAndSet(Optional.of(sofar)).isEmpty())
            Background.tell(() -> progress.set(latest.getAndSet(Optional.empty())));
    }

    /// How it goes, as it was told last; on the UI thread.
    public ReadOnlyObjectProperty<Optional<Object>> progressProperty() {
        return progress.getReadOnlyProperty();
    }
}
