package pentacell.desktop.frame;

import java.util.List;
import java.util.function.Function;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.desktop.kit.EnumWords;
import pentacell.desktop.kit.SentFields;

/// *Decide otherwise*: a choice, the reason for it, a button. Nothing is decided without a reason,
/// except to go by the figures again.
public final class DecisionRow<T> extends VBox {
    private final ComboBox<T> choice = new ComboBox<>();
    private final TextField reason = new TextField();
    private final SentFields sent = new SentFields(List.of(reason));

    /// Logs a decision.
    public interface Log<T> {
        /// @param onFailed brings the reason back into its field
        void decide(T choice, String reason, Runnable onFailed);
    }

    /// @param id `decision` for a cell's; its parts are called after it
    /// @param first what is proposed
    /// @param back the choice that takes a decision back and needs no reason
    public DecisionRow(
            String id, List<T> choices, T first, T back, Function<T, String> words, Log<T> log) {
        choice.setId(id);
        choice.getItems().setAll(choices);
        choice.getSelectionModel().select(first);
        choice.setConverter(new EnumWords<>(words));
        reason.setId(id + "-reason");
        reason.setPromptText("reason");
        HBox.setHgrow(reason, Priority.ALWAYS);
        Button decide = new Button("Decide");
        decide.setId(id.replace("decision", "decide"));
        Runnable act =
                () -> {
                    if (reason.getText().isBlank() && !choice.getValue().equals(back)) {
                        reason.setPromptText("say why first");
                        reason.requestFocus();
                        return;
                    }
                    String why = reason.getText().strip();
                    log.decide(choice.getValue(), why, sent.send());
                };
        decide.setOnAction(pressed -> act.run());
        reason.setOnAction(enter -> act.run());
        Label caption = new Label("Decide otherwise");
        caption.getStyleClass().add("caption");
        HBox row = new HBox(choice, reason, decide);
        row.getStyleClass().add("row");
        getChildren().addAll(caption, row);
    }
}
