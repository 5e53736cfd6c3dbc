package pentacell.desktop.prove;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.build.PackToBuild;
import pentacell.core.prove.LoadTest;
import pentacell.core.prove.ProveWords;
import pentacell.core.prove.ProvedPack;
import pentacell.core.prove.ProvedPack.Tested;
import pentacell.core.prove.facts.AloneRun;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.Wrapping;

/// Each group: what the match said, what it gave alone, and what it did in the load test.
final class GroupsPane extends VBox {
    private final ProveModel model;
    private final Label meaning = Wrapping.on(new Label());
    private final FittedTable<Row> table =
            new FittedTable<>("prove-groups", "Match a pack first (Ctrl+6).");

    /// A group.
    ///
    /// @param matched sum of its cells as they were measured, in Ah
    private record Row(
            int group, double matched, Optional<AloneRun> alone, Optional<LoadTest.Group> tested) {
        OptionalDouble aloneAmpHours() {
            return alone.isPresent()
                    ? OptionalDouble.of(alone.get().ampHours())
                    : OptionalDouble.empty();
        }

        OptionalDouble againstMatch() {
            return alone.isPresent()
                    ? OptionalDouble.of(100 * alone.get().ampHours() / matched)
                    : OptionalDouble.empty();
        }
    }

    GroupsPane(ProveModel model) {
        this.model = model;
        setId("prove-groups-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("prove-groups-meaning");
        meaning.getStyleClass().add("meaning");
        table.count("Group", row -> row.group() + 1)
                .column(
                        "",
                        row ->
                                row.tested()
                                        .map(ProveWords::cause)
                                        .filter(words -> !words.isEmpty())
                                        .map(words -> "▲ " + words)
                                        .orElse(""))
                .measured("Match / Ah", Quantity.CHARGE, row -> OptionalDouble.of(row.matched()))
                .measured("Alone / Ah", Quantity.CHARGE, Row::aloneAmpHours)
                .measured(
                        "Alone / Wh",
                        Quantity.ENERGY,
                        row -> row.alone().map(AloneRun::wattHours).orElse(OptionalDouble.empty()))
                .measured("Of match / %", Quantity.PERCENT, Row::againstMatch)
                .measured(
                        "Lacks / Ah",
                        Quantity.CHARGE,
                        row -> of(row, LoadTest.Group::missingAmpHours))
                .measured(
                        "mΩ",
                        Quantity.RESISTANCE,
                        row ->
                                row.tested()
                                        .map(LoadTest.Group::milliohms)
                                        .orElse(OptionalDouble.empty()))
                .measured("End / V", Quantity.VOLTAGE, row -> of(row, LoadTest.Group::endVolts))
                .measured(
                        "Rested / V",
                        Quantity.VOLTAGE,
                        row ->
                                row.tested()
                                        .map(LoadTest.Group::restVolts)
                                        .orElse(OptionalDouble.empty()))
                .inThisOrder();
        VBox.setVgrow(table, Priority.ALWAYS);
        Label hint =
                Wrapping.on(
                        new Label(
                                "A group discharged alone, before it is built in or taken out again, is typed below: g5 20.9Ah 77Wh"));
        hint.getStyleClass().add("caption");
        getChildren().addAll(meaning, table, hint);
        model.judgedProperty().subscribe(this::show);
        model.testProperty().subscribe(test -> show(model.judgedProperty().get()));
    }

    private static OptionalDouble of(Row row, ToDoubleFunction<LoadTest.Group> value) {
        return row.tested().isPresent()
                ? OptionalDouble.of(value.applyAsDouble(row.tested().get()))
                : OptionalDouble.empty();
    }

    private void show(Optional<ProveModel.Judged> judged) {
        List<Row> rows = judged.map(now -> rows(now.pack())).orElse(List.of());
        table.getItems().setAll(rows);
        meaning.setText(judged.isEmpty() ? "Match a pack first (Ctrl+6)." : meaning(rows));
    }

    private List<Row> rows(ProvedPack pack) {
        Optional<Tested> test = model.testProperty().get();
        List<Row> rows = new ArrayList<>();
        for (int g = 0; g < pack.built().groups().size(); g++) {
            int group = g;
            rows.add(
                    new Row(
                            g,
                            pack.built().groups().get(g).stream()
                                    .mapToDouble(PackToBuild.Unit::ampHours)
                                    .sum(),
                            Optional.ofNullable(pack.said().alone().get(g)),
                            test.filter(each -> each.test().groups().size() > group)
                                    .map(each -> each.test().groups().get(group))));
        }
        return rows;
    }

    private static String meaning(List<Row> rows) {
        Optional<Row> least =
                rows.stream()
                        .filter(row -> row.alone().isPresent())
                        .min(Comparator.comparingDouble(row -> row.againstMatch().orElse(100)));
        if (least.isPresent())
            return "Alone, group %d gave least of what the match said: %s, %s of it."
                    .formatted(
                            least.get().group() + 1,
                            Quantity.CHARGE.text(least.get().aloneAmpHours().orElse(0)),
                            Quantity.PERCENT.text(least.get().againstMatch().orElse(0), 0));
        return "No group was tested alone; the load test tells what each lacks against the best.";
    }
}
