package pentacell.desktop.build;

import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.PackChoice;
import pentacell.desktop.frame.QuickBar;
import pentacell.desktop.kit.StationPanes;

/// What Build shows: the pack in hand with its figures, and a pane for each question.
final class BuildView {
    private final ComboBox<String> pack;
    private final StationPanes panes;
    private final QuickBar quick;

    BuildView(Desk desk, FileAsk files, BuildModel model) {
        pack = PackChoice.of("build-pack", desk, model.inHand());
        quick = new QuickBar(desk, BuildQuick.of(model), "A reading of the pack");
        BuildFigures figures = new BuildFigures();
        panes = new StationPanes("build-station", figures.node(), pack);
        panes.add(BuildStation.LAYOUT, () -> new LayoutPane(model))
                .add(BuildStation.CURRENTS, () -> new CurrentsPane(model))
                .add(BuildStation.JOINING, () -> new JoiningPane(model))
                .add(BuildStation.STEPS, () -> new StepsPane(model))
                .add(BuildStation.TAPS, () -> new TapsPane(model, files))
                .add(BuildStation.TRIAL, () -> new TrialPane(model))
                .add(BuildStation.BOOK, () -> new BookPane(model, files));
        panes.node().sceneProperty().subscribe(scene -> model.watched(scene != null));
        model.shownProperty().subscribe(shown -> figures.show(model.builtProperty().get(), shown));
        model.builtProperty().subscribe(built -> figures.show(built, model.shownProperty().get()));
        show(BuildStation.LAYOUT);
    }

    Node node() {
        return panes.node();
    }

    QuickBar quickLine() {
        return quick;
    }

    void show(String name) {
        panes.show(name);
    }
}
