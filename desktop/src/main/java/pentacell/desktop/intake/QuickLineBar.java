package pentacell.desktop.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.cell.CellId;
import pentacell.core.intake.QuickLine;
import pentacell.core.intake.QuickToken;
import pentacell.core.intake.QuickToken.Kind;
import pentacell.core.judgement.Rule;
import pentacell.desktop.frame.Desk;

/// The quick line along the bottom: what is typed appears above it as chips, with what each will be
/// logged as; Enter logs.
final class QuickLineBar extends VBox {
    private final Desk desk;
    private final IntakeModel model;
    private final TextField field = new TextField();
    private final HBox chips = new HBox();
    private final Label remark = new Label();
    private final Label inHand = new Label();
    private final List<String> history = new ArrayList<>();
    private int recalled;

    QuickLineBar(Desk desk, IntakeModel model) {
        this.desk = desk;
        this.model = model;
        getStyleClass().add("quick-line");
        field.setId("quick-line");
        field.setAccessibleText("Quick line: cell id, voltage, resistance, capacity");
        field.setPromptText("HB03-07 3.68 56 2143   then Enter;  \" begins a note");
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
        model.cursorProperty().subscribe(cursor -> read());
        desk.stateProperty().subscribe(state -> read());
    }

    void focusField() {
        field.requestFocus();
    }

    private void onKey(KeyEvent key) {
        if (key.getCode() != KeyCode.UP && key.getCode() != KeyCode.DOWN) return;
        recalled = Math.clamp(recalled + (key.getCode() == KeyCode.UP ? -1 : 1), 0, history.size());
        field.setText(recalled < history.size() ? history.get(recalled) : "");
        field.end();
        key.consume();
    }

    private void read() {
        Optional<CellId> hand = model.bench().cellInHand();
        boolean isNew = hand.isPresent() && desk.state().cell(hand.get()).isEmpty();
        inHand.setText(hand.map(id -> id + (isNew ? " (new)" : "")).orElse("No cell in hand"));
        QuickLine line = QuickLine.read(field.getText(), model.bench());
        chips.getChildren().setAll(line.tokens().stream().map(QuickLineBar::chip).toList());
        remark.setText(
                line.tokens().stream()
                        .flatMap(token -> token.oddity().stream())
                        .map(reason -> reason.sentence())
                        .findFirst()
                        .orElse(""));
    }

    private static Node chip(QuickToken token) {
        boolean refused = token.kind() == Kind.NOT_UNDERSTOOD;
        boolean odd =
                token.oddity().filter(reason -> reason.rule() != Rule.CELL_IS_NEW).isPresent();
        Label chip = new Label((refused ? "■ " : odd ? "▲ " : "") + token.chip());
        chip.getStyleClass()
                .addAll("chip", refused ? "chip-refused" : odd ? "chip-odd" : "chip-plain");
        Label kind = new Label(words(token.kind()));
        kind.getStyleClass().add("chip-kind");
        return new HBox(4, chip, kind);
    }

    private static String words(Kind kind) {
        return switch (kind) {
            case CELL -> "cell";
            case VOLTAGE -> "voltage";
            case RESISTANCE -> "IR";
            case CAPACITY -> "capacity";
            case BLEMISHES -> "the can";
            case NOTE -> "note";
            case NOT_UNDERSTOOD -> "not understood";
        };
    }

    private void log() {
        String typed = field.getText();
        if (typed.isBlank()) return;
        QuickLine line = QuickLine.read(typed, model.bench());
        if (!line.isComplete()) {
            if (line.cell().isEmpty()) desk.say("Which cell? Begin the line with its id.");
            return;
        }
        history.remove(typed);
        history.add(typed);
        recalled = history.size();
        // what was typed stays until it is on the disk
        field.setEditable(false);
        model.log(
                line,
                () -> {
                    field.setEditable(true);
                    field.clear();
                },
                () -> field.setEditable(true));
    }
}
