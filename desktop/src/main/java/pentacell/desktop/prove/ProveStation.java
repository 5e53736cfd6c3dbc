package pentacell.desktop.prove;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.value.ObservableValue;
import javafx.scene.Node;
import pentacell.core.build.facts.Assemblies;
import pentacell.core.build.facts.PackStanding;
import pentacell.core.pack.Packs;
import pentacell.core.prove.facts.Proofs;
import pentacell.core.service.facts.PacksInUse;
import pentacell.core.state.WorkshopState;
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

/// Prove: what a finished pack gives, who ended it and why, and whether it may go into use.
public final class ProveStation implements Station {
    static final String LOAD_TEST = "Load test";
    static final String RUN = "Run";
    static final String GROUPS = "Groups";
    static final String HEAT = "Heat";
    static final String CHARGE = "Charge";
    static final String SYSTEM = "System";
    static final String VERDICT = "Verdict";

    private final Desk desk;
    private final ProveModel model;
    private final Lazy<ProveView> view;

    public ProveStation(Desk desk, FileAsk files) {
        this.desk = desk;
        model = new ProveModel(desk);
        LoadLogs logs = LoadLogs.of(model);
        LineRun run = new LineRun(model);
        view = new Lazy<>(() -> new ProveView(desk, files, model, logs, run));
    }

    @Override
    public int number() {
        return 8;
    }

    @Override
    public String name() {
        return "Prove";
    }

    @Override
    public Node view() {
        return view.get().node();
    }

    @Override
    public List<String> panes() {
        return List.of(LOAD_TEST, RUN, GROUPS, HEAT, CHARGE, SYSTEM, VERDICT);
    }

    @Override
    public void showPane(String name) {
        view.get().show(name);
    }

    /// Finished packs, and those on trial, that were never loaded.
    @Override
    public ObservableValue<Number> waiting() {
        return desk.ledger().stateProperty().map(state -> unproven(state).size());
    }

    private static List<String> unproven(WorkshopState state) {
        List<String> waiting = new ArrayList<>();
        for (String name : Packs.of(state).all().keySet()) {
            PackStanding standing = Assemblies.of(state).assembly(name).standing();
            boolean isReady = standing == PackStanding.TRIAL || standing == PackStanding.FINAL;
            // one that is in use has long been proved by it
            if (isReady
                    && Proofs.of(state).proof(name).tests().isEmpty()
                    && !PacksInUse.of(state).pack(name).isKnown()) waiting.add(name);
        }
        return waiting;
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
        return model.inHand().takes(work, PackWork.Kind.PROVE);
    }

    @Override
    public List<Due> due() {
        return unproven(desk.ledger().state()).stream()
                .map(name -> new Due(name + ": load it once", Due.Urgency.READY))
                .toList();
    }

    @Override
    public List<Found> find(String wanted, int most) {
        return model.inHand().find(wanted, most, "prove");
    }

    /// Whether the pack in hand is judged.
    public boolean isWorkedOut() {
        return model.judgedProperty().get().isPresent();
    }

    @Override
    public List<Shot> shots() {
        return List.of(
                new Shot("prove-shed", Theme.SHED, () -> showPane(LOAD_TEST), this::isWorkedOut));
    }
}
