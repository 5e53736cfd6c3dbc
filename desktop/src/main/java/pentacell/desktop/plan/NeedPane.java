package pentacell.desktop.plan;

import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.VBox;
import pentacell.core.plan.NeedPreset;
import pentacell.core.plan.facts.Need;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.Wrapping;

/// What the pack must power: typed, it moves everything at once; left, it is logged.
final class NeedPane extends VBox {
    private final PlanModel model;
    private final NeedFields fields;
    private final Label message = new Label();
    private boolean isFilling;

    NeedPane(PlanModel model) {
        this.model = model;
        setId("need-pane");
        getStyleClass().add("plan-pane");
        message.setId("need-message");
        message.getStyleClass().add("form-message");
        Wrapping.on(message);
        message.managedProperty().bind(message.textProperty().isNotEmpty());
        fields = new NeedFields(message::setText);
        Label how =
                new Label(
                        "What must it power? A field that is left or confirmed with Enter is logged; Ctrl+Z takes it back.");
        how.getStyleClass().add("caption");
        Wrapping.on(how);
        getChildren().addAll(ControlRow.of(how, ControlRow.gap(), presets()), message, fields);
        fields.onChange(this::typed, this::left);
        model.needProperty().subscribe(this::show);
    }

    private MenuButton presets() {
        MenuButton menu = new MenuButton("Begin with");
        menu.setId("need-presets");
        menu.setMinWidth(USE_PREF_SIZE);
        for (NeedPreset preset : NeedPreset.values()) {
            MenuItem item = new MenuItem(preset.words());
            item.setOnAction(pressed -> model.state(preset.need()));
            menu.getItems().add(item);
        }
        return menu;
    }

    private void show(Optional<Need> need) {
        if (need.isEmpty() || isTyped(need.get())) return;
        isFilling = true;
        fields.show(need.get());
        isFilling = false;
        message.setText("");
    }

    private boolean isTyped(Need need) {
        try {
            return fields.need().equals(need);
        } catch (IllegalArgumentException incomplete) {
            return false;
        }
    }

    private void typed() {
        if (isFilling) return;
        try {
            model.tryOut(fields.need());
            message.setText("");
        } catch (IllegalArgumentException incomplete) {
            // it is said when the field is left
        }
    }

    private void left() {
        if (isFilling) return;
        message.setText("");
        if (fields.mark()) return;
        try {
            model.state(fields.need());
        } catch (IllegalArgumentException incomplete) {
            message.setText(String.valueOf(incomplete.getMessage()));
        }
    }
}
