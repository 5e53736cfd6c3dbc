package pentacell.desktop.frame;

import javafx.scene.Node;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.desktop.kit.Scrolled;

/// What stands on a card, one under the other; it scrolls when there is more than fits.
public final class CardContent extends VBox {
    /// Puts the parts on a card.
    public CardContent(VBox card, Node... parts) {
        super(parts);
        getStyleClass().add("card-content");
        card.getStyleClass().add("card");
        Scrolled scroll = new Scrolled(this);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        card.getChildren().add(scroll);
    }
}
