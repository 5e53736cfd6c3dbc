package pentacell.desktop.intake;

import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.beans.value.ObservableValue;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TableView;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import pentacell.core.cell.Tray;
import pentacell.core.fact.WorkshopState;
import pentacell.core.grade.Standing;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Station;
import pentacell.desktop.kit.Form;
import pentacell.desktop.kit.MarkLegend;

/// Intake: the tray filling with marks as you type, the bands of the school with their counts, the
/// yield of each donor.
public final class IntakeStation implements Station {
    private static final PseudoClass SHOWN = PseudoClass.getPseudoClass("shown");

    private final Desk desk;
    private final IntakeModel model;
    private final BorderPane view = new BorderPane();
    private final QuickLineBar quickLine;
    private final ImportPane importPane;
    private final FlowPane trays = new FlowPane();
    private final Label empty =
            new Label(
                    "No tray yet. Add tray puts one on the shelf, Add donor names a pack; then type what is written on the first can.");
    private final TrayView tray;
    private final VBox centre = new VBox();
    private Optional<Node> open = Optional.empty();

    public IntakeStation(Desk desk) {
        this.desk = desk;
        model = new IntakeModel(desk);
        tray = new TrayView(desk, model);
        quickLine = new QuickLineBar(desk, model);
        importPane = new ImportPane(desk);
        importPane.onClose(this::putAway);
        view.getStyleClass().add("station");
        view.setId("intake");
        trays.getStyleClass().add("trays");
        empty.getStyleClass().add("empty");
        empty.setWrapText(true);
        VBox.setVgrow(tray, Priority.ALWAYS);
        centre.getStyleClass().add("station-centre");
        view.setTop(actions());
        view.setCenter(centre);
        view.setRight(side());
        desk.stateProperty().subscribe(this::showTrays);
        model.trayProperty().subscribe(shown -> showTrays(desk.state()));
    }

    private Node actions() {
        Map<String, Supplier<Form>> forms =
                Map.of(
                        "Add donor", () -> IntakeForms.donor(desk),
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
                    openForm(forms.getOrDefault(verb, () -> IntakeForms.donor(desk)).get()));
            row.getChildren().add(button);
        }
        return row;
    }

    private Node side() {
        TableView<YieldTable.Yield> yield = YieldTable.create();
        VBox.setVgrow(yield, Priority.ALWAYS);
        desk.stateProperty()
                .subscribe(state -> yield.getItems().setAll(YieldTable.of(state, desk.judged())));
        VBox side = new VBox(new BandRuler(desk).node(), yield, MarkLegend.create());
        side.getStyleClass().add("side");
        return side;
    }

    private void showTrays(WorkshopState state) {
        Optional<Tray> shown = model.trayProperty().get();
        trays.getChildren().clear();
        for (Tray each : state.trays().values()) {
            Button button = new Button(each.name());
            button.setId("tray-" + each.name());
            button.getStyleClass().add("tray-button");
            button.pseudoClassStateChanged(SHOWN, shown.equals(Optional.of(each)));
            button.setOnAction(pressed -> model.showTray(each));
            trays.getChildren().add(button);
        }
        arrange();
    }

    private void arrange() {
        Node main = model.trayProperty().get().isPresent() ? tray : empty;
        centre.getChildren().clear();
        open.ifPresent(centre.getChildren()::add);
        // an import needs the room
        if (open.isEmpty() || !open.get().equals(importPane)) centre.getChildren().add(main);
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
    public void previewImport(Path file) {
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
        return desk.stateProperty()
                .map(state ->
                        desk.judged().count(Standing.UNDER_TEST)
                                + desk.judged().count(Standing.UNKNOWN));
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
