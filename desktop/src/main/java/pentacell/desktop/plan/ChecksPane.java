package pentacell.desktop.plan;

import java.util.List;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.plan.Checked;
import pentacell.core.plan.PackChecks;
import pentacell.desktop.kit.Wrapping;

/// Every check of the pack looked at: limit, figure, room between them, and where the limit comes
/// from; the tightest first.
final class ChecksPane extends VBox {
    private static final PseudoClass BROKEN = PseudoClass.getPseudoClass("broken");

    private final Label meaning = new Label();
    private final VBox rows = new VBox();

    ChecksPane(PlanModel model) {
        setId("checks-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("checks-meaning");
        meaning.getStyleClass().add("meaning");
        Wrapping.on(meaning);
        rows.setId("checks");
        rows.getStyleClass().add("checks");
        getChildren().addAll(meaning, rows);
        model.judgedProperty().subscribe(this::show);
    }

    private void show(Optional<JudgedPlan> judged) {
        List<Checked> checks =
                judged.map(now -> PackChecks.smallestMarginFirst(now.checks())).orElse(List.of());
        rows.getChildren().setAll(checks.stream().map(ChecksPane::row).toList());
        meaning.setText(
                judged.map(now -> CheckWords.summary(now.option().arrangement(), checks))
                        .orElse("Nothing is planned yet: say under Need what it must power."));
    }

    private static Node row(Checked checked) {
        Label mark = styled(CheckWords.mark(checked.verdict()), "check-mark");
        Label name = styled(checked.check().words(), "check-name");
        Label figures = styled(CheckWords.figures(checked), "caption");
        VBox left = new VBox(name, figures);
        left.getStyleClass().add("check-left");
        Label room = styled(CheckWords.room(checked), "check-room");
        Label sentence = Wrapping.on(new Label(CheckWords.sentence(checked)));
        Label source = Wrapping.on(styled(checked.source(), "caption"));
        VBox right = new VBox(sentence, source);
        HBox.setHgrow(right, Priority.ALWAYS);
        HBox row = new HBox(mark, left, room, right);
        row.getStyleClass().add("check-row");
        row.pseudoClassStateChanged(BROKEN, !checked.isFine());
        return row;
    }

    private static Label styled(String text, String style) {
        Label label = new Label(text);
        label.getStyleClass().add(style);
        return label;
    }
}
