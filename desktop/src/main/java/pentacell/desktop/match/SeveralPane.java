package pentacell.desktop.match;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.match.MatchFigures;
import pentacell.core.match.MatchSeveral.Sharing;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.Wrapping;
import pentacell.desktop.match.SeveralModel.Row;

/// Several packs from one stock: the packs in their order, who gets which cells, and what each came
/// to.
final class SeveralPane extends VBox {
    private final MatchModel match;
    private final SeveralModel model;
    private final Button go = new Button("Match");
    private final Button stop = new Button("Stop here");
    private final Button take = new Button("Leave out");
    private final Button earlier = new Button("Earlier");
    private final Button later = new Button("Later");
    private final Button add = new Button("Add the rules at the left");
    private final ToggleGroup sharing = new ToggleGroup();
    private Map<String, MatchFigures> figures = Map.of();
    private final FittedTable<Row> table =
            new FittedTable<>(
                    "several-table",
                    "No packs yet. Name one at the left, say its rules, then add it here.");

    SeveralPane(Desk desk, MatchModel match) {
        this.match = match;
        model = new SeveralModel(desk);
        setId("several-pane");
        getStyleClass().add("several");
        Label meaning = new Label("Several packs from one stock");
        meaning.getStyleClass().add("meaning");
        Label how =
                new Label(
                        "In their order: the first takes the best it can, the next what is left. Evenly: strong and weak cells are dealt out to all, so that none is better off. Locked cells and spares stay where they are; the whole can be undone in one step.");
        how.getStyleClass().add("caption");
        Wrapping.on(how);
        button(go, "several-match", () -> model.match(chosen()));
        go.getStyleClass().add("primary");
        button(stop, "several-stop", model::cancel);
        button(take, "several-toggle", () -> onSelected(model::toggle));
        button(earlier, "several-earlier", () -> onSelected(row -> model.move(row, -1)));
        button(later, "several-later", () -> onSelected(row -> model.move(row, 1)));
        button(add, "several-add", this::add);
        columns();
        VBox.setVgrow(table, Priority.ALWAYS);
        getChildren()
                .addAll(
                        meaning,
                        how,
                        ControlRow.of(
                                radio("In their order", "several-in-order", Sharing.IN_ORDER),
                                radio("Evenly", "several-evenly", Sharing.EVENLY),
                                ControlRow.gap(),
                                stop,
                                go),
                        ControlRow.of(take, earlier, later, ControlRow.gap(), add),
                        table);
        table.getSelectionModel().selectedItemProperty().subscribe(row -> showSelected());
        table.setOnKeyPressed(key -> {
            if (key.getCode() != KeyCode.SPACE) return;
            onSelected(model::toggle);
            key.consume();
        });
        model.rowsProperty().subscribe(this::show);
        model.matchingProperty().subscribe(running -> show(model.rowsProperty().get()));
    }

    private static void button(Button button, String id, Runnable action) {
        button.setId(id);
        button.setMinWidth(USE_PREF_SIZE);
        button.setOnAction(pressed -> action.run());
    }

    private RadioButton radio(String words, String id, Sharing means) {
        RadioButton button = new RadioButton(words);
        button.setId(id);
        button.setUserData(means);
        button.setToggleGroup(sharing);
        button.setSelected(means == Sharing.IN_ORDER);
        return button;
    }

    private Sharing chosen() {
        return (Sharing) sharing.getSelectedToggle().getUserData();
    }

    private void columns() {
        table.column("", row -> row.isWanted() ? "✓" : "–")
                .column("Pack", Row::pack)
                .column("", row -> row.rules().arrangement())
                .number("Usable / mAh", row -> figure(row, MatchFigures::usableMilliampHours))
                .number("A cell / mAh", this::aCell)
                .number("Spread / mAh", row -> figure(row, MatchFigures::spreadMilliampHours))
                .sentence(
                        "",
                        row ->
                                row.isBeingPicked() && row.said().isEmpty()
                                        ? "Being picked already."
                                        : row.said())
                .inThisOrder();
    }

    private interface Figure {
        double of(MatchFigures figures);
    }

    private Optional<MatchFigures> figures(Row row) {
        return Optional.ofNullable(figures.get(row.pack()));
    }

    /// A table asks for its texts again and again: what they say is worked out once.
    private Map<String, MatchFigures> figuresOf(List<Row> rows) {
        Map<String, MatchFigures> of = new HashMap<>();
        for (Row row : rows)
            row.known()
                    .map(pack -> match.cells(pack.groups()))
                    .filter(groups -> !groups.isEmpty())
                    .ifPresent(groups -> of.put(row.pack(), MatchFigures.of(groups)));
        return of;
    }

    private String figure(Row row, Figure figure) {
        return figures(row).map(each -> Quantity.CAPACITY.number(figure.of(each))).orElse("");
    }

    private String aCell(Row row) {
        return figures(row)
                .map(each ->
                        Quantity.CAPACITY.number(
                                each.usableMilliampHours() / row.rules().groupSizes().get(0)))
                .orElse("");
    }

    private void onSelected(Consumer<Row> action) {
        Optional.ofNullable(table.getSelectionModel().getSelectedItem()).ifPresent(action);
    }

    private void add() {
        match.typedRules()
                .ifPresent(rules ->
                        model.add(
                                match.packNameProperty().get().isBlank()
                                        ? MatchModel.NEW_PACK
                                        : match.packNameProperty().get(),
                                rules));
    }

    private void show(List<Row> rows) {
        Optional<String> selected =
                Optional.ofNullable(table.getSelectionModel().getSelectedItem()).map(Row::pack);
        figures = figuresOf(rows);
        table.getItems().setAll(rows);
        rows.stream()
                .filter(row -> Optional.of(row.pack()).equals(selected))
                .forEach(table.getSelectionModel()::select);
        boolean isMatching = model.matchingProperty().get();
        List<Row> wanted = rows.stream().filter(Row::isWanted).toList();
        int cells = wanted.stream().mapToInt(row -> row.rules().cellsNeeded()).sum();
        go.setText(
                wanted.isEmpty()
                        ? "Match"
                        : "Match %s, %s"
                                .formatted(
                                        Count.of(wanted.size(), "pack", "packs"),
                                        Count.of(cells, "cell", "cells")));
        go.setDisable(wanted.isEmpty() || isMatching);
        stop.setVisible(isMatching);
        stop.setManaged(isMatching);
        showSelected();
    }

    private void showSelected() {
        Optional<Row> row = Optional.ofNullable(table.getSelectionModel().getSelectedItem());
        for (Button each : List.of(take, earlier, later)) each.setDisable(row.isEmpty());
        take.setText(row.map(Row::isWanted).orElse(true) ? "Leave out" : "Take along");
    }
}
