package pentacell.benchmarks;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;

/// The UI thread seen from outside.
final class UiThread {
    private UiThread() {}

    interface Condition {
        boolean holds();
    }

    /// Does something there and waits until it is done.
    static void run(Runnable work) {
        CountDownLatch done = new CountDownLatch(1);
        Platform.runLater(() -> {
            work.run();
            done.countDown();
        });
        try {
            done.await();
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
    }

    /// Waits until something holds.
    static void until(Condition condition) {
        boolean[] holds = {false};
        while (!holds[0]) {
            run(() -> holds[0] = condition.holds());
            pause(20);
        }
    }

    /// How late something told to the thread is heard, in ms, asked again and again for some time.
    static List<Double> lateness(double seconds) {
        List<Double> late = new ArrayList<>();
        long end = System.nanoTime() + Math.round(seconds * TimeUnit.SECONDS.toNanos(1));
        while (System.nanoTime() < end) {
            long told = System.nanoTime();
            run(() -> late.add((System.nanoTime() - told) / 1e6));
            pause(5);
        }
        return late;
    }

    static void pause(long millis) {
        try {
            Thread.sleep(millis);
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
    }
}
