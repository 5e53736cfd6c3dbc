package pentacell.desktop.stock;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.school.GradeFact;
import pentacell.core.school.GradePolicy;
import pentacell.core.school.Grading;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.GradeEffect;
import pentacell.core.stock.Grader;
import pentacell.core.stock.JudgedStock;
import pentacell.core.stock.LotStatistics;
import pentacell.core.stock.Standing;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;

/// What Stock shows: the cells of the models that are not hidden, and those the brush holds.
final class StockModel {
    private final ReadOnlyObjectWrapper<Shown> shown = new ReadOnlyObjectWrapper<>(Shown.NOTHING);
    private final ReadOnlyObjectWrapper<Optional<GradeEffect>> effect =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final Desk desk;
    private List<Row> all = List.of();
    private volatile Optional<GradePolicy> trying = Optional.empty();

    StockModel(Desk desk) {
        this.desk = desk;
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

    /// Brushes the cells of which something holds.
    void select(Predicate<Row> wanted) {
        brush(
                shown.get().rows().stream()
                        .filter(wanted)
                        .map(row -> row.cell().id())
                        .collect(Collectors.toSet()));
    }

    /// Brushes the cells that lie within so many σ of the mean of their own model.
    void selectWithin(double sigmas) {
        Map<String, LotStatistics> ofModel = new HashMap<>();
        byModel(shown.get().rows())
                .forEach((name, rows) -> ofModel.put(name, Figures.of(name, rows).capacity()));
        select(row ->
                row.cell().milliampHours().isPresent()
                        && Objects.requireNonNull(ofModel.get(row.modelName()))
                                .isWithin(row.cell().milliampHours().getAsDouble(), sigmas));
    }

    /// The limits that cells are graded by.
    GradePolicy policy() {
        return Grading.of(desk.ledger().state()).policy();
    }

    /// What other limits would do, while they are looked for; empty when none are.
    ReadOnlyObjectProperty<Optional<GradeEffect>> effectProperty() {
        return effect.getReadOnlyProperty();
    }

    /// Looks what other limits would do.
    void tryLimits(GradePolicy policy) {
        WorkshopState state = desk.ledger().state();
        JudgedStock judged = desk.ledger().judged();
        trying = Optional.of(policy);
        desk.work()
                .lane("limits")
                .run(
                        () ->
                                trying.equals(Optional.of(policy))
                                        ? Optional.of(GradeEffect.of(state, judged, policy))
                                        : Optional.<GradeEffect>empty(),
                        found -> {
                            if (trying.equals(Optional.of(policy)) && found.isPresent())
                                effect.set(found);
                        });
    }

    /// Puts limits in force, or gives up looking for others.
    void setLimits(Optional<GradePolicy> wanted) {
        trying = Optional.empty();
        effect.set(Optional.empty());
        if (wanted.isEmpty() || wanted.get().equals(policy())) return;
        GradePolicy policy = wanted.get();
        String words =
                "Grade from %s of rated%s"
                        .formatted(
                                Quantity.PERCENT.text(100 * policy.minSohShare(), 0),
                                policy.maxMilliohms().isPresent()
                                        ? ", up to "
                                                + Quantity.RESISTANCE.text(
                                                        policy.maxMilliohms().getAsDouble(), 0)
                                        : "");
        desk.ledger()
                .log(
                        words,
                        List.of(new GradeFact.GradeLimitsChosen(policy)),
                        () -> desk.notices().say(words + "."));
    }

    /// Saved selections by name.
    Map<String, List<CellId>> selections() {
        return Grading.of(desk.ledger().state()).selections();
    }

    /// Keeps the brushed cells together under a name.
    ///
    /// @param onFailed runs when that could not be written
    void keep(String name, Runnable onFailed) {
        List<CellId> cells = shown.get().inBrush().stream().map(row -> row.cell().id()).toList();
        desk.ledger()
                .logOnce(
                        "Keep %s as “%s”".formatted(Count.of(cells.size(), "cell", "cells"), name),
                        List.of(new GradeFact.SelectionSaved(name, cells)),
                        () ->
                                desk.notices()
                                        .say(
                                                "“%s” holds %s; Match can take its cells from it."
                                                        .formatted(
                                                                name,
                                                                Count.of(
                                                                        cells.size(),
                                                                        "cell",
                                                                        "cells"))),
                        why -> onFailed.run());
    }

    /// Forgets a selection; its cells stay.
    void forget(String name) {
        desk.ledger()
                .log(
                        "Forget the selection “%s”".formatted(name),
                        List.of(new GradeFact.SelectionDropped(name)),
                        () -> {});
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
        byModel(shown.rows()).forEach((name, rows) -> figures.add(Figures.of(name, rows)));
        return figures;
    }

    private static Map<String, List<Row>> byModel(List<Row> rows) {
        Map<String, List<Row>> byModel = new LinkedHashMap<>();
        for (Row row : rows)
            byModel.computeIfAbsent(row.modelName(), name -> new ArrayList<>()).add(row);
        return byModel;
    }
}
