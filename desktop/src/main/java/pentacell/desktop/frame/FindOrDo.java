package pentacell.desktop.frame;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Supplier;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Place;
import pentacell.core.donor.Donor;
import pentacell.core.fact.Cell;
import pentacell.core.fact.WorkshopState;

/// The list under *Find or do*: cells, donors and commands that fit what is typed; Enter takes the
/// marked one.
final class FindOrDo {
    private static final int MOST = 12;
    private static final double EM = 13;

    private final TextField field;
    private final ListView<Found> list = new ListView<>();
    private final Desk desk;
    private final Supplier<List<Found>> commands;

    /// Something that can be found or done.
    record Found(String words, Runnable action) {
        @Override
        public String toString() {
            return words;
        }
    }

    FindOrDo(TextField field, Desk desk, Supplier<List<Found>> commands) {
        this.field = field;
        this.desk = desk;
        this.commands = commands;
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
            field.clear();
            list.setVisible(false);
        }
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
        list.getItems().setAll(matches(wanted));
        list.getSelectionModel().selectFirst();
        list.setVisible(!list.getItems().isEmpty());
        Bounds bounds = field.localToScene(field.getBoundsInLocal());
        double height = Math.min(MOST, list.getItems().size()) * 2.3 * EM + 4;
        list.resizeRelocate(bounds.getMinX(), bounds.getMaxY() + 2, bounds.getWidth(), height);
    }

    /// The list, to be laid over everything else.
    Node overlay() {
        return list;
    }

    private List<Found> matches(String wanted) {
        List<Found> found = new ArrayList<>();
        for (Found command : commands.get())
            if (command.words().toLowerCase(Locale.ROOT).contains(wanted)) found.add(command);
        WorkshopState state = desk.state();
        for (Donor donor : state.donors().values())
            if ((donor.code() + " " + donor.kind()).toLowerCase(Locale.ROOT).contains(wanted))
                found.add(
                        new Found(
                                donor.code() + "  " + donor.kind(),
                                () -> {
                                    desk.goTo(1);
                                    desk.selectDonor(donor.code());
                                }));
        for (Cell cell : state.cells().values()) {
            if (found.size() >= MOST) break;
            CellId id = cell.id();
            if (id.text().toLowerCase(Locale.ROOT).contains(wanted))
                found.add(
                        new Found(
                                id
                                        + cell.place()
                                                .map(Place::toString)
                                                .map(place -> "  in " + place)
                                                .orElse(""),
                                () -> desk.find(id)));
        }
        return found.subList(0, Math.min(MOST, found.size()));
    }
}
