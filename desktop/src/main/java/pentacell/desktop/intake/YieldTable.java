package pentacell.desktop.intake;

import java.util.ArrayList;
import java.util.List;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.scene.control.Label;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import pentacell.core.cell.Donor;
import pentacell.core.fact.Cell;
import pentacell.core.fact.WorkshopState;
import pentacell.core.grade.GradePolicy;
import pentacell.core.grade.Grader;
import pentacell.core.grade.Standing;

/// The running yield: how many cells of each donor were logged, are fit, wait, are out.
final class YieldTable {
    private YieldTable() {}

    /// The yield of one donor.
    record Yield(Donor donor, int cells, int fit, int waiting, int out) {}

    static TableView<Yield> create() {
        TableView<Yield> table = new TableView<>();
        table.setId("yield");
        table.setPlaceholder(new Label("No donor yet: Add donor begins one."));
        table.getColumns().add(column("Donor", 64, yield -> yield.donor().code()));
        table.getColumns().add(number("Cells", Yield::cells));
        table.getColumns().add(number("Fit", Yield::fit));
        table.getColumns().add(number("Wait", Yield::waiting));
        table.getColumns().add(number("Out", Yield::out));
        table.setColumnResizePolicy(TableView.CONSTRAINED_RESIZE_POLICY_FLEX_LAST_COLUMN);
        return table;
    }

    private static TableColumn<Yield, Object> column(
            String title, double width, java.util.function.Function<Yield, Object> value) {
        TableColumn<Yield, Object> column = new TableColumn<>(title);
        column.setPrefWidth(width);
        column.setCellValueFactory(row -> new ReadOnlyObjectWrapper<>(value.apply(row.getValue())));
        return column;
    }

    private static TableColumn<Yield, Object> number(
            String title, java.util.function.Function<Yield, Integer> value) {
        TableColumn<Yield, Object> column =
                column(title, 46, row -> value.apply(row) == 0 ? "" : value.apply(row));
        column.getStyleClass().add("number");
        return column;
    }

    static List<Yield> of(WorkshopState state) {
        List<Yield> yields = new ArrayList<>();
        for (Donor donor : state.donors().values()) {
            int[] counts = new int[4];
            for (Cell cell : state.cells().values()) {
                if (!cell.donor().equals(java.util.Optional.of(donor.code()))) continue;
                counts[0]++;
                Standing standing =
                        Grader.judge(cell, state.modelOf(cell), GradePolicy.USUAL).verdict();
                counts[standing.mayBeMatched() ? 1 : standing == Standing.OUT ? 3 : 2]++;
            }
            yields.add(new Yield(donor, counts[0], counts[1], counts[2], counts[3]));
        }
        return yields;
    }
}
