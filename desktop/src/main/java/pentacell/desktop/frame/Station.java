package pentacell.desktop.frame;

import java.util.List;
import java.util.Optional;
import javafx.beans.value.ObservableValue;
import javafx.scene.Node;

/// A station of the work, as the frame shows it.
public interface Station {
    /// Its place in the order of the work, 1 to 9; Ctrl with this digit goes there.
    int number();

    /// Its name on the path.
    String name();

    /// What it shows.
    Node view();

    /// How many things wait there.
    ObservableValue<Number> waiting();

    /// What stands along the bottom while it is shown.
    Optional<Node> bottom();

    /// Puts the caret where the work goes on.
    void enter();

    /// What can be done here from anywhere, through *Find or do*.
    default List<Command> commands() {
        return List.of();
    }
}
