package pentacell.desktop.match;

import java.util.List;
import java.util.Optional;
import javafx.beans.value.ObservableValue;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import pentacell.core.cell.CellId;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Due;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Shot;
import pentacell.desktop.frame.Station;
import pentacell.desktop.theme.Theme;

/// Match: the rules on the left, the skyline and its figures, and the pick walk of the matched
/// pack.
public final class MatchStation implements Station {
    private static final PseudoClass SHOWN = PseudoClass.getPseudoClass("shown");

    private static final String SKYLINE = "Skyline";
    private static final String PICK = "Pick list";

    private final Desk desk;
    private final MatchModel model;
    private final BorderPane view = new BorderPane();
    private final Skyline skyline;
    private final PickPane pick;
    private final VBox centre = new VBox();
    private final Button toSkyline = new Button(SKYLINE);
    private final Button toPick = new Button(PICK);
    private final FiguresRow figures = new FiguresRow();
    private final Label consequence = new Label();

    public MatchStation(Desk desk, FileAsk files) {
        this.desk = desk;
        model = new MatchModel(desk);
        skyline = new Skyline(desk, model);
        pick = new PickPane(desk, model, files);
        view.setId("match-station");
        view.getStyleClass().add("station");
        view.setLeft(new RulesPanel(desk, model));
        consequence.setId("swap-effect");
        consequence.getStyleClass().add("consequence");
        consequence.setMinHeight(Region.USE_PREF_SIZE);
        skyline.consequenceProperty()
                .subscribe(text ->
                        consequence.setText(
                                text.isEmpty()
                                        ? "Drag one cell onto another to swap. L locks; X marks, X again swaps."
                                        : text));
        model.shownProperty().subscribe(figures::show);
        toSkyline.setId("show-skyline");
        toPick.setId("show-pick");
        for (Button each : new Button[] {toSkyline, toPick}) {
            each.getStyleClass().add("tray-button");
            each.setMinWidth(Region.USE_PREF_SIZE);
        }
        toSkyline.setOnAction(pressed -> showSkyline());
        toPick.setOnAction(pressed -> showPick());
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox.setHgrow(figures, Priority.ALWAYS);
        HBox bar = new HBox(figures);
        bar.getStyleClass().add("station-bar");
        consequence.setMinWidth(0);
        HBox views = new HBox(consequence, gap, toSkyline, toPick);
        views.getStyleClass().add("views");
        centre.getStyleClass().add("station-centre");
        VBox.setVgrow(skyline, Priority.ALWAYS);
        VBox.setVgrow(pick, Priority.ALWAYS);
        VBox.setVgrow(centre, Priority.ALWAYS);
        view.setCenter(new VBox(bar, views, centre));
        showSkyline();
    }

    private void showSkyline() {
        centre.getChildren().setAll(skyline);
        consequence.setVisible(true);
        mark(true);
        skyline.requestFocus();
    }

    /// Shows the pick walk.
    private void showPick() {
        centre.getChildren().setAll(pick);
        consequence.setVisible(false);
        mark(false);
        pick.focusField();
    }

    private void mark(boolean isSkyline) {
        toSkyline.pseudoClassStateChanged(SHOWN, isSkyline);
        toPick.pseudoClassStateChanged(SHOWN, !isSkyline);
    }

    /// Takes a pack in hand.
    private void takeInHand(String pack) {
        model.takeInHand(pack);
    }

    /// Begins drawing the trade-off curve of the pack in hand.
    public void drawCurve() {
        model.shownProperty().get().ifPresent(shown -> model.drawCurve(shown.pack().rules()));
    }

    /// Whether the trade-off curve has been drawn to its end.
    public boolean hasCurve() {
        return model.curveProperty().get().size() >= MatchModel.CURVE_POINTS;
    }

    @Override
    public List<String> panes() {
        return List.of(SKYLINE, PICK);
    }

    @Override
    public void showPane(String name) {
        if (name.equals(PICK)) showPick();
        else showSkyline();
    }

    @Override
    public List<Due> due() {
        return MatchDue.of(desk.ledger().state());
    }

    @Override
    public List<Shot> shots() {
        return List.of(
                new Shot("match-paper", Theme.PAPER, this::pose, this::hasCurve),
                new Shot("match-shed", Theme.SHED, () -> {}, this::hasCurve),
                new Shot(
                        "pick-paper",
                        Theme.PAPER,
                        () -> {
                            takeInHand("Dome shutter 12 V");
                            showPick();
                        }));
    }

    private void pose() {
        takeInHand("Long night 24 V");
        desk.selection().select(new CellId("HB04-06"));
        drawCurve();
    }

    @Override
    public int number() {
        return 6;
    }

    @Override
    public String name() {
        return "Match";
    }

    @Override
    public Node view() {
        return view;
    }

    @Override
    public ObservableValue<Number> waiting() {
        return desk.ledger()
                .stateProperty()
                .map(state -> {
                    int toPick = 0;
                    for (Pack pack : Packs.of(state).all().values())
                        toPick += pack.cellCount() - pack.picked().size();
                    return toPick;
                });
    }

    @Override
    public Optional<Node> bottom() {
        return Optional.empty();
    }

    @Override
    public void enter() {
        skyline.requestFocus();
    }
}
