package pentacell.benchmarks;

import javafx.animation.AnimationTimer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.stage.Stage;

/// A window with one label, which ends as soon as it was drawn: what any start is measured by.
public final class BareWindow extends Application {
    /// Opens the window.
    public static void main(String[] arguments) {
        launch(arguments);
    }

    @Override
    public void start(Stage stage) {
        stage.setScene(new Scene(new Label("Ready"), 1280, 800));
        stage.show();
        new AnimationTimer() {
            private boolean isDrawn;

            @Override
            public void handle(long now) {
                if (isDrawn) Platform.exit();
                isDrawn = true;
            }
        }.start();
    }
}
