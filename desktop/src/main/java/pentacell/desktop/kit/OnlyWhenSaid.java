package pentacell.desktop.kit;

import javafx.scene.control.Label;

/// Labels that take no room while they say nothing.
public final class OnlyWhenSaid {
    private OnlyWhenSaid() {}

    /// Follows their texts from now on.
    public static void of(Label... labels) {
        for (Label label : labels)
            label.textProperty()
                    .subscribe(text -> {
                        label.setVisible(!text.isEmpty());
                        label.setManaged(!text.isEmpty());
                    });
    }
}
