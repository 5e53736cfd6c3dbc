package pentacell.desktop.frame;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import pentacell.desktop.kit.Wrapping;
import pentacell.desktop.theme.Theme;

/// Where the card of what is selected stands: at the right of the station. In a narrow window an
/// empty card gives its room back; in one that is narrower still the card is folded until it is
/// asked for, and then lies over the station instead of squeezing it.
final class CardPlace {
    private static final double NARROW_EM = 90;
    private static final double VERY_NARROW_EM = 76;

    private final BorderPane window;
    private final StackPane over = new StackPane();
    private final StackPane card = new StackPane();
    private double em = Theme.pixels(100);
    private boolean isEmpty = true;
    private Optional<Boolean> asked = Optional.empty();

    CardPlace(Desk desk, List<Station> stations, BorderPane window) {
        this.window = window;
        card.setId("card");
        over.setPickOnBounds(false);
        over.setAlignment(Pos.TOP_RIGHT);
        Label nothing =
                Wrapping.on(
                        new Label(
                                "Select a cell to see its verdict, its reasons and every reading ever logged of it."));
        nothing.getStyleClass().add("empty");
        VBox empty = new VBox(nothing);
        empty.getStyleClass().add("card");
        List<Card> all = stations.stream().flatMap(each -> each.card().stream()).toList();
        desk.selection()
                .thingProperty()
                .subscribe(thing -> {
                    Optional<Node> shown =
                            all.stream()
                                    .filter(each -> thing.filter(each.shows()).isPresent())
                                    .map(each -> each.node().get())
                                    .findFirst();
                    isEmpty = shown.isEmpty();
                    card.getChildren().setAll(shown.orElse(empty));
                    arrange();
                });
        window.widthProperty().subscribe(width -> arrange());
    }

    /// What lies over the window.
    Node over() {
        return over;
    }

    /// Says how large the type is, in pixels.
    void scale(double size) {
        em = size;
        arrange();
    }

    void toggle() {
        asked = Optional.of(!isShown());
        arrange();
    }

    private boolean isNarrowerThan(double wanted) {
        return window.getWidth() > 0 && window.getWidth() < wanted * em;
    }

    private boolean isShown() {
        return asked.orElse(
                !isNarrowerThan(VERY_NARROW_EM) && !(isEmpty && isNarrowerThan(NARROW_EM)));
    }

    private void arrange() {
        boolean liesOver = isNarrowerThan(VERY_NARROW_EM);
        over.getChildren().clear();
        window.setRight(isShown() && !liesOver ? card : null);
        if (!isShown() || !liesOver) return;
        card.setMaxWidth(Region.USE_PREF_SIZE);
        over.setPadding(new Insets(window.getTop().getLayoutBounds().getHeight(), 0, 0, 0));
        over.getChildren().setAll(card);
    }
}
