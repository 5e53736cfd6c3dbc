package pentacell.desktop.build;

import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.PackChoice;
import pentacell.desktop.frame.QuickBar;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.PaneTabs;

/// What Build shows: the pack in hand with its figures, and a pane for each question.
final class BuildView {
    private final ComboBox<String> pack;
    private final BorderPane view = new BorderPane();
    private final VBox centre = new VBox();
    private final PaneTabs tabs = new PaneTabs(this::show);
    private final BuildFigures figures = new BuildFigures();
    private final QuickBar quick;

    BuildView(Desk desk, FileAsk files, BuildModel model) {
        pack = PackChoice.of("build-pack", desk, model.inHand());
        quick = new QuickBar(desk, new BuildQuick(model), "A reading of the pack");
        tabs.add(BuildStation.LAYOUT, () -> new LayoutPane(model))
                .add(BuildStation.CURRENTS, () -> new CurrentsPane(model))
                .add(BuildStation.JOINING, () -> new JoiningPane(model))
                .add(BuildStation.STEPS, () -> new StepsPane(model))
                .add(BuildStation.TAPS, () -> new TapsPane(model, files))
                .add(BuildStation.TRIAL, () -> new TrialPane(model))
                .add(BuildStation.BOOK, () -> new BookPane(model, files));
        view.setId("build-station");
        view.getStyleClass().add("station");
        ControlRow views = ControlRow.of(tabs.row(), ControlRow.gap(), pack);
        views.getStyleClass().add("views");
        centre.getStyleClass().add("station-centre");
        VBox.setVgrow(centre, Priority.ALWAYS);
        view.setCenter(new VBox(figures.node(), views, centre));
        view.sceneProperty().subscribe(scene -> model.watched(scene != null));
        model.shownProperty().subscribe(shown -> figures.show(model.builtProperty().get(), shown));
        model.builtProperty().subscribe(built -> figures.show(built, model.shownProperty().get()));
        show(BuildStation.LAYOUT);
    }

    Node node() {
        return view;
    }

    QuickBar quickLine() {
        return quick;
    }

    void begin() {
        pack.requestFocus();
    }

    void show(String name) {
        Node pane = tabs.show(name);
        VBox.setVgrow(pane, Priority.ALWAYS);
        centre.getChildren().setAll(pane);
    }
}
