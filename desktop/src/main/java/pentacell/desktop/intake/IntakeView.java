package pentacell.desktop.intake;

import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.cell.Tray;
import pentacell.core.cell.Trays;
import pentacell.core.state.WorkshopState;
import pentacell.desktop.donor.DonorForm;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.QuickBar;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.Form;
import pentacell.desktop.kit.MarkLegend;
import pentacell.desktop.kit.PaneTabs;
import pentacell.desktop.kit.Scrolled;
import pentacell.desktop.kit.Wrapping;

/// What Intake shows: the trays, the lists beside them, the bands of the school with their counts,
/// the yield of each donor.
final class IntakeView {
    private static final PseudoClass SHOWN = PseudoClass.getPseudoClass("shown");

    private final Desk desk;
    private final IntakeModel model;
    private final FileAsk files;
    private final BorderPane view = new BorderPane();
    private final QuickBar quickLine;
    private final PaneTabs lists = new PaneTabs(this::show);
    private final ImportPane importPane;
    private final ControlRow trays = ControlRow.tight();
    private final Label empty =
            new Label(
                    "No tray yet. Add tray puts one on the shelf, Add donor names a pack; then type what is written on the first can.");
    private final TrayView tray;
    private final VBox centre = new VBox();
    private final Node side;
    private String shownList = IntakeStation.TRAY;
    private Optional<Node> open = Optional.empty();

    IntakeView(Desk desk, FileAsk files, IntakeModel model) {
        this.desk = desk;
        this.files = files;
        this.model = model;
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
                    if (count.intValue() > 0 && !shownList.equals(IntakeStation.TRAY))
                        show(IntakeStation.TRAY);
                });
        empty.getStyleClass().add("empty");
        Wrapping.on(empty);
        VBox.setVgrow(tray, Priority.ALWAYS);
        centre.getStyleClass().add("station-centre");
        side = side();
        fillLists();
        VBox top = new VBox(actions(), lists.row());
        view.setTop(top);
        view.setCenter(centre);
        desk.ledger().stateProperty().subscribe(this::showTrays);
        model.trayProperty().subscribe(shown -> showTrays(desk.ledger().state()));
    }

    Node node() {
        return view;
    }

    QuickBar quickLine() {
        return quickLine;
    }

    private Node actions() {
        Map<String, Supplier<Form>> forms =
                Map.of(
                        "Add donor", () -> DonorForm.create(desk),
                        "Define model", () -> IntakeForms.model(desk),
                        "Add tray", () -> IntakeForms.tray(desk, model));
        ControlRow row = ControlRow.of(trays, ControlRow.gap());
        row.getStyleClass().add("station-bar");
        for (String verb : new String[] {"Add donor", "Define model", "Add tray"}) {
            Button button = new Button(verb);
            button.setId(verb.toLowerCase(Locale.ROOT).replace(' ', '-'));
            button.setOnAction(pressed ->
                    openForm(forms.getOrDefault(verb, () -> DonorForm.create(desk)).get()));
            row.getChildren().add(button);
        }
        return row;
    }

    private Node side() {
        FittedTable<YieldTable.Yield> yield = YieldTable.create();
        VBox.setVgrow(yield, Priority.ALWAYS);
        desk.ledger()
                .stateProperty()
                .subscribe(state ->
                        yield.getItems().setAll(YieldTable.of(state, desk.ledger().judged())));
        VBox beside = new VBox(new BandRuler(desk).node(), yield, MarkLegend.create());
        beside.getStyleClass().add("side");
        return new Scrolled(beside);
    }

    private void fillLists() {
        lists.row().getStyleClass().add("lists");
        lists.add(IntakeStation.TRAY, () -> tray)
                .add(IntakeStation.LOOSE, () -> new LoosePane(desk))
                .add(IntakeStation.TO_TEST, () -> new WaitingPane(desk, files))
                .add(IntakeStation.TO_PREPARE, () -> new PrepPane(desk))
                .add(IntakeStation.RECYCLE_BOX, () -> new RecyclePane(desk, files))
                .add(IntakeStation.LOOK_TWICE, () -> new LookTwicePane(desk))
                .add(IntakeStation.LABELS, () -> new LabelPane(desk, files))
                .add(IntakeStation.SCHOOLS, () -> new SchoolPane(desk))
                .add(
                        IntakeStation.CATALOGUE,
                        () ->
                                new CataloguePane(
                                        desk, files, () -> openForm(IntakeForms.model(desk))));
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
        lists.names().forEach(name -> lists.count(name, counts.of(name)));
    }

    /// Shows one of the lists, or the tray again.
    void show(String name) {
        shownList = name;
        open = Optional.empty();
        arrange();
        if (name.equals(IntakeStation.TRAY)) quickLine.focusField();
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
                shownList = IntakeStation.TRAY;
                model.showTray(each);
                arrange();
            });
            trays.getChildren().add(button);
        }
        arrange();
    }

    private void arrange() {
        Node list = lists.show(shownList);
        boolean isTray = shownList.equals(IntakeStation.TRAY);
        Node main = isTray && model.trayProperty().get().isEmpty() ? empty : list;
        // the bands and the yield are of what is being logged; a list needs the width
        view.setRight(isTray ? side : null);
        VBox.setVgrow(main, Priority.ALWAYS);
        centre.getChildren().clear();
        open.ifPresent(centre.getChildren()::add);
        // an import needs the room
        if (open.isEmpty() || !open.get().equals(importPane)) centre.getChildren().add(main);
    }

    void openForm(Form form) {
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
    void previewImport(Path file) {
        VBox.setVgrow(importPane, Priority.ALWAYS);
        open = Optional.of(importPane);
        arrange();
        importPane.preview(file);
    }
}
