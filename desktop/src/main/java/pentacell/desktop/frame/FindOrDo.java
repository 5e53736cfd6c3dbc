package pentacell.desktop.frame;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/// The list under *Find or do*: commands and things that fit what is typed; Enter takes the marked
/// one.
final class FindOrDo {
    private static final int MOST = 12;
    private static final double EM = 13;

    private final TextField field;
    private final ListView<Found> list = new ListView<>();
    private final Search search;
    private Optional<Node> caretWas = Optional.empty();

    /// Looks for commands and things.
    interface Search {
        /// @param wanted in lower case, not empty
        /// @param most how many are shown at most
        List<Found> find(String wanted, int most);
    }

    FindOrDo(TextField field, Search search) {
        this.field = field;
        this.search = search;
        list.setId("found");
        list.getStyleClass().add("found");
        // laid over the frame by hand, so that the caret stays where the typing goes
        list.setManaged(false);
        list.setFocusTraversable(false);
        list.setVisible(false);
    }

    /// Begins to listen to the field.
    void attach() {
        field.textProperty().subscribe(this::search);
        field.addEventFilter(KeyEvent.KEY_PRESSED, this::onKey);
        list.setOnMouseClicked(click -> take());
        field.getScene()
                .focusOwnerProperty()
                .subscribe((before, now) -> {
                    if (field.equals(now) && before != null) caretWas = Optional.of(before);
                });
        field.focusedProperty().subscribe(focused -> list.setVisible(list.isVisible() && focused));
    }

    private void onKey(KeyEvent key) {
        if (key.getCode() == KeyCode.DOWN || key.getCode() == KeyCode.UP) {
            int step = key.getCode() == KeyCode.DOWN ? 1 : -1;
            int next =
                    Math.clamp(
                            list.getSelectionModel().getSelectedIndex() + step,
                            0,
                            Math.max(0, list.getItems().size() - 1));
            list.getSelectionModel().select(next);
            key.consume();
        } else if (key.getCode() == KeyCode.ENTER) {
            take();
            key.consume();
        } else if (key.getCode() == KeyCode.ESCAPE) {
            leave();
            key.consume();
        }
    }

    /// Leaves with nothing done: the caret goes back to where it was.
    private void leave() {
        field.clear();
        list.setVisible(false);
        caretWas.ifPresent(Node::requestFocus);
    }

    private void take() {
        Found found = list.getSelectionModel().getSelectedItem();
        if (found == null) return;
        field.clear();
        list.setVisible(false);
        found.action().run();
    }

    private void search(String text) {
        String wanted = text.strip().toLowerCase(Locale.ROOT);
        if (wanted.isEmpty() || field.getScene() == null) {
            list.setVisible(false);
            return;
        }
        List<Found> matches = matches(wanted);
        list.getItems().setAll(matches.isEmpty() ? List.of(nothing(text.strip())) : matches);
        if (matches.isEmpty()) list.getSelectionModel().clearSelection();
        else list.getSelectionModel().selectFirst();
        list.setVisible(true);
        Bounds bounds = field.localToScene(field.getBoundsInLocal());
        double height = Math.min(MOST, list.getItems().size()) * 2.3 * EM + 4;
        list.resizeRelocate(bounds.getMinX(), bounds.getMaxY() + 2, bounds.getWidth(), height);
    }

    private static Found nothing(String typed) {
        String shown = typed.length() <= 24 ? typed : typed.substring(0, 24) + "…";
        return new Found(
                "Nothing found for “%s”. Try a cell, a donor, a pack, or a word such as label, import, currents."
                        .formatted(shown),
                Found.Where.ANYWHERE,
                () -> {});
    }

    /// The list, to be laid over everything else.
    Node overlay() {
        return list;
    }

    private List<Found> matches(String wanted) {
        List<Found> found = search.find(wanted, MOST);
        return found.subList(0, Math.min(MOST, found.size()));
    }

    /// Whether words fit what is typed.
    static boolean fits(String words, String wanted) {
        return words.toLowerCase(Locale.ROOT).contains(wanted);
    }
}
