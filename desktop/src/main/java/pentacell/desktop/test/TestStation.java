package pentacell.desktop.test;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.value.ObservableValue;
import javafx.scene.Node;
import pentacell.core.cell.Cells;
import pentacell.desktop.frame.Command;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Due;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.QuickBar;
import pentacell.desktop.frame.Shot;
import pentacell.desktop.frame.Station;
import pentacell.desktop.kit.Lazy;
import pentacell.desktop.theme.Theme;

/// Test: bays as instruments, the time sheet, the hold shelf, curves, and what stands on the bench.
public final class TestStation implements Station {
    static final String BAYS = "Bays";
    static final String TIME_SHEET = "Time sheet";
    static final String SHELF = "Hold shelf";
    static final String CURVES = "Curves";
    static final String BENCH = "Bench";

    private final Desk desk;
    private final FileAsk files;
    private final TestModel model;
    private final LogIntake logs;
    private final Lazy<TestView> view;

    public TestStation(Desk desk, FileAsk files) {
        this.desk = desk;
        this.files = files;
        model = new TestModel(desk);
        logs = new LogIntake(desk, model);
        view =
                new Lazy<>(() ->
                        new TestView(
                                desk, files, model, logs, List.of(importCommand(), readCommand())));
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
                        desk.notices().say("There is no meter on the bench: add one under Bench.");
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

    @Override
    public void showPane(String name) {
        view.get().show(name);
    }

    /// What it shows and does.
    public TestModel model() {
        return model;
    }

    @Override
    public List<String> panes() {
        return List.of(BAYS, TIME_SHEET, SHELF, CURVES, BENCH);
    }

    @Override
    public List<Due> due() {
        return TestDue.of(desk.ledger().state(), desk.ledger().judged(), desk.now());
    }

    @Override
    public List<Shot> shots() {
        return List.of(
                // before anything is loaded
                new Shot("time-sheet-paper", Theme.PAPER, () -> showPane(TIME_SHEET)),
                new Shot(
                        "bays-paper",
                        Theme.PAPER,
                        () -> {
                            showPane(BAYS);
                            model.loadAsPlanned(8);
                        },
                        () -> model.sampleCount() > 2500),
                new Shot("hold-paper", Theme.PAPER, () -> showPane(SHELF)),
                new Shot("curve-paper", Theme.PAPER, this::poseCurve));
    }

    private void poseCurve() {
        showPane(CURVES);
        Cells.of(desk.ledger().state()).all().values().stream()
                .filter(cell -> cell.dcMilliohms().isPresent())
                .skip(3)
                .findFirst()
                .ifPresent(cell -> desk.selection().select(cell.id()));
    }

    @Override
    public List<Command> commands() {
        List<Command> commands = new ArrayList<>();
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
        return view.get().node();
    }

    @Override
    public ObservableValue<Number> waiting() {
        return model.changesProperty().map(count -> model.queue().waiting().size());
    }

    @Override
    public Optional<QuickBar> line() {
        return Optional.of(view.get().quickLine());
    }
}
