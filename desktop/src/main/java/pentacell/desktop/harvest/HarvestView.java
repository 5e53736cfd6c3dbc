package pentacell.desktop.harvest;

import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import pentacell.core.caution.Caution;
import pentacell.core.donor.DonorRecord;
import pentacell.core.unit.Sentence;
import pentacell.desktop.frame.Command;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.QuickBar;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.Form;
import pentacell.desktop.kit.Lazy;
import pentacell.desktop.kit.PaneTabs;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.Scrolled;
import pentacell.desktop.kit.Wrapping;

/// What Harvest shows: the donors as string sketches, what is wrong with the one in hand, and the
/// panes below it.
final class HarvestView {
    private final HarvestModel model;
    private final BorderPane view = new BorderPane();
    private final VBox centre = new VBox();
    private final VBox donorView = new VBox();
    private final Scrolled scrolledDonor = new Scrolled(donorView);
    private final Label sentence = new Label();
    private final Label advice = new Label();
    private final PlotSurface sketchSurface;
    private final QuickBar quickLine;
    private final Lazy<TeardownPane> teardown;
    private final Lazy<YieldPane> yield;
    private final PaneTabs tabs = new PaneTabs(this::showPane);
    private final StackPane pane = new StackPane();
    private final Label empty =
            new Label(
                    "No donor yet. Add lot logs what was bought, Add donor gives a pack its code; then type the voltages of its groups below.");
    private Optional<Form> open = Optional.empty();

    /// @param buttons what can be pressed above it all
    HarvestView(Desk desk, FileAsk files, HarvestModel model, List<Command> buttons) {
        this.model = model;
        StringSketch sketch = new StringSketch(desk, model);
        sketchSurface =
                new PlotSurface((pen, width, height) ->
                        model.donor()
                                .ifPresent(record -> sketch.paint(record, pen, width, height)));
        sketchSurface.setId("string-sketch");
        sketchSurface.getStyleClass().add("string-sketch");
        quickLine =
                new QuickBar(
                        desk,
                        HarvestQuick.of(desk, model),
                        "Quick line: donor code and the voltages of its groups");
        teardown = new Lazy<>(() -> new TeardownPane(desk, model));
        yield = new Lazy<>(() -> new YieldPane(desk, files));
        tabs.add(HarvestStation.REPAIR, () -> new RepairPane(desk, model))
                .add(HarvestStation.TEARDOWN, teardown::get)
                .add(HarvestStation.YIELD, yield::get);
        DonorList list = new DonorList(desk, model, sketch);
        VBox left = new VBox(list);
        left.getStyleClass().add("donor-side");
        VBox.setVgrow(list, Priority.ALWAYS);
        view.getStyleClass().add("station");
        view.setId("harvest");
        view.setTop(actions(buttons));
        view.setLeft(left);
        view.setCenter(centre);
        arrangeDonorView();
        show(HarvestStation.REPAIR);
        desk.ledger().stateProperty().subscribe(state -> refresh());
        desk.selection().donorProperty().subscribe(code -> refresh());
    }

    private void arrangeDonorView() {
        sentence.setId("diagnosis");
        Wrapping.on(sentence);
        sentence.getStyleClass().add("diagnosis");
        advice.setId("advice");
        Wrapping.on(advice);
        advice.getStyleClass().add("advice");
        tabs.row().getStyleClass().add("harvest-tabs");
        pane.getStyleClass().add("harvest-pane-place");
        VBox.setVgrow(pane, Priority.ALWAYS);
        centre.getStyleClass().add("station-centre");
        donorView.getStyleClass().add("donor-view");
        donorView.getChildren().addAll(sentence, advice, sketchSurface, tabs.row(), pane);
        VBox.setVgrow(scrolledDonor, Priority.ALWAYS);
        empty.getStyleClass().add("empty");
        Wrapping.on(empty);
    }

    private void show(String name) {
        pane.getChildren().setAll(tabs.show(name));
        boolean isOfAll = name.equals(HarvestStation.YIELD);
        // yield and cost are not of one donor, and need the room
        for (Node ofDonor : List.of(sentence, advice, sketchSurface)) {
            ofDonor.setVisible(!isOfAll);
            ofDonor.setManaged(!isOfAll);
        }
    }

    private Node actions(List<Command> buttons) {
        ControlRow row = ControlRow.of(ControlRow.gap());
        row.getStyleClass().add("station-bar");
        for (Command command : buttons) {
            Button button = new Button(command.words());
            button.setId(
                    "harvest-"
                            + command.words().toLowerCase(java.util.Locale.ROOT).replace(' ', '-'));
            button.setOnAction(pressed -> command.action().run());
            row.getChildren().add(button);
        }
        return row;
    }

    Node node() {
        return view;
    }

    QuickBar quickLine() {
        return quickLine;
    }

    /// Shows one of the panes under the sketch.
    void showPane(String name) {
        putAway();
        show(name);
    }

    /// The lot that is marked among those of *Yield and cost*, while that is shown.
    Optional<String> markedLot() {
        return tabs.shown().equals(HarvestStation.YIELD)
                ? yield.get().markedLot()
                : Optional.empty();
    }

    void nameCells() {
        putAway();
        show(HarvestStation.TEARDOWN);
        // laid out first, or there is nothing to put the caret into
        view.applyCss();
        view.layout();
        teardown.get().beginNaming();
    }

    void openForm(Supplier<Form> form) {
        Form shown = form.get();
        shown.onClose(this::putAway);
        open = Optional.of(shown);
        refresh();
        shown.begin();
    }

    private void putAway() {
        open = Optional.empty();
        refresh();
        quickLine.focusField();
    }

    private void refresh() {
        Optional<DonorRecord> record = model.donor();
        centre.getChildren().clear();
        open.ifPresent(centre.getChildren()::add);
        centre.getChildren().add(record.isPresent() ? scrolledDonor : empty);
        record.ifPresent(this::showDiagnosis);
        sketchSurface.repaint();
    }

    private void showDiagnosis(DonorRecord record) {
        if (!record.donor().hasCans()) {
            sentence.setText(record.donor().code() + " holds pouch cells: leave it whole.");
            advice.setText(Caution.POUCH_CELLS.words());
            return;
        }
        model.diagnosis(record)
                .ifPresentOrElse(
                        diagnosis -> {
                            sentence.setText(diagnosis.sentence());
                            advice.setText(
                                    "%s, %s. %s"
                                            .formatted(
                                                    Sentence.begin(diagnosis.advice().words()),
                                                    diagnosis.sureness().words(),
                                                    diagnosis.reasons().isEmpty()
                                                            ? ""
                                                            : diagnosis
                                                                    .reasons()
                                                                    .get(0)
                                                                    .sentence()));
                        },
                        () -> {
                            int read = record.groupVolts().size();
                            sentence.setText(
                                    read == 0
                                            ? record.donor().code() + ": read its groups first."
                                            : record.donor().code()
                                                    + ": "
                                                    + read
                                                    + " of "
                                                    + record.donor()
                                                            .arrangement()
                                                            .map(each -> each.series())
                                                            .orElse(read)
                                                    + " groups read.");
                            advice.setText(
                                    "The pack may need no opening. Type the voltages from its negative end, then Enter.");
                        });
    }
}
