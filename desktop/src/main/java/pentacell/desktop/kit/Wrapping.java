package pentacell.desktop.kit;

import javafx.scene.control.Labeled;
import javafx.scene.layout.Region;

/// Sentences that go on in the next line instead of being cut.
public final class Wrapping {
    private Wrapping() {}

    /// Lets a text wrap and keeps the room of all its lines.
    public static <L extends Labeled> L on(L labeled) {
        labeled.setWrapText(true);
        labeled.setMinHeight(Region.USE_PREF_SIZE);
        return labeled;
    }
}
