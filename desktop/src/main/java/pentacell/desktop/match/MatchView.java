package pentacell.desktop.match;

import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.Following;
import pentacell.desktop.kit.Lazy;
import pentacell.desktop.kit.PaneTabs;
import pentacell.desktop.kit.Wrapping;

/// What Match shows: the rules on the left, the skyline and its figures, and the pick walk.
final class MatchView {
    private final BorderPane view = new BorderPane();
    private final Skyline skyline;
    private final Lazy<TradeOffPane> tradeOff;
    private final Lazy<PickPane> pick;
    private final VBox centre = new VBox();
    private final PaneTabs tabs = new PaneTabs(this::show);
    private final FiguresRow figures = new FiguresRow();
    private final Label consequence = new Label();

    MatchView(Desk desk, FileAsk files, MatchModel model) {
        MatchFilesOut out = new MatchFilesOut(desk, files);
        skyline = new Skyline(desk, model);
        pick = new Lazy<>(() -> new PickPane(desk, model, out));
        tradeOff = new Lazy<>(() -> new TradeOffPane(model));
        Lazy<ComparePane> compare = new Lazy<>(() -> new ComparePane(desk, model));
        Lazy<SeveralPane> several = new Lazy<>(() -> new SeveralPane(desk, model));
        StackPane place = new StackPane(consequence);
        place.getStyleClass().add("consequence-place");
        VBox matched = new VBox(place, skyline);
        VBox.setVgrow(skyline, Priority.ALWAYS);
        tabs.add(MatchStation.SKYLINE, () -> matched)
                .add(MatchStation.TRADE_OFF, tradeOff::get)
                .add(MatchStation.COMPARE, compare::get)
                .add(MatchStation.SEVERAL, several::get)
                .add(MatchStation.PICK, pick::get);
        view.setId("match-station");
        view.getStyleClass().add("station");
        Following rules = new Following(() -> new RulesPanel(desk, model));
        rules.getStyleClass().add("rules-place");
        view.setLeft(rules);
        consequence.setId("swap-effect");
        consequence.getStyleClass().add("consequence");
        Wrapping.on(consequence);
        skyline.consequenceProperty()
                .subscribe(text ->
                        consequence.setText(
                                text.isEmpty()
                                        ? "Drag to swap; L locks; X marks and swaps; R replaces; K keeps a spare."
                                        : text));
        model.shownProperty()
                .subscribe(shown -> {
                    figures.show(shown);
                    figures.showByHand(shown, model.byHandProperty().get());
                });
        model.byHandProperty()
                .subscribe(dealt -> figures.showByHand(model.shownProperty().get(), dealt));
        ControlRow views = ControlRow.of(tabs.row(), ControlRow.gap(), out.menu(model));
        views.getStyleClass().add("views");
        centre.getStyleClass().add("station-centre");
        VBox.setVgrow(centre, Priority.ALWAYS);
        view.setCenter(new VBox(figures.node(), views, centre));
        show(MatchStation.SKYLINE);
    }

    Node node() {
        return view;
    }

    void focusSkyline() {
        skyline.requestFocus();
    }

    void show(String name) {
        Node pane = tabs.show(name);
        VBox.setVgrow(pane, Priority.ALWAYS);
        centre.getChildren().setAll(pane);
        if (name.equals(MatchStation.SKYLINE)) skyline.requestFocus();
        else if (name.equals(MatchStation.PICK)) pick.get().focusField();
    }
}
