package pentacell.desktop.frame;

import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Scene;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import pentacell.desktop.theme.Theme;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.Opening;

/// The window's content: path on the left, top bar and due line above, the station in the middle,
/// the card on the right.
public final class Frame {
    /// Intake: where most of the typing is done.
    private static final int FIRST_SHOWN = 2;

    private final Desk desk;
    private final List<Station> stations;
    private final FileAsk files;
    private final Consumer<Path> importCells;
    private final Clock clock;
    private final BorderPane root = new BorderPane();
    private final PathBar path;
    private final TopBar top;
    private final CardView card;
    private final DonorCard donorCard;
    private final StackPane cards = new StackPane();
    private final Scene scene;
    private Theme theme;
    private int scale;
    private boolean cardIsShown = true;

    /// @param importCells shows a table of cells before it is taken in, at the station that does
    public Frame(
            Desk desk,
            List<Station> stations,
            FileAsk files,
            Consumer<Path> importCells,
            Clock clock) {
        this.desk = desk;
        this.stations = List.copyOf(stations);
        this.files = files;
        this.importCells = importCells;
        this.clock = clock;
        theme =
                desk.settings().get("theme").filter(Theme.SHED.name()::equals).isPresent()
                        ? Theme.SHED
                        : Theme.PAPER;
        scale = Theme.rounded(desk.settings().get("scale").orElse("100"));
        desk.onGoTo(this::goTo);
        path = new PathBar(this.stations, this::go);
        top = new TopBar(desk, new BarActions());
        card = new CardView(desk);
        donorCard = new DonorCard(desk);
        root.getStyleClass().add("frame");
        root.setLeft(path);
        root.setTop(new VBox(top, new DueLine(desk, this::goTo)));
        root.setRight(cards);
        cards.getChildren().setAll(card, donorCard);
        desk.selectedDonorProperty()
                .subscribe(donor -> {
                    card.setVisible(donor.isEmpty());
                    donorCard.setVisible(donor.isPresent());
                });
        FindOrDo find = new FindOrDo(top.find(), desk, this::commands);
        scene = new Scene(new StackPane(root, find.overlay()), 1280, 800);
        theme.applyTo(scene);
        Theme.scale(scene, scale);
        find.attach();
        scene.addEventFilter(KeyEvent.KEY_PRESSED, this::onKey);
        go(
                this.stations.stream()
                        .filter(station -> station.number() == FIRST_SHOWN)
                        .findFirst()
                        .orElse(this.stations.get(0)));
    }

    public Scene scene() {
        return scene;
    }

    /// Shows a station.
    public void go(Station station) {
        path.mark(station);
        root.setCenter(station.view());
        root.setBottom(station.bottom().orElse(null));
        station.enter();
    }

    private void goTo(int number) {
        stations.stream()
                .filter(station -> station.number() == number)
                .findFirst()
                .ifPresent(this::go);
    }

    /// Dresses the window in a theme.
    public void dress(Theme dress) {
        theme = dress;
        theme.applyTo(scene);
    }

    private void onKey(KeyEvent key) {
        if (key.getCode() == KeyCode.F3) {
            desk.selectedCell()
                    .ifPresentOrElse(
                            cell -> {
                                goTo(2);
                                desk.find(cell.id());
                            },
                            () -> desk.say("Select a cell first, then F3 shows where it lies."));
            key.consume();
            return;
        }
        if (key.getCode() == KeyCode.F4) {
            toggleCard();
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
                if (key.isShiftDown()) desk.redo();
                else desk.undo();
            }
            case Y -> desk.redo();
            case PLUS, EQUALS, ADD -> rescale(1);
            case MINUS, SUBTRACT -> rescale(-1);
            case DIGIT0, NUMPAD0 -> rescale(0);
            default -> taken = goByDigit(key);
        }
        if (taken) key.consume();
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
        Theme.scale(scene, scale);
        desk.settings().put("scale", String.valueOf(scale));
    }

    private void toggleCard() {
        cardIsShown = !cardIsShown;
        root.setRight(cardIsShown ? cards : null);
    }

    private List<FindOrDo.Found> commands() {
        List<FindOrDo.Found> commands = new ArrayList<>();
        for (Station station : stations)
            commands.add(new FindOrDo.Found("Go to " + station.name(), () -> go(station)));
        for (Station station : stations)
            for (Command command : station.commands())
                commands.add(
                        new FindOrDo.Found(
                                command.words(),
                                () -> {
                                    go(station);
                                    command.action().run();
                                }));
        commands.add(new FindOrDo.Found("Show all cautions again", desk::showAllCautions));
        BarActions actions = new BarActions();
        commands.add(new FindOrDo.Found("Import cells from CSV", actions::importCells));
        commands.add(new FindOrDo.Found("New workshop", actions::newWorkshop));
        commands.add(new FindOrDo.Found("Open workshop", actions::openWorkshop));
        commands.add(new FindOrDo.Found("Undo", desk::undo));
        commands.add(new FindOrDo.Found("Redo", desk::redo));
        commands.add(new FindOrDo.Found("Light or dark", actions::changeTheme));
        return commands;
    }

    /// Opens a workshop file in the place of the one on the desk; says why when it cannot.
    public void open(Path file) {
        desk.say("Opening " + file.getFileName() + " …");
        desk.compute(
                () -> Logbook.open(file, clock),
                opening -> {
                    switch (opening) {
                        case Opening.Opened opened -> {
                            desk.put(opened.logbook());
                            desk.settings().put("last-workshop", file.toString());
                            desk.say("");
                        }
                        case Opening.Refused refused -> desk.say(refused.message());
                    }
                });
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
        public void importCells() {
            files.which("Import cells", "Tables of cells", "*.csv")
                    .ifPresent(file -> {
                        goTo(2);
                        importCells.accept(file);
                    });
        }

        @Override
        public void changeTheme() {
            dress(theme.other());
            desk.settings().put("theme", theme.name());
        }

        @Override
        public void toggleCard() {
            Frame.this.toggleCard();
        }
    }
}
