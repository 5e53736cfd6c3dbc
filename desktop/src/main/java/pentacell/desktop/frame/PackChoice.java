package pentacell.desktop.frame;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.ComboBox;

/// The box that says which pack is in hand, and takes another.
public final class PackChoice {
    private PackChoice() {}

    /// The box of a station.
    public static ComboBox<String> of(String id, Desk desk, PackInHand inHand) {
        ComboBox<String> box = new ComboBox<>();
        box.setId(id);
        box.setPrefWidth(240);
        box.setPromptText("no pack is matched yet");
        box.valueProperty()
                .subscribe(name -> {
                    if (name == null) return;
                    inHand.take(name);
                    // the card is of the pack that is looked at
                    if (box.getScene() != null) desk.selection().follow(Optional.of(name));
                });
        Runnable offer =
                () -> {
                    List<String> names = inHand.names();
                    if (!box.getItems().equals(names)) box.getItems().setAll(names);
                    box.setValue(names.contains(inHand.name()) ? inHand.name() : null);
                };
        desk.ledger().stateProperty().subscribe(state -> offer.run());
        inHand.nameProperty().subscribe(name -> offer.run());
        return box;
    }
}
