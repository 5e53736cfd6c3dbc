package pentacell.desktop.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.beans.value.ObservableValue;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Place;
import pentacell.core.stock.Standing;
import pentacell.desktop.frame.Card;
import pentacell.desktop.frame.Command;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Due;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Found;
import pentacell.desktop.frame.QuickBar;
import pentacell.desktop.frame.Shot;
import pentacell.desktop.frame.Station;
import pentacell.desktop.kit.Lazy;
import pentacell.desktop.theme.Theme;

/// Intake: the tray filling with marks as you type, the bands of the school with their counts, the
/// yield of each donor.
public final class IntakeStation implements Station {
    static final String TRAY = "Tray";
    static final String LOOSE = "Loose";
    static final String TO_TEST = "To test";
    static final String TO_PREPARE = "To prepare";
    static final String RECYCLE_BOX = "Recycle box";
    static final String LOOK_TWICE = "Look twice";
    static final String LABELS = "Labels";
    static final String SCHOOLS = "Schools";
    static final String CATALOGUE = "Catalogue";

    private final Desk desk;
    private final FileAsk files;
    private final IntakeModel model;
    private final Lazy<IntakeView> view;

    public IntakeStation(Desk desk, FileAsk files) {
        this.desk = desk;
        this.files = files;
        model = new IntakeModel(desk);
        view = new Lazy<>(() -> new IntakeView(desk, files, model));
    }

    @Override
    public List<Command> commands() {
        List<Command> commands = new ArrayList<>();
        commands.add(
                new Command("Import cells from CSV", this::importCells)
                        .on("Shortcut+I")
                        .alsoInMenu());
        commands.add(new Command("Show where the cell lies", this::showPlace).on("F3"));
        commands.add(
                new Command("Define model", () -> view.get().openForm(IntakeForms.model(desk))));
        commands.add(
                new Command("Add tray", () -> view.get().openForm(IntakeForms.tray(desk, model))));
        return commands;
    }

    private void importCells() {
        files.which("Import cells", "Tables of cells", "*.csv")
                .ifPresent(view.get()::previewImport);
    }

    private void showPlace() {
        desk.selection()
                .cell()
                .ifPresentOrElse(
                        cell -> desk.selection().find(cell.id()),
                        () ->
                                desk.notices()
                                        .say("Select a cell first, then F3 shows where it lies."));
    }

    @Override
    public List<String> panes() {
        return List.of(
                TRAY,
                LOOSE,
                TO_TEST,
                TO_PREPARE,
                RECYCLE_BOX,
                LOOK_TWICE,
                LABELS,
                SCHOOLS,
                CATALOGUE);
    }

    @Override
    public void showPane(String name) {
        view.get().show(name);
    }

    @Override
    public List<Due> due() {
        return IntakeDue.of(desk.ledger().judged());
    }

    @Override
    public List<Found> find(String wanted, int most) {
        List<Found> found = new ArrayList<>();
        for (CellRecord cell : Cells.of(desk.ledger().state()).all().values()) {
            if (found.size() >= most) break;
            CellId id = cell.id();
            if (id.text().toLowerCase(Locale.ROOT).contains(wanted))
                found.add(
                        new Found(
                                id
                                        + cell.place()
                                                .map(Place::toString)
                                                .map(place -> "  in " + place)
                                                .orElse(""),
                                Found.Where.ANYWHERE,
                                () -> desk.selection().find(id)));
        }
        return found;
    }

    @Override
    public Optional<Card> card() {
        return Optional.of(new Card(CellId.class::isInstance, () -> new CellCard(desk)));
    }

    @Override
    public boolean isFirst() {
        return true;
    }

    @Override
    public List<Shot> shots() {
        return List.of(
                new Shot("intake-paper", Theme.PAPER, this::pose),
                new Shot("schools-paper", Theme.PAPER, this::poseSchools));
    }

    private void pose() {
        showPane(TRAY);
        desk.selection().select(new CellId("LD04-03"));
        view.get().quickLine().type("HB05-12 3,68 156 2143");
    }

    private void poseSchools() {
        showPane(SCHOOLS);
        if (view.get().node().lookup("#school") instanceof ComboBox<?> school)
            school.getSelectionModel().selectFirst();
    }

    @Override
    public int number() {
        return 2;
    }

    @Override
    public String name() {
        return "Intake";
    }

    @Override
    public Node view() {
        return view.get().node();
    }

    @Override
    public ObservableValue<Number> waiting() {
        return desk.ledger()
                .stateProperty()
                .map(state ->
                        desk.ledger().judged().count(Standing.UNDER_TEST)
                                + desk.ledger().judged().count(Standing.UNKNOWN));
    }

    @Override
    public Optional<QuickBar> line() {
        return Optional.of(view.get().quickLine());
    }
}
