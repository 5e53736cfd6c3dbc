package pentacell.desktop.kit;

import javafx.beans.value.ObservableValue;
import javafx.scene.Node;

/// Keeps a view up to date only while it is to be seen: what nobody looks at costs nothing.
public final class WhenShown {
    private WhenShown() {}

    /// Runs an action at each change of a value while the node is in a window, and when it comes
    /// into one.
    public static void run(Node node, ObservableValue<?> value, Runnable action) {
        value.subscribe(() -> {
            if (node.getScene() != null) action.run();
        });
        node.sceneProperty()
                .subscribe(scene -> {
                    if (scene != null) action.run();
                });
    }
}
