package pentacell.desktop.frame;

import java.util.function.Predicate;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/// A line of a life line that turns into a field and a verb: Enter does it, Escape leaves the line
/// as it was.
///
/// @param prompt what is to be typed
/// @param verb what the button says
public record InlineEdit(String prompt, String verb) {
    /// Strikes an entry, which asks for a reason.
    public static final InlineEdit STRIKE = new InlineEdit("why it is struck", "Strike");

    /// Corrects a reading.
    public static final InlineEdit CORRECT = new InlineEdit("right value", "Log correction");

    private static final PseudoClass WRONG = PseudoClass.getPseudoClass("wrong");

    /// Takes the place of what stands in a line.
    ///
    /// @param first what stands in the field
    /// @param act does it with what was typed; false marks the field as wrong
    /// @param onEscape brings the line back
    public void begin(HBox row, String first, Predicate<String> act, Runnable onEscape) {
        TextField field = new TextField(first);
        field.setId("correction");
        field.setPromptText(prompt);
        HBox.setHgrow(field, Priority.ALWAYS);
        Button button = new Button(verb);
        button.setId("log-correction");
        button.getStyleClass().addAll("primary", "small");
        Runnable attempt = () -> field.pseudoClassStateChanged(WRONG, !act.test(field.getText()));
        button.setOnAction(pressed -> attempt.run());
        field.setOnAction(enter -> attempt.run());
        field.setOnKeyPressed(key -> {
            if (key.getCode() == KeyCode.ESCAPE) onEscape.run();
        });
        row.getChildren().setAll(field, button);
        field.requestFocus();
        field.selectAll();
    }
}
