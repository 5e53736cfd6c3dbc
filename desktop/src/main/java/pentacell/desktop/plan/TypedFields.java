package pentacell.desktop.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.NumberField;

/// The fields of a need: how they are made, heard and marked, whatever they hold.
final class TypedFields {
    private final Consumer<String> complaint;
    private final List<NumberField> numbers = new ArrayList<>();
    private final List<Control> controls = new ArrayList<>();

    /// @param complaint hears what cannot be understood
    TypedFields(Consumer<String> complaint) {
        this.complaint = complaint;
    }

    /// A field of another kind, heard as the others are.
    <C extends Control> C keep(C control) {
        controls.add(control);
        return control;
    }

    TextField text(String id, int columns) {
        TextField field = new TextField();
        field.setId(id);
        field.setPrefColumnCount(columns);
        return keep(field);
    }

    <T> ComboBox<T> choice(String id, List<T> items) {
        ComboBox<T> box = new ComboBox<>();
        box.setId(id);
        box.getItems().setAll(items);
        box.getSelectionModel().selectFirst();
        controls.add(box);
        return box;
    }

    NumberField number(String id, String caption, String expected, double least, double most) {
        NumberField field = new NumberField(id, caption, "", expected, least, most, complaint);
        field.field().setPrefColumnCount(6);
        numbers.add(field);
        controls.add(field.field());
        return field;
    }

    static Node field(String caption, Node node) {
        Label label = new Label(caption);
        label.setLabelFor(node);
        label.getStyleClass().add("caption");
        return new VBox(label, node);
    }

    static Node section(String title, Node... fields) {
        Label heading = new Label(title);
        heading.getStyleClass().add("section");
        ControlRow row = ControlRow.tight(fields);
        row.getStyleClass().add("form-fields");
        return new VBox(heading, row);
    }

    /// Hears of every change, and when a field was left or confirmed.
    void onChange(Runnable typed, Runnable left) {
        for (Control control : controls) {
            switch (control) {
                case TextField field -> {
                    field.textProperty().subscribe((before, now) -> typed.run());
                    field.setOnAction(enter -> left.run());
                }
                case TextArea area -> area.textProperty().subscribe((before, now) -> typed.run());
                case ComboBox<?> box ->
                        box.valueProperty()
                                .subscribe((before, now) -> {
                                    typed.run();
                                    left.run();
                                });
                case CheckBox box ->
                        box.selectedProperty()
                                .subscribe((before, now) -> {
                                    typed.run();
                                    left.run();
                                });
                default -> {}
            }
            control.focusedProperty()
                    .subscribe((before, now) -> {
                        if (before && !now) left.run();
                    });
        }
    }

    /// Marks what cannot be understood.
    ///
    /// @return whether there is any
    boolean mark() {
        boolean isWrong = false;
        for (NumberField each : numbers) if (each.mark()) isWrong = true;
        return isWrong;
    }

    /// Whether every number can be understood.
    boolean areUnderstood() {
        return numbers.stream().allMatch(NumberField::isUnderstood);
    }

    static double value(NumberField field, double otherwise) {
        return field.typed().orElse(otherwise);
    }

    static boolean areFilled(NumberField... fields) {
        for (NumberField each : fields) if (each.isBlank()) return false;
        return true;
    }

    static OptionalDouble of(Optional<Double> value) {
        return value.isPresent() ? OptionalDouble.of(value.get()) : OptionalDouble.empty();
    }
}
