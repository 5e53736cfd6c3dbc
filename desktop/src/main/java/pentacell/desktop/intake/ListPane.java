package pentacell.desktop.intake;

import java.util.List;
import java.util.function.Function;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.cell.CellId;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.FittedTable;

/// A list of cells with what there is to say of each; a line selects its cell.
final class ListPane<T> {
    private final FittedTable<T> table;

    ListPane(Desk desk, String id, String emptyWords, Function<T, CellId> cell) {
        table = new FittedTable<>(id, emptyWords);
        VBox.setVgrow(table, Priority.ALWAYS);
        table.getSelectionModel()
                .selectedItemProperty()
                .subscribe(line -> {
                    if (line != null) desk.selection().select(cell.apply(line));
                });
    }

    ListPane<T> column(String title, Function<T, String> value) {
        table.column(title, value);
        return this;
    }

    ListPane<T> number(String title, Function<T, String> value) {
        table.number(title, value);
        return this;
    }

    ListPane<T> sentence(String title, Function<T, String> value) {
        table.sentence(title, value);
        return this;
    }

    void show(List<T> lines) {
        T chosen = table.getSelectionModel().getSelectedItem();
        if (table.getItems().equals(lines)) return;
        table.getSelectionModel().clearSelection();
        table.getItems().setAll(lines);
        if (chosen != null && lines.contains(chosen)) table.getSelectionModel().select(chosen);
    }

    FittedTable<T> table() {
        return table;
    }
}
