package pentacell.desktop.frame;

import java.util.function.Predicate;
import java.util.function.Supplier;
import javafx.scene.Node;
import pentacell.desktop.kit.Lazy;

/// How one kind of thing is shown on the right when it is selected.
///
/// @param shows whether a selected thing is of this kind
/// @param node follows the selection by itself; made when such a thing is first selected
public record Card(Predicate<Object> shows, Lazy<Node> node) {
    public Card(Predicate<Object> shows, Supplier<? extends Node> maker) {
        this(shows, new Lazy<>(maker));
    }
}
