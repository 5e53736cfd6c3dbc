package pentacell.desktop.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javafx.scene.control.Label;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import pentacell.core.donor.Donor;
import pentacell.core.donor.Donors;
import pentacell.core.grade.JudgedStock;
import pentacell.core.grade.Standing;
import pentacell.core.state.WorkshopState;
import pentacell.desktop.kit.Columns;

/// The running yield: how many cells of each donor were logged, are fit, wait, are out.
final class YieldTable {
    private YieldTable() {}

    /// The yield of one donor.
    record Yield(Donor donor, int cells, int fit, int waiting, int out) {}

    static TableView<Yield> create() {
        TableView<Yield> table = new TableView<>();
        table.setId("yield");
        table.setPlaceholder(new Label("No donor yet: Add donor begins one."));
        table.getColumns().add(Columns.of("Donor", 64, yield -> yield.donor().code()));
        table.getColumns().add(number("Cells", Yield::cells));
        table.getColumns().add(number("Fit", Yield::fit));
        table.getColumns().add(number("Wait", Yield::waiting));
        table.getColumns().add(number("Out", Yield::out));
        table.setColumnResizePolicy(TableView.CONSTRAINED_RESIZE_POLICY_FLEX_LAST_COLUMN);
        return table;
    }

    private static TableColumn<Yield, Object> number(
            String title, java.util.function.Function<Yield, Integer> value) {
        return Columns.number(title, 46, row -> value.apply(row) == 0 ? "" : value.apply(row));
    }

    static List<Yield> of(WorkshopState state, JudgedStock judged) {
        List<Yield> yields = new ArrayList<>();
        for (Donor donor : Donors.of(state).described().values()) {
            int fit = 0;
            int waiting = 0;
            int out = 0;
            for (Map.Entry<Standing, Integer> each : judged.ofDonor(donor.code()).entrySet()) {
                switch (each.getKey()) {
                    case FIT, RESCUED -> fit += each.getValue();
                    case UNKNOWN, UNDER_TEST -> waiting += each.getValue();
                    case OUT -> out += each.getValue();
                }
            }
            yields.add(new Yield(donor, fit + waiting + out, fit, waiting, out));
        }
        return yields;
    }
}
