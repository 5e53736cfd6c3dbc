package pentacell.benchmarks;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.CountDownLatch;
import java.util.function.IntFunction;
import javafx.animation.AnimationTimer;
import javafx.event.Event;
import javafx.event.EventType;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/// A hand on the mouse over a picture.
record Hand(Node on, MouseButton button) {
    /// How long one frame came after the other.
    ///
    /// @param sortedMillis each of them, the shortest first
    record Frames(List<Double> sortedMillis) {
        @Override
        public String toString() {
            int all = sortedMillis.size();
            return String.format(
                    Locale.ROOT,
                    "frames: middle %.1f ms, 99 of 100 under %.1f ms, longest %.1f ms",
                    sortedMillis.get(all / 2),
                    sortedMillis.get(all * 99 / 100),
                    sortedMillis.get(all - 1));
        }
    }

    /// Presses or lets go at a point of the picture.
    void does(EventType<MouseEvent> what, double x, double y) {
        UiThread.run(() -> fire(what, new Point2D(x, y)));
    }

    /// Drags, a step at each frame.
    ///
    /// @param where the point of the picture for each step, from 0
    Frames drags(int steps, IntFunction<Point2D> where) {
        List<Double> apart = new ArrayList<>();
        CountDownLatch done = new CountDownLatch(1);
        AnimationTimer timer =
                new AnimationTimer() {
                    private long before;

                    @Override
                    public void handle(long now) {
                        if (before > 0) apart.add((System.nanoTime() - before) / 1e6);
                        before = System.nanoTime();
                        fire(MouseEvent.MOUSE_DRAGGED, where.apply(apart.size()));
                        if (apart.size() == steps) {
                            stop();
                            done.countDown();
                        }
                    }
                };
        UiThread.run(timer::start);
        try {
            done.await();
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
        Collections.sort(apart);
        return new Frames(apart);
    }

    private void fire(EventType<MouseEvent> what, Point2D at) {
        Point2D inScene = on.localToScene(at);
        boolean isDown = what != MouseEvent.MOUSE_RELEASED;
        boolean isPrimary = isDown && button == MouseButton.PRIMARY;
        boolean isMiddle = isDown && button == MouseButton.MIDDLE;
        Event.fireEvent(
                on,
                new MouseEvent(
                        // from the scene, so that each node reckons it in its own coordinates
                        on.getScene(),
                        on,
                        what,
                        inScene.getX(),
                        inScene.getY(),
                        inScene.getX(),
                        inScene.getY(),
                        button,
                        1,
                        false,
                        false,
                        false,
                        false,
                        isPrimary,
                        isMiddle,
                        false,
                        false,
                        false,
                        false,
                        null));
    }
}
