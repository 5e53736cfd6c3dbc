package pentacell.desktop.frame;

import java.util.Optional;
import javafx.animation.AnimationTimer;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import pentacell.core.unit.Quantity;

/// Stands in the place of the stations while a workshop is read, so that none of them says that
/// nothing is there yet.
final class OpeningPane extends StackPane {
    private final Label what = new Label();
    private final ProgressBar bar = new ProgressBar(0);
    private Optional<OpeningProgress> reading = Optional.empty();

    /// Follows the reading from pulse to pulse.
    private final AnimationTimer timer =
            new AnimationTimer() {
                @Override
                public void handle(long now) {
                    reading.ifPresent(OpeningPane.this::say);
                }
            };

    OpeningPane() {
        setId("opening");
        getStyleClass().add("opening");
        what.setId("opening-what");
        what.getStyleClass().add("over-heading");
        bar.setId("opening-progress");
        VBox words = new VBox(what, bar);
        words.getStyleClass().add("opening-words");
        getChildren().add(words);
        setVisible(false);
    }

    void begin(OpeningProgress begun) {
        reading = Optional.of(begun);
        say(begun);
        setVisible(true);
        timer.start();
    }

    void end() {
        reading = Optional.empty();
        setVisible(false);
        timer.stop();
    }

    private void say(OpeningProgress read) {
        String share = read.share() > 0 ? " " + Quantity.PERCENT.text(100 * read.share(), 0) : "";
        what.setText("Reading " + read.file().getFileName() + " …" + share);
        bar.setProgress(read.share());
    }
}
