package pentacell.desktop.frame;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.desktop.frame.QuickSource.Chip;
import pentacell.desktop.frame.QuickSource.Reading;
import pentacell.desktop.frame.QuickSource.State;

/// The quick line along the bottom: what is typed appears above it as chips, with what each will be
/// logged as; Enter logs, Up recalls.
public final class QuickBar extends VBox {
    private final Desk desk;
    private final QuickSource source;
    private final TextField field = new TextField();
    private final HBox chips = new HBox();
    private final Label remark = new Label();
    private final Label inHand = new Label();
    private final List<String> history = new ArrayList<>();
    private int recalled;

    public QuickBar(Desk desk, QuickSource source, String accessibleText) {
        this.desk = desk;
        this.source = source;
        getStyleClass().add("quick-line");
        field.setId("quick-line");
        field.setAccessibleText(accessibleText);
        field.getStyleClass().add("quick-field");
        HBox.setHgrow(field, Priority.ALWAYS);
        inHand.setId("in-hand");
        inHand.getStyleClass().add("in-hand");
        inHand.setMinWidth(USE_PREF_SIZE);
        chips.setId("chips");
        chips.getStyleClass().add("chips");
        remark.setId("quick-remark");
        remark.getStyleClass().add("quick-remark");
        HBox above = new HBox(chips, remark);
        above.getStyleClass().add("quick-above");
        HBox row = new HBox(inHand, field);
        row.getStyleClass().add("quick-row");
        getChildren().addAll(above, row);
        field.textProperty().subscribe(text -> read());
        field.setOnAction(enter -> log());
        field.addEventFilter(KeyEvent.KEY_PRESSED, this::onKey);
        source.onChange(this::read);
    }

    /// Puts the caret into the line.
    public void focusField() {
        field.requestFocus();
    }

    /// Writes into the line without logging it.
    public void type(String text) {
        field.setText(text);
        field.end();
    }

    private void onKey(KeyEvent key) {
        if (key.getCode() != KeyCode.UP && key.getCode() != KeyCode.DOWN) return;
        recalled = Math.clamp(recalled + (key.getCode() == KeyCode.UP ? -1 : 1), 0, history.size());
        field.setText(recalled < history.size() ? history.get(recalled) : "");
        field.end();
        key.consume();
    }

    private void read() {
        inHand.setText(source.inHand());
        field.setPromptText(source.example());
        Reading reading = source.read(field.getText());
        chips.getChildren().setAll(reading.chips().stream().map(QuickBar::chip).toList());
        remark.setText(reading.remark());
    }

    private static Node chip(Chip chip) {
        Label text =
                new Label(
                        switch (chip.look()) {
                                    case PLAIN -> "";
                                    case ODD -> "▲ ";
                                    case REFUSED -> "■ ";
                                }
                                + chip.text());
        text.getStyleClass()
                .addAll(
                        "chip",
                        switch (chip.look()) {
                            case PLAIN -> "chip-plain";
                            case ODD -> "chip-odd";
                            case REFUSED -> "chip-refused";
                        });
        text.setMinWidth(USE_PREF_SIZE);
        Label kind = new Label(chip.kind());
        kind.getStyleClass().add("chip-kind");
        kind.setMinWidth(USE_PREF_SIZE);
        return new HBox(4, text, kind);
    }

    private void log() {
        String typed = field.getText();
        if (typed.isBlank()) return;
        Reading reading = source.read(typed);
        if (reading.state() == State.INCOMPLETE) {
            if (!reading.missing().isEmpty()) desk.notices().say(reading.missing());
            return;
        }
        history.remove(typed);
        history.add(typed);
        recalled = history.size();
        // what was typed stays until it is on the disk
        field.setEditable(false);
        source.log(
                typed,
                () -> {
                    field.setEditable(true);
                    field.clear();
                },
                () -> field.setEditable(true));
    }
}
