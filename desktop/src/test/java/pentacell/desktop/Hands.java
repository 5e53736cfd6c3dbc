package pentacell.desktop;

import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.event.EventType;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.robot.Robot;
import javafx.stage.Window;
import org.testfx.util.WaitForAsyncUtils;

/// What a person's hands do to the window. After each movement the window has answered and has been
/// drawn anew: nothing waits for time.
final class Hands {
    private static final long LONGEST_MILLIS = 30_000;

    private final Window window;
    private final Robot robot;

    Hands(Window window) {
        this.window = window;
        robot = WaitForAsyncUtils.waitForAsyncFx(LONGEST_MILLIS, () -> new Robot());
    }

    /// Characters, each to whatever has the caret then; a tab goes on to the next field.
    void type(String text) {
        if (text.indexOf('\t') < 0) {
            onScreen(() -> text.chars().forEach(each -> character((char) each)));
            return;
        }
        for (String part : text.split("(?<=\t)")) {
            onScreen(() -> part.chars().forEach(each -> character((char) each)));
        }
    }

    /// Keys pressed one after the other and let go in the opposite order.
    void press(KeyCode... keys) {
        onScreen(() -> {
            List<KeyCode> chord = List.of(keys);
            chord.forEach(robot::keyPress);
            chord.reversed().forEach(robot::keyRelease);
        });
    }

    void click(Point2D at) {
        moveTo(at);
        down();
        up();
    }

    void drag(Point2D from, Point2D to) {
        moveTo(from);
        down();
        moveTo(from.add(9, 3));
        moveTo(to);
        up();
    }

    void moveTo(Point2D at) {
        onScreen(() -> robot.mouseMove(at));
    }

    void down() {
        onScreen(() -> robot.mousePress(MouseButton.PRIMARY));
    }

    void up() {
        onScreen(() -> robot.mouseRelease(MouseButton.PRIMARY));
    }

    /// A place of a node on the screen, in shares of its width and height.
    static Point2D at(Node node, double x, double y) {
        Bounds bounds = node.localToScreen(node.getBoundsInLocal());
        return new Point2D(
                bounds.getMinX() + x * bounds.getWidth(),
                bounds.getMinY() + y * bounds.getHeight());
    }

    /// Does something where the window lives, then waits until it has been drawn.
    void onScreen(Runnable movement) {
        WaitForAsyncUtils.waitForAsyncFx(LONGEST_MILLIS, movement);
        settle();
    }

    /// Waits until what was asked of the window has been done and drawn.
    void settle() {
        // what a drawing asks for later is done with the second
        drawn();
        drawn();
    }

    private void drawn() {
        CountDownLatch drawn = new CountDownLatch(1);
        Platform.runLater(() -> {
            Scene scene = window.getScene();
            scene.addPostLayoutPulseListener(
                    new Runnable() {
                        @Override
                        public void run() {
                            scene.removePostLayoutPulseListener(this);
                            Platform.runLater(drawn::countDown);
                        }
                    });
            Platform.requestNextPulse();
        });
        try {
            if (!drawn.await(LONGEST_MILLIS, TimeUnit.MILLISECONDS))
                throw new IllegalStateException("the window was not drawn");
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(interrupted);
        }
    }

    /// A character, on the window's thread, to whatever has the caret.
    void character(char typed) {
        KeyCode code =
                switch (typed) {
                    case '\t' -> KeyCode.TAB;
                    case '\n' -> KeyCode.ENTER;
                    default -> KeyCode.UNDEFINED;
                };
        key(KeyEvent.KEY_PRESSED, code, KeyEvent.CHAR_UNDEFINED);
        key(KeyEvent.KEY_TYPED, KeyCode.UNDEFINED, String.valueOf(typed));
        key(KeyEvent.KEY_RELEASED, code, KeyEvent.CHAR_UNDEFINED);
    }

    private void key(EventType<KeyEvent> type, KeyCode code, String character) {
        Scene scene =
                Window.getWindows().stream()
                        .filter(Window::isFocused)
                        .findFirst()
                        .orElse(window)
                        .getScene();
        Node caret = scene.getFocusOwner();
        Event.fireEvent(
                caret == null ? scene : caret,
                new KeyEvent(type, character, "", code, false, false, false, false));
    }
}
