package pentacell.desktop.kit;

import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/// A station with a pane for each question: its figures on top, the tabs and what stands beside
/// them, and the pane that is shown.
public final class StationPanes {
    private final BorderPane view = new BorderPane();
    private final VBox centre = new VBox();
    private final PaneTabs tabs = new PaneTabs(this::show);

    /// @param id of the whole
    /// @param figures on top
    /// @param beside the tabs, at the right
    public StationPanes(String id, Node figures, Node beside) {
        view.setId(id);
        view.getStyleClass().add("station");
        ControlRow views = ControlRow.of(tabs.row(), ControlRow.gap(), beside);
        views.getStyleClass().add("views");
        centre.getStyleClass().add("station-centre");
        VBox.setVgrow(centre, Priority.ALWAYS);
        view.setCenter(new VBox(figures, views, centre));
    }

    /// Adds a pane behind those that are there.
    public StationPanes add(String name, Supplier<? extends Node> maker) {
        tabs.add(name, maker);
        return this;
    }

    /// The whole.
    public Node node() {
        return view;
    }

    /// Shows a pane.
    public void show(String name) {
        Node pane = tabs.show(name);
        VBox.setVgrow(pane, Priority.ALWAYS);
        centre.getChildren().setAll(pane);
    }
}
