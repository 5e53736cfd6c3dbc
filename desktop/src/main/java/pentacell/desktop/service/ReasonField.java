package pentacell.desktop.service;

import javafx.scene.control.TextField;

/// A field for why something is decided otherwise.
final class ReasonField extends TextField {
    ReasonField(String id) {
        setId(id);
        setPromptText("why");
        setPrefColumnCount(16);
    }
}
