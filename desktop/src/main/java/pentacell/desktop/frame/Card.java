package pentacell.desktop.frame;

import java.util.function.Predicate;
import javafx.scene.Node;

/// How one kind of thing is shown on the right when it is selected.
///
/// @param shows whether a selected thing is of this kind
/// @param node follows the selection by itself
public record Card(Predicate<Object> shows, Node node) {}
