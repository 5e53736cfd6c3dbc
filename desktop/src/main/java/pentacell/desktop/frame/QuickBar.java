package pentacell.desktop.frame;

import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.line.Piece;
import pentacell.desktop.frame.QuickSource.Typed;
import pentacell.desktop.kit.Wrapping;

/// The quick line along the bottom: what is typed appears above it as chips, with what each will be
/// logged as; Enter logs, Up recalls. Typing never waits for the disk, see [LineQueue].
public final class QuickBar extends VBox {
    private final QuickSource source;
    private final TextField field = new TextField();
    private final FlowPane chips = new FlowPane();
    private final Label remark = Wrapping.on(new Label());
    private final Label inHand = new Label();
    private final LineQueue lines;
    private Typed typed;

    public QuickBar(Desk desk, QuickSource source, String accessibleText) {
        this.source = source;
        typed = source.read("");
        lines = new LineQueue(field, desk.notices(), text -> typed.onEnter().get());
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
        remark.maxWidthProperty().bind(chips.widthProperty());
        Label key = new Label("F2");
        key.getStyleClass().add("caption");
        key.setTooltip(new Tooltip("F2 puts the caret here"));
        key.setMinWidth(USE_PREF_SIZE);
        HBox row = new HBox(inHand, field, key);
        row.getStyleClass().add("quick-row");
        getChildren().addAll(lines, chips, row);
        field.textProperty().subscribe(text -> read());
        source.onChange(this::read);
    }

    /// Puts the caret into the line.
    public void focusField() {
        field.requestFocus();
    }

    /// Writes into the line without logging it.
    public void type(String text) {
        lines.fill(text);
    }

    private void read() {
        inHand.setText(source.inHand());
        field.setPromptText(source.example());
        typed = source.read(field.getText());
        chips.getChildren().setAll(typed.pieces().stream().map(QuickBar::chip).toList());
        remark.setText(typed.remark());
        if (!typed.remark().isEmpty()) chips.getChildren().add(remark);
    }

    private static Node chip(Piece piece) {
        Label text =
                new Label(
                        switch (piece.look()) {
                                    case PLAIN -> "";
                                    case ODD -> "▲ ";
                                    case REFUSED -> "■ ";
                                }
                                + piece.text());
        text.getStyleClass()
                .addAll(
                        "chip",
                        switch (piece.look()) {
                            case PLAIN -> "chip-plain";
                            case ODD -> "chip-odd";
                            case REFUSED -> "chip-refused";
                        });
        text.setMinWidth(USE_PREF_SIZE);
        Label kind = new Label(piece.kind());
        kind.getStyleClass().add("chip-kind");
        kind.setMinWidth(USE_PREF_SIZE);
        return new HBox(4, text, kind);
    }
}
