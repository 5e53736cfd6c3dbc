package pentacell.desktop.plan;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.facts.Chosen;
import pentacell.core.plan.facts.Planned;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.NumberField;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.Wrapping;
import pentacell.desktop.plan.Proposal.Rung;

/// Which pack: the voltage window above, the ladder of packs below.
final class PacksPane extends VBox {
    private static final double BAR_EM = 1.5;
    private static final double AXIS_EM = 3.8;

    private final PlanModel model;
    private final PlotSurface window = new PlotSurface((pen, width, height) -> {});
    private final PlotSurface ladder = new PlotSurface((pen, width, height) -> {});
    // the style sheet says how small a plot may get, so how high these are is said around them
    private final StackPane windowPlace = new StackPane(window);
    private final StackPane ladderPlace = new StackPane(ladder);
    private final Label meaning = new Label();
    private final Label compared = new Label();
    private final NumberField series;
    private final NumberField parallel;
    private List<Option> options = List.of();
    private Optional<Option> beside = Optional.empty();

    PacksPane(PlanModel model) {
        this.model = model;
        setId("packs-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("packs-meaning");
        meaning.getStyleClass().add("meaning");
        Wrapping.on(meaning);
        compared.setId("packs-compared");
        Wrapping.on(compared);
        Consumer<String> complaint = compared::setText;
        series =
                new NumberField("own-series", "In series", "", "groups", 1, 400, complaint).whole();
        parallel =
                new NumberField("own-parallel", "In parallel", "", "cells", 1, 2000, complaint)
                        .whole();
        for (NumberField each : List.of(series, parallel))
            each.field().setOnAction(enter -> another());
        window.setId("voltage-window");
        ladder.setId("ladder");
        ladder.setFocusTraversable(true);
        ladder.setAccessibleRole(AccessibleRole.LIST_VIEW);
        ladder.setAccessibleText("Packs, the fittest first");
        ladder.setOnMouseClicked(click -> {
            ladder.requestFocus();
            row(click.getY())
                    .ifPresent(option -> {
                        if (click.isShortcutDown() || click.isShiftDown()) compare(option);
                        else {
                            model.lookAt(option.asChosen());
                            if (click.getClickCount() == 2) model.choose();
                        }
                    });
        });
        ladder.addEventHandler(KeyEvent.KEY_PRESSED, this::onKey);
        Label how =
                new Label(
                        "Click or ↑ ↓ looks at a pack, Enter chooses it, Shift+click puts another beside it. Ink is energy, hatched what the device leaves inside, the copper tick the mean voltage.");
        how.getStyleClass().add("caption");
        Wrapping.on(how);
        compared.managedProperty().bind(compared.textProperty().isNotEmpty());
        getChildren()
                .addAll(
                        ControlRow.of(
                                meaning,
                                ControlRow.gap(),
                                ControlRow.tight(new Label("Another size"), series, parallel)),
                        windowPlace,
                        how,
                        compared,
                        ladderPlace);
        model.judgedProperty().subscribe(now -> show());
        model.saidProperty().subscribe(now -> show());
        model.needProperty().subscribe(now -> show());
    }

    private Optional<Option> row(double y) {
        double em = ladder.em();
        double row = (y / em - LadderPicture.HEAD_EM) / LadderPicture.ROW_EM;
        return row >= 0 && row < options.size()
                ? Optional.of(options.get((int) row))
                : Optional.empty();
    }

    private void onKey(KeyEvent key) {
        int step =
                switch (key.getCode()) {
                    case UP -> -1;
                    case DOWN -> 1;
                    default -> 0;
                };
        if (key.getCode() == KeyCode.ENTER) model.choose();
        else if (step == 0 || options.isEmpty()) return;
        else {
            int at = lookedAt().map(options::indexOf).orElse(-1);
            Option next = options.get(Math.clamp(at + step, 0, options.size() - 1));
            model.lookAt(next.asChosen());
        }
        key.consume();
    }

    private Optional<Option> lookedAt() {
        return model.judgedProperty().get().map(JudgedPlan::option);
    }

    private void compare(Option option) {
        beside = lookedAt().equals(Optional.of(option)) ? Optional.empty() : Optional.of(option);
        show();
    }

    private void another() {
        if (series.mark() || parallel.mark() || series.isBlank() || parallel.isBlank()) return;
        model.lookAt(new Chosen((int) series.typed().orElse(1), (int) parallel.typed().orElse(1)));
    }

    private void show() {
        Optional<JudgedPlan> judged = model.judgedProperty().get();
        List<Rung> ladderNow = judged.map(now -> now.proposal().ladder()).orElse(List.of());
        options = ladderNow.stream().map(Rung::option).toList();
        beside = beside.filter(options::contains);
        meaning.setText(meaning(judged));
        window.repaint(new WindowPicture(judged)::paint);
        ladder.repaint(
                new LadderPicture(
                                new LadderPicture.Content(
                                        ladderNow,
                                        lookedAt(),
                                        beside,
                                        model.planned().flatMap(Planned::chosen)))
                        ::paint);
        double em = window.em();
        int bars = judged.map(now -> now.proposal().bars().size()).orElse(0);
        setHeight(windowPlace, bars == 0 ? 0 : (AXIS_EM + BAR_EM * bars) * em);
        setHeight(
                ladderPlace,
                options.isEmpty()
                        ? 0
                        : (LadderPicture.HEAD_EM + LadderPicture.ROW_EM * options.size()) * em);
        compared.setText(
                judged.isPresent() && beside.isPresent()
                        ? judged.get()
                                .proposal()
                                .plan()
                                .compared(judged.get().option(), beside.get())
                        : "");
    }

    private static void setHeight(Region place, double height) {
        place.setMinHeight(height);
        place.setPrefHeight(height);
    }

    private String meaning(Optional<JudgedPlan> judged) {
        if (!model.saidProperty().get().isEmpty()) return model.saidProperty().get();
        if (model.needProperty().get().isEmpty())
            return "Nothing is planned yet. Say under Need what the pack must power, or type it below: 60w peak 150w 8h 20-30v";
        return judged.map(now ->
                        now.proposal()
                                .plan()
                                .best()
                                .map(best ->
                                        "%s takes the fewest cells: %d."
                                                .formatted(best.arrangement(), best.cells()))
                                .orElseGet(() ->
                                        "No pack meets this: "
                                                + now.proposal().plan().nearest().orElse("")
                                                + "."))
                .orElse("");
    }
}
