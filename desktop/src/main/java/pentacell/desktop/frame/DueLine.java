package pentacell.desktop.frame;

import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/// The line under the top bar: what is due next, each a link, and the last thing the program said.
final class DueLine extends HBox {
    private static final int SHOWN = 3;

    private final HBox links = new HBox();

    DueLine(Desk desk, List<Station> stations, Consumer<Station> go) {
        getStyleClass().add("due-line");
        links.getStyleClass().add("due-links");
        Label said = new Label();
        said.setId("said");
        said.getStyleClass().add("said");
        said.textProperty().bind(desk.notices().messageProperty());
        said.setMinWidth(0);
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
}
