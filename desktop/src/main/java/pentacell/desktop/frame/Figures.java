package pentacell.desktop.frame;

import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import pentacell.core.unit.Quantity;

/// The figures of a card: caption, number, unit, one below the other.
public final class Figures extends GridPane {
    public Figures() {
        getStyleClass().add("figures");
    }

    /// Takes all figures out.
    public void clear() {
        getChildren().clear();
    }

    /// @param value a dash stands for one that is not finite
    public void add(String caption, Quantity quantity, double value) {
        Label name = new Label(caption);
        name.getStyleClass().add("caption");
        Label number = new Label(quantity.number(value));
        number.getStyleClass().add("figure");
        Label unit = new Label(quantity.unit());
        unit.getStyleClass().add("unit");
        addRow(getRowCount(), name, number, unit);
    }
}
