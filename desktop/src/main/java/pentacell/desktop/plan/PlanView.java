package pentacell.desktop.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import pentacell.core.pack.Pack;
import pentacell.core.plan.facts.Chosen;
import pentacell.core.plan.facts.Planned;
import pentacell.core.plan.facts.Plans;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.PackWork;
import pentacell.desktop.frame.QuickBar;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.Lazy;
import pentacell.desktop.kit.PaneTabs;
import pentacell.desktop.kit.Wrapping;

/// What Plan shows: the pack in hand with its figures, and a pane for each question.
final class PlanView {
    private final Desk desk;
    private final PlanModel model;
    private final BorderPane view = new BorderPane();
    private final VBox centre = new VBox();
    private final PaneTabs tabs = new PaneTabs(this::show);
    private final PlanFigures figures = new PlanFigures();
    private final ComboBox<String> pack = new ComboBox<>();
    private final Button choose = new Button("Choose");
    private final Button match = new Button("Match it");
    private final Label standing = Wrapping.on(new Label());
    private final Lazy<NeedPane> need;
    private final Lazy<PacksPane> packs;
    private final QuickBar quick;

    PlanView(Desk desk, FileAsk files, PlanModel model) {
        this.desk = desk;
        this.model = model;
        need = new Lazy<>(() -> new NeedPane(model));
        packs = new Lazy<>(() -> new PacksPane(model));
        quick = new QuickBar(desk, PlanQuick.of(desk, model), "A need in one line");
        PlanFilesOut out = new PlanFilesOut(desk, files, model);
        tabs.add(PlanStation.NEED, need::get)
                .add(PlanStation.PACKS, packs::get)
                .add(PlanStation.CHECKS, () -> new ChecksPane(model))
                .add(PlanStation.RUN, () -> new RunPane(model))
                .add(PlanStation.BOX, () -> new BoxPane(model))
                .add(PlanStation.PARTS, () -> new PartsPane(desk, files, model));
        view.setId("plan-station");
        view.getStyleClass().add("station");
        standing.setId("plan-standing");
        ControlRow head = ControlRow.of(head());
        head.getStyleClass().addAll("views", "plan-head");
        ControlRow views =
                ControlRow.of(standing, ControlRow.gap(), ControlRow.tight(tabs.row(), out.menu()));
        views.getStyleClass().add("views");
        centre.getStyleClass().add("station-centre");
        VBox.setVgrow(centre, Priority.ALWAYS);
        view.setCenter(new VBox(head, figures.node(), views, centre));
        view.sceneProperty().subscribe(scene -> model.watched(scene != null));
        model.judgedProperty().subscribe(this::show);
        desk.ledger().stateProperty().subscribe(state -> offer());
        model.packProperty().subscribe(name -> offer());
        show(PlanStation.PACKS);
    }

    private Node[] head() {
        pack.setId("plan-name");
        pack.setEditable(true);
        pack.setPrefWidth(240);
        pack.valueProperty()
                .subscribe(name -> {
                    if (name != null) model.takeInHand(name);
                });
        Button copy = new Button("Copy");
        copy.setId("plan-copy");
        copy.setTooltip(new Tooltip("Plans another pack for the same need"));
        copy.setOnAction(pressed -> model.copyAs(model.freeName(model.packProperty().get())));
        MenuButton more = new MenuButton("More");
        more.setId("plan-more");
        MenuItem drop = new MenuItem("Drop this plan");
        drop.setOnAction(pressed -> model.drop());
        more.getItems().add(drop);
        choose.setId("plan-choose");
        choose.getStyleClass().add("primary");
        choose.setOnAction(pressed -> model.choose());
        match.setId("plan-match");
        match.setOnAction(pressed ->
                desk.selection()
                        .handOver(new PackWork(model.packProperty().get(), PackWork.Kind.MATCH)));
        for (Region each : List.of(copy, more, choose, match))
            each.setMinWidth(Region.USE_PREF_SIZE);
        return new Node[] {new Label("Pack"), pack, copy, more, ControlRow.gap(), choose, match};
    }

    Node node() {
        return view;
    }

    QuickBar quickLine() {
        return quick;
    }

    void begin() {
        if (model.needProperty().get().isEmpty()) show(PlanStation.NEED);
    }

    void show(String name) {
        Node pane = tabs.show(name);
        VBox.setVgrow(pane, Priority.ALWAYS);
        centre.getChildren().setAll(pane);
    }

    /// Offers the packs that are planned.
    private void offer() {
        String inHand = model.packProperty().get();
        List<String> names = new ArrayList<>(Plans.of(desk.ledger().state()).all().keySet());
        if (!pack.getItems().equals(names)) pack.getItems().setAll(names);
        pack.setValue(inHand);
        show(model.judgedProperty().get());
    }

    private void show(Optional<JudgedPlan> judged) {
        figures.show(judged);
        Optional<Chosen> chosen = model.planned().flatMap(Planned::chosen);
        Optional<Chosen> lookedAt = judged.map(now -> now.option().asChosen());
        boolean isChosen = lookedAt.isPresent() && lookedAt.equals(chosen);
        choose.setText(
                lookedAt.map(each -> (isChosen ? "Chosen: " : "Choose ") + each.arrangement())
                        .orElse("Choose"));
        choose.setDisable(lookedAt.isEmpty() || isChosen);
        match.setText(chosen.map(each -> "Match " + each.arrangement()).orElse("Match"));
        match.setDisable(chosen.isEmpty());
        standing.setText(standing(chosen));
    }

    /// How the pack stands: chosen or not, matched or not, and what no longer fits.
    private String standing(Optional<Chosen> chosen) {
        if (chosen.isEmpty())
            return model.needProperty().get().isEmpty() ? "" : "No pack is chosen yet.";
        return model.invalidates(chosen.get())
                .orElseGet(() ->
                        model.matched()
                                .map(Pack::rules)
                                .map(rules -> "Matched as %s.".formatted(rules.arrangement()))
                                .orElse("Not matched yet."));
    }
}
