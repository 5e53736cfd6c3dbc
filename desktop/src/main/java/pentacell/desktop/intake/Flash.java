package pentacell.desktop.intake;

import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.util.Duration;

/// On and off a few times, so that the eye finds a place.
final class Flash {
    private static final int TIMES = 3;
    private static final Duration HALF = Duration.millis(160);

    private final Timeline timeline;
    private boolean isOn;

    Flash(Runnable repaint) {
        timeline =
                new Timeline(
                        new KeyFrame(
                                HALF,
                                tick -> {
                                    isOn = !isOn;
                                    repaint.run();
                                }));
        timeline.setCycleCount(2 * TIMES - 1);
        timeline.setOnFinished(end -> {
            isOn = false;
            repaint.run();
        });
    }

    void begin() {
        isOn = true;
        timeline.playFromStart();
    }

    boolean isOn() {
        return isOn;
    }
}
