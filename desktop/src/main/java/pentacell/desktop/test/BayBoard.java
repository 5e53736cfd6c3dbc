package pentacell.desktop.test;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.RowConstraints;
import javafx.scene.layout.VBox;
import pentacell.core.caution.Caution;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.CellRecord.LifeLineEntry;
import pentacell.core.cell.Cells;
import pentacell.core.cell.RunFact;
import pentacell.core.test.facts.Bay;
import pentacell.core.test.facts.Bench;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.CautionStrip;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.Wrapping;
import pentacell.instruments.bench.LiveRun;
import pentacell.instruments.protocol.Ask.FaultKind;

/// The bays as instruments: what is in each, its live curve, what to load next.
final class BayBoard extends VBox {
    private static final int COLUMNS = 4;

    private final Desk desk;
    private final TestModel model;
    private final Label summary = new Label();
    private final Label last = new Label();
    private final GridPane grid = new GridPane();
    private final Label empty =
            new Label(
                    "There is no charger on the bench yet. Open Bench and add a stand-in or the address of an instrument; then type or scan the id of a cell to load it.");
    private final CautionStrip cautions;
    private final List<PlotSurface> surfaces = new ArrayList<>();
    private List<Bay> shown = List.of();
    private List<BayPainter.View> views = List.of();
    private Map<String, Integer> drawn = Map.of();
    private Map<String, String> done = Map.of();

    BayBoard(Desk desk, TestModel model) {
        this.desk = desk;
        this.model = model;
        setId("bay-board");
        getStyleClass().add("list-pane");
        cautions = new CautionStrip(desk);
        summary.setId("bay-summary");
        summary.getStyleClass().add("list-summary");
        Wrapping.on(summary);
        last.setId("last-finished");
        Wrapping.on(last);
        grid.getStyleClass().add("bay-grid");
        empty.getStyleClass().add("empty");
        Wrapping.on(empty);
        VBox.setVgrow(grid, Priority.ALWAYS);
        getChildren().addAll(summary, cautions, last, grid);
        model.changesProperty().subscribe(count -> show());
        desk.selection().cellProperty().subscribe(id -> show());
        sceneProperty()
                .subscribe(scene -> {
                    if (scene != null) show();
                });
        model.keptProperty()
                .subscribe(count -> {
                    if (getScene() != null) look();
                });
    }

    /// Repaints the bays whose curve has grown.
    private void look() {
        Map<String, Integer> sizes = sizes(model.runs());
        if (sizes.equals(drawn)) return;
        if (!sizes.keySet().equals(drawn.keySet())) {
            show();
            return;
        }
        Map<String, Integer> before = drawn;
        refreshViews();
        for (int i = 0; i < surfaces.size() && i < shown.size(); i++) {
            String name = shown.get(i).name();
            if (!java.util.Objects.equals(sizes.get(name), before.get(name)))
                surfaces.get(i).repaint();
        }
    }

    private static Map<String, Integer> sizes(Map<String, LiveRun> runs) {
        Map<String, Integer> sizes = new HashMap<>();
        runs.forEach((bay, run) -> sizes.put(bay, run.log().size()));
        return sizes;
    }

    private void show() {
        if (getScene() == null) return;
        List<Bay> bays = model.bays();
        if (!bays.equals(shown)) arrange(bays);
        // through every life line: only when something was logged, not with each sample
        done = lastDone();
        refreshViews();
        surfaces.forEach(PlotSurface::repaint);
        long running = views.stream().filter(view -> view.run().isPresent()).count();
        int waiting = model.queue().waiting().size();
        summary.setText(
                bays.isEmpty()
                        ? Count.of(waiting, "cell waits", "cells wait") + " for a bay"
                        : "%d of %d bays run · %s"
                                .formatted(
                                        running,
                                        bays.size(),
                                        Count.of(waiting, "cell waits", "cells wait")));
        cautions.show(bays.isEmpty() ? List.of() : List.of(Caution.CHARGING));
        last.setText(model.lastFinished().map(FinishedWords::of).orElse(""));
        last.setManaged(model.lastFinished().isPresent());
        if (bays.isEmpty() && !getChildren().contains(empty)) getChildren().add(empty);
        if (!bays.isEmpty()) getChildren().remove(empty);
    }

    private void refreshViews() {
        Map<String, LiveRun> runs = model.runs();
        drawn = sizes(runs);
        List<BayPainter.View> all = new ArrayList<>();
        for (int i = 0; i < shown.size(); i++) {
            Bay bay = shown.get(i);
            Optional<LiveRun> run = Optional.ofNullable(runs.get(bay.name()));
            all.add(
                    new BayPainter.View(
                            i + 1,
                            bay,
                            model.link(bay.instrument()),
                            desk.ledger().state().standInsCount(),
                            Bench.of(desk.ledger().state()).baysAside().contains(bay.name()),
                            run,
                            Optional.ofNullable(done.get(bay.name())),
                            model.plan().flatMap(plan -> plan.nextFor(bay.name())),
                            run.map(each -> model.now().plus(model.expectedLeft(each))),
                            run.map(model::expectedSeconds).orElse(0.0),
                            model.now(),
                            model.bayInHand() == i + 1,
                            run.filter(each ->
                                            desk.selection()
                                                    .cellProperty()
                                                    .get()
                                                    .equals(Optional.of(each.cell())))
                                    .isPresent()));
        }
        views = all;
    }

    /// What was measured last in each bay, where its cell was not started elsewhere since.
    private Map<String, String> lastDone() {
        record Last(Instant at, String words) {}
        Map<String, Last> newest = new HashMap<>();
        for (CellRecord cell : Cells.of(desk.ledger().state()).all().values()) {
            Optional<RunFact.RunStarted> started = Optional.empty();
            for (LifeLineEntry entry : cell.lifeLine()) {
                if (!entry.isKept()) continue;
                if (entry.fact() instanceof RunFact.RunStarted begins)
                    started = Optional.of(begins);
                if (entry.fact() instanceof RunFact.RunEnded ended && started.isPresent()) {
                    String bay = started.get().bay();
                    Last before = newest.get(bay);
                    if (before == null || before.at().isBefore(entry.at()))
                        newest.put(bay, new Last(entry.at(), words(cell, ended)));
                }
            }
        }
        Map<String, String> words = new HashMap<>();
        newest.forEach((bay, each) -> words.put(bay, each.words()));
        return words;
    }

    private static String words(CellRecord cell, RunFact.RunEnded ended) {
        return ended.end() == RunFact.RunEnd.DONE && cell.milliampHours().isPresent()
                ? cell.id() + "  " + Quantity.CAPACITY.text(cell.milliampHours().getAsDouble())
                : cell.id() + "  " + ended.end().words();
    }

    private void arrange(List<Bay> bays) {
        shown = bays;
        grid.getChildren().clear();
        grid.getColumnConstraints().clear();
        grid.getRowConstraints().clear();
        surfaces.clear();
        int columns = Math.min(COLUMNS, Math.max(1, bays.size()));
        for (int column = 0; column < columns; column++) {
            ColumnConstraints wide = new ColumnConstraints();
            wide.setPercentWidth(100.0 / columns);
            grid.getColumnConstraints().add(wide);
        }
        for (int i = 0; i < bays.size(); i++) {
            int index = i;
            PlotSurface surface =
                    new PlotSurface((pen, width, height) -> {
                        if (index < views.size())
                            BayPainter.paint(views.get(index), pen, width, height);
                    });
            surface.setId("bay-" + (i + 1));
            surface.getStyleClass().add("bay");
            surface.setOnMouseClicked(click -> choose(index));
            surface.setOnContextMenuRequested(
                    asked -> menu(index).show(surface, asked.getScreenX(), asked.getScreenY()));
            surfaces.add(surface);
            grid.add(surface, i % columns, i / columns);
        }
        for (int row = 0; row < (bays.size() + columns - 1) / columns; row++) {
            RowConstraints high = new RowConstraints();
            high.setVgrow(Priority.ALWAYS);
            high.setPercentHeight(100.0 * columns / Math.max(columns, bays.size() + columns - 1));
            grid.getRowConstraints().add(high);
        }
    }

    private void choose(int index) {
        model.takeBay(index + 1);
        Optional.ofNullable(views.get(index))
                .flatMap(BayPainter.View::run)
                .map(LiveRun::cell)
                .or(() -> views.get(index).next().map(next -> next.cell()))
                .ifPresent((CellId cell) -> desk.selection().select(cell));
    }

    private ContextMenu menu(int index) {
        Bay bay = shown.get(index);
        ContextMenu menu = new ContextMenu();
        MenuItem stop = new MenuItem("Stop b" + (index + 1));
        stop.setDisable(views.get(index).run().isEmpty());
        stop.setOnAction(chosen -> model.stop(bay, () -> {}, why -> {}));
        menu.getItems().add(stop);
        if (model.link(bay.instrument()).simulated())
            for (FaultKind fault : FaultKind.values()) {
                MenuItem item = new MenuItem("For practice: " + FaultWords.of(fault));
                item.setOnAction(chosen -> model.practise(index + 1, fault, 1));
                menu.getItems().add(item);
            }
        return menu;
    }
}
