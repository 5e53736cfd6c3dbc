package pentacell.desktop.prove;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.build.facts.Spot;
import pentacell.core.prove.BarLook;
import pentacell.core.prove.HeatLook;
import pentacell.core.prove.ProvedPack;
import pentacell.core.prove.facts.Ambient;
import pentacell.core.unit.Quantity;
import pentacell.desktop.faces.FacesPicture;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.Wrapping;

/// Where a loaded pack is warm, and what its bars drop, against what flows there.
final class HeatPane extends VBox {
    private final ProveModel model;
    private final Label meaning = Wrapping.on(new Label());
    private final FacesPicture faces;
    private final FittedTable<HeatLook.Warm> warm =
            new FittedTable<>("heat-places", "Type places under load: t 3.2 31.5");
    private final FittedTable<BarLook.Bar> bars =
            new FittedTable<>("heat-bars", "Type a bar: bar 3 4.5mV 30A");

    HeatPane(ProveModel model) {
        this.model = model;
        faces = new FacesPicture("faces-heat", false, model.desk().work().lane("faces"));
        setId("heat-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("heat-meaning");
        meaning.getStyleClass().add("meaning");
        // what is wrong comes first: where the window is narrow the rest scrolls out of sight
        warm.column("", row -> row.isOdd() ? "■ too warm" : "")
                .column("Cell", row -> row.cell().text())
                .column("Place", row -> place(row.spot()))
                .measured("°C", Quantity.TEMPERATURE, row -> OptionalDouble.of(row.celsius()))
                .measured(
                        "Expected / °C",
                        Quantity.TEMPERATURE,
                        row -> OptionalDouble.of(row.expectedCelsius()))
                .inThisOrder();
        bars.column("", row -> row.isOdd() ? "■ its joint" : "")
                .count("Joint", BarLook.Bar::joint)
                .number("At / A", row -> Quantity.CURRENT.number(row.reading().amps(), 1))
                .number("mV", row -> Quantity.MILLIVOLTS.number(row.reading().millivolts(), 1))
                .number(
                        "Expected / mV",
                        row -> Quantity.MILLIVOLTS.number(row.expectedMillivolts(), 1))
                .inThisOrder();
        HBox.setHgrow(warm, Priority.ALWAYS);
        bars.setPrefWidth(320);
        bars.setMinWidth(280);
        HBox both = new HBox(10, warm, bars);
        both.setPrefHeight(124);
        both.setMinHeight(96);
        both.setMaxHeight(124);
        VBox.setVgrow(faces, Priority.ALWAYS);
        Label hint =
                Wrapping.on(
                        new Label(
                                "Under load: t 3.2 31.5 is column 3, row 2 of the top face in °C; ambient 12 sun; bar 3 4.5mV 30A from end to end of joint 3."));
        hint.getStyleClass().add("caption");
        getChildren().addAll(meaning, faces, both, hint);
        faces.words(this::words);
        model.judgedProperty().subscribe(this::show);
    }

    private static String place(Spot spot) {
        return "%d.%d".formatted(spot.column() + 1, spot.row() + 1);
    }

    private String words(Spot spot) {
        return model.judgedProperty()
                .get()
                .map(ProveModel.Judged::pack)
                .map(pack ->
                        pack.warm().stream()
                                .filter(each -> each.spot().equals(spot))
                                .findFirst()
                                .map(each ->
                                        "%s: %s, expected %s"
                                                .formatted(
                                                        each.cell(),
                                                        Quantity.TEMPERATURE.text(each.celsius()),
                                                        Quantity.TEMPERATURE.text(
                                                                each.expectedCelsius())))
                                .orElse("t %s …: not read".formatted(place(spot))))
                .orElse("");
    }

    private void show(Optional<ProveModel.Judged> judged) {
        Optional<ProvedPack> pack = judged.map(ProveModel.Judged::pack);
        faces.show(pack.flatMap(ProvedPack::layout));
        List<HeatLook.Warm> places = pack.map(ProvedPack::warm).orElse(List.of());
        faces.figures(figures(places));
        warm.getItems().setAll(places);
        bars.getItems().setAll(pack.map(ProvedPack::bars).orElse(List.of()));
        meaning.setText(
                pack.map(now -> meaning(now, places)).orElse("Match a pack first (Ctrl+6)."));
    }

    private static Map<Spot, FacesPicture.Figure> figures(List<HeatLook.Warm> places) {
        double most = places.stream().mapToDouble(HeatLook.Warm::celsius).max().orElse(0);
        double least = places.stream().mapToDouble(HeatLook.Warm::celsius).min().orElse(0);
        Map<Spot, FacesPicture.Figure> figures = new HashMap<>();
        for (HeatLook.Warm each : places)
            figures.put(
                    each.spot(),
                    new FacesPicture.Figure(
                            Quantity.TEMPERATURE.number(each.celsius(), 0),
                            most > least ? (each.celsius() - least) / (most - least) : 0.3,
                            each.isOdd()));
        return figures;
    }

    private static String meaning(ProvedPack pack, List<HeatLook.Warm> places) {
        if (pack.layout().isEmpty())
            return "Take a layout at Build first; then places can be named.";
        Optional<Ambient> ambient = pack.said().underLoad().ambient();
        String around =
                ambient.map(each ->
                                ", ambient %s%s"
                                        .formatted(
                                                Quantity.TEMPERATURE.text(each.celsius()),
                                                each.note().isEmpty()
                                                        ? ""
                                                        : " (" + each.note() + ")"))
                        .orElse("");
        if (places.isEmpty()) return "No place was read under load yet%s.".formatted(around);
        HeatLook.Warm first = places.get(0);
        return first.isOdd()
                ? "%s at %s is %s warmer than its load explains%s: look at its joints, then at the cell."
                        .formatted(
                                first.cell(),
                                place(first.spot()),
                                Quantity.TEMPERATURE_RISE.text(first.overKelvin()),
                                around)
                : "No place is warmer than its load explains%s.".formatted(around);
    }
}
