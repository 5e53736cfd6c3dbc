package pentacell.desktop.frame;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import pentacell.core.caution.Caution;
import pentacell.desktop.kit.Wrapping;

/// Cautions in the place they are about. A notice that was seen stays away for that person; a
/// danger only until the program starts again.
public final class CautionStrip extends VBox {
    private final Desk desk;
    private List<Caution> wanted = List.of();

    public CautionStrip(Desk desk, Caution... cautions) {
        this.desk = desk;
        getStyleClass().add("cautions");
        desk.notices().cautionsSeenProperty().subscribe(seen -> arrange());
        show(List.of(cautions));
    }

    /// Shows other cautions.
    public void show(List<Caution> cautions) {
        wanted = List.copyOf(cautions);
        arrange();
    }

    private void arrange() {
        Set<Caution> seen = desk.notices().cautionsSeenProperty().get();
        getChildren()
                .setAll(
                        wanted.stream()
                                .filter(caution -> !seen.contains(caution))
                                .map(this::line)
                                .toList());
        setVisible(!getChildren().isEmpty());
        setManaged(!getChildren().isEmpty());
    }

    private Node line(Caution caution) {
        boolean danger = caution.severity() == Caution.Severity.DANGER;
        Label mark = new Label(danger ? "■" : "▲");
        mark.getStyleClass().add(danger ? "caution-danger" : "caution-notice");
        mark.setMinWidth(Region.USE_PREF_SIZE);
        Label words = new Label(caution.words());
        Wrapping.on(words);
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMaxWidth(Double.MAX_VALUE);
        Button seen = new Button("Seen");
        seen.setId("seen-" + caution.name().toLowerCase(java.util.Locale.ROOT));
        seen.getStyleClass().addAll("quiet", "small");
        seen.setMinWidth(Region.USE_PREF_SIZE);
        seen.setOnAction(pressed -> desk.notices().cautionSeen(caution));
        HBox line = new HBox(mark, words, seen);
        line.getStyleClass()
                .addAll("caution-line", danger ? "caution-line-danger" : "caution-line-notice");
        return line;
    }

    /// The notices a person has put away for good, read from the settings.
    static Set<Caution> putAway(Settings settings) {
        Set<Caution> away = EnumSet.noneOf(Caution.class);
        String kept = settings.get("cautions-seen").orElse("");
        for (Caution caution : Caution.values())
            if (caution.severity() == Caution.Severity.NOTICE
                    && List.of(kept.split(",")).contains(caution.name())) away.add(caution);
        return away;
    }
}
