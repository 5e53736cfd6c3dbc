package pentacell.desktop.intake;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.beans.value.ObservableValue;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TableView;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Place;
import pentacell.core.cell.Tray;
import pentacell.core.cell.Trays;
import pentacell.core.grade.Standing;
import pentacell.core.state.WorkshopState;
import pentacell.desktop.donor.DonorForm;
import pentacell.desktop.frame.Card;
import pentacell.desktop.frame.Command;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Due;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Found;
import pentacell.desktop.frame.QuickBar;
import pentacell.desktop.frame.Shot;
import pentacell.desktop.frame.Station;
import pentacell.desktop.kit.Form;
import pentacell.desktop.kit.MarkLegend;
import pentacell.desktop.theme.Theme;

/// Intake: the tray filling with marks as you type, the bands of the school with their counts, the
/// yield of each donor.
public final class IntakeStation implements Station {
    private static final String TRAY = "Tray";
    private static final PseudoClass SHOWN = PseudoClass.getPseudoClass("shown");

    private final Desk desk;
    private final IntakeModel model;
    private final BorderPane view = new BorderPane();
    private final QuickBar quickLine;
    private final FileAsk files;
    private final FlowPane lists = new FlowPane();
    private final Map<String, Supplier<Node>> listViews = new LinkedHashMap<>();
    private final Map<String, Node> made = new HashMap<>();
    private String shownList = TRAY;
    private final ImportPane importPane;
    private final FlowPane trays = new FlowPane();
    private final Label empty =
            new Label(
                    "No tray yet. Add tray puts one on the shelf, Add donor names a pack; then type what is written on the first can.");
    private final TrayView tray;
    private final VBox centre = new VBox();
    private Optional<Node> open = Optional.empty();

    public IntakeStation(Desk desk, FileAsk files) {
        this.desk = desk;
        this.files = files;
        model = new IntakeModel(desk);
        tray = new TrayView(desk, model, this::trayButtonAt);
        quickLine =
                new QuickBar(
                        desk,
                        new IntakeLine(desk, model),
                        "Quick line: cell id, voltage, resistance, capacity");
        importPane = new ImportPane(desk);
        importPane.onClose(this::putAway);
        view.getStyleClass().add("station");
        view.setId("intake");
        trays.getStyleClass().add("trays");
        desk.selection()
                .foundProperty()
                .subscribe(count -> {
                    if (count.intValue() > 0 && !shownList.equals(TRAY)) showList(TRAY);
                });
        empty.getStyleClass().add("empty");
        empty.setWrapText(true);
        VBox.setVgrow(tray, Priority.ALWAYS);
        centre.getStyleClass().add("station-centre");
        fillLists();
        VBox top = new VBox(actions(), lists);
        view.setTop(top);
        view.setCenter(centre);
        view.setRight(side());
        desk.ledger().stateProperty().subscribe(this::showTrays);
        model.trayProperty().subscribe(shown -> showTrays(desk.ledger().state()));
    }

    private Node actions() {
        Map<String, Supplier<Form>> forms =
                Map.of(
                        "Add donor", () -> DonorForm.create(desk),
                        "Define model", () -> IntakeForms.model(desk),
                        "Add tray", () -> IntakeForms.tray(desk, model));
        HBox row = new HBox(trays);
        row.getStyleClass().add("station-bar");
        HBox.setHgrow(trays, Priority.ALWAYS);
        for (String verb : new String[] {"Add donor", "Define model", "Add tray"}) {
            Button button = new Button(verb);
            button.setId(verb.toLowerCase(Locale.ROOT).replace(' ', '-'));
            button.setMinWidth(Region.USE_PREF_SIZE);
            button.setOnAction(pressed ->
                    openForm(forms.getOrDefault(verb, () -> DonorForm.create(desk)).get()));
            row.getChildren().add(button);
        }
        return row;
    }

    private Node side() {
        TableView<YieldTable.Yield> yield = YieldTable.create();
        VBox.setVgrow(yield, Priority.ALWAYS);
        desk.ledger()
                .stateProperty()
                .subscribe(state ->
                        yield.getItems().setAll(YieldTable.of(state, desk.ledger().judged())));
        VBox side = new VBox(new BandRuler(desk).node(), yield, MarkLegend.create());
        side.getStyleClass().add("side");
        return side;
    }

    /// The lists beside the tray, each made when it is first looked at.
    private void fillLists() {
        lists.getStyleClass().add("lists");
        listViews.put(TRAY, () -> tray);
        listViews.put("To test", () -> new WaitingPane(desk, files));
        listViews.put("To prepare", () -> new PrepPane(desk));
        listViews.put("Recycle box", () -> new RecyclePane(desk, files));
        listViews.put("Look twice", () -> new LookTwicePane(desk));
        listViews.put("Labels", () -> new LabelPane(desk, files));
        listViews.put("Schools", () -> new SchoolPane(desk));
        listViews.put(
                "Catalogue",
                () -> new CataloguePane(desk, files, () -> openForm(IntakeForms.model(desk))));
        for (String name : listViews.keySet()) {
            Button button = new Button(name);
            button.setId("list-" + name.toLowerCase(Locale.ROOT).replace(' ', '-'));
            button.getStyleClass().add("tray-button");
            button.setUserData(name);
            button.setOnAction(pressed -> showList(name));
            lists.getChildren().add(button);
        }
        desk.ledger()
                .stateProperty()
                .subscribe(state ->
                        desk.work()
                                .lane("lists")
                                .run(
                                        () -> ListCounts.of(state, desk.ledger().judged()),
                                        this::showCounts));
    }

    private void showCounts(ListCounts counts) {
        for (Node each : lists.getChildren())
            if (each instanceof Button button) {
                String name = String.valueOf(button.getUserData());
                int count = counts.of(name);
                button.setText(count > 0 ? name + " " + count : name);
            }
    }

    /// Shows one of the lists, or the tray again.
    void showList(String name) {
        shownList = name;
        open = Optional.empty();
        arrange();
        if (name.equals(TRAY)) quickLine.focusField();
    }

    @Override
    public List<Command> commands() {
        List<Command> commands = new ArrayList<>();
        commands.add(
                new Command("Import cells from CSV", this::importCells)
                        .on("Shortcut+I")
                        .alsoInMenu());
        commands.add(new Command("Show where the cell lies", this::showPlace).on("F3"));
        commands.add(new Command("Define model", () -> openForm(IntakeForms.model(desk))));
        commands.add(new Command("Add tray", () -> openForm(IntakeForms.tray(desk, model))));
        for (String name : listViews.keySet())
            commands.add(new Command("Intake: " + name, () -> showList(name)));
        return commands;
    }

    private void importCells() {
        files.which("Import cells", "Tables of cells", "*.csv").ifPresent(this::previewImport);
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
        return List.copyOf(listViews.keySet());
    }

    @Override
    public void showPane(String name) {
        showList(name);
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
        return Optional.of(new Card(CellId.class::isInstance, new CellCard(desk)));
    }

    @Override
    public boolean isFirst() {
        return true;
    }

    @Override
    public List<Shot> shots() {
        return List.of(
                new Shot("intake-paper", Theme.PAPER, this::pose),
                new Shot("intake-shed", Theme.SHED, this::pose),
                new Shot("schools-paper", Theme.PAPER, this::poseSchools));
    }

    private void pose() {
        showList(TRAY);
        desk.selection().select(new CellId("LD04-03"));
        quickLine.type("HB05-12 3,68 156 2143");
    }

    private void poseSchools() {
        showList("Schools");
        if (view.lookup("#school") instanceof ComboBox<?> school)
            school.getSelectionModel().selectFirst();
    }

    private Optional<Tray> trayButtonAt(double sceneX, double sceneY) {
        return trays.getChildren().stream()
                .filter(button ->
                        button.localToScene(button.getBoundsInLocal()).contains(sceneX, sceneY))
                .map(button ->
                        Trays.of(desk.ledger().state())
                                .all()
                                .get(String.valueOf(button.getUserData())))
                .filter(Objects::nonNull)
                .findFirst();
    }

    private void showTrays(WorkshopState state) {
        Optional<Tray> shown = model.trayProperty().get();
        trays.getChildren().clear();
        for (Tray each : Trays.of(state).all().values()) {
            Button button = new Button(each.name());
            button.setId("tray-" + each.name());
            button.setUserData(each.name());
            button.getStyleClass().add("tray-button");
            button.pseudoClassStateChanged(SHOWN, shown.equals(Optional.of(each)));
            button.setOnAction(pressed -> {
                shownList = TRAY;
                model.showTray(each);
                arrange();
            });
            trays.getChildren().add(button);
        }
        arrange();
    }

    private void arrange() {
        Node main =
                shownList.equals(TRAY)
                        ? model.trayProperty().get().isPresent() ? tray : empty
                        : made.computeIfAbsent(
                                shownList, name -> listViews.getOrDefault(name, () -> tray).get());
        VBox.setVgrow(main, Priority.ALWAYS);
        centre.getChildren().clear();
        open.ifPresent(centre.getChildren()::add);
        // an import needs the room
        if (open.isEmpty() || !open.get().equals(importPane)) centre.getChildren().add(main);
        for (Node each : lists.getChildren())
            each.pseudoClassStateChanged(SHOWN, shownList.equals(each.getUserData()));
    }

    private void openForm(Form form) {
        form.onClose(this::putAway);
        open = Optional.of(form);
        arrange();
        form.clear();
    }

    private void putAway() {
        open = Optional.empty();
        arrange();
        quickLine.focusField();
    }

    /// Shows what is in a cell table, before it is taken in.
    private void previewImport(Path file) {
        VBox.setVgrow(importPane, Priority.ALWAYS);
        open = Optional.of(importPane);
        arrange();
        importPane.preview(file);
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
        return view;
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
    public Optional<Node> bottom() {
        return Optional.of(quickLine);
    }

    @Override
    public void enter() {
        quickLine.focusField();
    }
}
