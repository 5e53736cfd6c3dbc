package pentacell.desktop.frame;

import java.util.List;
import java.util.Optional;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import pentacell.desktop.kit.Wrapping;

/// Laid over the window with F1: what the station in hand is for, its line and its keys. Esc or F1
/// puts it away and gives the caret back.
final class HelpPane extends StackPane {
    private final VBox sheet = new VBox();
    private Optional<BenchCard> card = Optional.empty();
    private Optional<Node> caretWas = Optional.empty();

    HelpPane() {
        setId("help");
        getStyleClass().add("over");
        sheet.getStyleClass().add("over-sheet");
        sheet.setMaxHeight(Region.USE_PREF_SIZE);
        getChildren().add(sheet);
        setVisible(false);
        setOnMouseClicked(click -> {
            if (click.getTarget() == this) leave();
        });
        addEventFilter(
                KeyEvent.KEY_PRESSED,
                key -> {
                    if (key.getCode() != KeyCode.ESCAPE) return;
                    leave();
                    key.consume();
                });
    }

    /// Shows the page of a station, or puts it away when it is shown.
    void toggle(String station) {
        if (isVisible()) {
            leave();
            return;
        }
        show(station);
    }

    /// What can be looked for in the help.
    List<BenchCard.Topic> topics() {
        return card().topics();
    }

    /// Read when it is first looked at.
    private BenchCard card() {
        BenchCard known = card.orElseGet(BenchCard::read);
        card = Optional.of(known);
        return known;
    }

    /// Shows the page of a station.
    void show(String station) {
        BenchCard card = card();
        caretWas = Optional.ofNullable(getScene().getFocusOwner());
        BenchCard.Page page = card.page(station);
        Button close = new Button("Close");
        close.setId("help-close");
        close.setOnAction(pressed -> leave());
        ScrollPane lines =
                new ScrollPane(
                        new VBox(
                                12,
                                grid(page.lines()),
                                subheading(BenchCard.EVERYWHERE),
                                grid(card.page(BenchCard.EVERYWHERE).lines())));
        lines.setFitToWidth(true);
        lines.getStyleClass().add("help-lines");
        VBox.setVgrow(lines, Priority.ALWAYS);
        Label heading = new Label(station);
        heading.getStyleClass().add("over-heading");
        Label purpose = new Label(page.purpose());
        Wrapping.on(purpose);
        purpose.setId("help-purpose");
        sheet.getChildren().setAll(heading, purpose, lines, close);
        setVisible(true);
        close.requestFocus();
    }

    private void leave() {
        setVisible(false);
        caretWas.ifPresent(Node::requestFocus);
        caretWas = Optional.empty();
    }

    private static Label subheading(String words) {
        Label label = new Label(words);
        label.getStyleClass().add("caption");
        return label;
    }

    private static GridPane grid(List<BenchCard.Line> lines) {
        GridPane grid = new GridPane(16, 4);
        ColumnConstraints what = new ColumnConstraints();
        what.setMinWidth(Region.USE_PREF_SIZE);
        ColumnConstraints does = new ColumnConstraints();
        does.setHgrow(Priority.ALWAYS);
        grid.getColumnConstraints().setAll(what, does);
        for (int row = 0; row < lines.size(); row++) {
            Label typed = new Label(lines.get(row).what());
            typed.getStyleClass().add("typed");
            Label meaning = new Label(lines.get(row).does());
            Wrapping.on(meaning);
            GridPane.setValignment(typed, VPos.TOP);
            grid.addRow(row, typed, meaning);
        }
        return grid;
    }
}
