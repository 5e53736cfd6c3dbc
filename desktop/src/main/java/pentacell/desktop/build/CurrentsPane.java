package pentacell.desktop.build;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.build.BarDrop;
import pentacell.core.build.JudgedLayout;
import pentacell.core.build.Link;
import pentacell.core.build.PackCurrents;
import pentacell.core.build.PackCurrents.Flowing;
import pentacell.core.build.PackToBuild;
import pentacell.core.build.TakeOffs;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.Spot;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.desktop.faces.FacesPicture;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.NumberField;
import pentacell.desktop.kit.OnlyWhenSaid;
import pentacell.desktop.kit.Wrapping;

/// What flows through every can and strip at a load or a charge, with what is hot and what a meter
/// should read where.
final class CurrentsPane extends VBox {
    private static final int MOST_ROWS = 60;

    /// Pieces named for a can under the pointer.
    private static final int MOST_AT_A_CAN = 4;

    private final BuildModel model;
    private final Label meaning = Wrapping.on(new Label());
    private final Label message = Wrapping.on(new Label());
    private final Label leads = Wrapping.on(new Label());
    private final Label bars = Wrapping.on(new Label());
    private final FacesPicture faces;
    private final NumberField amps;
    private final RadioButton discharge = new RadioButton("Load");
    private final RadioButton charge = new RadioButton("Charge");
    private final FittedTable<Flowing> table =
            new FittedTable<>("currents", "Nothing flows before cans are laid out.");

    CurrentsPane(BuildModel model) {
        this.model = model;
        faces = new FacesPicture("faces-currents", true, model.desk().work().lane("faces"));
        setId("currents-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("currents-meaning");
        meaning.getStyleClass().add("meaning");
        message.setId("currents-message");
        leads.setId("currents-leads");
        amps =
                new NumberField(
                        "currents-amps",
                        "Current / A",
                        "",
                        "amps, or nothing for the steady load",
                        0.001,
                        10_000,
                        message::setText);
        amps.empty("steady load");
        amps.field().setPrefColumnCount(9);
        amps.field().setMinWidth(130);
        ToggleGroup way = new ToggleGroup();
        discharge.setToggleGroup(way);
        charge.setToggleGroup(way);
        discharge.setId("currents-load");
        charge.setId("currents-charge");
        discharge.setSelected(true);
        amps.field().setOnAction(enter -> ask());
        amps.field()
                .focusedProperty()
                .subscribe(focused -> {
                    if (!focused) ask();
                });
        way.selectedToggleProperty().subscribe(toggle -> ask());
        table.column("Conductor", each -> each.link().kind().words())
                .column("Face", each -> each.link().face().words())
                .column("Joint", each -> joint(each))
                .column("From", each -> each.link().from().toString())
                .column("Of", each -> CurrentWords.layers(each.link()))
                .number("A", each -> Quantity.CURRENT.number(Math.abs(each.amps())))
                .number("Allowed / A", each -> Quantity.CURRENT.number(each.allowedAmps()))
                .number("Used / %", each -> Quantity.PERCENT.number(100 * each.usedShare(), 0))
                .number(
                        "Reads / mV",
                        each -> Quantity.MILLIVOLTS.number(1000 * Math.abs(each.volts()), 1))
                .inThisOrder();
        table.setPrefHeight(124);
        table.setMinHeight(96);
        table.setMaxHeight(124);
        VBox.setVgrow(table, Priority.SOMETIMES);
        table.getSelectionModel()
                .selectedItemProperty()
                .subscribe(each -> {
                    if (each != null) faces.mark(Set.of(each.link().from(), each.link().to()));
                });
        faces.words(this::words);
        faces.onPick(model::pick);
        VBox.setVgrow(faces, Priority.ALWAYS);
        getChildren()
                .addAll(
                        meaning,
                        ControlRow.of(amps, discharge, charge, message),
                        leads,
                        bars,
                        faces,
                        table);
        OnlyWhenSaid.of(message, leads, bars);
        model.takeOffsProperty().subscribe(all -> leads.setText(all.isEmpty() ? "" : leads(all)));
        model.shownProperty().subscribe(this::show);
    }

    private String joint(Flowing each) {
        int joint = each.link().joint();
        if (joint == 0) return "−";
        boolean isLast =
                model.builtProperty()
                        .get()
                        .map(pack -> pack.groups().size() == joint)
                        .orElse(false);
        return isLast ? "+" : joint + "–" + (joint + 1);
    }

    private void ask() {
        if (amps.mark()) return;
        message.setText("");
        OptionalDouble typed = amps.isBlank() ? OptionalDouble.empty() : amps.typed();
        OptionalDouble wanted = typed;
        if (charge.isSelected()) {
            OptionalDouble planned =
                    model.builtProperty()
                            .get()
                            .map(PackToBuild::chargerAmps)
                            .orElse(OptionalDouble.empty());
            OptionalDouble known = typed.isPresent() ? typed : planned;
            if (known.isEmpty()) {
                message.setText("No charger is planned: type its amps.");
                return;
            }
            wanted = OptionalDouble.of(-known.getAsDouble());
        }
        model.ask(model.asked().at(wanted));
    }

    private String words(Spot spot) {
        Optional<JudgedLayout> now = model.shownProperty().get();
        return now.flatMap(each -> each.layout().cansByPlace().at(spot))
                .flatMap(can ->
                        now.flatMap(JudgedLayout::currents)
                                .map(currents ->
                                        "%s, group %d: %s"
                                                .formatted(
                                                        model.builtProperty()
                                                                .get()
                                                                .map(pack ->
                                                                        pack.cansOf(can.group())
                                                                                .get(can.can())
                                                                                .text())
                                                                .orElse(""),
                                                        can.group() + 1,
                                                        CurrentWords.of(
                                                                currents.cans()
                                                                        .get(can.group())
                                                                        .get(can.can())))))
                .map(text -> text + links(spot))
                .orElse("Empty place");
    }

    /// The busiest pieces at a can, a line each.
    private String links(Spot spot) {
        return model.shownProperty()
                .get()
                .flatMap(JudgedLayout::currents)
                .map(currents ->
                        currents.links().stream()
                                .filter(each ->
                                        each.link().from().equals(spot)
                                                || each.link().to().equals(spot))
                                .sorted(Comparator.comparingDouble(each -> -Math.abs(each.amps())))
                                .limit(MOST_AT_A_CAN)
                                .map(each -> "\n" + CurrentWords.of(each))
                                .collect(Collectors.joining()))
                .orElse("");
    }

    private void show(Optional<JudgedLayout> shown) {
        faces.show(shown);
        Optional<PackCurrents> currents = shown.flatMap(JudgedLayout::currents);
        table.getItems()
                .setAll(
                        currents.map(now -> now.busiestFirst().stream().limit(MOST_ROWS).toList())
                                .orElse(List.of()));
        bars.setText(currents.map(now -> bars(shown.orElseThrow().layout(), now)).orElse(""));
        meaning.setText(
                currents.map(this::meaning).orElse("Nothing flows before cans are laid out."));
    }

    /// What a meter should read along the bars.
    private static String bars(Layout layout, PackCurrents now) {
        List<BarDrop> drops = BarDrop.of(layout, now);
        BarDrop most = drops.get(0);
        if (!(most.volts() > 0)) return "";
        return "Along a bar a meter reads up to %s: group %d, %s face, from %s to %s; the middle of all %d bars is %s."
                .formatted(
                        Quantity.MILLIVOLTS.text(1000 * most.volts(), 1),
                        most.group() + 1,
                        most.face().words(),
                        most.from(),
                        most.to(),
                        drops.size(),
                        Quantity.MILLIVOLTS.text(1000 * drops.get(drops.size() / 2).volts(), 1));
    }

    private static String leads(List<TakeOffs.Compared> all) {
        return "Worst share by where the leads leave: "
                + all.stream()
                        .map(each ->
                                "%s %s"
                                        .formatted(
                                                each.takeOff().words(),
                                                Quantity.RATIO.text(each.worstShare(), 3)))
                        .collect(Collectors.joining(" · "));
    }

    private String meaning(PackCurrents now) {
        double lost = 1000 * Math.abs(now.restVolts() - now.terminalVolts());
        long stacked =
                now.links().stream()
                        .filter(each ->
                                each.link().kind() == Link.Kind.SERIES
                                        || each.link().kind() == Link.Kind.PARALLEL)
                        .filter(each -> each.link().conductor().layers() > 1)
                        .count();
        String hot =
                now.hot().isEmpty()
                        ? stacked == 0
                                ? "one layer of strip does everywhere"
                                : "%s layers, none carries more than it may"
                                        .formatted(
                                                stacked == 1
                                                        ? "one strip takes more"
                                                        : stacked + " strips take more")
                        : "%s more than allowed"
                                .formatted(
                                        Count.of(
                                                now.hot().size(),
                                                "conductor carries",
                                                "conductors carry"));
        return "%s %s: %s lost, %s of it in strips and leads; %s."
                .formatted(
                        now.amps() < 0 ? "Charged with" : "At",
                        Quantity.CURRENT.text(Math.abs(now.amps())),
                        Quantity.MILLIVOLTS.text(lost),
                        Quantity.MILLIVOLTS.text(
                                1000 * now.conductorWatts() / Math.abs(now.amps())),
                        hot);
    }
}
