package pentacell.desktop.stock;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.grade.Grader;
import pentacell.core.grade.JudgedStock;
import pentacell.core.grade.LotStatistics;
import pentacell.core.grade.Standing;
import pentacell.core.state.WorkshopState;
import pentacell.desktop.frame.Desk;

/// What Stock shows: the cells of the models that are not hidden, and those the brush holds.
final class StockModel {
    private final ReadOnlyObjectWrapper<Shown> shown = new ReadOnlyObjectWrapper<>(Shown.NOTHING);
    private List<Row> all = List.of();

    StockModel(Desk desk) {
        desk.ledger()
                .stateProperty()
                .subscribe(state -> {
                    JudgedStock judged = desk.ledger().judged();
                    desk.work().lane("stock").run(() -> rows(state, judged), this::take);
                });
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
        static final Shown NOTHING = new Shown(List.of(), Set.of(), Set.of());

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
        show(cells, shown.get().hiddenModels());
    }

    void toggle(String model) {
        Set<String> hidden = new HashSet<>(shown.get().hiddenModels());
        if (!hidden.remove(model)) hidden.add(model);
        show(Set.of(), hidden);
    }

    private static List<Row> rows(WorkshopState state, JudgedStock judged) {
        return Cells.of(state).all().values().stream()
                .map(cell -> {
                    Optional<CellModel> model = Catalogue.of(state).modelOf(cell);
                    return new Row(
                            cell, model, judged.standing(cell.id()), Grader.soh(cell, model));
                })
                .toList();
    }

    private void take(List<Row> rows) {
        all = rows;
        show(shown.get().brushed(), shown.get().hiddenModels());
    }

    private void show(Set<CellId> brushed, Set<String> hidden) {
        List<Row> rows = all.stream().filter(row -> !hidden.contains(row.modelName())).toList();
        Set<CellId> present =
                brushed.isEmpty()
                        ? Set.of()
                        : all.stream()
                                .map(row -> row.cell().id())
                                .filter(brushed::contains)
                                .collect(Collectors.toSet());
        shown.set(new Shown(rows, present, hidden));
    }

    /// All models in stock with how many cells each has, in the order they came.
    Map<String, Integer> models() {
        Map<String, Integer> counts = new LinkedHashMap<>();
        for (Row row : all) counts.merge(row.modelName(), 1, Integer::sum);
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
