package pentacell.desktop.test;

import java.util.List;
import java.util.Locale;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import pentacell.desktop.frame.Command;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.QuickBar;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.PaneTabs;

/// What Test shows: its panes and the quick line.
final class TestView {
    private final TestModel model;
    private final BorderPane view = new BorderPane();
    private final VBox centre = new VBox();
    private final PaneTabs tabs = new PaneTabs(this::show);
    private final QuickBar quickLine;

    /// @param buttons what can be pressed beside the tabs
    TestView(Desk desk, FileAsk files, TestModel model, LogIntake logs, List<Command> buttons) {
        this.model = model;
        model.beginPlanning();
        quickLine =
                new QuickBar(
                        desk,
                        new TestQuick(desk, model, logs),
                        "Quick line: id of the cell to load, or a reading on the hold shelf");
        logs.onAsking(quickLine::focusField);
        tabs.add(TestStation.BAYS, () -> new BayBoard(desk, model))
                .add(TestStation.TIME_SHEET, () -> new TimeSheet(desk, model, files))
                .add(TestStation.SHELF, () -> new HoldPane(desk))
                .add(TestStation.CURVES, () -> new CurvePane(desk, model, files))
                .add(TestStation.BENCH, () -> new BenchPane(desk, model, logs));
        view.getStyleClass().add("station");
        view.setId("test");
        view.setTop(bar(buttons));
        centre.getStyleClass().add("station-centre");
        view.setCenter(centre);
        show(TestStation.BAYS);
    }

    Node node() {
        return view;
    }

    QuickBar quickLine() {
        return quickLine;
    }

    private Node bar(List<Command> buttons) {
        ControlRow row = ControlRow.of(tabs.row(), ControlRow.gap());
        row.getStyleClass().add("station-bar");
        for (Command command : buttons) {
            Button button = new Button(command.words());
            button.setId("do-" + command.words().toLowerCase(Locale.ROOT).replace(' ', '-'));
            button.setMinWidth(Region.USE_PREF_SIZE);
            button.setOnAction(pressed -> command.action().run());
            row.getChildren().add(button);
        }
        return row;
    }

    void show(String name) {
        Node pane = tabs.show(name);
        VBox.setVgrow(pane, Priority.ALWAYS);
        centre.getChildren().setAll(pane);
        model.readShelf(name.equals(TestStation.SHELF));
        quickLine.focusField();
    }
}
