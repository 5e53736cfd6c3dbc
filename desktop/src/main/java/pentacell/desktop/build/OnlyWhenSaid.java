package pentacell.desktop.build;

import javafx.scene.control.Label;

/// Labels that take no room while they say nothing.
final class OnlyWhenSaid {
    private OnlyWhenSaid() {}

    static void of(Label... labels) {
        for (Label label : labels)
            label.textProperty()
                    .subscribe(text -> {
                        label.setVisible(!text.isEmpty());
                        label.setManaged(!text.isEmpty());
                    });
    }
}
