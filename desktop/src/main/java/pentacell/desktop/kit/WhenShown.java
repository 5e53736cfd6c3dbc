package pentacell.desktop.kit;

import javafx.beans.value.ObservableValue;
import javafx.scene.Node;
import javafx.util.Subscription;

/// Keeps a view up to date only while it is to be seen: what nobody looks at costs nothing.
public final class WhenShown {
    private WhenShown() {}

    /// Runs an action at each change of a value while the node is in a window, and when it comes
    /// into one. A node that leaves its window is let go of.
    public static void run(Node node, ObservableValue<?> value, Runnable action) {
        Subscription[] listening = {Subscription.EMPTY};
        node.sceneProperty()
                .subscribe(scene -> {
                    listening[0].unsubscribe();
                    listening[0] = Subscription.EMPTY;
                    if (scene == null) return;
                    listening[0] = value.subscribe(action);
                    action.run();
                });
    }
}
