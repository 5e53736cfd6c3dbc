package pentacell.desktop.frame;

import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/// What stands on a card, one under the other; it scrolls when there is more than fits.
public final class CardContent extends VBox {
    /// Puts the parts on a card.
    public CardContent(VBox card, Node... parts) {
        super(parts);
        getStyleClass().add("card-content");
        card.getStyleClass().add("card");
        ScrollPane scroll = new ScrollPane(this);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        card.getChildren().add(scroll);
    }
}
