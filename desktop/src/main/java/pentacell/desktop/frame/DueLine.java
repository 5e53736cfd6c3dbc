package pentacell.desktop.frame;

import java.util.List;
import java.util.function.IntConsumer;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/// The line under the top bar: what is due next, each a link, and the last thing the program said.
final class DueLine extends HBox {
    private static final int SHOWN = 3;

    private final HBox links = new HBox();

    DueLine(Desk desk, IntConsumer goToStation) {
        getStyleClass().add("due-line");
        links.getStyleClass().add("due-links");
        Label said = new Label();
        said.setId("said");
        said.getStyleClass().add("said");
        said.textProperty().bind(desk.messageProperty());
        said.setMinWidth(0);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        getChildren().addAll(links, gap, said);
        desk.stateProperty()
                .subscribe(state ->
                        show(
                                Due.of(state, desk.judged(), desk.now()),
                                state.cells().isEmpty(),
                                goToStation));
    }

    private void show(List<Due> due, boolean isEmpty, IntConsumer goToStation) {
        links.getChildren().clear();
        if (due.isEmpty()) {
            links.getChildren()
                    .add(
                            new Label(
                                    isEmpty
                                            ? "Nothing logged yet: begin at Harvest with a donor, or at Intake with a cell"
                                            : "Nothing is due"));
            return;
        }
        for (Due each : due.subList(0, Math.min(SHOWN, due.size()))) {
            Hyperlink link = new Hyperlink(each.words());
            link.setMinWidth(Region.USE_PREF_SIZE);
            link.setOnAction(pressed -> goToStation.accept(each.station()));
            links.getChildren().add(link);
        }
    }
}
