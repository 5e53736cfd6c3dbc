package pentacell.desktop.plan;

import java.util.List;
import java.util.Optional;
import javafx.beans.value.ObservableValue;
import javafx.scene.Node;
import pentacell.core.plan.facts.Plans;
import pentacell.desktop.frame.Card;
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

/// Plan: from what a pack must power to its groups and cells, before a single cell is taken.
public final class PlanStation implements Station {
    static final String NEED = "Need";
    static final String PACKS = "Packs";
    static final String CHECKS = "Checks";
    static final String RUN = "Run";
    static final String BOX = "Box";
    static final String PARTS = "Parts";

    private final Desk desk;
    private final PlanModel model;
    private final Lazy<PlanView> view;

    public PlanStation(Desk desk, FileAsk files) {
        this.desk = desk;
        model = new PlanModel(desk);
        view = new Lazy<>(() -> new PlanView(desk, files, model));
    }

    @Override
    public int number() {
        return 5;
    }

    @Override
    public String name() {
        return "Plan";
    }

    @Override
    public Node view() {
        return view.get().node();
    }

    @Override
    public List<String> panes() {
        return List.of(NEED, PACKS, CHECKS, RUN, BOX, PARTS);
    }

    @Override
    public void showPane(String name) {
        view.get().show(name);
    }

    /// Plans of which no pack is chosen yet.
    @Override
    public ObservableValue<Number> waiting() {
        return desk.ledger()
                .stateProperty()
                .map(state ->
                        (int)
                                Plans.of(state).all().values().stream()
                                        .filter(plan -> plan.chosen().isEmpty())
                                        .count());
    }

    @Override
    public Optional<QuickBar> line() {
        return Optional.of(view.get().quickLine());
    }

    @Override
    public void enter() {
        desk.selection().select(new PlanCard.OfPlan(model.packProperty().get()));
        view.get().begin();
    }

    @Override
    public boolean takes(PackWork work) {
        if (work.kind() != PackWork.Kind.PLAN) return false;
        model.takeInHand(work.pack());
        return true;
    }

    @Override
    public List<Due> due() {
        return Plans.of(desk.ledger().state()).all().values().stream()
                .filter(plan -> plan.chosen().isEmpty())
                .map(plan -> new Due(plan.pack() + ": choose a pack for it", Due.Urgency.READY))
                .toList();
    }

    @Override
    public List<Found> find(String wanted, int most) {
        return Found.packs(
                Plans.of(desk.ledger().state()).all().keySet(),
                wanted,
                most,
                "plan",
                model::takeInHand);
    }

    @Override
    public Optional<Card> card() {
        return Optional.of(new Card(PlanCard.OfPlan.class::isInstance, () -> new PlanCard(model)));
    }

    /// Whether everything of the pack in hand is worked out.
    public boolean isWorkedOut() {
        return model.judgedProperty().get().isPresent();
    }

    @Override
    public List<Shot> shots() {
        return List.of(
                new Shot("plan-paper", Theme.PAPER, () -> showPane(PACKS), this::isWorkedOut),
                new Shot("checks-shed", Theme.SHED, () -> showPane(CHECKS), this::isWorkedOut));
    }
}
