package pentacell.desktop.kit;

import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;

/// Controls with what they are over them.
public final class Captioned {
    private Captioned() {}

    /// A control under its caption.
    public static VBox of(String words, Control control) {
        Label caption = new Label(words);
        caption.setLabelFor(control);
        caption.getStyleClass().add("caption");
        return new VBox(caption, control);
    }
}
