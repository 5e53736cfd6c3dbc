package pentacell.desktop.prove;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.prove.PackVerdict;
import pentacell.core.prove.ProveCheck;
import pentacell.core.prove.ProveWords;
import pentacell.core.unit.Sentence;
import pentacell.desktop.frame.PackWork;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.PlainButton;
import pentacell.desktop.kit.Wrapping;

/// Whether the pack may go into use, with everything that was looked at.
final class VerdictPane extends VBox {
    private final ProveModel model;
    private final Label meaning = Wrapping.on(new Label());
    private final FittedTable<ProveCheck> table =
            new FittedTable<>("verdict-checks", "Match a pack first (Ctrl+6).");

    VerdictPane(ProveModel model) {
        this.model = model;
        setId("verdict-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("verdict-meaning");
        meaning.getStyleClass().add("meaning");
        table.column("", check -> mark(check.level()))
                .column("Looked at", ProveWords::subject)
                .sentence("Figure and limit", ProveWords::sentence)
                .inThisOrder();
        VBox.setVgrow(table, Priority.ALWAYS);
        Label caution =
                Wrapping.on(
                        new Label(
                                "A salvaged pack has no certificate. Building, vehicle and grid rules are local: ask a licensed electrician. Not for medical use, flight, or anything lives hang on."));
        caution.getStyleClass().add("caption");
        getChildren()
                .addAll(
                        meaning,
                        table,
                        ControlRow.of(
                                PlainButton.of(
                                        "Name plate and book at Build",
                                        "verdict-book",
                                        this::atBuild)),
                        caution);
        model.judgedProperty().subscribe(this::show);
    }

    private void atBuild() {
        model.desk().selection().handOver(new PackWork(model.inHand().name(), PackWork.Kind.BUILD));
    }

    private static String mark(PackVerdict.Level level) {
        return switch (level) {
            case FIT -> "✓";
            case LIMITS -> "▲";
            case NOT_YET -> "■";
        };
    }

    private void show(Optional<ProveModel.Judged> judged) {
        table.getItems().setAll(judged.map(now -> now.verdict().checks()).orElse(List.of()));
        meaning.setText(
                judged.map(now -> meaning(now.verdict())).orElse("Match a pack first (Ctrl+6)."));
    }

    private static String meaning(PackVerdict verdict) {
        String words = Sentence.begin(verdict.level().words());
        if (verdict.level() == PackVerdict.Level.FIT) return words + ".";
        return words
                + ": "
                + verdict.reasons().stream()
                        .map(ProveWords::sentence)
                        .collect(Collectors.joining("; "))
                + ".";
    }
}
