package pentacell.desktop.match;

import java.util.List;
import java.util.Optional;
import javafx.beans.value.ObservableValue;
import javafx.scene.Node;
import pentacell.core.cell.CellId;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Due;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Found;
import pentacell.desktop.frame.PackWork;
import pentacell.desktop.frame.QuickBar;
import pentacell.desktop.frame.Shot;
import pentacell.desktop.frame.Station;
import pentacell.desktop.kit.Lazy;
import pentacell.desktop.theme.Theme;

/// Match: the rules on the left, the skyline and its figures, and the pick walk of the matched
/// pack.
public final class MatchStation implements Station {
    static final String SKYLINE = "Skyline";
    static final String TRADE_OFF = "Trade-off";
    static final String COMPARE = "Compare";
    static final String SEVERAL = "Several packs";
    static final String PICK = "Pick list";

    private final Desk desk;
    private final MatchModel model;
    private final Lazy<MatchView> view;

    public MatchStation(Desk desk, FileAsk files) {
        this.desk = desk;
        model = new MatchModel(desk);
        view = new Lazy<>(() -> new MatchView(desk, files, model));
    }

    /// Takes a pack in hand.
    private void takeInHand(String pack) {
        model.takeInHand(pack);
    }

    /// Begins drawing the trade-off curve of the pack in hand.
    public void drawCurve() {
        model.shownProperty().get().ifPresent(shown -> model.tradeOff().draw(shown.pack().rules()));
    }

    /// Whether the trade-off curve has been drawn to its end.
    public boolean hasCurve() {
        return model.tradeOff().curveProperty().get().size() >= TradeOffModel.POINTS;
    }

    @Override
    public List<String> panes() {
        return List.of(SKYLINE, TRADE_OFF, COMPARE, SEVERAL, PICK);
    }

    @Override
    public void showPane(String name) {
        view.get().show(name);
    }

    @Override
    public List<Found> find(String wanted, int most) {
        return Found.packs(
                Packs.of(desk.ledger().state()).all().keySet(),
                wanted,
                most,
                "pack",
                this::takeInHand);
    }

    @Override
    public boolean takes(PackWork work) {
        if (work.kind() != PackWork.Kind.MATCH) return false;
        takeInHand(work.pack());
        showPane(SKYLINE);
        return true;
    }

    @Override
    public List<Due> due() {
        return MatchDue.of(desk.ledger().state());
    }

    @Override
    public List<Shot> shots() {
        return List.of(
                new Shot("match-paper", Theme.PAPER, this::pose, this::hasCurve),
                new Shot("compare-shed", Theme.SHED, () -> showPane(COMPARE), this::hasCurve),
                new Shot("trade-off-paper", Theme.PAPER, () -> showPane(TRADE_OFF), this::hasCurve),
                new Shot(
                        "pick-paper",
                        Theme.PAPER,
                        () -> {
                            takeInHand("Dome shutter 12 V");
                            showPane(PICK);
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
        return view.get().node();
    }

    @Override
    public ObservableValue<Number> waiting() {
        return desk.ledger()
                .stateProperty()
                .map(state -> {
                    int toPick = 0;
                    for (Pack pack : MatchDue.inTheMaking(state))
                        toPick += pack.cellCount() - pack.picked().size();
                    return toPick;
                });
    }

    @Override
    public Optional<QuickBar> line() {
        return Optional.empty();
    }

    @Override
    public void enter() {
        view.get().focusSkyline();
    }
}
