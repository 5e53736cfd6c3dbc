package pentacell.desktop.service;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.IntStream;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.build.facts.Spot;
import pentacell.core.cell.CellId;
import pentacell.core.service.CanFault;
import pentacell.core.service.CanSearch;
import pentacell.core.service.CanSearch.Can;
import pentacell.core.service.CanSearch.State;
import pentacell.core.service.ServicedPack;
import pentacell.core.unit.Count;
import pentacell.core.unit.Limit;
import pentacell.core.unit.Quantity;
import pentacell.core.unit.Sentence;
import pentacell.desktop.faces.FacesPicture;
import pentacell.desktop.frame.Entered;
import pentacell.desktop.frame.LineQueue;
import pentacell.desktop.kit.Captioned;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.EnumWords;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.NumberField;
import pentacell.desktop.kit.NumberField.NotUnderstood;
import pentacell.desktop.kit.OnlyWhenSaid;
import pentacell.desktop.kit.PlainButton;
import pentacell.desktop.kit.Wrapping;

/// The search for a can of a group: the face with the next can to read, a field for its reading,
/// and what was read.
final class SearchPane extends VBox {
    private final ServiceModel model;
    private final Label meaning = Wrapping.on(new Label());
    private final Label progress = Wrapping.on(new Label());
    private final Label caution = Wrapping.on(new Label());
    private final Label message = Wrapping.on(new Label());
    private final ComboBox<CanFault> sought = new ComboBox<>();
    private final ComboBox<Integer> group = new ComboBox<>();
    private final NumberField reading;
    private final LineQueue lines;
    private final FacesPicture faces;
    private final FittedTable<Can> cans =
            new FittedTable<>("search-cans", "Match a pack first (Ctrl+6).");
    private boolean isFilling;

    SearchPane(ServiceModel model) {
        this.model = model;
        setId("search-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("search-meaning");
        meaning.getStyleClass().add("meaning");
        progress.setId("search-progress");
        caution.getStyleClass().add("caption");
        message.setId("search-message");
        message.getStyleClass().add("match-message");
        sought.setId("search-sought");
        sought.getItems().setAll(CanFault.values());
        sought.setConverter(new EnumWords<>(CanFault::words));
        sought.setValue(model.sought());
        sought.valueProperty()
                .subscribe(each -> {
                    if (!isFilling && each != null) model.search(each);
                });
        group.setId("search-group");
        group.setConverter(new GroupName());
        group.valueProperty()
                .subscribe(each -> {
                    if (!isFilling && each != null) model.searchGroup(each);
                });
        reading =
                new NumberField(
                        "search-reading",
                        "It reads / V",
                        "",
                        "the voltage of the can, or its °C",
                        Limit.WARMTH.least(),
                        Limit.WARMTH.most(),
                        message::setText);
        lines = new LineQueue(reading.field(), model.desk().notices(), text -> enter());
        faces = new FacesPicture("faces-search", false, model.desk().work().lane("faces"));
        faces.onPick(this::pick);
        faces.words(this::words);
        VBox.setVgrow(faces, Priority.ALWAYS);
        cans.column("Can", can -> can.cell().text())
                .column("Place", ServiceWords::place)
                .number("Read", this::figure)
                .number("Off", this::off)
                .sentence("", this::remark)
                .inThisOrder();
        cans.setPrefHeight(124);
        cans.setMinHeight(96);
        cans.setMaxHeight(124);
        getChildren()
                .addAll(
                        meaning,
                        progress,
                        ControlRow.of(
                                Captioned.of("Search", sought),
                                Captioned.of("In", group),
                                reading,
                                PlainButton.of("Log reading", "search-log", lines::enter)),
                        lines,
                        message,
                        caution,
                        faces,
                        cans);
        OnlyWhenSaid.of(progress, message);
        model.judgedProperty().subscribe(judged -> fill());
        model.searchedProperty().subscribe(this::show);
    }

    private void fill() {
        isFilling = true;
        int series =
                model.judgedProperty()
                        .get()
                        .map(now -> now.pack().built().groups().size())
                        .orElse(0);
        List<Integer> groups = IntStream.range(0, series).boxed().toList();
        if (!group.getItems().equals(groups)) group.getItems().setAll(groups);
        isFilling = false;
        show(model.searchedProperty().get());
    }

    private boolean isHeater() {
        return model.sought() == CanFault.HEATER;
    }

    private Quantity quantity() {
        return isHeater() ? Quantity.TEMPERATURE : Quantity.VOLTAGE;
    }

    private String figure(Can can) {
        return can.read().isPresent() ? quantity().number(can.read().getAsDouble()) : "";
    }

    /// In K, or in mV.
    private String off(Can can) {
        if (can.off().isEmpty()) return "";
        double off = can.off().getAsDouble();
        return isHeater()
                ? Quantity.TEMPERATURE_RISE.text(off)
                : Quantity.MILLIVOLTS.text(1000 * off);
    }

    private String remark(Can can) {
        return switch (can.state()) {
            case OPEN -> can.why();
            case FINE -> "";
            case FOUND -> isHeater() ? "■ warms itself" : "■ off the busbar";
        };
    }

    private Optional<Can> at(Spot spot) {
        return model.searchedProperty()
                .get()
                .flatMap(now ->
                        now.search().cans().stream()
                                .filter(each -> each.spots().contains(spot))
                                .findFirst());
    }

    private void pick(Spot spot) {
        Optional<Can> can = at(spot);
        if (can.isEmpty()) {
            message.setText("That can is of another group.");
            return;
        }
        message.setText("");
        model.readNext(can.get().cell());
        reading.field().requestFocus();
    }

    private String words(Spot spot) {
        return at(spot).map(can ->
                        "%s at %s%s%s"
                                .formatted(
                                        can.cell(),
                                        ServiceWords.place(can),
                                        can.read().isPresent()
                                                ? ": " + quantity().text(can.read().getAsDouble())
                                                : ": not read",
                                        can.state() == State.FOUND ? ", " + remark(can) : ""))
                .orElse("a can of another group");
    }

    private Entered enter() {
        Optional<ServiceModel.Searched> now = model.searchedProperty().get();
        if (now.isEmpty()) return new Entered.Refused("Match a pack first (Ctrl+6).");
        if (now.get().next().isEmpty()) {
            message.setText("All are read; click a can to read it again.");
            return new Entered.Refused("");
        }
        try {
            double figure = reading.required();
            if (!isHeater() && Math.abs(figure) > 10)
                throw reading.complain("A can reads up to 10\u00a0V; for °C search a warm can.");
            CellId cell = now.get().next().get().cell();
            message.setText("");
            return model.enter(cell, figure, quantity().number(figure));
        } catch (NotUnderstood said) {
            // the field says what was expected
            return new Entered.Refused("");
        }
    }

    private void show(Optional<ServiceModel.Searched> searched) {
        isFilling = true;
        sought.setValue(model.sought());
        group.setValue(searched.map(now -> now.search().group()).orElse(null));
        isFilling = false;
        reading.caption(isHeater() ? "It reads / °C" : "It reads / V");
        Optional<ServicedPack> pack = model.judgedProperty().get().map(ServiceModel.Judged::pack);
        faces.show(pack.flatMap(ServicedPack::layout));
        faces.setVisible(pack.flatMap(ServicedPack::layout).isPresent());
        cans.getItems().setAll(searched.map(now -> now.search().cans()).orElse(List.of()));
        faces.figures(searched.map(this::figures).orElse(Map.of()));
        faces.mark(
                searched.flatMap(ServiceModel.Searched::next)
                        .map(next -> Set.copyOf(next.spots()))
                        .orElse(Set.of()));
        caution.setText(
                isHeater()
                        ? "Near full, after hours at rest: nothing charges, nothing draws. A can that warms itself comes out at once and is stored outside; thermal runaway begins like this."
                        : "At rest: charger off, nothing draws. Insulated probes, rings off; the face lies bare, so cover what is not being read.");
        meaning.setText(searched.map(now -> meaning(now)).orElse("Match a pack first (Ctrl+6)."));
        progress.setText(searched.map(now -> progress(now)).orElse(""));
    }

    private String meaning(ServiceModel.Searched now) {
        if (now.next().isEmpty()) {
            List<Can> found = now.search().found();
            if (found.isEmpty())
                return "Group %d is read: %s."
                        .formatted(
                                now.search().group() + 1,
                                isHeater()
                                        ? "none is warmer than its neighbours"
                                        : "every can is on the bar");
            return "Found in group %d: %s. Repair says what to do."
                    .formatted(
                            now.search().group() + 1,
                            String.join(
                                    ", ", found.stream().map(each -> each.cell().text()).toList()));
        }
        Can next = now.next().get();
        return "Next: %s%s.%s"
                .formatted(
                        next.cell(),
                        next.spots().isEmpty() ? "" : ", " + next.spots().get(0),
                        next.why().isEmpty() ? "" : " " + Sentence.begin(next.why()) + ".");
    }

    private String progress(ServiceModel.Searched now) {
        CanSearch search = now.search();
        String found =
                search.wanted().isPresent()
                        ? "%d of %d found".formatted(search.found().size(), search.wanted().get())
                        : Count.of(search.found().size(), "can", "cans") + " found";
        OptionalDouble more = search.expectedReadings();
        return "%s, %d of %s read%s%s."
                .formatted(
                        found,
                        search.read(),
                        Count.of(search.cans().size(), "can", "cans"),
                        search.reference().isPresent()
                                ? isHeater()
                                        ? "; usual is "
                                                + Quantity.TEMPERATURE.text(
                                                        search.reference().getAsDouble())
                                        : "; the bar is at "
                                                + Quantity.VOLTAGE.text(
                                                        search.reference().getAsDouble())
                                : "",
                        more.isPresent() && more.getAsDouble() >= 1 && !search.isOver()
                                ? "; about %s more to read"
                                        .formatted(Quantity.COUNT.number(more.getAsDouble()))
                                : "");
    }

    private Map<Spot, FacesPicture.Figure> figures(ServiceModel.Searched now) {
        Map<Spot, FacesPicture.Figure> figures = new HashMap<>();
        for (Can each : now.search().cans()) {
            if (each.read().isEmpty()) continue;
            String text =
                    isHeater()
                            ? Quantity.TEMPERATURE.number(each.read().getAsDouble(), 0)
                            : each.off().isPresent()
                                    ? Quantity.MILLIVOLTS.number(1000 * each.off().getAsDouble())
                                    : Quantity.VOLTAGE.number(each.read().getAsDouble(), 2);
            for (Spot spot : each.spots())
                figures.put(spot, new FacesPicture.Figure(text, 0.35, each.state() == State.FOUND));
        }
        return figures;
    }
}
