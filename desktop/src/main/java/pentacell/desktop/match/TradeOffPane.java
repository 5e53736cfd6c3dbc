package pentacell.desktop.match;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.match.MatchByHand;
import pentacell.core.match.MatchFigures;
import pentacell.core.match.MatchOutlook.InUse;
import pentacell.core.match.TradeOff;
import pentacell.core.match.TradeOff.Bend;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.Scrolled;
import pentacell.desktop.kit.Wrapping;
import pentacell.desktop.match.TradeOffModel.Outlook;

/// What a limit on IR costs this lot and what it brings in use: a sentence, the curve, and every
/// point of it with its simulated discharge. Any of them can be taken.
final class TradeOffPane extends VBox {
    private final MatchModel model;
    private final Label meaning = new Label();
    private final Label byHand = new Label();
    private final Label progress = new Label();
    private final Button draw = new Button("Draw trade-off");
    private final Button stop = new Button("Stop here");
    private final Button take = new Button("Use this match");
    private final FittedTable<Outlook> table =
            new FittedTable<>(
                    "trade-off-table", "Every row will be a full match under another limit on IR.");

    TradeOffPane(MatchModel model) {
        this.model = model;
        setId("trade-off-pane");
        meaning.setId("trade-off-meaning");
        meaning.getStyleClass().add("meaning");
        Wrapping.on(meaning);
        byHand.setId("trade-off-by-hand");
        Wrapping.on(byHand);
        progress.setId("trade-off-progress");
        progress.getStyleClass().add("caption");
        Label simulated =
                new Label(
                        "Wh, share and heat are simulated: from full at half its capacity an hour, each cell its rest curve and its resistance. Share: current of the hardest-worked cell against the mean of its group, at the start (dashed in the plot); most: at any moment. Hottest: mean heat of the hottest cell. Spread later: of the groups after 100 cycles, in mAh, by a model in which cells wear the faster the harder and hotter they work.");
        simulated.getStyleClass().add("caption");
        Wrapping.on(simulated);
        button(draw, "trade-off-draw", this::draw);
        button(stop, "trade-off-stop", model.tradeOff()::cancel);
        button(
                take,
                "trade-off-take",
                () -> selected().ifPresent(each -> model.tradeOff().take(each.point())));
        take.getStyleClass().add("primary");
        columns();
        TradeOffPlot plot =
                new TradeOffPlot(
                        model,
                        "trade-off-plot",
                        each -> {
                            table.getSelectionModel().select(each);
                            table.scrollTo(each);
                        });
        plot.getStyleClass().add("trade-off-large");
        VBox.setVgrow(plot, Priority.ALWAYS);
        ControlRow bar = ControlRow.of(draw, stop, progress, ControlRow.gap(), take);
        VBox content = new VBox(meaning, byHand, bar, plot, table, simulated);
        content.getStyleClass().add("trade-off-content");
        Scrolled scroll = new Scrolled(content);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().add(scroll);
        table.getSelectionModel()
                .selectedItemProperty()
                .subscribe(row -> {
                    take.setDisable(row == null);
                    plot.mark(Optional.ofNullable(row));
                });
        model.tradeOff().curveProperty().subscribe(this::show);
        model.tradeOff().drawingProperty().subscribe(drawing -> sayProgress());
        model.byHandProperty().subscribe(this::showByHand);
        model.shownProperty()
                .subscribe(shown -> {
                    sayProgress();
                    showByHand(model.byHandProperty().get());
                });
    }

    private static void button(Button button, String id, Runnable action) {
        button.setId(id);
        button.setMinWidth(USE_PREF_SIZE);
        button.setOnAction(pressed -> action.run());
    }

    private void columns() {
        table.number("Limit / mΩ", each -> hundredths(each.point().limitMilliohms()))
                .number("Usable / mAh", each -> Quantity.CAPACITY.number(usable(each.figures())))
                .number(
                        "Less / %",
                        each ->
                                bend().map(bend ->
                                                Quantity.PERCENT.number(
                                                        100 * bend.lossShare(each.point()), 2))
                                        .orElse(""))
                .number(
                        "Spread / mAh",
                        each -> Quantity.CAPACITY.number(each.figures().spreadMilliampHours()))
                .number("Wh", each -> of(each, InUse::wattHours, 1))
                .number("Share", each -> of(each, InUse::worstShareAtStart, 2))
                .number("Most", each -> of(each, InUse::worstShare, 2))
                .number("Hottest / W", each -> of(each, InUse::hottestCellWatts, 3))
                .number(
                        "Spread later",
                        each -> of(each, use -> use.later().get(0).spreadMilliampHours(), 0))
                .inThisOrder();
    }

    private interface Figure {
        double of(InUse discharged);
    }

    private static String of(Outlook outlook, Figure figure, int digits) {
        return outlook.discharged()
                .map(each -> Quantity.COUNT.number(figure.of(each), digits))
                .orElse("");
    }

    private static String hundredths(double milliohms) {
        return Quantity.RESISTANCE.number(milliohms, 2);
    }

    private static double usable(MatchFigures figures) {
        return figures.usableMilliampHours();
    }

    private Optional<Outlook> selected() {
        return Optional.ofNullable(table.getSelectionModel().getSelectedItem());
    }

    private Optional<Bend> bend() {
        return TradeOff.bend(
                model.tradeOff().curveProperty().get().stream().map(Outlook::point).toList());
    }

    private void draw() {
        model.shownProperty().get().ifPresent(shown -> model.tradeOff().draw(shown.pack().rules()));
    }

    private void show(List<Outlook> curve) {
        Optional<Outlook> before = selected();
        table.getItems().setAll(curve);
        before.filter(curve::contains).ifPresent(table.getSelectionModel()::select);
        boolean isWhole = curve.size() >= TradeOffModel.POINTS;
        meaning.setText(
                isWhole
                        ? bend().map(bend -> meaning(bend, curve)).orElse("")
                        : "What does a limit on IR cost these cells?");
        sayProgress();
    }

    /// What the curve means, in a sentence or two.
    private static String meaning(Bend bend, List<Outlook> curve) {
        String tightest = Quantity.RESISTANCE.text(bend.tightest().limitMilliohms(), 2);
        String narrow = Quantity.RESISTANCE.text(bend.narrow().limitMilliohms(), 2);
        String most = Quantity.PERCENT.text(100 * bend.lossShare(bend.tightest()));
        String shares =
                share(curve, bend.narrow())
                        .flatMap(with ->
                                share(curve, bend.free())
                                        .map(without ->
                                                "the hardest-worked cell carries %s times its share instead of %s"
                                                        .formatted(with, without)))
                        .orElse("");
        if (bend.narrow().equals(bend.tightest()))
            return "Even the tightest limit that works, %s, costs no more than %s of the capacity%s."
                    .formatted(tightest, most, shares.isEmpty() ? "" : "; " + shares);
        if (bend.narrow().equals(bend.free()))
            return "Any limit under %s costs more than %s of the capacity, and the tightest that works, %s, costs %s."
                    .formatted(
                            narrow,
                            Quantity.PERCENT.text(100 * TradeOff.LITTLE_SHARE, 0),
                            tightest,
                            most);
        return "Down to %s you give up %s of the capacity%s. The tightest that works, %s, costs %s."
                .formatted(
                        narrow,
                        Quantity.PERCENT.text(100 * bend.lossShare(bend.narrow())),
                        shares.isEmpty() ? "" : ", and " + shares,
                        tightest,
                        most);
    }

    private static Optional<String> share(List<Outlook> curve, TradeOff.Point point) {
        return curve.stream()
                .filter(each -> each.point().equals(point))
                .flatMap(each -> each.discharged().stream())
                .map(each -> Quantity.RATIO.number(each.worstShareAtStart(), 2))
                .findFirst();
    }

    private void showByHand(Optional<MatchFigures> dealt) {
        byHand.setText(
                dealt.flatMap(hand ->
                                model.shownProperty()
                                        .get()
                                        .map(shown -> dealt(hand, shown.figures())))
                        .orElse(""));
    }

    private static String dealt(MatchFigures hand, MatchFigures match) {
        return "Dealt by hand from bins of %s the same cells give %s, %s than this match, with groups %s apart instead of %s."
                .formatted(
                        Quantity.CAPACITY.text(MatchByHand.BIN_MILLIAMP_HOURS),
                        Quantity.CAPACITY.text(usable(hand)),
                        against(usable(hand), usable(match)),
                        Quantity.CAPACITY.text(hand.spreadMilliampHours()),
                        Quantity.CAPACITY.text(match.spreadMilliampHours()));
    }

    private static String against(double hand, double match) {
        double percent = 100 * (hand - match) / match;
        return Quantity.PERCENT.text(Math.abs(percent), 2) + (percent < 0 ? " less" : " more");
    }

    private void sayProgress() {
        int points = model.tradeOff().curveProperty().get().size();
        boolean isDrawing = model.tradeOff().drawingProperty().get();
        draw.setDisable(isDrawing || model.shownProperty().get().isEmpty());
        stop.setVisible(isDrawing);
        stop.setManaged(isDrawing);
        progress.setText(
                isDrawing || points > 0
                        ? "%d of %d points".formatted(points, TradeOffModel.POINTS)
                        : "");
    }
}
