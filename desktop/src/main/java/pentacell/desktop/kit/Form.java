package pentacell.desktop.kit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;
import pentacell.core.unit.NumberText;

/// A form that stands in the page, never in front of it: fields with captions, one verb, a line
/// that says what is missing. Enter in any field does the verb, Escape puts the form away.
public final class Form extends VBox {
    static final PseudoClass WRONG = PseudoClass.getPseudoClass("wrong");

    private final ControlRow fields = ControlRow.of();
    private final Label message = new Label();
    private final Button verb = new Button();
    private final List<TextField> texts = new ArrayList<>();
    private final SentFields sent = new SentFields(texts);
    private Runnable onClose = () -> {};

    public Form(String id, String title, String verbText) {
        setId(id);
        getStyleClass().add("form");
        Label heading = new Label(title);
        heading.getStyleClass().add("form-title");
        fields.getStyleClass().add("form-fields");
        verb.setText(verbText);
        verb.setId(id + "-verb");
        verb.getStyleClass().add("primary");
        Button close = new Button("Close");
        close.setId(id + "-close");
        close.setOnAction(pressed -> onClose.run());
        message.getStyleClass().add("form-message");
        message.setId(id + "-message");
        Wrapping.on(message);
        ControlRow buttons = ControlRow.of(verb, close, message);
        getChildren().addAll(heading, fields, buttons);
        setOnKeyPressed(key -> {
            if (key.getCode() == KeyCode.ESCAPE) onClose.run();
        });
    }

    /// What the verb does.
    public void onVerb(Runnable action) {
        verb.setOnAction(pressed -> action.run());
    }

    /// What putting the form away does.
    public void onClose(Runnable action) {
        onClose = action;
    }

    /// Takes what is typed, so that the next can be typed at once; the caret goes to the first
    /// field.
    ///
    /// @return to be told when it could not be logged, with the reason: what was typed comes back
    public Consumer<String> send() {
        Runnable comeBack = sent.send();
        begin();
        return why -> {
            comeBack.run();
            say("Not logged. " + why);
        };
    }

    /// Adds a text field.
    public TextField text(String id, String caption, String prompt) {
        TextField field = new TextField();
        field.setId(id);
        field.setPromptText(prompt);
        field.setPrefColumnCount(Math.max(6, prompt.length()));
        field.setOnAction(enter -> verb.fire());
        field.textProperty().subscribe(text -> field.pseudoClassStateChanged(WRONG, false));
        texts.add(field);
        add(caption, field);
        return field;
    }

    /// Adds a choice.
    public <T> ComboBox<T> choice(String id, String caption, List<T> items) {
        ComboBox<T> box = new ComboBox<>();
        box.setId(id);
        box.getItems().setAll(items);
        if (!items.isEmpty()) box.getSelectionModel().selectFirst();
        add(caption, box);
        return box;
    }

    private void add(String caption, Node field) {
        Label label = new Label(caption);
        label.setLabelFor(field);
        label.getStyleClass().add("caption");
        fields.getChildren().add(new VBox(label, field));
    }

    /// Says what is wrong, and marks the field it is about.
    public void complain(String sentence, TextField field) {
        message.setText(sentence);
        field.pseudoClassStateChanged(WRONG, true);
        field.requestFocus();
    }

    /// Says something about the form as a whole.
    public void say(String sentence) {
        message.setText(sentence);
    }

    /// Puts the caret in the first field that can be typed into.
    public void begin() {
        texts.stream()
                .filter(field -> !field.isDisabled())
                .findFirst()
                .ifPresent(Node::requestFocus);
    }

    /// Empties all fields and puts the caret in the first.
    public void clear() {
        texts.forEach(TextField::clear);
        if (!texts.isEmpty()) texts.get(0).requestFocus();
    }

    /// The number in a field, or empty after complaining.
    public OptionalDouble number(TextField field, String expected) {
        OptionalDouble number = NumberText.parse(field.getText());
        if (number.isEmpty())
            complain(
                    "\""
                            + field.getText()
                            + "\" "
                            + NumberText.whyNot(field.getText())
                            + "; expected "
                            + expected
                            + ".",
                    field);
        return number;
    }

    /// The whole number in a field, or empty after complaining.
    public OptionalInt whole(TextField field, String expected) {
        OptionalDouble number = number(field, expected);
        if (number.isEmpty()) return OptionalInt.empty();
        double value = number.getAsDouble();
        if (value == Math.rint(value) && Math.abs(value) <= Integer.MAX_VALUE)
            return OptionalInt.of((int) value);
        complain(
                "\"%s\" is not a whole number; expected %s.".formatted(field.getText(), expected),
                field);
        return OptionalInt.empty();
    }

    /// The text in a field, or empty after complaining.
    public Optional<String> required(TextField field, String what) {
        String text = field.getText().strip();
        if (text.isEmpty()) complain(what + " is missing.", field);
        return text.isEmpty() ? Optional.empty() : Optional.of(text);
    }
}
