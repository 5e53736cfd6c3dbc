package pentacell.desktop.kit;

import java.util.OptionalDouble;
import java.util.function.Function;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import pentacell.core.unit.Quantity;

/// Columns of tables.
public final class Columns {
    private Columns() {}

    /// A column of what a function makes of each row.
    public static <R, V> TableColumn<R, V> of(String title, double width, Function<R, V> value) {
        TableColumn<R, V> column = new TableColumn<>(title);
        column.setPrefWidth(width);
        column.setCellValueFactory(row -> new ReadOnlyObjectWrapper<>(value.apply(row.getValue())));
        return column;
    }

    /// A column of numbers, which stand on the right.
    public static <R, V> TableColumn<R, V> number(
            String title, double width, Function<R, V> value) {
        TableColumn<R, V> column = of(title, width, value);
        column.getStyleClass().add("number");
        return column;
    }

    /// A column of measured numbers: it sorts by value and shows the instrument's digits.
    public static <R> TableColumn<R, Double> measured(
            String title, double width, Quantity quantity, Function<R, OptionalDouble> value) {
        TableColumn<R, Double> column =
                number(title, width, row -> value.apply(row).orElse(Double.NaN));
        column.setCellFactory(made ->
                new TableCell<>() {
                    @Override
                    protected void updateItem(Double item, boolean empty) {
                        super.updateItem(item, empty);
                        setText(empty || item == null || item.isNaN() ? "" : quantity.number(item));
                    }
                });
        return column;
    }
}
