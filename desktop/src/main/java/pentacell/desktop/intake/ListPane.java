package pentacell.desktop.intake;

import java.util.List;
import java.util.function.Function;
import javafx.scene.control.Label;
import javafx.scene.control.TableView;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.cell.CellId;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.Columns;

/// A list of cells with what there is to say of each; a line selects its cell.
final class ListPane<T> {
    private final TableView<T> table = new TableView<>();

    ListPane(Desk desk, String id, String emptyWords, Function<T, CellId> cell) {
        table.setId(id);
        table.setPlaceholder(new Label(emptyWords));
        VBox.setVgrow(table, Priority.ALWAYS);
        table.getSelectionModel()
                .selectedItemProperty()
                .subscribe(line -> {
                    if (line != null) desk.selection().select(cell.apply(line));
                });
        table.setColumnResizePolicy(TableView.CONSTRAINED_RESIZE_POLICY_LAST_COLUMN);
    }

    ListPane<T> column(String title, double width, Function<T, String> value) {
        table.getColumns().add(Columns.of(title, width, value));
        return this;
    }

    ListPane<T> number(String title, double width, Function<T, String> value) {
        table.getColumns().add(Columns.number(title, width, value));
        return this;
    }

    void show(List<T> lines) {
        T chosen = table.getSelectionModel().getSelectedItem();
        if (table.getItems().equals(lines)) return;
        table.getSelectionModel().clearSelection();
        table.getItems().setAll(lines);
        if (chosen != null && lines.contains(chosen)) table.getSelectionModel().select(chosen);
    }

    TableView<T> table() {
        return table;
    }
}
