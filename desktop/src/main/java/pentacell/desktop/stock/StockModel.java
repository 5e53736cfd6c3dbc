package pentacell.desktop.stock;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.grade.Grader;
import pentacell.core.grade.LotStatistics;
import pentacell.core.grade.Standing;
import pentacell.core.state.WorkshopState;
import pentacell.desktop.frame.Desk;

/// What Stock shows: the cells of the models that are not hidden, and those the brush holds.
final class StockModel {
    private final Desk desk;
    private final ReadOnlyObjectWrapper<Shown> shown =
            new ReadOnlyObjectWrapper<>(new Shown(List.of(), Set.of(), Set.of()));

    StockModel(Desk desk) {
        this.desk = desk;
        desk.ledger()
                .stateProperty()
                .subscribe(state -> refresh(shown.get().brushed(), shown.get().hiddenModels()));
    }

    /// A cell in stock.
    record Row(CellRecord cell, Optional<CellModel> model, Standing standing, OptionalDouble soh) {
        String modelName() {
            return cell.model().orElse("not known");
        }
    }

    /// What is to be seen.
    ///
    /// @param rows the cells of the models that are not hidden
    /// @param brushed the cells the brush holds; empty when there is no brush
    /// @param hiddenModels names of the models that are hidden
    record Shown(List<Row> rows, Set<CellId> brushed, Set<String> hiddenModels) {
        Shown {
            rows = List.copyOf(rows);
            brushed = Set.copyOf(brushed);
            hiddenModels = Set.copyOf(hiddenModels);
        }

        /// The rows the brush holds, or all when there is no brush.
        List<Row> inBrush() {
            return brushed.isEmpty()
                    ? rows
                    : rows.stream().filter(row -> brushed.contains(row.cell().id())).toList();
        }
    }

    ReadOnlyObjectProperty<Shown> shownProperty() {
        return shown.getReadOnlyProperty();
    }

    void brush(Set<CellId> cells) {
        refresh(cells, shown.get().hiddenModels());
    }

    void toggle(String model) {
        Set<String> hidden = new HashSet<>(shown.get().hiddenModels());
        if (!hidden.remove(model)) hidden.add(model);
        refresh(Set.of(), hidden);
    }

    private void refresh(Set<CellId> brushed, Set<String> hidden) {
        WorkshopState state = desk.ledger().state();
        List<Row> rows = new ArrayList<>();
        for (CellRecord cell : Cells.of(state).all().values()) {
            Optional<CellModel> model = Catalogue.of(state).modelOf(cell);
            Row row =
                    new Row(
                            cell,
                            model,
                            desk.ledger().judged().standing(cell.id()),
                            Grader.soh(cell, model));
            if (!hidden.contains(row.modelName())) rows.add(row);
        }
        Set<CellId> present = new HashSet<>(brushed);
        present.retainAll(Cells.of(state).all().keySet());
        shown.set(new Shown(rows, present, hidden));
    }

    /// All models in stock with how many cells each has, in the order they came.
    Map<String, Integer> models() {
        Map<String, Integer> counts = new LinkedHashMap<>();
        for (CellRecord cell : Cells.of(desk.ledger().state()).all().values())
            counts.merge(cell.model().orElse("not known"), 1, Integer::sum);
        return counts;
    }

    /// The capacity figures of some cells.
    ///
    /// @param name model, or what the cells have in common
    record Figures(String name, LotStatistics capacity) {
        static Figures of(String name, List<Row> rows) {
            return new Figures(
                    name,
                    LotStatistics.of(
                            rows.stream()
                                    .flatMapToDouble(row -> row.cell().milliampHours().stream())
                                    .toArray()));
        }
    }

    /// The figures of what the brush holds, when there is one, and of every model shown.
    static List<Figures> figures(Shown shown) {
        List<Figures> figures = new ArrayList<>();
        if (!shown.brushed().isEmpty()) figures.add(Figures.of("Brushed", shown.inBrush()));
        Map<String, List<Row>> byModel = new LinkedHashMap<>();
        for (Row row : shown.rows())
            byModel.computeIfAbsent(row.modelName(), name -> new ArrayList<>()).add(row);
        byModel.forEach((name, rows) -> figures.add(Figures.of(name, rows)));
        return figures;
    }
}
