package pentacell.desktop.build;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.value.ObservableValue;
import javafx.scene.Node;
import pentacell.core.build.facts.Assemblies;
import pentacell.core.build.facts.Assembly;
import pentacell.core.build.facts.PackStanding;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.core.state.WorkshopState;
import pentacell.desktop.frame.Card;
import pentacell.desktop.frame.CurrentSelection;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Due;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Found;
import pentacell.desktop.frame.PackCard;
import pentacell.desktop.frame.PackWork;
import pentacell.desktop.frame.QuickBar;
import pentacell.desktop.frame.Shot;
import pentacell.desktop.frame.Station;
import pentacell.desktop.kit.Lazy;
import pentacell.desktop.theme.Theme;

/// Build: from matched groups to a pack with its book.
public final class BuildStation implements Station {
    static final String LAYOUT = "Layout";
    static final String CURRENTS = "Currents";
    static final String JOINING = "Joining";
    static final String STEPS = "Steps";
    static final String TAPS = "Taps";
    static final String TRIAL = "Trial";
    static final String BOOK = "Book";

    private final Desk desk;
    private final BuildModel model;
    private final Lazy<BuildView> view;

    public BuildStation(Desk desk, FileAsk files) {
        this.desk = desk;
        model = new BuildModel(desk);
        view = new Lazy<>(() -> new BuildView(desk, files, model));
    }

    @Override
    public int number() {
        return 7;
    }

    @Override
    public String name() {
        return "Build";
    }

    @Override
    public Node view() {
        return view.get().node();
    }

    @Override
    public List<String> panes() {
        return List.of(LAYOUT, CURRENTS, JOINING, STEPS, TAPS, TRIAL, BOOK);
    }

    @Override
    public void showPane(String name) {
        view.get().show(name);
    }

    /// Packs on trial, and those whose cells are all in the hand and that are not final yet.
    @Override
    public ObservableValue<Number> waiting() {
        return desk.ledger().stateProperty().map(state -> ready(state).size());
    }

    private static List<Pack> ready(WorkshopState state) {
        List<Pack> ready = new ArrayList<>();
        for (Pack pack : Packs.of(state).all().values()) {
            PackStanding standing = Assemblies.of(state).assembly(pack.name()).standing();
            boolean isPicked = pack.picked().size() == pack.cellCount();
            if (standing == PackStanding.TRIAL || standing == PackStanding.BUILDING && isPicked)
                ready.add(pack);
        }
        return ready;
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
    public Optional<Card> card() {
        return Optional.of(
                new Card(CurrentSelection.OfPack.class::isInstance, () -> new PackCard(desk)));
    }

    @Override
    public boolean takes(PackWork work) {
        return model.inHand().takes(work, PackWork.Kind.BUILD);
    }

    @Override
    public List<Due> due() {
        List<Due> due = new ArrayList<>();
        WorkshopState state = desk.ledger().state();
        for (Pack pack : ready(state)) {
            Assembly assembly = Assemblies.of(state).assembly(pack.name());
            if (assembly.standing() == PackStanding.TRIAL)
                due.add(new Due(pack.name() + ": on trial, read its groups", Due.Urgency.BEGUN));
            else if (assembly.layout().isEmpty())
                due.add(new Due(pack.name() + ": lay it out", Due.Urgency.READY));
        }
        return due;
    }

    @Override
    public List<Found> find(String wanted, int most) {
        return model.inHand().find(wanted, most, "build");
    }

    /// Whether the layouts of the pack in hand are found.
    public boolean isWorkedOut() {
        return model.shownProperty().get().isPresent() && !model.searchingProperty().get();
    }

    @Override
    public List<Shot> shots() {
        return List.of(
                new Shot("build-paper", Theme.PAPER, () -> showPane(LAYOUT), this::isWorkedOut));
    }
}
