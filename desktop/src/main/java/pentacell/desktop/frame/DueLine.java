package pentacell.desktop.frame;

import java.util.List;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/// The line under the top bar: what is due next, each a link, and the last thing the program said.
final class DueLine extends HBox {
    private static final int SHOWN = 3;

    /// What is said keeps at least this share of the line.
    private static final double SHARE_OF_SAID = 0.4;

    private final HBox links = new HBox();
    private final Label said = new Label();
    private final Tooltip whole = new Tooltip();

    DueLine(Desk desk, List<Station> stations, Consumer<Station> go) {
        getStyleClass().add("due-line");
        links.getStyleClass().add("due-links");
        said.setId("said");
        said.getStyleClass().addAll("said", "may-shorten");
        said.textProperty().bind(desk.notices().messageProperty());
        said.setMinWidth(0);
        said.textTruncatedProperty().subscribe(isCut -> said.setTooltip(isCut ? whole : null));
        whole.textProperty().bind(said.textProperty());
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        getChildren().addAll(links, gap, said);
        desk.ledger()
                .stateProperty()
                .subscribe(state -> show(Due.of(stations), desk.ledger().isUntouched(), go));
    }

    private void show(List<Due.At> due, boolean isUntouched, Consumer<Station> go) {
        links.getChildren().clear();
        if (due.isEmpty()) {
            links.getChildren()
                    .add(
                            new Label(
                                    isUntouched
                                            ? "Nothing logged yet: begin at Harvest with a donor, or at Intake with a cell"
                                            : "Nothing is due"));
            return;
        }
        for (Due.At each : due.subList(0, Math.min(SHOWN, due.size()))) {
            Hyperlink link = new Hyperlink(each.due().words());
            link.setMinWidth(Region.USE_PREF_SIZE);
            link.setOnAction(pressed -> go.accept(each.station()));
            links.getChildren().add(link);
        }
    }

    /// The most pressing come first; of the others there are as many as fit whole.
    @Override
    protected void layoutChildren() {
        double room = getWidth() * (said.getText().isEmpty() ? 1 : 1 - SHARE_OF_SAID);
        double taken = snappedLeftInset();
        boolean isFirst = true;
        for (Node link : links.getChildren()) {
            taken += link.prefWidth(-1) + links.getSpacing();
            link.setVisible(taken <= room || isFirst);
            link.setManaged(link.isVisible());
            isFirst = false;
        }
        super.layoutChildren();
    }
}
