package pentacell.desktop.frame;

import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.stage.Window;
import javafx.stage.WindowEvent;
import pentacell.desktop.theme.Theme;

/// The window's content: path on the left, top bar and due line above, the station in the middle,
/// the card of what is selected on the right. It walks over the list of stations and names none.
public final class Frame {
    private final Desk desk;
    private final List<Station> stations;
    private final FileAsk files;
    private final Clock clock;
    private final BorderPane root = new BorderPane();
    private final PathBar path;
    private final TopBar top;

    /// Gathered once: it is asked with every key that is pressed.
    private final Map<KeyCombination, Runnable> onKeys;

    private final CardPlace card;
    private final DamagePane damage;
    private final HelpPane help = new HelpPane();
    private final OpeningPane reading = new OpeningPane();
    private Station inHand;
    private final Scene scene;
    private Theme theme;
    private int scale;

    public Frame(Desk desk, List<Station> stations, FileAsk files, Clock clock) {
        this.desk = desk;
        this.stations = List.copyOf(stations);
        this.files = files;
        this.clock = clock;
        inHand = this.stations.get(0);
        theme = Theme.kept(desk.settings().get("theme"));
        scale = Theme.rounded(desk.settings().get("scale").orElse("100"));
        onKeys = keyedCommands();
        path = new PathBar(this.stations, this::go);
        top = new TopBar(desk, new BarActions(), menuCommands());
        root.getStyleClass().add("frame");
        root.setLeft(path);
        root.setTop(new VBox(top, new DueLine(desk, this.stations, this::go)));
        card = new CardPlace(desk, this.stations, root);
        FindOrDo find = new FindOrDo(top.find(), this::found);
        damage = new DamagePane(desk, files, clock, this::open);
        scene =
                new Scene(
                        new StackPane(root, card.over(), reading, find.overlay(), help, damage),
                        1280,
                        800);
        theme.applyTo(scene);
        applyScale();
        Mishap.listen(desk.notices());
        find.attach();
        scene.addEventFilter(KeyEvent.KEY_PRESSED, this::onKey);
        desk.selection()
                .onHandOver(work ->
                        this.stations.stream()
                                .filter(each -> each.takes(work))
                                .findFirst()
                                .ifPresent(this::go));
        go(
                this.stations.stream()
                        .filter(Station::isFirst)
                        .findFirst()
                        .orElse(this.stations.get(0)));
    }

    public Scene scene() {
        return scene;
    }

    /// Shows a station.
    public void go(Station station) {
        inHand = station;
        path.mark(station);
        root.setCenter(station.view());
        root.setBottom(station.line().orElse(null));
        desk.selection().follow(station.pack());
        station.enter();
        station.line().ifPresent(QuickBar::focusField);
    }

    /// Brings the caret back to where the typing goes.
    private void focusLine() {
        if (inHand.line().isPresent()) inHand.line().get().focusField();
        else inHand.enter();
    }

    /// Dresses the window in a theme.
    public void dress(Theme dress) {
        theme = dress;
        theme.applyTo(scene);
    }

    private void onKey(KeyEvent key) {
        Optional<Runnable> onFunctionKey =
                switch (key.getCode()) {
                    case F1 -> Optional.of(() -> help.toggle(inHand.name()));
                    case F2 -> Optional.of(this::focusLine);
                    case F4 -> Optional.of(card::toggle);
                    default -> Optional.empty();
                };
        if (onFunctionKey.isPresent()) {
            onFunctionKey.get().run();
            key.consume();
            return;
        }
        if (key.getCode() == KeyCode.ENTER && scene.getFocusOwner() instanceof Button button) {
            button.fire();
            key.consume();
            return;
        }
        Optional<Runnable> command = commandOn(key);
        if (command.isPresent()) {
            command.get().run();
            key.consume();
            return;
        }
        if (!key.isShortcutDown()) return;
        boolean isTyping =
                scene.getFocusOwner() instanceof TextField field && !field.getText().isEmpty();
        boolean taken = true;
        switch (key.getCode()) {
            case K -> top.find().requestFocus();
            case Z -> {
                // a half-typed line has an undo of its own
                if (isTyping) return;
                if (key.isShiftDown()) desk.ledger().redo();
                else desk.ledger().undo();
            }
            case Y -> desk.ledger().redo();
            case S -> desk.notices().say("Everything is saved as it is logged.");
            case PLUS, EQUALS, ADD -> rescale(1);
            case MINUS, SUBTRACT -> rescale(-1);
            case DIGIT0, NUMPAD0 -> rescale(0);
            default -> taken = goByDigit(key);
        }
        if (taken) key.consume();
    }

    private Map<KeyCombination, Runnable> keyedCommands() {
        Map<KeyCombination, Runnable> keyed = new LinkedHashMap<>();
        for (Station station : stations)
            for (Command command : station.commands())
                command.keys().ifPresent(keys -> keyed.put(keys, () -> run(station, command)));
        return keyed;
    }

    private Optional<Runnable> commandOn(KeyEvent key) {
        return onKeys.entrySet().stream()
                .filter(each -> each.getKey().match(key))
                .map(Map.Entry::getValue)
                .findFirst();
    }

    private void run(Station station, Command command) {
        go(station);
        command.action().run();
    }

    private boolean goByDigit(KeyEvent key) {
        String name = key.getCode().getName();
        String digit = name.substring(name.length() - 1);
        Optional<Station> station =
                stations.stream()
                        .filter(each -> digit.equals(String.valueOf(each.number())))
                        .findFirst();
        boolean isDigit = key.getCode().isDigitKey() || key.getCode().isKeypadKey();
        if (isDigit) station.ifPresent(this::go);
        return isDigit && station.isPresent();
    }

    private void rescale(int steps) {
        scale = steps == 0 ? 100 : Theme.scaled(scale, steps);
        applyScale();
        desk.settings().put("scale", String.valueOf(scale));
    }

    private void applyScale() {
        Theme.scale(scene, scale);
        card.scale(Theme.pixels(scale));
    }

    private List<TopBar.Item> menuCommands() {
        List<TopBar.Item> items = new ArrayList<>();
        for (Station station : stations)
            for (Command command : station.commands())
                if (command.inMenu() == Command.InMenu.YES)
                    items.add(new TopBar.Item(command, () -> run(station, command)));
        return items;
    }

    private List<Found> found(String wanted, int most) {
        List<Found> found = new ArrayList<>();
        for (Station station : stations)
            found.add(
                    here(
                            "Go to " + station.name() + key("Ctrl+" + station.number()),
                            () -> go(station)));
        for (Station station : stations)
            for (Command command : station.commands())
                found.add(here(keyed(command), () -> run(station, command)));
        for (Station station : stations)
            for (String pane : station.panes())
                found.add(
                        here(
                                station.name() + ": " + pane,
                                () -> {
                                    go(station);
                                    station.showPane(pane);
                                }));
        BarActions actions = new BarActions();
        found.add(here("Show all cautions again", desk.notices()::showAllCautions));
        found.add(here("New workshop" + key("Ctrl+N"), actions::newWorkshop));
        found.add(here("Open workshop" + key("Ctrl+O"), actions::openWorkshop));
        found.add(here("Close workshop" + key("Ctrl+W"), this::closeWorkshop));
        found.add(here("Quit" + key("Ctrl+Q"), this::quit));
        found.add(here("Undo" + key("Ctrl+Z"), desk.ledger()::undo));
        found.add(here("Redo" + key("Ctrl+Y"), desk.ledger()::redo));
        found.add(here("Help" + key("F1"), () -> help.toggle(inHand.name())));
        found.add(here("Caret into the line" + key("F2"), this::focusLine));
        found.add(here("Show or hide the card" + key("F4"), card::toggle));
        found.add(here("Setting: light or dark theme", actions::changeTheme));
        found.add(here("Setting: larger text" + key("Ctrl+plus"), () -> rescale(1)));
        found.add(here("Setting: smaller text" + key("Ctrl+minus"), () -> rescale(-1)));
        found.add(here("Setting: usual text size" + key("Ctrl+0"), () -> rescale(0)));
        for (BenchCard.Topic topic : help.topics())
            found.add(here(topic.words(), () -> help.show(topic.station())));
        found.removeIf(each -> !FindOrDo.fits(each.words(), wanted));
        for (Station station : stations)
            for (Found thing : station.find(wanted, most))
                found.add(
                        switch (thing.where()) {
                            case ANYWHERE -> thing;
                            case AT_STATION ->
                                    here(
                                            thing.words(),
                                            () -> {
                                                go(station);
                                                thing.action().run();
                                            });
                        });
        return found;
    }

    private static String keyed(Command command) {
        return command.words() + command.keys().map(keys -> key(keys.getDisplayText())).orElse("");
    }

    private static String key(String name) {
        return "   " + name;
    }

    private static Found here(String words, Runnable action) {
        return new Found(words, Found.Where.ANYWHERE, action);
    }

    /// Opens a workshop file in the place of the one on the desk; says why when it cannot.
    public void open(Path file) {
        OpeningProgress read = new OpeningProgress(file);
        announce(read);
        desk.work()
                .lane("opening")
                .runAcrossWorkshops(
                        () -> Arrival.of(file, clock, desk.ledger().chapters(), read),
                        arrived -> take(file, arrived),
                        this::failed);
    }

    /// Takes a workshop file whose reading was begun elsewhere; at once if it is done.
    public void open(OpeningProgress read, CompletableFuture<Arrival> begun) {
        Path file = read.file();
        if (begun.isDone() && !begun.isCompletedExceptionally()) {
            take(file, begun.join());
            return;
        }
        announce(read);
        desk.work()
                .lane("opening")
                .runAcrossWorkshops(begun::get, arrived -> take(file, arrived), this::failed);
    }

    /// Closes the workshop on the desk; the program stays.
    private void closeWorkshop() {
        String name = desk.ledger().fileNameProperty().get();
        if (name.isEmpty()) {
            desk.notices().say("No workshop is open.");
            return;
        }
        desk.putAway();
        desk.notices().say(name + " is closed. Ctrl+O opens a workshop, Ctrl+N makes a new one.");
    }

    /// Ends the program, as the window's own button does. What is being written is finished first.
    private void quit() {
        Window window = scene.getWindow();
        window.fireEvent(new WindowEvent(window, WindowEvent.WINDOW_CLOSE_REQUEST));
    }

    private void announce(OpeningProgress read) {
        desk.notices().say("Opening " + read.file().getFileName() + " …");
        reading.begin(read);
    }

    private void failed(Throwable failure) {
        reading.end();
        desk.work().failed(failure);
    }

    private void take(Path file, Arrival arrived) {
        reading.end();
        switch (arrived) {
            case Arrival.Ready ready -> {
                desk.put(ready);
                desk.settings().put("last-workshop", file.toString());
                desk.notices().say("");
            }
            case Arrival.Refused refused -> desk.notices().say(refused.message());
            case Arrival.Damaged damaged -> {
                desk.notices().say(file.getFileName() + " is not whole, and was not opened.");
                damage.show(damaged.damage());
            }
        }
    }

    private final class BarActions implements TopBar.Actions {
        @Override
        public void newWorkshop() {
            files.whereTo("New workshop", "workshop.pentacell").ifPresent(Frame.this::open);
        }

        @Override
        public void openWorkshop() {
            files.which("Open workshop", "Workshops", "*.pentacell").ifPresent(Frame.this::open);
        }

        @Override
        public void closeWorkshop() {
            Frame.this.closeWorkshop();
        }

        @Override
        public void quit() {
            Frame.this.quit();
        }

        @Override
        public void changeTheme() {
            dress(theme.other());
            desk.settings().put("theme", theme.name());
        }

        @Override
        public void toggleCard() {
            card.toggle();
        }
    }
}
