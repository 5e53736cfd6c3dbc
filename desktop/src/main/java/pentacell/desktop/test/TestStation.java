package pentacell.desktop.test;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.beans.value.ObservableValue;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import pentacell.core.cell.Cells;
import pentacell.desktop.frame.Command;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Due;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.QuickBar;
import pentacell.desktop.frame.Shot;
import pentacell.desktop.frame.Station;
import pentacell.desktop.theme.Theme;

/// Test: bays as instruments, the time sheet, the hold shelf, curves, and what stands on the bench.
public final class TestStation implements Station {
    private static final String BAYS = "Bays";
    private static final String SHELF = "Hold shelf";
    private static final PseudoClass SHOWN = PseudoClass.getPseudoClass("shown");

    private final Desk desk;
    private final FileAsk files;
    private final TestModel model;
    private final LogIntake logs;
    private final BorderPane view = new BorderPane();
    private final VBox centre = new VBox();
    private final FlowPane tabs = new FlowPane();
    private final QuickBar quickLine;
    private final Map<String, Supplier<Node>> paneMakers = new LinkedHashMap<>();
    private final Map<String, Node> panes = new HashMap<>();

    public TestStation(Desk desk, FileAsk files) {
        this.desk = desk;
        this.files = files;
        model = new TestModel(desk);
        logs = new LogIntake(desk, model);
        quickLine =
                new QuickBar(
                        desk,
                        new TestQuick(desk, model, logs),
                        "Quick line: id of the cell to load, or a reading on the hold shelf");
        paneMakers.put(BAYS, () -> new BayBoard(desk, model));
        paneMakers.put("Time sheet", () -> new TimeSheet(desk, model, files));
        paneMakers.put(SHELF, () -> new HoldPane(desk));
        paneMakers.put("Curves", () -> new CurvePane(desk, model, files));
        paneMakers.put("Bench", () -> new BenchPane(desk, model, logs));
        view.getStyleClass().add("station");
        view.setId("test");
        view.setTop(bar());
        centre.getStyleClass().add("station-centre");
        view.setCenter(centre);
        showPane(BAYS);
    }

    private Node bar() {
        tabs.getStyleClass().add("lists");
        for (String name : paneMakers.keySet()) {
            Button tab = new Button(name);
            tab.setId("test-" + name.toLowerCase(Locale.ROOT).replace(' ', '-'));
            tab.getStyleClass().add("tray-button");
            tab.setUserData(name);
            tab.setOnAction(pressed -> showPane(name));
            tabs.getChildren().add(tab);
        }
        HBox.setHgrow(tabs, Priority.ALWAYS);
        HBox row = new HBox(tabs);
        row.getStyleClass().add("station-bar");
        for (Command command : List.of(importCommand(), readCommand())) {
            Button button = new Button(command.words());
            button.setId("do-" + command.words().toLowerCase(Locale.ROOT).replace(' ', '-'));
            button.setMinWidth(Region.USE_PREF_SIZE);
            button.setOnAction(pressed -> command.action().run());
            row.getChildren().add(button);
        }
        return row;
    }

    private Command importCommand() {
        return new Command(
                "Import log",
                () -> files.which("Import log", "Logs of tests", "*.csv").ifPresent(logs::take));
    }

    private Command readCommand() {
        return new Command(
                "Read with the meter",
                () -> {
                    if (model.meter().isEmpty())
                        desk.notices().say("No meter is on the bench: add one under Bench.");
                    else
                        desk.selection()
                                .cellProperty()
                                .get()
                                .ifPresentOrElse(
                                        cell -> model.read(cell, model.meter().orElseThrow()),
                                        () ->
                                                desk.notices()
                                                        .say(
                                                                "Select the cell that lies in the meter first."));
                });
    }

    /// Takes in the log of a test.
    public void importLog(Path file) {
        logs.take(file);
    }

    /// Shows one of the panes.
    @Override
    public void showPane(String name) {
        Node pane =
                panes.computeIfAbsent(name, each -> paneMakers.getOrDefault(each, VBox::new).get());
        VBox.setVgrow(pane, Priority.ALWAYS);
        centre.getChildren().setAll(pane);
        model.readShelf(name.equals(SHELF));
        for (Node tab : tabs.getChildren())
            tab.pseudoClassStateChanged(SHOWN, name.equals(tab.getUserData()));
        quickLine.focusField();
    }

    /// What it shows and does.
    public TestModel model() {
        return model;
    }

    @Override
    public List<String> panes() {
        return List.copyOf(paneMakers.keySet());
    }

    @Override
    public List<Due> due() {
        return TestDue.of(desk.ledger().state(), desk.ledger().judged(), desk.now());
    }

    @Override
    public List<Shot> shots() {
        return List.of(
                // before anything is loaded
                new Shot("time-sheet-shed", Theme.SHED, () -> showPane("Time sheet")),
                new Shot("time-sheet-paper", Theme.PAPER, () -> showPane("Time sheet")),
                new Shot(
                        "bays-paper",
                        Theme.PAPER,
                        () -> {
                            showPane(BAYS);
                            model.loadAsPlanned(8);
                        },
                        () -> model.sampleCount() > 2500),
                new Shot("bays-shed", Theme.SHED, () -> showPane(BAYS)),
                new Shot("hold-paper", Theme.PAPER, () -> showPane(SHELF)),
                new Shot("hold-shed", Theme.SHED, () -> showPane(SHELF)),
                new Shot("curve-paper", Theme.PAPER, this::poseCurve),
                new Shot("curve-shed", Theme.SHED, this::poseCurve));
    }

    private void poseCurve() {
        showPane("Curves");
        Cells.of(desk.ledger().state()).all().values().stream()
                .filter(cell -> cell.dcMilliohms().isPresent())
                .skip(3)
                .findFirst()
                .ifPresent(cell -> desk.selection().select(cell.id()));
    }

    @Override
    public List<Command> commands() {
        List<Command> commands = new ArrayList<>();
        for (String name : paneMakers.keySet())
            commands.add(new Command("Test: " + name, () -> showPane(name)));
        commands.add(importCommand());
        commands.add(readCommand());
        return commands;
    }

    @Override
    public int number() {
        return 3;
    }

    @Override
    public String name() {
        return "Test";
    }

    @Override
    public Node view() {
        return view;
    }

    @Override
    public ObservableValue<Number> waiting() {
        return model.changesProperty().map(count -> model.queue().waiting().size());
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
