package pentacell.desktop;

import static org.mockito.Mockito.mock;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.reflect.Field;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.BiFunction;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.awaitility.Awaitility;
import org.testfx.api.FxRobot;
import org.testfx.api.FxToolkit;
import org.testfx.api.FxToolkitContext;
import org.testfx.service.query.EmptyNodeQueryException;
import org.testfx.service.support.FiredEvents;
import org.testfx.util.WaitForAsyncUtils;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.RunFact;
import pentacell.core.journal.Amendment;
import pentacell.core.state.Chapter;
import pentacell.core.state.WorkshopState;
import pentacell.desktop.frame.Arrival;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Settings;
import pentacell.desktop.frame.Station;
import pentacell.desktop.theme.Theme;
import pentacell.instruments.demo.DemoRuns;
import pentacell.workshop.demo.TarnHollow;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.LogbookException;
import pentacell.workshop.logbook.Opening;

/// The real interface in an offscreen window, handled as a person does: keys, clicks, reading what
/// stands there. The toolkit is started once for all tests.
public final class BenchFixture implements AutoCloseable {
    private static final int LOOKS = 25;

    private static byte[] demoFile = new byte[0];

    final FileAsk files = mock(FileAsk.class);
    final FxRobot robot = new FxRobot();
    final Workbench bench;
    final Hands hands;
    private final List<String> said = new ArrayList<>();

    private BenchFixture(int width, int height, Function<FileAsk, Workbench> maker)
            throws TimeoutException {
        Stage stage = FxToolkit.registerPrimaryStage();
        letGoOfEvents();
        bench =
                WaitForAsyncUtils.waitForAsyncFx(
                        30_000,
                        () -> {
                            Theme.loadFonts();
                            Workbench made = maker.apply(files);
                            stage.setScene(made.frame().scene());
                            stage.setWidth(width);
                            stage.setHeight(height);
                            stage.show();
                            stage.toFront();
                            made.desk()
                                    .notices()
                                    .messageProperty()
                                    .subscribe(sentence -> {
                                        said.add(sentence);
                                    });
                            return made;
                        });
        hands = new Hands(stage);
    }

    /// The test library keeps every event there ever was, and so every node that had one.
    private static void letGoOfEvents() {
        try {
            Field kept = FxToolkitContext.class.getDeclaredField("firedEvents");
            kept.setAccessible(true);
            ((FiredEvents) kept.get(FxToolkit.toolkitContext())).stopStoringFiredEvents();
        } catch (ReflectiveOperationException changed) {
            throw new IllegalStateException(changed);
        }
    }

    /// The interface with a workshop file that is made when it is not there.
    static BenchFixture open(Path file) throws TimeoutException {
        return open(file, 1280, 800, Settings.forNow());
    }

    /// The interface for a person who has set something before.
    static BenchFixture open(Path file, Settings settings) throws TimeoutException {
        return open(file, 1280, 800, settings);
    }

    static BenchFixture open(Path file, int width, int height, Settings settings)
            throws TimeoutException {
        return opened(
                new BenchFixture(
                        width,
                        height,
                        files -> Workbench.create(files, Clock.systemUTC(), settings)),
                file);
    }

    /// An interface of other stations.
    public static BenchFixture of(
            Path file, List<Chapter<?>> chapters, List<BiFunction<Desk, FileAsk, Station>> stations)
            throws TimeoutException {
        return opened(
                new BenchFixture(
                        1280,
                        800,
                        files ->
                                Workbench.create(
                                        new Desk(Clock.systemUTC(), Settings.forNow(), chapters),
                                        stations,
                                        files,
                                        Clock.systemUTC())),
                file);
    }

    private static BenchFixture opened(BenchFixture fixture, Path file) {
        fixture.robot.interact(() -> fixture.bench.frame().open(file));
        fixture.await(
                "the file is open",
                () -> !fixture.bench.desk().ledger().fileNameProperty().get().isEmpty());
        return fixture;
    }

    /// The interface with a fresh copy of the demo workshop.
    static BenchFixture demo(Path folder, int width, int height)
            throws TimeoutException, LogbookException {
        Path file = folder.resolve("demo.pentacell");
        try {
            Files.write(file, demoFile(folder));
        } catch (IOException failure) {
            throw new UncheckedIOException(failure);
        }
        BenchFixture fixture = open(file, width, height, Settings.forNow());
        fixture.await("the demo is shown", () -> !Cells.of(fixture.state()).all().isEmpty());
        return fixture;
    }

    /// The interface with a workshop like the demo's that is not for practice.
    static BenchFixture real(Path folder) throws TimeoutException, LogbookException {
        Path file = folder.resolve("real.pentacell");
        if (Logbook.open(file, Clock.systemUTC()) instanceof Opening.Opened opened)
            try (Logbook book = opened.logbook()) {
                book.logAll(
                        TarnHollow.journal().stream()
                                .filter(draft ->
                                        !(draft.facts().getFirst()
                                                instanceof Amendment.StandInsCount))
                                .toList());
            }
        BenchFixture fixture = open(file);
        fixture.await("it is shown", () -> !Cells.of(fixture.state()).all().isEmpty());
        return fixture;
    }

    /// The interface with a workshop that a test opened on a disk of its own.
    static BenchFixture on(Logbook book) throws TimeoutException {
        BenchFixture fixture =
                new BenchFixture(
                        1280,
                        800,
                        files -> Workbench.create(files, Clock.systemUTC(), Settings.forNow()));
        fixture.robot.interact(() -> fixture.bench.desk().put(Arrival.Ready.of(book)));
        return fixture;
    }

    /// A fresh copy of the demo workshop.
    static Path demoCopy(Path folder) throws IOException, LogbookException {
        return Files.write(folder.resolve("demo.pentacell"), demoFile(folder));
    }

    /// The interface with the demo workshop and runs of instruments in it.
    static BenchFixture demoWithRuns(Path folder, int width, int height, Settings settings)
            throws TimeoutException, LogbookException {
        Path file = folder.resolve("runs.pentacell");
        if (Logbook.open(file, Clock.systemUTC()) instanceof Opening.Opened opened)
            try (Logbook book = opened.logbook()) {
                book.logAll(TarnHollow.journal());
                DemoRuns.addTo(book, Instant.now());
            }
        BenchFixture fixture = open(file, width, height, settings);
        fixture.await("the demo is shown", () -> !Cells.of(fixture.state()).all().isEmpty());
        return fixture;
    }

    /// Selects a cell whose card has all there can be on it: a curve, oddities, a long life line.
    void selectAnOddCell() {
        CellRecord odd =
                Cells.of(state()).all().values().stream()
                        .filter(cell ->
                                cell.lifeLine().stream()
                                        .anyMatch(line -> line.fact() instanceof RunFact.CurveOdd))
                        .findFirst()
                        .orElseThrow();
        robot.interact(() -> bench.desk().selection().select(odd.id()));
    }

    /// The demo's file, made once for all tests: its packs are matched anew each time.
    private static synchronized byte[] demoFile(Path folder) throws IOException, LogbookException {
        if (demoFile.length > 0) return demoFile;
        Path made = folder.resolve("made-once.pentacell");
        if (Logbook.open(made, Clock.systemUTC()) instanceof Opening.Opened opened) {
            try (Logbook logbook = opened.logbook()) {
                logbook.logAll(TarnHollow.journal());
            }
        }
        demoFile = Files.readAllBytes(made);
        return demoFile;
    }

    public WorkshopState state() {
        return bench.desk().ledger().state();
    }

    /// Waits until something holds, as a person watches for it.
    public void await(String what, Supplier<Boolean> holds) {
        Awaitility.await(what)
                .atMost(30, TimeUnit.SECONDS)
                .pollInSameThread()
                .until(() -> WaitForAsyncUtils.waitForAsyncFx(30_000, () -> holdsNow(holds)));
    }

    /// What is not in the window yet does not hold yet.
    private static boolean holdsNow(Supplier<Boolean> holds) {
        try {
            return holds.get();
        } catch (EmptyNodeQueryException notYet) {
            return false;
        }
    }

    /// Waits until a sentence with these words has been said in the due line.
    void awaitSaid(String words) {
        await("said: " + words, () -> said.stream().anyMatch(sentence -> sentence.contains(words)));
    }

    /// Types into the field with the caret, then presses Enter.
    public BenchFixture enter(String text) {
        type(text);
        keys(KeyCode.ENTER);
        return this;
    }

    /// Types into the field with the caret.
    public void type(String text) {
        hands.type(text);
    }

    /// Says a line at the quick line.
    void line(String text) {
        click("#quick-line");
        enter(text);
    }

    /// Puts a text into a field.
    void set(String field, String text) {
        TextField node = robot.lookup(field).queryAs(TextField.class);
        robot.interact(() -> node.setText(text));
    }

    /// Chooses from a list that folds down.
    @SuppressWarnings("unchecked")
    <T> void choose(String box, T value) {
        ComboBox<T> node = (ComboBox<T>) robot.lookup(box).queryAs(ComboBox.class);
        robot.interact(() -> node.setValue(value));
    }

    /// Opens the list of commands, types what is wanted, takes the first.
    void command(String words) {
        keys(KeyCode.CONTROL, KeyCode.K);
        enter(words);
    }

    public void click(String query) {
        hands.settle();
        Node node = robot.lookup(query).query();
        hands.click(WaitForAsyncUtils.waitForAsyncFx(30_000, () -> Hands.at(node, 0.5, 0.5)));
    }

    public void keys(KeyCode... keys) {
        hands.press(keys);
    }

    /// The stations of the interface.
    public Stream<Station> stations() {
        return bench.stations().stream();
    }

    /// Goes to every pane of every station and looks there; told the station's name and the pane's.
    void everyPane(Consumer<String> look) {
        everyPaneUntil(place -> {
            look.accept(place);
            return true;
        });
    }

    /// The same; what is not as it should be is looked at again after further pulses, for some
    /// tables come up and are fitted a few pulses after the rest.
    void everyPaneUntil(Predicate<String> look) {
        for (Station station : bench.stations()) {
            keys(KeyCode.CONTROL, KeyCode.valueOf("DIGIT" + station.number()));
            lookAt(station.name(), look);
            for (String pane : station.panes()) {
                hands.onScreen(() -> station.showPane(pane));
                lookAt(station.name() + ", " + pane, look);
            }
        }
    }

    private void lookAt(String place, Predicate<String> look) {
        AtomicBoolean isFine = new AtomicBoolean();
        for (int i = 0; i < LOOKS && !isFine.get(); i++) {
            if (i > 0) hands.settle();
            robot.interact(() -> isFine.set(look.test(place)));
        }
    }

    /// The texts of all labels or buttons that fit.
    public List<String> texts(String query) {
        return robot.lookup(query).queryAllAs(Labeled.class).stream()
                .map(Labeled::getText)
                .toList();
    }

    /// Whether a node is visible, it and all that it is in.
    public boolean isShown(String query) {
        for (Node each = robot.lookup(query).query(); each != null; each = each.getParent())
            if (!each.isVisible()) return false;
        return true;
    }

    /// The text of a label or button.
    public String text(String query) {
        return robot.lookup(query).queryAs(Labeled.class).getText();
    }

    /// The text of a field.
    String field(String query) {
        return robot.lookup(query).queryAs(TextField.class).getText();
    }

    /// Whether a node is within the window, from edge to edge.
    boolean isInside(String query) {
        Node node = robot.lookup(query).query();
        Bounds bounds = node.localToScene(node.getBoundsInLocal());
        return bounds.getMinX() >= 0
                && bounds.getMaxX() <= node.getScene().getWidth()
                && bounds.getMinY() >= 0
                && bounds.getMaxY() <= node.getScene().getHeight();
    }

    /// All that is written in a part of the window.
    String written(String query) {
        return robot
                .from(robot.lookup(query).queryAll())
                .lookup(".label")
                .queryAllAs(Labeled.class)
                .stream()
                .map(Labeled::getText)
                .collect(Collectors.joining("\n"));
    }

    boolean isVisible(String query) {
        return find(query, Node.class).filter(Node::isVisible).isPresent();
    }

    <T extends Node> Optional<T> find(String query, Class<T> type) {
        return robot.lookup(query).tryQueryAs(type);
    }

    @Override
    public void close() throws TimeoutException {
        robot.interact(() -> bench.desk().close());
        FxToolkit.cleanupStages();
    }
}
