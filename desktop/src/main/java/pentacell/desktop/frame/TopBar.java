package pentacell.desktop.frame;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.beans.value.ObservableValue;
import javafx.geometry.Side;
import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCombination;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import pentacell.core.journal.Step;

/// The bar along the top: the workshop file, find or do, undo and redo with what they would do,
/// theme.
final class TopBar extends HBox {
    private static final int WORDS_SHOWN = 24;
    private static final double WIDE_EM = 76;

    private final TextField find = new TextField();
    private final MenuButton file = new MenuButton();
    private final Map<Button, String> said = new LinkedHashMap<>();

    /// What the bar can ask of the frame.
    interface Actions {
        void newWorkshop();

        void openWorkshop();

        void closeWorkshop();

        void quit();

        void changeTheme();

        void toggleCard();
    }

    /// A station's command in the workshop's menu.
    ///
    /// @param action goes to the station and does it
    record Item(Command command, Runnable action) {}

    TopBar(Desk desk, Actions actions, List<Item> more) {
        getStyleClass().add("top-bar");
        file.textProperty()
                .bind(
                        desk.ledger()
                                .fileNameProperty()
                                .map(name -> name.replaceFirst("\\.pentacell$", "")));
        file.setId("workshop-menu");
        file.setPopupSide(Side.BOTTOM);
        file.getItems()
                .addAll(
                        item("New workshop…", "Shortcut+N", actions::newWorkshop),
                        item("Open workshop…", "Shortcut+O", actions::openWorkshop),
                        item("Close workshop", "Shortcut+W", actions::closeWorkshop),
                        new SeparatorMenuItem());
        for (Item each : more) file.getItems().add(item(each));
        file.getItems().addAll(new SeparatorMenuItem(), item("Quit", "Shortcut+Q", actions::quit));
        find.setId("find-or-do");
        find.setPromptText("Find or do  (Ctrl+K)");
        find.setAccessibleText("Find a cell or do a command");
        HBox.setHgrow(find, Priority.ALWAYS);
        Region gap = new Region();
        gap.getStyleClass().add("top-gap");
        getChildren()
                .addAll(
                        file,
                        find,
                        gap,
                        stepButton(
                                "undo",
                                "Undo",
                                Feather.CORNER_UP_LEFT,
                                desk.ledger().undoStepProperty(),
                                desk.ledger()::undo),
                        stepButton(
                                "redo",
                                "Redo",
                                Feather.CORNER_UP_RIGHT,
                                desk.ledger().redoStepProperty(),
                                desk.ledger()::redo),
                        iconButton("theme", "Light or dark", Feather.MOON, actions::changeTheme),
                        iconButton(
                                "card-toggle", "Card (F4)", Feather.SIDEBAR, actions::toggleCard));
    }

    TextField find() {
        return find;
    }

    private static MenuItem item(String words, String keys, Runnable action) {
        MenuItem item = new MenuItem(words);
        item.setAccelerator(KeyCombination.valueOf(keys));
        item.setOnAction(pressed -> action.run());
        return item;
    }

    private static MenuItem item(Item of) {
        MenuItem item = new MenuItem(of.command().words() + "…");
        // the frame hears the keys; here they are only shown
        of.command().keys().ifPresent(item::setAccelerator);
        item.setOnAction(pressed -> of.action().run());
        return item;
    }

    private Button stepButton(
            String id,
            String verb,
            Feather icon,
            ObservableValue<Optional<Step>> step,
            Runnable action) {
        Button button = new Button(verb, new FontIcon(icon));
        button.setId(id);
        button.getStyleClass().add("quiet");
        button.setTooltip(new Tooltip());
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setOnAction(pressed -> action.run());
        step.subscribe(next -> {
            button.setDisable(next.isEmpty());
            String words = next.map(Step::words).orElse("nothing");
            button.getTooltip().setText(verb + " " + words);
            said.put(button, next.isEmpty() ? verb : verb + ": " + shortened(words));
            button.setUserData(verb);
            sayAsFits();
        });
        return button;
    }

    /// In a narrow window the buttons say only their verb; the rest is had by pointing at them.
    private void sayAsFits() {
        said.forEach((button, whole) -> {
            boolean fits = getWidth() > WIDE_EM * button.getFont().getSize();
            button.setText(fits ? whole : String.valueOf(button.getUserData()));
        });
    }

    @Override
    protected void layoutChildren() {
        sayAsFits();
        super.layoutChildren();
    }

    private static Button iconButton(String id, String words, Feather icon, Runnable action) {
        Button button = new Button("", new FontIcon(icon));
        button.setId(id);
        button.getStyleClass().add("quiet");
        button.setAccessibleText(words);
        button.setTooltip(new Tooltip(words));
        button.setOnAction(pressed -> action.run());
        return button;
    }

    private static String shortened(String words) {
        return words.length() <= WORDS_SHOWN ? words : words.substring(0, WORDS_SHOWN - 1) + "…";
    }
}
