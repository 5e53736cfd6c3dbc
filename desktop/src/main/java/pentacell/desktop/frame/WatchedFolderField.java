package pentacell.desktop.frame;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import pentacell.desktop.kit.Captioned;

/// The field that says which folder logs are taken in from.
public final class WatchedFolderField {
    private final GroupLogIntake logs;
    private final Consumer<String> say;
    private final TextField field = new TextField();

    /// @param id of the field
    /// @param say hears what is wrong with the folder; an empty text when nothing is
    public WatchedFolderField(GroupLogIntake logs, String id, Consumer<String> say) {
        this.logs = logs;
        this.say = say;
        field.setId(id);
        field.setPromptText("none");
        field.setPrefColumnCount(11);
        field.setText(logs.folder().map(Path::toString).orElse(""));
        field.setOnAction(enter -> watch());
        field.focusedProperty()
                .subscribe(isFocused -> {
                    if (!isFocused) watch();
                });
        field.setTooltip(
                new Tooltip(
                        "A folder that a board or a bench load writes its logs into: each is taken in when it has stopped growing, and again when it has grown."));
    }

    /// The field under its caption.
    public Node node() {
        return Captioned.of("Watched folder", field);
    }

    private void watch() {
        String typed = field.getText().strip();
        if (typed.equals(logs.folder().map(Path::toString).orElse(""))) return;
        if (!typed.isEmpty() && !Files.isDirectory(Path.of(typed))) {
            say.accept(typed + " is no folder.");
            return;
        }
        say.accept("");
        logs.watch(typed);
    }
}
