package pentacell.desktop.kit;

import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;

/// The loudest numbers of a station, side by side, each over its caption.
public final class FigureRow {
    private final ControlRow row = ControlRow.of();

    public FigureRow() {
        row.getStyleClass().add("figures-row");
    }

    public Node node() {
        return row;
    }

    /// Adds a number; a dash until it is known.
    public Label figure(String id, String caption) {
        Label number = new Label("–");
        number.setId(id);
        number.getStyleClass().add("loud");
        Label words = new Label(caption);
        words.getStyleClass().add("caption");
        words.setLabelFor(number);
        row.getChildren().add(new VBox(number, words));
        return number;
    }

    /// Calls a number something else.
    public void caption(Label number, String caption) {
        for (Node each : number.getParent().getChildrenUnmodifiable())
            if (each instanceof Label words && number.equals(words.getLabelFor()))
                words.setText(caption);
    }

    /// Adds the loudest of them.
    public Label loudest(String id, String caption) {
        Label number = figure(id, caption);
        number.getStyleClass().add("loudest");
        return number;
    }
}
