package pentacell.desktop.frame;

import java.util.List;
import java.util.Optional;
import javafx.beans.value.ObservableValue;
import javafx.scene.Node;

/// A station of the work: everything the frame knows of it. A new one is a class that implements
/// this and a line in the list of stations.
public interface Station {
    /// Its place in the order of the work, 1 to 9; Ctrl with this digit goes there.
    int number();

    /// Its name on the path.
    String name();

    /// What it shows.
    Node view();

    /// How many things wait there.
    ObservableValue<Number> waiting();

    /// Its quick line along the bottom. The caret is put there when the station is entered.
    default Optional<QuickBar> line() {
        return Optional.empty();
    }

    /// The pack in hand of a station that works on one; the card follows it.
    default Optional<String> pack() {
        return Optional.empty();
    }

    /// Prepares for the work to go on. A station without a line puts the caret where typing goes.
    default void enter() {}

    /// Names of its panes in the order of their tabs; empty when it has but one.
    default List<String> panes() {
        return List.of();
    }

    /// Shows one of its panes.
    default void showPane(String name) {}

    /// What can be done here from anywhere, through *Find or do*, a key or the workshop's menu.
    default List<Command> commands() {
        return List.of();
    }

    /// What is due here, most pressing first.
    default List<Due> due() {
        return List.of();
    }

    /// Things of this station that fit what is typed into *Find or do*.
    ///
    /// @param wanted in lower case, not empty
    /// @param most how many are shown at most
    default List<Found> find(String wanted, int most) {
        return List.of();
    }

    /// How the things of this station are shown when they are selected.
    default Optional<Card> card() {
        return Optional.empty();
    }

    /// Takes work that another station hands over.
    ///
    /// @return whether such work is done here
    default boolean takes(PackWork work) {
        return false;
    }

    /// The pictures taken of it for the handbook.
    default List<Shot> shots() {
        return List.of();
    }

    /// Whether the program begins here.
    default boolean isFirst() {
        return false;
    }
}
