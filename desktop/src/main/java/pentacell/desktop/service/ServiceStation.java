package pentacell.desktop.service;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.value.ObservableValue;
import javafx.scene.Node;
import pentacell.core.service.ServiceDue;
import pentacell.core.service.facts.PackInUse;
import pentacell.core.service.facts.PacksInUse;
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

/// Service: what a pack says years later, which can it is, what is done about it, and how long it
/// will do.
public final class ServiceStation implements Station {
    static final String NOW = "Now";
    static final String HISTORY = "History";
    static final String SEARCH = "Search";
    static final String REPAIR = "Repair";
    static final String YEARS = "Years";

    private final Desk desk;
    private final ServiceModel model;
    private final Lazy<ServiceView> view;

    public ServiceStation(Desk desk, FileAsk files) {
        this.desk = desk;
        model = new ServiceModel(desk);
        UseLogs logs = UseLogs.of(model);
        view = new Lazy<>(() -> new ServiceView(desk, files, model, logs));
    }

    @Override
    public int number() {
        return 9;
    }

    @Override
    public String name() {
        return "Service";
    }

    @Override
    public Node view() {
        return view.get().node();
    }

    @Override
    public List<String> panes() {
        return List.of(NOW, HISTORY, SEARCH, REPAIR, YEARS);
    }

    @Override
    public void showPane(String name) {
        view.get().show(name);
    }

    /// Packs for which something is due.
    @Override
    public ObservableValue<Number> waiting() {
        return desk.ledger().stateProperty().map(state -> due().size());
    }

    @Override
    public Optional<QuickBar> line() {
        return Optional.of(view.get().quickLine());
    }

    @Override
    public Optional<String> pack() {
        return Optional.of(model.inHand().name());
    }

    @Override
    public boolean takes(PackWork work) {
        return model.inHand().takes(work, PackWork.Kind.SERVICE);
    }

    @Override
    public List<Due> due() {
        List<Due> due = new ArrayList<>();
        for (PackInUse use : PacksInUse.of(desk.ledger().state()).all().values()) {
            if (!model.inHand().names().contains(use.pack())) continue;
            ServiceDue.of(use).stream()
                    .filter(each -> !each.at().isAfter(desk.now()))
                    .findFirst()
                    .ifPresent(each ->
                            due.add(
                                    new Due(
                                            use.pack() + ": " + each.kind().words(),
                                            each.kind() == ServiceDue.Kind.WATCH
                                                    ? Due.Urgency.TIMED
                                                    : Due.Urgency.READY)));
        }
        return due;
    }

    @Override
    public List<Found> find(String wanted, int most) {
        return model.inHand().find(wanted, most, "service");
    }

    /// Whether the pack in hand is judged.
    public boolean isWorkedOut() {
        return model.judgedProperty().get().isPresent();
    }

    @Override
    public List<Shot> shots() {
        return List.of(
                new Shot("service-paper", Theme.PAPER, () -> showPane(HISTORY), this::isWorkedOut));
    }
}
