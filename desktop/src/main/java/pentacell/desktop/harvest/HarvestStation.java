package pentacell.desktop.harvest;

import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import javafx.beans.value.ObservableValue;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import pentacell.core.donor.DonorFact;
import pentacell.core.donor.DonorRecord;
import pentacell.core.donor.Donors;
import pentacell.desktop.donor.DonorForm;
import pentacell.desktop.frame.Card;
import pentacell.desktop.frame.Command;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Due;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Found;
import pentacell.desktop.frame.QuickBar;
import pentacell.desktop.frame.Selection;
import pentacell.desktop.frame.Shot;
import pentacell.desktop.frame.Station;
import pentacell.desktop.kit.Form;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.theme.Theme;
import pentacell.workshop.exchange.ReadingsCsv;

/// Harvest: donors as string sketches, what their readings show, repair or teardown, and what it
/// all cost.
public final class HarvestStation implements Station {
    private static final String YIELD = "Yield and cost";
    private static final PseudoClass SHOWN = PseudoClass.getPseudoClass("shown");

    private final Desk desk;
    private final FileAsk files;
    private final HarvestModel model;
    private final BorderPane view = new BorderPane();
    private final VBox centre = new VBox();
    private final VBox donorView = new VBox();
    private final Label sentence = new Label();
    private final Label advice = new Label();
    private final PlotSurface sketchSurface;
    private final QuickBar quickLine;
    private final TeardownPane teardown;
    private final Map<String, Node> panes = new LinkedHashMap<>();
    private final HBox tabs = new HBox();
    private final ScrollPane pane = new ScrollPane();
    private final Label empty =
            new Label(
                    "No donor yet. Add lot logs what was bought, Add donor gives a pack its code; then type the voltages of its groups below.");
    private Optional<Form> open = Optional.empty();

    public HarvestStation(Desk desk, FileAsk files) {
        this.desk = desk;
        this.files = files;
        model = new HarvestModel(desk);
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
                        new HarvestQuick(desk, model),
                        "Quick line: donor code and the voltages of its groups");
        teardown = new TeardownPane(desk, model);
        panes.put("Repair or harvest", new RepairPane(desk, model));
        panes.put("Teardown", teardown);
        panes.put(YIELD, new YieldPane(desk, files));
        DonorList list = new DonorList(desk, model, sketch);
        VBox left = new VBox(list);
        left.getStyleClass().add("donor-side");
        VBox.setVgrow(list, Priority.ALWAYS);
        view.getStyleClass().add("station");
        view.setId("harvest");
        view.setTop(actions());
        view.setLeft(left);
        view.setCenter(centre);
        arrangeDonorView();
        show("Repair or harvest");
        desk.ledger().stateProperty().subscribe(state -> refresh());
        desk.selection().donorProperty().subscribe(code -> refresh());
    }

    private void arrangeDonorView() {
        sentence.setId("diagnosis");
        sentence.setWrapText(true);
        sentence.setMinHeight(Region.USE_PREF_SIZE);
        sentence.getStyleClass().add("diagnosis");
        advice.setId("advice");
        advice.setWrapText(true);
        advice.setMinHeight(Region.USE_PREF_SIZE);
        advice.getStyleClass().add("advice");
        tabs.getStyleClass().add("harvest-tabs");
        for (String name : panes.keySet()) {
            Button tab = new Button(name);
            tab.setId("tab-" + name.toLowerCase(java.util.Locale.ROOT).replace(' ', '-'));
            tab.getStyleClass().add("tray-button");
            tab.setOnAction(pressed -> show(name));
            tabs.getChildren().add(tab);
        }
        pane.setFitToWidth(true);
        pane.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        pane.getStyleClass().add("harvest-scroll");
        VBox.setVgrow(pane, Priority.ALWAYS);
        centre.getStyleClass().add("station-centre");
        donorView.getStyleClass().add("donor-view");
        donorView.getChildren().addAll(sentence, advice, sketchSurface, tabs, pane);
        VBox.setVgrow(donorView, Priority.ALWAYS);
        empty.getStyleClass().add("empty");
        empty.setWrapText(true);
    }

    private void show(String name) {
        pane.setContent(panes.get(name));
        boolean isOfAll = name.equals(YIELD);
        pane.setFitToHeight(isOfAll);
        // yield and cost are not of one donor, and need the room
        for (Node ofDonor : List.of(sentence, advice, sketchSurface)) {
            ofDonor.setVisible(!isOfAll);
            ofDonor.setManaged(!isOfAll);
        }
        for (Node tab : tabs.getChildren())
            tab.pseudoClassStateChanged(
                    SHOWN, tab instanceof Button button && name.equals(button.getText()));
    }

    private Node actions() {
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox row = new HBox(gap);
        row.getStyleClass().add("station-bar");
        for (Command command : commands()) {
            Button button = new Button(command.words());
            button.setId(
                    "harvest-"
                            + command.words().toLowerCase(java.util.Locale.ROOT).replace(' ', '-'));
            button.setMinWidth(Region.USE_PREF_SIZE);
            button.setOnAction(pressed -> command.action().run());
            row.getChildren().add(button);
        }
        return row;
    }

    @Override
    public List<Command> commands() {
        return List.of(
                new Command("Add lot", () -> openForm(() -> LotForm.create(desk))),
                new Command("Add donor", () -> openForm(() -> DonorForm.create(desk))),
                new Command("Edit donor", this::editDonor),
                new Command("Import readings", this::importReadings),
                new Command("Name cells", this::nameCells),
                new Command(YIELD, () -> showPane(YIELD)));
    }

    /// Shows one of the panes under the sketch.
    @Override
    public void showPane(String name) {
        putAway();
        show(name);
    }

    private void editDonor() {
        model.donor()
                .ifPresentOrElse(
                        record -> openForm(() -> DonorForm.edit(desk, record.donor())),
                        () -> desk.notices().say("Choose the donor first, then describe it anew."));
    }

    private void nameCells() {
        putAway();
        show("Teardown");
        // laid out first, or there is nothing to put the caret into
        view.applyCss();
        view.layout();
        teardown.beginNaming();
    }

    private void openForm(Supplier<Form> form) {
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
        centre.getChildren().add(record.isPresent() ? donorView : empty);
        record.ifPresent(this::showDiagnosis);
        sketchSurface.repaint();
    }

    private void showDiagnosis(DonorRecord record) {
        model.diagnosis(record)
                .ifPresentOrElse(
                        diagnosis -> {
                            sentence.setText(diagnosis.sentence());
                            advice.setText(
                                    "%s, %s. %s"
                                            .formatted(
                                                    firstUpper(diagnosis.advice().words()),
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

    private static String firstUpper(String words) {
        return words.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + words.substring(1);
    }

    private void importReadings() {
        Optional<DonorRecord> record = model.donor();
        if (record.isEmpty()) {
            desk.notices().say("Choose the donor first, then import the readings of its groups.");
            return;
        }
        Optional<Path> file = files.which("Import readings", "Tables of readings", "*.csv");
        if (file.isEmpty()) return;
        String code = record.get().donor().code();
        desk.work().lane("files").run(() -> ReadingsCsv.read(file.get()), read -> take(code, read));
    }

    private void take(String code, ReadingsCsv read) {
        if (!read.problems().isEmpty()) {
            desk.notices()
                    .say(
                            read.problems().get(0).text()
                                    + (read.problems().size() > 1
                                            ? " (and %d more)".formatted(read.problems().size() - 1)
                                            : "")
                                    + " Nothing was taken.");
            return;
        }
        TreeMap<Integer, Double> volts =
                new TreeMap<>(
                        read.readings().stream()
                                .collect(
                                        Collectors.toMap(
                                                each -> each.group(),
                                                each -> each.volts(),
                                                (first, second) -> second)));
        model.log(
                "Import readings of " + code,
                List.of(new DonorFact.GroupsRead(code, volts)),
                () -> desk.notices().say(volts.size() + " groups of " + code + " read."));
    }

    @Override
    public List<String> panes() {
        return List.copyOf(panes.keySet());
    }

    @Override
    public List<Due> due() {
        return HarvestDue.of(desk.ledger().state(), desk.now());
    }

    @Override
    public List<Found> find(String wanted, int most) {
        return Donors.of(desk.ledger().state()).described().values().stream()
                .filter(donor ->
                        (donor.code() + " " + donor.kind())
                                .toLowerCase(Locale.ROOT)
                                .contains(wanted))
                .limit(most)
                .map(donor ->
                        new Found(
                                donor.code() + "  " + donor.kind(),
                                Found.Where.AT_STATION,
                                () -> desk.selection().selectDonor(donor.code())))
                .toList();
    }

    @Override
    public Optional<Card> card() {
        return Optional.of(new Card(Selection.OfDonor.class::isInstance, new DonorCard(desk)));
    }

    @Override
    public List<Shot> shots() {
        return List.of(
                new Shot("harvest-paper", Theme.PAPER, () -> pose("LD08", "Repair or harvest")),
                new Shot("teardown-paper", Theme.PAPER, () -> pose("HB06", "Teardown")),
                new Shot("yield-paper", Theme.PAPER, () -> showPane(YIELD)));
    }

    private void pose(String donor, String pane) {
        desk.selection().selectDonor(donor);
        showPane(pane);
    }

    @Override
    public int number() {
        return 1;
    }

    @Override
    public String name() {
        return "Harvest";
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
                        (int)
                                Donors.of(state).records().values().stream()
                                        .filter(record -> model.stage(record).waits())
                                        .count());
    }

    @Override
    public Optional<Node> bottom() {
        return Optional.of(quickLine);
    }

    @Override
    public void enter() {
        if (model.donor().isEmpty())
            Donors.of(desk.ledger().state()).records().values().stream()
                    .filter(record -> model.stage(record).waits())
                    .findFirst()
                    .or(() ->
                            Donors.of(desk.ledger().state()).records().values().stream()
                                    .findFirst())
                    .ifPresent(record -> desk.selection().selectDonor(record.donor().code()));
        else model.donor().ifPresent(record -> desk.selection().selectDonor(record.donor().code()));
        quickLine.focusField();
    }
}
