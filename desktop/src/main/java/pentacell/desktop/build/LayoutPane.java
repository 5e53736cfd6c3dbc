package pentacell.desktop.build;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.UnaryOperator;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import pentacell.core.build.BuildFindingWords;
import pentacell.core.build.Filling;
import pentacell.core.build.JudgedLayout;
import pentacell.core.build.LayoutRemark;
import pentacell.core.build.LayoutWish;
import pentacell.core.build.PackToBuild;
import pentacell.core.build.facts.Grid;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.Spot;
import pentacell.core.build.facts.TakeOff;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.core.unit.Sentence;
import pentacell.desktop.faces.FacesPicture;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.EnumWords;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.OnlyWhenSaid;
import pentacell.desktop.kit.Wrapping;

/// Where the cans stand: layouts that were found, ranked, beside both faces of the one looked at,
/// which a hand may change.
final class LayoutPane extends VBox {
    private static final String NO_LAYOUT = "No layout yet: match a pack first (Ctrl+6).";

    /// One step of looking nearer.
    private static final double NEARER = 1.6;

    private final BuildModel model;
    private final Label meaning = Wrapping.on(new Label());
    private final Label remarks = Wrapping.on(new Label());
    private final FacesPicture faces;
    private final ComboBox<LayoutWish.Ends> ends = new ComboBox<>();
    private final ComboBox<Rows> rows = new ComboBox<>();
    private final ComboBox<TakeOff> takeOff = new ComboBox<>();
    private final Button take = new Button("Take this layout");
    private final Button stop = new Button("Stop looking");
    private final MenuButton change = new MenuButton("Change it");
    private final FittedTable<JudgedLayout> table = new FittedTable<>("layouts", NO_LAYOUT);
    private boolean isFilling;

    /// Which rows are looked for.
    private enum Rows {
        BOTH("square and nested"),
        SQUARE("square"),
        NESTED("nested");

        private final String words;

        Rows(String words) {
            this.words = words;
        }

        String words() {
            return words;
        }

        Set<Grid.Pattern> patterns() {
            return switch (this) {
                case BOTH -> EnumSet.allOf(Grid.Pattern.class);
                case SQUARE -> EnumSet.of(Grid.Pattern.SQUARE);
                case NESTED -> EnumSet.of(Grid.Pattern.NESTED);
            };
        }
    }

    LayoutPane(BuildModel model) {
        this.model = model;
        faces = new FacesPicture("faces-layout", false, model.desk().work().lane("faces"));
        setId("layout-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("layout-meaning");
        meaning.getStyleClass().add("meaning");
        remarks.setId("layout-remarks");
        table.sentence("Layout", JudgedLayout::words)
                .number("mm", each -> size(each))
                .number("Bridges ≥", each -> String.valueOf(each.leastBridges()))
                .number("Lost / W", each -> watts(each))
                .number("Worst share", each -> share(each))
                .number("Strip / m", each -> strip(each))
                .inThisOrder();
        table.setPrefHeight(132);
        table.setMinHeight(106);
        table.setMaxHeight(132);
        table.getSelectionModel()
                .selectedItemProperty()
                .subscribe(chosen -> {
                    if (chosen != null && !isFilling) model.lookAt(chosen);
                });
        choice(ends, "layout-ends", LayoutWish.Ends.values(), LayoutWish.Ends::words);
        choice(rows, "layout-rows", Rows.values(), Rows::words);
        choice(takeOff, "layout-take-off", TakeOff.values(), TakeOff::words);
        take.setId("layout-take");
        take.getStyleClass().add("primary");
        take.setOnAction(pressed -> model.take());
        change.setId("layout-change");
        change.getItems()
                .addAll(
                        item("Mirror left and right", "Mirror the layout", Layout::mirrored),
                        item("Turn upside down", "Turn the layout over", Layout::upsideDown),
                        item("One column more", "Add a column", now -> now.grown(1, 0)),
                        item("One row more", "Add a row", now -> now.grown(0, 1)),
                        new SeparatorMenuItem(),
                        looking("Look nearer", NEARER),
                        looking("Look from farther", 1 / NEARER),
                        looking("See both whole", 0));
        change.setTooltip(
                new Tooltip(
                        "Drag a can onto another, or onto an empty place, to exchange them; with Shift, its whole group. Right-click a place to keep it free. Ctrl and the wheel look nearer; drag the sheet to move it."));
        stop.setId("layout-stop");
        stop.setOnAction(pressed -> model.stopSearching());
        // one in the place of the other, so that nothing moves when the search ends
        stop.visibleProperty().bind(model.searchingProperty());
        change.visibleProperty().bind(stop.visibleProperty().not());
        for (Control each : List.of(take, change, stop)) each.setMinWidth(USE_PREF_SIZE);
        faces.onSwap(this::swap);
        faces.words(this::words);
        faces.onKeepFree(model::keepFree);
        faces.onPick(model::pick);
        model.desk().selection().cellProperty().subscribe(cell -> mark());
        VBox.setVgrow(faces, Priority.ALWAYS);
        getChildren()
                .addAll(
                        meaning,
                        table,
                        ControlRow.of(
                                captioned("Ends", ends),
                                captioned("Rows", rows),
                                captioned("Leads", takeOff),
                                ControlRow.gap(),
                                new StackPane(change, stop),
                                take),
                        remarks,
                        faces,
                        legend());
        OnlyWhenSaid.of(remarks);
        model.foundProperty().subscribe(this::fill);
        model.shownProperty().subscribe(this::show);
        model.builtProperty().subscribe(now -> show(model.shownProperty().get()));
        model.searchingProperty()
                .subscribe(isSearching -> {
                    table.sayWhenEmpty(isSearching ? "Looking for layouts …" : NO_LAYOUT);
                    show(model.shownProperty().get());
                });
    }

    private static Label legend() {
        Label legend =
                Wrapping.on(
                        new Label(
                                "Ring: positive end. Bar: negative end. Lines: strips, thicker where they have more layers. Dashes: a wall of insulation. Cross: kept free. Discs: joints in the order of the string."));
        legend.getStyleClass().add("caption");
        return legend;
    }

    private static HBox captioned(String caption, ComboBox<?> box) {
        Label label = new Label(caption);
        label.setLabelFor(box);
        HBox both = new HBox(6, label, box);
        both.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        return both;
    }

    private <T> void choice(
            ComboBox<T> box, String id, T[] values, java.util.function.Function<T, String> words) {
        box.setId(id);
        box.getItems().setAll(values);
        box.getSelectionModel().selectFirst();
        box.setConverter(new EnumWords<>(words));
        box.setMinWidth(USE_PREF_SIZE);
        box.valueProperty()
                .subscribe(value -> {
                    if (!isFilling) ask();
                });
    }

    private void ask() {
        if (rows.getValue() == null || takeOff.getValue() == null || ends.getValue() == null)
            return;
        model.ask(
                new PackToBuild.Asked(
                        model.asked().amps(),
                        ends.getValue(),
                        rows.getValue().patterns(),
                        takeOff.getValue(),
                        model.asked().keptFree()));
    }

    private MenuItem item(String words, String act, UnaryOperator<Layout> way) {
        MenuItem item = new MenuItem(words);
        item.setOnAction(pressed ->
                model.shownProperty()
                        .get()
                        .ifPresent(now -> model.choose(way.apply(now.layout()), act)));
        return item;
    }

    private MenuItem looking(String words, double factor) {
        MenuItem item = new MenuItem(words);
        item.setOnAction(pressed -> faces.nearer(factor));
        return item;
    }

    private void swap(Spot one, Spot other, boolean isWholeGroup) {
        Optional<Layout> now = model.shownProperty().get().map(JudgedLayout::layout);
        if (now.isEmpty()) return;
        if (!isWholeGroup) {
            model.choose(
                    now.get().swapped(one, other),
                    "Exchange places %s and %s".formatted(one, other));
            return;
        }
        OptionalInt from = now.get().cansByPlace().group(one);
        OptionalInt to = now.get().cansByPlace().group(other);
        if (from.isEmpty() || to.isEmpty() || from.equals(to)) return;
        int first = from.getAsInt();
        int second = to.getAsInt();
        List<Integer> sizes = now.get().groupSizes();
        if (!sizes.get(first).equals(sizes.get(second)))
            model.desk()
                    .notices()
                    .say(
                            "Group %d has %s, group %d %d: move cans one by one."
                                    .formatted(
                                            first + 1,
                                            Count.of(sizes.get(first), "can", "cans"),
                                            second + 1,
                                            sizes.get(second)));
        else
            model.choose(
                    now.get().groupsSwapped(first, second),
                    "Exchange groups %d and %d".formatted(first + 1, second + 1));
    }

    private String words(Spot spot) {
        Optional<PackToBuild> built = model.builtProperty().get();
        return model.shownProperty()
                .get()
                .flatMap(now -> now.layout().cansByPlace().at(spot))
                .flatMap(can ->
                        built.map(pack ->
                                "%s, group %d, %s, positive end %s"
                                        .formatted(
                                                pack.cansOf(can.group()).get(can.can()),
                                                can.group() + 1,
                                                spot,
                                                Layout.isUp(can.group()) ? "up" : "down")))
                .orElseGet(() -> isKeptFree(spot) ? "Kept free, " + spot : "Empty place, " + spot);
    }

    private boolean isKeptFree(Spot spot) {
        return model.shownProperty()
                .get()
                .map(now -> now.layout().grid().keptFree().contains(spot))
                .orElse(false);
    }

    private void fill(List<JudgedLayout> found) {
        isFilling = true;
        table.getItems().setAll(found);
        isFilling = false;
    }

    private static String size(JudgedLayout each) {
        return "%s × %s"
                .formatted(
                        Quantity.LENGTH.number(each.lengthMillimetres(), 0),
                        Quantity.LENGTH.number(each.widthMillimetres(), 0));
    }

    private static String watts(JudgedLayout each) {
        return each.currents()
                .map(now -> Quantity.POWER.number(now.conductorWatts(), 2))
                .orElse("–");
    }

    private static String share(JudgedLayout each) {
        return each.currents()
                .filter(now -> !Double.isNaN(now.worstShare()))
                .map(now -> Quantity.RATIO.number(now.worstShare(), 2))
                .orElse("–");
    }

    private static String strip(JudgedLayout each) {
        return each.currents().map(now -> Quantity.LENGTH.number(now.stripMetres(), 1)).orElse("–");
    }

    /// Marks where the selected cell stands.
    private void mark() {
        faces.mark(model.placesOfSelected());
    }

    private void show(Optional<JudgedLayout> shown) {
        faces.show(shown);
        faces.await(model.awaited());
        mark();
        isFilling = true;
        model.assembly().layout().ifPresent(layout -> takeOff.setValue(layout.takeOff()));
        isFilling = false;
        boolean isTaken = model.isTaken();
        take.setDisable(shown.isEmpty() || isTaken);
        take.setText(isTaken ? "Taken" : "Take this layout");
        change.setDisable(shown.isEmpty());
        meaning.setText(meaning(shown));
        remarks.setText(shown.map(LayoutPane::remarks).orElse(""));
    }

    private String meaning(Optional<JudgedLayout> shown) {
        if (model.builtProperty().get().isEmpty())
            return "Match a pack first (Ctrl+6); here its cans are laid out.";
        if (shown.isEmpty())
            return model.searchingProperty().get()
                    ? "Looking for layouts …"
                    : "No layout goes into the box; name a larger one under Plan, or ask for other rows.";
        JudgedLayout now = shown.get();
        if (!now.canBeBuilt()) return "It cannot be built so.";
        Optional<String> filling = filling(now);
        if (filling.isPresent()) return filling.get();
        return now.currents()
                .map(currents ->
                        "%s: %s of %s lost in strips and leads at %s, the hardest-worked can carries %s times its share."
                                .formatted(
                                        Sentence.begin(now.words()),
                                        CurrentWords.watts(currents.conductorWatts()),
                                        CurrentWords.watts(currents.amps() * currents.restVolts()),
                                        Quantity.CURRENT.text(currents.amps()),
                                        Double.isNaN(currents.worstShare())
                                                ? "1.00"
                                                : Quantity.RATIO.text(currents.worstShare(), 2)))
                .orElse(Sentence.begin(now.words()) + ".");
    }

    /// How far the holder is filled, while it is.
    private Optional<String> filling(JudgedLayout now) {
        return model.builtProperty()
                .get()
                .filter(pack -> model.isTaken() && pack.inHolder() > 0)
                .flatMap(pack ->
                        pack.nextForHolder()
                                .map(next ->
                                        "%d of %d cells in the holder. Next: %s."
                                                .formatted(
                                                        pack.inHolder(),
                                                        pack.cells(),
                                                        Filling.of(
                                                                        model.desk()
                                                                                .ledger()
                                                                                .state(),
                                                                        pack.pack(),
                                                                        next,
                                                                        now.layout())
                                                                .sentence())));
    }

    private static String remarks(JudgedLayout now) {
        StringBuilder text = new StringBuilder();
        for (LayoutRemark each : now.remarks())
            text.append(text.isEmpty() ? "" : "\n")
                    .append(each.kind() == LayoutRemark.Kind.BROKEN ? "■ " : "▲ ")
                    .append(Sentence.whole(BuildFindingWords.sentence(each)));
        return text.toString();
    }
}
