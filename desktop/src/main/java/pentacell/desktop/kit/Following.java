package pentacell.desktop.kit;

import java.util.function.Supplier;
import javafx.animation.AnimationTimer;
import javafx.scene.Node;
import javafx.scene.layout.StackPane;

/// A place in a view whose content follows one pulse after the rest of the view, so that no single
/// pulse has to style and lay out all of it. The place keeps its size meanwhile.
public final class Following extends StackPane {
    /// @param content asked once, when the first pulse has been drawn
    public Following(Supplier<? extends Node> content) {
        new AnimationTimer() {
            private boolean drawn;

            // timers are called before their pulse is drawn
            @Override
            public void handle(long now) {
                if (drawn) {
                    stop();
                    getChildren().setAll(content.get());
                }
                drawn = true;
            }
        }.start();
    }
}
