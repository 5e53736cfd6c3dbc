package pentacell.desktop.kit;

import javafx.scene.control.Button;
import javafx.scene.layout.Region;

/// Buttons that say what they do and are never cut.
public final class PlainButton {
    private PlainButton() {}

    /// A button.
    ///
    /// @param words on it
    /// @param action what it does when it is pressed
    public static Button of(String words, String id, Runnable action) {
        Button button = new Button(words);
        button.setId(id);
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setOnAction(pressed -> action.run());
        return button;
    }
}
