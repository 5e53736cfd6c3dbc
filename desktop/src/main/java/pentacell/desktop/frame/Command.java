package pentacell.desktop.frame;

import java.util.Optional;
import javafx.scene.input.KeyCombination;

/// Something that can be done from anywhere, found by its words.
///
/// @param words what a person would call it, such as `Add donor`
/// @param action does it; on the UI thread, with its station shown
/// @param keys what it is done with from anywhere, such as `Shortcut+I`
/// @param inMenu whether it stands in the menu of the workshop as well
public record Command(String words, Runnable action, Optional<KeyCombination> keys, InMenu inMenu) {
    /// Whether a command stands in the workshop's menu.
    public enum InMenu {
        YES,
        NO
    }

    /// A command without keys.
    public Command(String words, Runnable action) {
        this(words, action, Optional.empty(), InMenu.NO);
    }

    /// The same command with keys.
    public Command on(String combination) {
        return new Command(words, action, Optional.of(KeyCombination.valueOf(combination)), inMenu);
    }

    /// The same command in the workshop's menu too.
    public Command alsoInMenu() {
        return new Command(words, action, keys, InMenu.YES);
    }
}
