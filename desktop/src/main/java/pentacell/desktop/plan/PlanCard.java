package pentacell.desktop.plan;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import pentacell.core.plan.Checked;
import pentacell.core.plan.PackChecks;
import pentacell.desktop.frame.CardContent;
import pentacell.desktop.kit.Wrapping;

/// The planned pack on the card: its figures, and its checks in the order of their room.
final class PlanCard extends VBox {
    private static final int MOST_CHECKS = 12;

    private final Label id = new Label();
    private final Label name = Wrapping.on(new Label());
    private final Label verdict = Wrapping.on(new Label());
    private final VBox checks = new VBox();

    /// A planned pack as something to select.
    record OfPlan(String pack) {}

    PlanCard(PlanModel model) {
        id.setId("plan-card-id");
        id.getStyleClass().add("card-id");
        name.getStyleClass().add("card-origin");
        verdict.setId("plan-card-verdict");
        verdict.getStyleClass().add("card-verdict");
        checks.setId("plan-card-checks");
        checks.getStyleClass().add("reasons");
        Label heading = new Label("Checks, least room first");
        heading.getStyleClass().add("section");
        new CardContent(this, id, name, verdict, heading, checks);
        model.judgedProperty().subscribe(judged -> show(model.packProperty().get(), judged));
    }

    private void show(String pack, Optional<JudgedPlan> judged) {
        name.setText(pack);
        checks.getChildren().clear();
        if (judged.isEmpty()) {
            id.setText("–");
            verdict.setText("Not planned yet.");
            return;
        }
        JudgedPlan now = judged.get();
        id.setText(now.option().arrangement());
        List<Checked> sorted = PackChecks.smallestMarginFirst(now.checks());
        verdict.setText(CheckWords.summary(now.option().arrangement(), sorted));
        for (Checked each : sorted.subList(0, Math.min(MOST_CHECKS, sorted.size()))) {
            Label line = Wrapping.on(new Label());
            line.setText(
                    "%s %s%s: %s"
                            .formatted(
                                    CheckWords.mark(each.verdict()),
                                    each.check().words(),
                                    each.margin().isPresent() ? ", " + CheckWords.room(each) : "",
                                    each.sentence()));
            checks.getChildren().add(line);
        }
    }
}
