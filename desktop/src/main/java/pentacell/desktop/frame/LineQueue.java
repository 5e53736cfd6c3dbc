package pentacell.desktop.frame;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.TextFormatter;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.desktop.kit.PlainButton;
import pentacell.desktop.kit.Wrapping;

/// The lines that left a field at Enter, in the order they were typed: each is shown as waiting
/// until it is on the disk. One that fails comes back with its text and the reason while the others
/// go on. The field is free for the next key at once.
///
/// A line that is refused stays in the field, selected: the next key replaces it, and then it is
/// kept here too.
public final class LineQueue extends VBox {
    private static final PseudoClass WRONG = PseudoClass.getPseudoClass("wrong");
    private static final int WAITING_SHOWN = 6;
    private static final int FAILED_SHOWN = 3;

    private final TextField field;
    private final Notices notices;
    private final Function<String, Entered> enter;
    private final FlowPane waitingRow = new FlowPane();
    private final VBox failedRows = new VBox();
    private final Map<Object, String> waiting = new LinkedHashMap<>();
    private final List<Failed> failed = new ArrayList<>();
    private final List<String> typed = new ArrayList<>();
    private String halfTyped = "";
    private int recalled;
    private Optional<Failed> refused = Optional.empty();
    private boolean isFilling;

    /// A line that was not logged.
    private record Failed(String text, String why, Optional<Entered.Attempt> attempt) {}

    /// @param enter reads a line at the moment of Enter; called with lines that are not blank
    public LineQueue(TextField field, Notices notices, Function<String, Entered> enter) {
        this.field = field;
        this.notices = notices;
        this.enter = enter;
        getStyleClass().add("line-queue");
        waitingRow.getStyleClass().add("lines-waiting");
        failedRows.getStyleClass().add("lines-failed");
        getChildren().addAll(waitingRow, failedRows);
        field.setTextFormatter(new TextFormatter<>(this::beforeChange));
        field.setOnAction(pressed -> enter());
        field.addEventFilter(KeyEvent.KEY_PRESSED, this::onKey);
        show();
    }

    /// Reads the field as if Enter had been pressed.
    public void enter() {
        String text = field.getText();
        if (text.isBlank()) return;
        remember(text);
        switch (enter.apply(text)) {
            case Entered.Line line -> {
                refused = Optional.empty();
                fill("");
                attempt(line.text(), line.attempt());
            }
            case Entered.Refused no -> {
                if (!no.why().isEmpty()) notices.say(no.why());
                refused = Optional.of(new Failed(text, no.why(), Optional.empty()));
                field.pseudoClassStateChanged(WRONG, true);
                field.selectAll();
            }
        }
    }

    private void attempt(String text, Entered.Attempt attempt) {
        Object ticket = new Object();
        waiting.put(ticket, text);
        attempt.log(
                () -> {
                    waiting.remove(ticket);
                    show();
                },
                why -> {
                    waiting.remove(ticket);
                    failed.add(new Failed(text, why, Optional.of(attempt)));
                    show();
                });
        show();
    }

    private void remember(String text) {
        typed.remove(text);
        typed.add(text);
        recalled = typed.size();
        halfTyped = "";
    }

    /// Writes into the field without reading it.
    void fill(String text) {
        isFilling = true;
        field.setText(text);
        isFilling = false;
        field.end();
    }

    private TextFormatter.Change beforeChange(TextFormatter.Change change) {
        if (!change.isContentChange()) return change;
        field.pseudoClassStateChanged(WRONG, false);
        boolean isReplaced =
                change.isReplaced()
                        && change.getRangeStart() == 0
                        && change.getRangeEnd() == change.getControlText().length();
        if (isReplaced && !isFilling && !change.getText().isEmpty()) refused.ifPresent(this::keep);
        refused = Optional.empty();
        return change;
    }

    private void keep(Failed line) {
        failed.add(line);
        show();
    }

    private void onKey(KeyEvent key) {
        boolean isUp = key.getCode() == KeyCode.UP;
        if (!isUp && key.getCode() != KeyCode.DOWN) return;
        key.consume();
        if (isUp && !failed.isEmpty()) {
            takeBack(failed.getLast());
            return;
        }
        if (recalled == typed.size()) halfTyped = field.getText();
        recalled = Math.clamp(recalled + (isUp ? -1 : 1), 0, typed.size());
        fill(recalled < typed.size() ? typed.get(recalled) : halfTyped);
    }

    /// Puts a line back into the field; what stood there is recalled with Up.
    private void takeBack(Failed line) {
        if (!field.getText().isBlank()) remember(field.getText());
        failed.remove(line);
        fill(line.text());
        field.requestFocus();
        field.end();
        show();
    }

    private void again(List<Failed> lines) {
        failed.removeAll(lines);
        for (Failed line : lines)
            line.attempt().ifPresent(attempt -> attempt(line.text(), attempt));
        field.requestFocus();
        show();
    }

    private void discard(Failed line) {
        failed.remove(line);
        remember(line.text());
        field.requestFocus();
        show();
    }

    private void show() {
        waitingRow.getChildren().clear();
        waiting.values().stream()
                .limit(WAITING_SHOWN)
                .forEach(text -> waitingRow.getChildren().add(styled(text + " …", "line-waiting")));
        int more = waiting.size() - WAITING_SHOWN;
        if (more > 0)
            waitingRow.getChildren().add(styled("and %d more".formatted(more), "caption"));
        failedRows.getChildren().clear();
        List<Failed> again = failed.stream().filter(each -> each.attempt().isPresent()).toList();
        failed.reversed().stream()
                .limit(FAILED_SHOWN)
                .forEach(line -> failedRows.getChildren().addFirst(row(line)));
        if (failed.size() > 1 && !again.isEmpty()) failedRows.getChildren().add(allOf(again));
        shown(waitingRow, !waiting.isEmpty());
        shown(failedRows, !failed.isEmpty());
        shown(this, !waiting.isEmpty() || !failed.isEmpty());
    }

    private static void shown(javafx.scene.Node node, boolean isShown) {
        node.setVisible(isShown);
        node.setManaged(isShown);
    }

    private static Label styled(String text, String style) {
        Label label = new Label(text);
        label.getStyleClass().add(style);
        return label;
    }

    private HBox row(Failed line) {
        Label text = styled("■ " + line.text(), "line-failed");
        text.getStyleClass().add("may-shorten");
        text.setMaxWidth(24 * text.getFont().getSize());
        Label why = Wrapping.on(styled("not logged. " + line.why(), "caption"));
        why.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(why, Priority.ALWAYS);
        HBox row = new HBox(text, why);
        line.attempt()
                .ifPresent(attempt ->
                        row.getChildren().add(button("Log again", () -> again(List.of(line)))));
        row.getChildren()
                .addAll(
                        button("Edit (↑)", () -> takeBack(line)),
                        button("Discard", () -> discard(line)));
        row.getStyleClass().add("line-row");
        return row;
    }

    private HBox allOf(List<Failed> again) {
        int hidden = failed.size() - FAILED_SHOWN;
        Label more = styled(hidden > 0 ? "and %d more".formatted(hidden) : "", "caption");
        more.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(more, Priority.ALWAYS);
        HBox row =
                new HBox(
                        more,
                        button("Log all %d again".formatted(again.size()), () -> again(again)));
        row.getStyleClass().add("line-row");
        return row;
    }

    private static Button button(String words, Runnable action) {
        Button button = PlainButton.of(words, "", action);
        button.setId(null);
        button.getStyleClass().add("small");
        button.setFocusTraversable(false);
        return button;
    }
}
