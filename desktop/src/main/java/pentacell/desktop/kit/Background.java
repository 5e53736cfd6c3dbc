package pentacell.desktop.kit;

import java.time.Duration;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import javafx.application.Platform;
import org.slf4j.LoggerFactory;

/// The one way off the UI thread and back: a snapshot is taken before, the work is done elsewhere,
/// the result is published on the UI thread. Work of one background follows one another in the
/// order given.
public final class Background implements AutoCloseable {

    private final ExecutorService worker;

    /// A background with one thread of its own.
    public Background(String name) {
        worker =
                Executors.newSingleThreadExecutor(
                        Thread.ofPlatform().daemon().name(name).factory());
    }

    /// Runs work; then exactly one of the two consumers on the UI thread, whatever was thrown.
    public <T> void run(
            Callable<T> work, Consumer<? super T> onUi, Consumer<? super Throwable> onFailure) {
        worker.execute(() -> {
            try {
                T result = work.call();
                Platform.runLater(() -> onUi.accept(result));
            } catch (Throwable failure) {
                LoggerFactory.getLogger(Background.class).warn("background work failed", failure);
                Platform.runLater(() -> onFailure.accept(failure));
            }
        });
    }

    /// Tells the UI thread something in the middle of work.
    public static void tell(Runnable onUi) {
        Platform.runLater(onUi);
    }

    /// Tells the UI thread that something is new; told again before it was heard, it is told once:
    /// who works faster than the window draws does not flood it.
    public static Runnable news(Runnable onUi) {
        AtomicBoolean isOnItsWay = new AtomicBoolean();
        return () -> {
            if (isOnItsWay.getAndSet(true)) return;
            tell(() -> {
                isOnItsWay.set(false);
                onUi.run();
            });
        };
    }

    /// Takes no more work, and returns when what was given is done or the patience is over.
    public void finish(Duration patience) {
        worker.shutdown();
        try {
            if (!worker.awaitTermination(patience.toMillis(), TimeUnit.MILLISECONDS))
                LoggerFactory.getLogger(Background.class).warn("work is left undone");
        } catch (InterruptedException hurry) {
            Thread.currentThread().interrupt();
        }
    }

    /// Takes no more work and lets what was given finish.
    @Override
    public void close() {
        worker.shutdown();
    }
}
